'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { wordsOf } from '@/core/faults';
import { StudioContext } from '../context';
import { TIME_PARTS } from '../store/desk-store';
import { BENCHES, type Bench } from '../store/benches';
import { resumeBatch } from '../store/relief-batch';
import { Studio } from '../store/studio';
import { StudioSurface } from './StudioSurface';

/** The studio of one scene; the bench, the hour and what is picked are part of the address. */
export function StudioPage({ sceneId }: { sceneId: string }) {
  const [studio, setStudio] = useState<Studio | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  useEffect(() => {
    let opened: Studio | null = null;
    let isGone = false;
    const query = new URLSearchParams(window.location.search);
    const wanted = query.get('bench');
    const bench: Bench = BENCHES.find((b) => b === wanted) ?? 'stage';
    Studio.open(sceneId, bench).then(
      (made) => {
        if (isGone) return made.close();
        opened = made;
        const hour = Number(query.get('hour'));
        if (query.has('hour') && hour >= 0 && hour <= 24) made.live.setState({ clockHours: hour });
        // Whoever wants little motion begins with all of it frozen, and sets it going by a key.
        if (window.matchMedia('(prefers-reduced-motion: reduce)').matches)
          made.live.setState({ isFrozen: true });
        // A second in the address holds the flames there.
        const second = Number(query.get('at'));
        if (query.has('at') && second >= 0) made.live.setState({ seconds: second, isFrozen: true });
        const part = TIME_PARTS.find((one) => one === query.get('part'));
        if (part) made.desk.setState({ timePart: part });
        const art = query.get('art');
        if (art && made.scene.artworks[art]) made.desk.setState({ artworkId: art });
        const [collection, id] = (query.get('pick') ?? '').split(':');
        if (id && collection in made.scene) made.pick({ collection: collection as 'lights', id });
        setStudio(made);
        resumeBatch(made).catch((thrown: unknown) => made.say(wordsOf(thrown)));
      },
      (thrown: unknown) => setFault(wordsOf(thrown)),
    );
    return () => {
      isGone = true;
      opened?.close();
    };
  }, [sceneId]);

  if (fault) {
    return (
      <main className="p-8">
        <h1 className="text-large">This scene cannot be opened.</h1>
        <p className="my-2 text-ash">{fault}</p>
        <Link className="text-brass underline" href="/">
          Go to the front page
        </Link>
      </main>
    );
  }
  if (!studio) return <main className="p-8 text-ash">Opening the scene …</main>;
  return (
    <StudioContext.Provider value={studio}>
      <StudioSurface />
    </StudioContext.Provider>
  );
}
