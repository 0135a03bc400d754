'use client';
/** This moment under every look: hover shows one on the stage, a press takes it, and the one before is a wipe away. */
import { useEffect, useRef, type ReactNode } from 'react';
import { settingsOf } from '@/core/scene/document';
import type { LookFields } from '@/core/scene/records/look';
import { useDesk, useScene, useStudio } from '../context';
import { NameField } from '../controls/NameField';
import { showWipe } from '../commands/wipe-views';
import type { LookBefore } from '../store/desk-store';
import type { WantedPicture } from '../store/gate-sheet';
import { deleteLook, lookNow, looksToTake, putLookOnCue, takeLook, type LookToTake } from '../store/looks';
import { writeLookTable } from '../store/look-tables';
import type { Studio } from '../store/studio';
import { LIT, type WipeView } from '../store/wipe';
import { ItemField } from '../time/ItemField';
import { useDayNow } from '../time/use-day-now';
import { SHEET_SIDE_PX, SheetPicture } from './SheetPicture';

/** Looks at which no finish is shown: the art as light alone leaves it. */
const NONE = { key: 'look none', name: 'No look' };
const keyOf = (lookId: string) => `look ${lookId}`;

export function LooksPart() {
  const studio = useStudio();
  useScene(({ scene }) => scene.looks);
  const taken = useDayNow(() => lookNow(studio));
  const looks = looksToTake(studio);
  const wanted = looks.map(({ id, fields }): WantedPicture => ({
    key: keyOf(id),
    passing: { finish: fields },
    sidePx: SHEET_SIDE_PX,
  }));
  const owner = useRef({});
  useEffect(() => {
    const without = { key: NONE.key, passing: { finish: 'none' as const }, sidePx: SHEET_SIDE_PX };
    return studio.gateSheet.want(owner.current, [without, ...wanted]);
  });
  // What was tried goes when the sheet does.
  useEffect(() => () => studio.desk.setState({ triedLook: null }), [studio]);
  const chosen = looks.find(({ id }) => id === taken);
  return (
    <div className="flex h-full gap-3">
      <ul
        aria-label="Contact sheet of looks"
        className="flex min-w-0 flex-1 flex-wrap content-start gap-[6px] overflow-y-auto [scrollbar-width:thin]"
      >
        <SheetItem
          name={NONE.name}
          isTaken={taken === null}
          tried={null}
          onTake={() => takeLook(studio, null)}
          picture={<SheetPicture picture={NONE.key} name={NONE.name} />}
        />
        {looks.map(({ id, name, fields }) => (
          <SheetItem
            key={id}
            name={name}
            isTaken={id === taken}
            tried={fields}
            onTake={() => takeLook(studio, id)}
            picture={<SheetPicture picture={keyOf(id)} name={name} />}
          />
        ))}
      </ul>
      <TakenLook look={chosen} />
    </div>
  );
}

function SheetItem({
  name,
  isTaken,
  tried,
  onTake,
  picture,
}: {
  name: string;
  isTaken: boolean;
  /** What the stage shows while it is under the pointer, or has the keys. */
  tried: LookFields | null;
  onTake(): void;
  picture: ReactNode;
}) {
  const studio = useStudio();
  const show = (triedLook: LookFields | null) => studio.desk.setState({ triedLook });
  return (
    <li>
      <button
        type="button"
        aria-label={name}
        aria-pressed={isTaken}
        className={`block w-[99px] cursor-pointer border text-left ${isTaken ? 'border-verdigris' : 'border-line hover:border-rail'}`}
        onPointerEnter={() => show(tried)}
        onPointerLeave={() => show(null)}
        onFocus={(event) => event.currentTarget.matches(':focus-visible') && show(tried)}
        onBlur={() => show(null)}
        onClick={onTake}
      >
        {picture}
        <span className="block truncate px-1 text-small" title={name}>
          {name}
        </span>
      </button>
    </li>
  );
}

/** What can be done with the look that is mixed in. */
function TakenLook({ look }: { look: LookToTake | undefined }) {
  const studio = useStudio();
  const before = useDesk((state) => state.lookBefore);
  const isCompared = useDesk(({ wipe }) => wipe !== null && wipe.right.view === 'lit');
  return (
    <section aria-label="The look that is taken" className="flex w-[220px] shrink-0 flex-col gap-1">
      {look ? (
        <NameField
          name={look.name}
          label="Name of the look"
          className="w-full text-large"
          onChange={(name) => studio.set('Rename a look', 'looks', look.id, { name })}
        />
      ) : (
        <p className="text-large">No look</p>
      )}
      <ItemField item={{ value: 'lookShare' }} isDirect short="Share" />
      <div className="flex flex-wrap gap-1">
        {look && (
          <>
            <button
              type="button"
              className="key"
              title="The cue at the playhead names it, or a new one there; between cues looks go over into one another"
              onClick={() => putLookOnCue(studio, look.id)}
            >
              Put on a cue
            </button>
            <button
              type="button"
              className="key"
              title="Its tone, grade and table as a .cube of 33 points, for programs that know no other finish"
              onClick={() => writeLookTable(studio, look.fields, look.name)}
            >
              Write .cube
            </button>
            <button
              type="button"
              className="key"
              title="It goes from the project; what named it has none then"
              onClick={() => deleteLook(studio, look.id)}
            >
              Delete
            </button>
          </>
        )}
        <button
          type="button"
          className="key"
          aria-pressed={isCompared}
          title="Under the edge: what was there before on the left, what is there now on the right"
          onClick={() =>
            isCompared
              ? studio.desk.setState({ wipe: null })
              : showWipe(studio, { left: viewBefore(studio, before), right: LIT })
          }
        >
          {before ? 'Compare with the last' : 'Compare with no finish'}
        </button>
      </div>
      <p className="text-small text-ash">
        A look is mixed into the scene&apos;s own finish by its share. Hover to see one on the stage.
      </p>
    </section>
  );
}

/** The look before the last one was taken; without one, no finish. */
function viewBefore(studio: Studio, before: LookBefore | null): WipeView {
  const look = looksToTake(studio).find(({ id }) => id === before?.lookId);
  if (!look || settingsOf(studio.scene).lookId === look.id) return { view: 'unfinished' };
  return { view: 'look', lookId: look.id, fields: look.fields };
}
