'use client';
import { X } from 'lucide-react';
import { useDesk, useStudio } from '../context';
import { benchFacts } from '../store/benches';
import type { Offer } from '../store/offer';

/** What can be done by one press with what just came in; each is done, or put away. */
export function Offers() {
  const studio = useStudio();
  const offers = useDesk((state) => state.offers);
  const without = (offer: Offer) =>
    studio.desk.setState(({ offers: all }) => ({ offers: all.filter((one) => one !== offer) }));
  const hasStage = useDesk(({ bench }) => benchFacts(bench).hasStage ?? false);
  if (offers.length === 0 || !hasStage) return null;
  return (
    <section
      aria-label="With what came in"
      data-layer
      className="floating fixed top-14 right-4 z-20 flex w-[360px] flex-col gap-1 border border-rail bg-slate px-3 py-2"
    >
      {offers.map((offer) => (
        <div key={offer.words} className="row flex min-h-[24px] items-center gap-2">
          <p className="min-w-0 flex-1">{offer.words}</p>
          <button
            type="button"
            className="key"
            onClick={() => {
              without(offer);
              offer.run();
            }}
          >
            {offer.press}
          </button>
          <button
            type="button"
            aria-label={`Leave it: ${offer.words}`}
            title="Leave it"
            className="cursor-pointer text-ash hover:text-chalk"
            onClick={() => without(offer)}
          >
            <X size={13} aria-hidden />
          </button>
        </div>
      ))}
    </section>
  );
}
