/** The Art bench's controller of a studio, for keys. */
import type { Studio } from '../store/studio';
import type { ArtController } from './art-controller';

const controllers = new WeakMap<Studio, ArtController>();

export function registerArt(studio: Studio, controller: ArtController | null): void {
  if (controller) controllers.set(studio, controller);
  else controllers.delete(studio);
}

export function artOf(studio: Studio): ArtController | null {
  return controllers.get(studio) ?? null;
}
