/** A stroke for tests: a hard brush of 6 px that raises by 2 px, to be changed where something else is wanted. */
import type { Stroke } from '../strokes/stroke';

export const PLAIN_STROKE: Stroke = {
  kind: 'raise',
  area: 'line',
  points: [],
  sizePx: 6,
  hardness: 1,
  opacity: 1,
  heightPx: 2,
  faceX: 0,
  faceY: 0,
  level: 1,
  pictureSha: null,
};

export function strokeWith(fields: Partial<Stroke>): Stroke {
  return { ...PLAIN_STROKE, ...fields };
}
