/** Where pictures that were dropped together come to stand. */
import { figureSize } from '@/core/art/frames';
import { settingsOf } from '@/core/scene/document';
import { laidOut } from '../store/lay-out';
import type { Studio } from '../store/studio';
import { placeSprite } from './place-sprite';

/**
 * Puts sprites of artworks beside one another, from a place on and within the gate; what fills the gate lies behind them in
 * its middle. A single one stands at the place itself.
 */
export function placeBeside(studio: Studio, artworkIds: readonly string[], x: number, y: number): void {
  if (artworkIds.length === 1) return placeSprite(studio, artworkIds[0], x, y);
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(studio.scene);
  const sizeOf = (id: string) => figureSize(studio.scene.artworks[id]);
  const fills = (id: string) => sizeOf(id).widthPx >= gateWidthPx && sizeOf(id).heightPx >= gateHeightPx;
  const put = (id: string, left: number, top: number) => {
    const { pivotX, pivotY } = studio.scene.artworks[id];
    placeSprite(studio, id, left + pivotX, top + pivotY);
  };
  for (const id of artworkIds.filter(fills)) {
    const { widthPx, heightPx } = sizeOf(id);
    put(id, gateX + (gateWidthPx - widthPx) / 2, gateY + (gateHeightPx - heightPx) / 2);
  }
  const beside = artworkIds.filter((id) => !fills(id));
  const sizes = beside.map(sizeOf);
  const left = Math.max(gateX, Math.min(x, gateX + gateWidthPx / 4));
  const places = laidOut(sizes, left, y, gateX + gateWidthPx - left);
  const bottom = Math.max(...places.map(([, top], i) => top + sizes[i].heightPx));
  const up = Math.max(gateY - y, Math.min(0, gateY + gateHeightPx - bottom));
  beside.forEach((id, i) => put(id, places[i][0], places[i][1] + up));
}
