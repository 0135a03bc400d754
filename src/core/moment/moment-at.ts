/** One Moment by itself: for renderings that are made once. Whoever makes many of one view keeps a MomentMaker. */
import { NO_TABLES, type TableSource } from '../finish/colour-table';
import { type SceneDocument, settingsOf } from '../scene/document';
import type { Moment, View } from './moment';
import { MomentMaker } from './moment-maker';
import type { Passing } from './passing';

/** The view that shows just the gate, `outputPerScenePx` times as large. */
export function gateView(scene: SceneDocument, outputPerScenePx = 1): View {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  return {
    x: gateX,
    y: gateY,
    widthPx: Math.round(gateWidthPx * outputPerScenePx),
    heightPx: Math.round(gateHeightPx * outputPerScenePx),
    outputPerScenePx,
  };
}

/**
 * The scene resolved at one clock hour and second.
 * @param clockHours 0 to 24
 * @param seconds 0 or more
 * @param tables where lookup tables of colours are found
 */
export function momentAt(
  scene: SceneDocument,
  clockHours: number,
  seconds: number,
  passing: Passing,
  view: View,
  tables: TableSource = NO_TABLES,
): Moment {
  return new MomentMaker(tables).at(scene, clockHours, seconds, passing, view);
}
