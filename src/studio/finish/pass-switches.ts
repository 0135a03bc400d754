/** The switch of each pass: what it is set to where it is switched on for the first time, and at rest. */
import {
  FINISH_PASSES,
  finishNumbers,
  isAtRest,
  NO_FINISH_SETTINGS,
  type PassName,
} from '@/core/finish/all-passes';
import type { ColourTable } from '@/core/finish/colour-table';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { SceneSettings } from '@/core/scene/records/settings';

type Scene = Pick<SceneDocument, 'tables'>;

/** What a pass begins with: enough to be seen, and no more. */
const BEGINNINGS: { [P in PassName]: (scene: Scene) => Partial<SceneSettings> } = {
  exposure: () => ({ exposureStops: 0.25 }),
  fringe: () => ({ fringePx: 1.5 }),
  bloom: () => ({ bloomLevel: 0.35 }),
  vignette: () => ({ vignetteLevel: 0.35 }),
  tone: () => ({ tone: 'film' }),
  grade: () => ({ saturation: 1.12 }),
  table: ({ tables }) => ({ tableId: inOrder(tables)[0]?.[0] ?? null }),
};

/** Whether a table is on does not depend on what it holds, nor on whether it has come yet. */
const ANY_TABLE: ColourTable = {
  ...{ key: '', dimensions: 1, size: 2, low: [0, 0, 0], high: [1, 1, 1] },
  values: Float32Array.of(0, 0, 0, 1, 1, 1),
};

/** Whether a pass of the scene's own finish changes anything. */
export function isOn(pass: PassName, settings: SceneSettings): boolean {
  return !isAtRest(
    pass,
    finishNumbers(settings, () => ANY_TABLE),
  );
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
  scene: Scene,
): Partial<SceneSettings> {
  if (on) return last ?? BEGINNINGS[pass](scene);
  const rest = NO_FINISH_SETTINGS as unknown as SceneSettings;
  return Object.fromEntries(
    fieldsOfPass(pass).map((field) => [field, rest[field]]),
  ) as Partial<SceneSettings>;
}
