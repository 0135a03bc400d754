/** What every stage of a Moment reads: the scene at one second, and what the stages before have settled. */
import type { LightSpace } from '../raster/colour';
import type { SceneDocument } from '../scene/document';
import type { Plane } from '../scene/records/plane';
import type { SceneSettings } from '../scene/records/settings';
import type { Day } from '../time/day';
import type { SkyLight } from '../time/sky';
import type { SkyBody } from '../time/sky-fields';
import type { Circuits } from './circuits';
import type { Rows } from './rows';
import type { Passing } from './passing';
import type { Standing } from './standing';

/** Planes far to near. The same object while neither their order nor their number changes. */
export interface PlaneStack {
  ids: readonly string[];
  index: ReadonlyMap<string, number>;
}

export interface MomentStage {
  scene: SceneDocument;
  settings: SceneSettings;
  space: LightSpace;
  day: Day;
  clockHours: number;
  /** What the sun and the moon give at this hour. */
  sky: Readonly<Record<SkyBody, SkyLight>>;
  seconds: number;
  passing: Passing;
  standing: Standing;
  planes: readonly (readonly [string, Plane])[];
  planeStack: PlaneStack;
  rows: Rows;
  circuits: Circuits;
  /** Index of each artwork's picture. */
  pictureIndex: ReadonlyMap<string, number>;
}
