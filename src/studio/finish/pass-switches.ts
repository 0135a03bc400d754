/** The switch of each pass: what it is set to where it is switched on for the first time, and at rest. */
import {
  FINISH_PASSES,
  finishNumbers,
  isAtRest,
  NO_FINISH_SETTINGS,
  type PassName,
} from '@/core/finish/all-passes';
import type { SceneSettings } from '@/core/scene/records/settings';

/** What a pass begins with: enough to be seen, and no more. */
const BEGINNINGS: { [P in PassName]: Partial<SceneSettings> } = {
  exposure: { exposureStops: 0.25 },
  fringe: { fringePx: 1.5 },
  bloom: { bloomLevel: 0.35 },
  vignette: { vignetteLevel: 0.35 },
  tone: { tone: 'film' },
  grade: { saturation: 1.12 },
  table: {},
};

/** Whether a pass of the scene's own finish changes anything. */
export function isOn(pass: PassName, settings: SceneSettings): boolean {
  return !isAtRest(pass, finishNumbers(settings));
}

/** The fields of the settings that a pass has. */
export function fieldsOfPass(pass: PassName): (keyof SceneSettings)[] {
  return Object.keys(FINISH_PASSES[pass].fields) as (keyof SceneSettings)[];
}

/**
 * What the settings become where a pass is switched.
 * @param last what it was set to when it was switched off; null where it never was
 */
export function switched(
  pass: PassName,
  on: boolean,
  last: Partial<SceneSettings> | null,
): Partial<SceneSettings> {
  if (on) return last ?? BEGINNINGS[pass];
  const rest = NO_FINISH_SETTINGS as unknown as SceneSettings;
  return Object.fromEntries(
    fieldsOfPass(pass).map((field) => [field, rest[field]]),
  ) as Partial<SceneSettings>;
}
