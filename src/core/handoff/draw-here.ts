/** Draws a scene on the thread that asks. */
import { bundlePictures, type Bundle } from './bundle';
import type { Drawing } from './exports/kind';
import { RenderPool } from './render-pool';

export function drawHere(bundle: Bundle): Promise<Drawing> {
  return Promise.resolve({ pool: new RenderPool(bundlePictures(bundle), []), close: async () => {} });
}
