'use client';
/** Looks: the contact sheet, and what can be done with the one that is taken; the one before is a wipe away. */
import { settingsOf } from '@/core/scene/document';
import { useDesk, useScene, useStudio } from '../context';
import { NameField } from '../controls/NameField';
import { showWipe } from '../commands/wipe-views';
import type { LookBefore } from '../store/desk-store';
import { deleteLook, lookNow, looksToTake, putLookOnCue, type LookToTake } from '../store/looks';
import { writeLookTable } from '../store/look-tables';
import type { Studio } from '../store/studio';
import { LIT, type WipeView } from '../store/wipe';
import { ItemField } from '../time/ItemField';
import { useDayNow } from '../time/use-day-now';
import { LookSheet } from './LookSheet';

export function LooksPart() {
  const studio = useStudio();
  useScene(({ scene }) => scene.looks);
  const taken = useDayNow(() => lookNow(studio));
  const chosen = looksToTake(studio).find(({ id }) => id === taken);
  return (
    <div className="flex h-full gap-3">
      <LookSheet className="min-w-0 flex-1" />
      <TakenLook look={chosen} />
    </div>
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
