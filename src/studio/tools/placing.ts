/** Where things that are placed or moved come to stand. */
import { orderAfter } from '@/core/scene/order';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import type { Studio } from '../store/studio';

/** A place on the grid that is set, on whole px in pixel art, or just where it is. */
export function snappedPlace(studio: Studio, x: number, y: number): [number, number] {
  const { gridPx } = studio.desk.getState();
  const step = gridPx > 0 ? gridPx : settingsOf(studio.scene).pixelArt ? 1 : 0;
  return step === 0 ? [x, y] : [Math.round(x / step) * step, Math.round(y / step) * step];
}

/** The order key of what is put in front of all that stands on a plane. */
export function frontOrder({ sprites, lamps }: SceneDocument, planeId: string): string {
  const own = [...Object.values(sprites), ...Object.values(lamps)].filter((s) => s.planeId === planeId);
  return orderAfter(own.map((s) => s.order));
}
