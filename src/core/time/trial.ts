/** What is tried out at one hour and not recorded: it stands in the place of what the cues hold. */
import type { SceneDocument } from '../scene/document';
import { newCue, type Cue } from '../scene/records/cue';
import type { CueColour, CueNumber } from './cue-values';

/** Values that are tried, and levels of circuits by their ids. */
export type Trial = Partial<Record<CueNumber, number> & Record<CueColour, string>> & {
  circuitLevels?: Readonly<Record<string, number>>;
};

/** The scene with a trial in it: its cues without what is tried, and one more that holds that alone, all day. */
export function withTrial(scene: SceneDocument, trial: Trial): SceneDocument {
  const { circuitLevels = {}, ...values } = trial;
  const without = (cue: Cue): Cue => ({
    ...cue,
    ...Object.fromEntries(Object.keys(values).map((name) => [name, null])),
    circuitLevels: cue.circuitLevels.filter(({ circuitId }) => !(circuitId in circuitLevels)),
  });
  const tried = newCue({
    clockHours: 0,
    ...values,
    circuitLevels: Object.entries(circuitLevels).map(([circuitId, level]) => ({
      circuitId,
      level,
      held: false,
    })),
  });
  return {
    ...scene,
    cues: {
      ...Object.fromEntries(Object.entries(scene.cues).map(([id, cue]) => [id, without(cue)])),
      [TRIED_ID]: tried,
    },
  };
}

/** No id of a record looks like it. */
const TRIED_ID = 'TRIED';
