'use client';
import { useEffect, useRef, useState } from 'react';
import { wordsOf } from '@/core/faults';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { change, create } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { ContactSheet } from './ContactSheet';
import { ReliefController } from './relief-controller';
import { ReliefDesk } from './ReliefDesk';
import { RELIEF_VIEWS, VIEW_WORDS, type ReliefView } from './relief-view';
import { SectionLine } from './SectionLine';

/** One artwork under the hand lamp, with the recipe that makes its relief. */
export function ReliefBench() {
  const studio = useStudio();
  const wanted = useDesk((state) => state.artworkId);
  const ids = useScene((state) =>
    Object.entries(state.scene.artworks)
      .sort(([, a], [, b]) => a.name.localeCompare(b.name))
      .map(([id]) => id),
  );
  const artworkId = wanted !== null && ids.includes(wanted) ? wanted : (ids[0] ?? null);
  const recipe = useScene((state) =>
    artworkId === null ? undefined : state.scene.reliefs[artworkId]?.recipe,
  );
  const [view, setView] = useState<ReliefView>('lit');
  const [row, setRow] = useState(0);
  const [lampHeight, setLampHeight] = useState(16);
  const [lampColour, setLampColour] = useState('#ffe2b8');
  const elements = {
    box: useRef<HTMLDivElement>(null),
    picture: useRef<HTMLCanvasElement>(null),
    mark: useRef<HTMLSpanElement>(null),
    readout: useRef<HTMLParagraphElement>(null),
  };
  const controller = useRef<ReliefController | null>(null);

  useEffect(() => {
    const made = new ReliefController(studio, {
      box: elements.box.current!,
      picture: elements.picture.current!,
      mark: elements.mark.current!,
      readout: elements.readout.current!,
    });
    made.onRow = setRow;
    made.onHeight = setLampHeight;
    controller.current = made;
    return () => made.dispose();
    // The elements are refs and stay.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [studio]);
  useEffect(() => controller.current?.show(artworkId, view), [artworkId, view]);
  useEffect(
    () => controller.current?.setLamp({ heightPx: lampHeight, colour: lampColour }),
    [lampHeight, lampColour],
  );

  const preview = (next: Recipe) => {
    const artwork = artworkId === null ? null : studio.scene.artworks[artworkId];
    if (!artwork) return;
    studio.workers
      .liveRelief(artwork.imageSha, next, (answer) => controller.current?.preview(answer))
      .catch((thrown: unknown) => studio.say(wordsOf(thrown)));
  };
  const keep = (next: Recipe, label: string) => {
    if (artworkId === null) return;
    const there = studio.scene.reliefs[artworkId];
    const edit = there
      ? change(studio.scene, 'reliefs', artworkId, { recipe: next })
      : create('reliefs', artworkId, { recipe: next });
    if (edit) studio.scenes.transact({ label, edits: [edit] });
    preview(next);
  };
  // What is kept may change from elsewhere, as by undo: then no preview stands before it.
  useEffect(() => {
    const leave = studio.pictures.subscribe(() => controller.current?.preview(null));
    return () => void leave();
  }, [studio, recipe]);

  return (
    <main className="grid min-h-0 grid-rows-[minmax(0,1fr)_44px_204px]">
      <div className="grid min-h-0 grid-cols-[104px_minmax(0,1fr)]">
        <ContactSheet artworkId={artworkId} onChoose={(id) => studio.desk.setState({ artworkId: id })} />
        <div ref={elements.box} className="relative min-w-0 overflow-hidden bg-soot">
          <canvas
            ref={elements.picture}
            aria-label="Artwork under the hand lamp"
            className="absolute inset-0 size-full touch-none"
          />
          <span
            ref={elements.mark}
            className="figure pointer-events-none absolute top-0 left-0 pl-[16px] whitespace-nowrap text-[#ffe2b8] [text-shadow:0_0_3px_#000] before:absolute before:-top-[9px] before:-left-[9px] before:size-[17px] before:rounded-full before:border before:border-[#ffe2b8] data-[pinned=true]:before:bg-[#ffe2b8]/40"
          />
          <div role="radiogroup" aria-label="View" className="absolute top-3 left-3 flex">
            {RELIEF_VIEWS.map((name) => (
              <button
                key={name}
                type="button"
                role="radio"
                aria-checked={view === name}
                className="key -ml-px"
                data-picked={view === name}
                onClick={() => setView(name)}
              >
                {VIEW_WORDS[name]}
              </button>
            ))}
          </div>
          <p className="pointer-events-none absolute bottom-2 left-4 [text-shadow:0_0_4px_#000]">
            {artworkId === null
              ? 'Bring PNG files in on the Stage, then make their relief here'
              : 'Move to carry the hand lamp, click to put it down, Alt and wheel for its height'}
          </p>
          <p
            ref={elements.readout}
            className="figure pointer-events-none absolute right-4 bottom-2 text-ash"
          />
        </div>
      </div>
      <SectionLine artworkId={artworkId} row={row} />
      {artworkId !== null ? (
        <ReliefDesk
          key={artworkId}
          artworkId={artworkId}
          recipe={readRecipe(recipe ?? {})}
          hasRelief={recipe !== undefined}
          lamp={{ heightPx: lampHeight, colour: lampColour }}
          onLamp={(fields) => {
            if (fields.heightPx !== undefined) setLampHeight(fields.heightPx);
            if (fields.colour !== undefined) setLampColour(fields.colour);
          }}
          onPreview={preview}
          onKeep={keep}
          onCancel={() => controller.current?.preview(null)}
        />
      ) : (
        <div className="border-t border-line bg-slate p-3 text-ash">
          There are no artworks in this project yet.
        </div>
      )}
    </main>
  );
}
