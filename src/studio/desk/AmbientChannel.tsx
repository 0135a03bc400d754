'use client';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { change } from '@/core/scene/edits';
import { useDesk, useScene, useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import { giveUpItem, tryItem } from '../store/day-trial';
import { useDayNow } from '../time/use-day-now';
import { Fader } from './Fader';

const LEVEL = { value: 'ambientLevel' } as const;
const COLOUR = { value: 'ambientColour' } as const;

/**
 * The ambient light at the hour of the dayline. Without cues it is the scene's own; with cues a change is a trial at
 * this hour until it is recorded.
 */
export function AmbientChannel() {
  const studio = useStudio();
  const hasCues = useScene((state) => Object.keys(state.scene.cues).length > 0);
  const isTrial = useDesk(
    ({ trial }) => trial !== null && ('ambientColour' in trial || 'ambientLevel' in trial),
  );
  const { colour, level } = useDayNow(() => studio.ambient());
  const gesture = useGesture(studio, 'Ambient light');

  const editsFor = (fields: { ambientColour?: string; ambientLevel?: number }) => {
    const made = change(studio.scenes.kept, 'settings', SETTINGS_ID, fields);
    return made ? [made] : [];
  };
  const setLevel = (value: number, isDone: boolean) => {
    if (hasCues) tryItem(studio, LEVEL, value);
    else if (isDone) gesture.commit(editsFor({ ambientLevel: value }));
    else gesture.preview(editsFor({ ambientLevel: value }));
  };
  const setColour = (value: string) => {
    if (hasCues) tryItem(studio, COLOUR, value);
    else gesture.commit(editsFor({ ambientColour: value }));
  };

  return (
    <section
      aria-label="Ambient"
      className="flex w-[66px] shrink-0 flex-col border-r border-line px-[6px] pt-1 pb-1"
    >
      <p className="h-[36px] leading-[17px]">
        Ambient
        {isTrial && <span className="block text-small text-brass">trial</span>}
      </p>
      <input
        type="color"
        aria-label="Ambient colour"
        className="h-[10px] w-full shrink-0 cursor-pointer appearance-none border-none bg-transparent p-0 [&::-webkit-color-swatch]:rounded-none [&::-webkit-color-swatch]:border-none [&::-webkit-color-swatch-wrapper]:p-0"
        value={colour}
        onChange={(event) => setColour(event.currentTarget.value)}
      />
      <div className="flex min-h-0 flex-1 justify-center py-1">
        <Fader
          label="Level of the ambient light"
          value={level}
          onPreview={(value) => setLevel(value, false)}
          onCommit={(value) => setLevel(value, true)}
          onCancel={() => (hasCues ? giveUpItem(studio, LEVEL) : gesture.cancel())}
        />
      </div>
      {isTrial && (
        <button
          type="button"
          className="mb-[2px] cursor-pointer border border-brass text-small text-brass"
          onClick={() => studio.desk.setState({ isRecording: true })}
        >
          record
        </button>
      )}
      <span className="figure text-right">{level.toFixed(2)}</span>
    </section>
  );
}
