/** Where a sprite shows in the picture, and what surrounds it: places of the figure, and of the ring around it. */
import { LayerSums } from '../../light/layer';
import type { Moment, MomentLayer, MomentPlane, MomentSprite, PicturePixels } from '../../moment/moment';

/** Places of figure and ring together, at most about this many. */
const MOST_PLACES = 420;
/** The ring is this share of the figure's larger side wide, within these bounds, scene px. */
const RING_SHARE = 0.25;
const RING_PX = { least: 3, most: 24 } as const;
/** From so much alpha on a place belongs to the figure; below the other it is none of it. */
const FIGURE_ALPHA = 0.5;
const NOT_FIGURE_ALPHA = 0.05;

/** Scene places, x and y in turn. */
export interface Figure {
  figure: number[];
  ring: number[];
}

/**
 * @param pixels of the Moment's pictures
 * @returns null where the figure shows nowhere within the gate
 */
export function figureOf(
  moment: Moment,
  sprite: MomentSprite,
  pixels: readonly (PicturePixels | null)[],
): Figure | null {
  const { box } = sprite;
  const side = Math.max(box.right - box.left, box.bottom - box.top);
  const ringPx = Math.min(RING_PX.most, Math.max(RING_PX.least, RING_SHARE * side));
  const { gate } = moment;
  const left = Math.max(gate.left, box.left - ringPx);
  const top = Math.max(gate.top, box.top - ringPx);
  const width = Math.min(gate.right, box.right + ringPx) - left;
  const height = Math.min(gate.bottom, box.bottom + ringPx) - top;
  if (width <= 0 || height <= 0) return null;
  const step = Math.max(1, Math.sqrt((width * height) / MOST_PLACES));
  const [columns, rows] = [Math.ceil(width / step), Math.ceil(height / step)];
  const alphas = new Float64Array(columns * rows);
  const sums = new LayerSums();
  const plane: MomentPlane = {
    tint: [1, 1, 1],
    originX: 0,
    originY: 0,
    overlay: false,
    blurPx: 0,
    layers: [],
    drifts: moment.drifts.map(() => 0),
  };
  const layer = { sprites: [sprite] } as Pick<MomentLayer, 'sprites'> as MomentLayer;
  const placeOf = (i: number): [number, number] => [
    left + ((i % columns) + 0.5) * step,
    top + (Math.floor(i / columns) + 0.5) * step,
  ];
  for (let i = 0; i < alphas.length; i++) {
    const [x, y] = placeOf(i);
    alphas[i] = sums.gather(moment, plane, layer, pixels, x, y) ? sums.alpha[0] : 0;
  }
  const out: Figure = { figure: [], ring: [] };
  const far = ringPx / step;
  for (let i = 0; i < alphas.length; i++) {
    if (alphas[i] >= FIGURE_ALPHA) out.figure.push(...placeOf(i));
    else if (alphas[i] < NOT_FIGURE_ALPHA && isNear(alphas, columns, rows, i, far))
      out.ring.push(...placeOf(i));
  }
  return out.figure.length > 0 && out.ring.length > 0 ? out : null;
}

/** Whether a place of the figure lies within so many places. */
function isNear(alphas: Float64Array, columns: number, rows: number, i: number, far: number): boolean {
  const [x, y] = [i % columns, Math.floor(i / columns)];
  const whole = Math.ceil(far);
  for (let j = Math.max(0, y - whole); j <= Math.min(rows - 1, y + whole); j++)
    for (let k = Math.max(0, x - whole); k <= Math.min(columns - 1, x + whole); k++)
      if ((k - x) * (k - x) + (j - y) * (j - y) <= far * far && alphas[j * columns + k] >= FIGURE_ALPHA)
        return true;
  return false;
}
