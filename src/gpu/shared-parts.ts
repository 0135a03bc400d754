import type { Device } from './device';
import type { LightBatch } from './light-batch';
import type { PictureCache } from './picture-textures';
import type { ShadowMasks } from './shadow-masks';
import type { ShadowPlanner } from './shadow-plan';
import type { SpriteBatch } from './sprite-batch';

/** What pictures of all sizes are drawn with. */
export interface SharedParts {
  device: Device;
  pictures: PictureCache;
  sprites: SpriteBatch;
  lights: LightBatch;
  masks: ShadowMasks;
  planner: ShadowPlanner;
  /** Bytes that sums of lights that stand still may take, for each size of picture. */
  sumBytes: number;
}
