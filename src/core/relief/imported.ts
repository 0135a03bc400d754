/** What was brought along: normal maps and height maps, and another artwork's relief, in the px of the ground. */
import { InputFault } from '../faults';
import { NORMAL_BYTE_TO_VALUE } from '../light/terms/facing';
import { labelled } from '../raster/regions';
import { solvePoisson } from './multigrid';
import { STEEPEST_NZ, type FacingPaint } from './normals';
import type { ReliefGround } from './ground';
import type { Rect } from '../raster/rect';
import type { ImportedHeights, ImportedNormals } from './source';
import type { MaskPaint, Planes } from './strokes/painted';

interface Sized {
  width: number;
  height: number;
}

/** @throws InputFault that names both sizes */
export function checkSameSize(what: string, given: Sized, art: Sized): void {
  if (given.width === art.width && given.height === art.height) return;
  throw new InputFault(
    `${what} has ${given.width} x ${given.height} px, the art ${art.width} x ${art.height}.`,
  );
}

/** Given normals at the ground's size, Y up, and the heights that they come to. */
export function importedGround(
  { image, yUp }: ImportedNormals,
  art: Sized,
  ground: ReliefGround,
): { normals: Uint8Array; heights: Float32Array } {
  checkSameSize('The normal map', image, art);
  const { width, height } = ground.image;
  const { times } = ground;
  const normals = new Uint8Array(4 * width * height);
  for (let y = 0, p = 0; y < height; y++) {
    for (let x = 0; x < width; x++, p += 4) {
      const from = 4 * (y * times * image.width + x * times);
      normals[p] = image.data[from];
      normals[p + 1] = yUp ? image.data[from + 1] : 255 - image.data[from + 1];
      normals[p + 2] = image.data[from + 2];
      normals[p + 3] = 255;
    }
  }
  const heights = new Float32Array(width * height);
  for (const frame of ground.frames) integrate(normals, ground.silhouette.inside, width, frame, heights);
  return { normals, heights };
}

/**
 * The height field whose slopes are nearest to those of the normals in the sense of least squares: a Poisson equation
 * on their divergence, with free borders at the silhouette. Each island lies at 0 in the mean of its border.
 */
function integrate(
  normals: Uint8Array,
  inside: Uint8Array,
  width: number,
  frame: Rect,
  heights: Float32Array,
): void {
  const w = frame.right - frame.left;
  const h = frame.bottom - frame.top;
  const at = (j: number) => (frame.top + Math.floor(j / w)) * width + frame.left + (j % w);
  const islands = Uint16Array.from(
    labelled(
      w,
      h,
      (j) => inside[at(j)] === 1,
      () => true,
    ),
  );
  const across = new Float32Array(w * h);
  const down = new Float32Array(w * h);
  for (let j = 0; j < islands.length; j++) {
    const p = 4 * at(j);
    const nz = Math.max(STEEPEST_NZ, NORMAL_BYTE_TO_VALUE[normals[p + 2]]);
    across[j] = -NORMAL_BYTE_TO_VALUE[normals[p]] / nz;
    down[j] = NORMAL_BYTE_TO_VALUE[normals[p + 1]] / nz;
  }
  const load = new Float32Array(w * h);
  for (let y = 0, j = 0; y < h; y++) {
    for (let x = 0; x < w; x++, j++) {
      if (x < w - 1 && islands[j] > 0 && islands[j] === islands[j + 1]) {
        const step = (across[j] + across[j + 1]) / 2;
        load[j] -= step;
        load[j + 1] += step;
      }
      if (y < h - 1 && islands[j] > 0 && islands[j] === islands[j + w]) {
        const step = (down[j] + down[j + w]) / 2;
        load[j] -= step;
        load[j + w] += step;
      }
    }
  }
  const domain = { width: w, height: h, labels: islands, alpha: null, openX: false, openY: false };
  const u = solvePoisson({ ...domain, border: 'free' }, load);
  settle(u, islands, w, h);
  for (let j = 0; j < u.length; j++) heights[at(j)] = u[j];
}

/** Moves each island so that its border lies at 0 in the mean. */
function settle(u: Float32Array, islands: Uint16Array, w: number, h: number): void {
  const sums = new Map<number, { sum: number; count: number }>();
  for (let y = 0, j = 0; y < h; y++) {
    for (let x = 0; x < w; x++, j++) {
      const own = islands[j];
      if (own === 0) continue;
      const isBorder =
        x === 0 ||
        y === 0 ||
        x === w - 1 ||
        y === h - 1 ||
        islands[j - 1] !== own ||
        islands[j + 1] !== own ||
        islands[j - w] !== own ||
        islands[j + w] !== own;
      if (!isBorder) continue;
      const entry = sums.get(own) ?? { sum: 0, count: 0 };
      entry.sum += u[j];
      entry.count++;
      sums.set(own, entry);
    }
  }
  for (let j = 0; j < u.length; j++) {
    const entry = sums.get(islands[j]);
    if (entry) u[j] -= entry.sum / entry.count;
  }
}

/** Heights of a grey picture at the ground's size, in the ground's px, 0 outside the silhouette. */
export function heightsOfPicture(
  { picture, lowPx, highPx }: ImportedHeights,
  art: Sized,
  { image, times, silhouette }: ReliefGround,
): Float32Array {
  checkSameSize('The height map', picture, art);
  const out = new Float32Array(image.width * image.height);
  const step = (highPx - lowPx) / 65535;
  for (let y = 0, i = 0; y < image.height; y++) {
    for (let x = 0; x < image.width; x++, i++) {
      const value = picture.values[y * times * picture.width + x * times];
      if (silhouette.inside[i]) out[i] = (lowPx + value * step) / times;
    }
  }
  return out;
}

/** The planes of a lender in the px of a borrower of the same size. */
export function lentPlanes(
  planes: Planes,
  lender: ReliefGround,
  borrower: ReliefGround,
): { planes: Planes; given: ReliefGround['given'] } {
  const { width, height } = borrower.image;
  const ratio = borrower.times / lender.times;
  const from = new Int32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.floor((y + 0.5) * ratio) * lender.image.width;
    for (let x = 0; x < width; x++, i++) from[i] = row + Math.floor((x + 0.5) * ratio);
  }
  const plane = (own: Float32Array, scale = 1) => Float32Array.from(from, (j) => own[j] * scale);
  const facing = (own: FacingPaint | null) =>
    own && { nx: plane(own.nx), ny: plane(own.ny), share: plane(own.share) };
  const mask = (own: MaskPaint | null) => own && { value: plane(own.value), share: plane(own.share) };
  const { given } = lender;
  return {
    planes: {
      heights: plane(planes.heights, 1 / ratio),
      facing: facing(planes.facing),
      rim: mask(planes.rim),
      glow: mask(planes.glow),
    },
    given: given && {
      normals: Uint8Array.from(
        { length: 4 * from.length },
        (_, p) => given.normals[4 * from[p >> 2] + (p & 3)],
      ),
      heights: plane(given.heights, 1 / ratio),
    },
  };
}
