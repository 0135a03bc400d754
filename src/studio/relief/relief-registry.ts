/** The Relief bench's controller of a studio, for keys. */
import type { Studio } from '../store/studio';
import type { ReliefController } from './relief-controller';

const controllers = new WeakMap<Studio, ReliefController>();

export function registerRelief(studio: Studio, controller: ReliefController | null): void {
  if (controller) controllers.set(studio, controller);
  else controllers.delete(studio);
}

export function reliefOf(studio: Studio): ReliefController | null {
  return controllers.get(studio) ?? null;
}
