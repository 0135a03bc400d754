/** The washes that lie on the picture, as renderers read them. */
import { hexToLinear, linearToOklab } from '../raster/colour';
import type { Wash } from '../scene/records/wash';
import { WASH_POINT_FLOATS } from '../weather/wash';
import type { MomentWash } from './moment';
import type { MomentStage } from './stage';

/** @param strength multiplies the opacity of all of them */
export function washesAt(stage: MomentStage, strength: number): MomentWash[] {
  const { scene, day, clockHours, passing } = stage;
  const full = passing.fullWash === null ? undefined : scene.washes[passing.fullWash];
  if (full) return washOf(stage, full, 1, 'normal');
  return day.washesAt(clockHours).flatMap(({ washId, share }) => {
    const wash = scene.washes[washId];
    return wash && !wash.hidden ? washOf(stage, wash, wash.opacity * share * strength, wash.blend) : [];
  });
}

function washOf(
  { settings }: MomentStage,
  { tiedTo, x, y, widthPx, heightPx, points }: Wash,
  opacity: number,
  blend: MomentWash['blend'],
): MomentWash[] {
  if (opacity <= 0 || points.length === 0) return [];
  const [left, top] = tiedTo === 'gate' ? [settings.gateX, settings.gateY] : [0, 0];
  const floats = new Float32Array(WASH_POINT_FLOATS * points.length);
  points.forEach((point, i) => {
    const lab = linearToOklab(hexToLinear(point.colour));
    const weight = 1 / (2 * point.spreadPx * point.spreadPx);
    floats.set([left + point.x, top + point.y, weight, point.opacity, ...lab, 0], WASH_POINT_FLOATS * i);
  });
  const box = tiedTo === 'rectangle' ? { left: x, top: y, right: x + widthPx, bottom: y + heightPx } : null;
  return [{ blend, opacity, box, points: floats }];
}
