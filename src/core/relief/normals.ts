/**
 * From height to normals. Slopes never reach across the silhouette: they are one-sided there; where the art is a
 * seamless tile they go on around its border. Pixel art: central differences; painted art: the rotation-invariant
 * kernel 3, 10, 3 of Scharr (2000), row by row, rows whose centre is outside dropped and the weights made whole.
 */
import { normalByte } from '../light/facing';
import type { Wrap } from '../raster/blur';

/** How far facings are carried on beyond the silhouette, so that filtering meets no seam. */
export const PADDING_PX = 2;
const FLAT = [128, 128, 255, 255] as const;

/**
 * @param heights px of the art, width * height
 * @param inside flags of the pixels that have a height
 * @returns RGBA bytes in tangent space, Y up, alpha 255; flat where there is nothing
 */
export function normalsOf(
  heights: Float32Array,
  inside: Uint8Array,
  width: number,
  height: number,
  strength: number,
  wrap: Wrap,
  pixelArt: boolean,
): Uint8Array {
  const out = new Uint8Array(width * height * 4);
  for (let i = 0; i < out.length; i += 4) out.set(FLAT, i);
  const slope = new SlopeReader(heights, inside, width, height, wrap, pixelArt);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!inside[i]) continue;
      const inner = x > 0 && y > 0 && x < width - 1 && y < height - 1 && slope.isSurrounded(i);
      const nx = -strength * (inner ? slope.innerX(i) : slope.alongX(x, y));
      // The file's green points up, so the sign of the downward slope stays.
      const ny = strength * (inner ? slope.innerY(i) : slope.alongY(x, y));
      const length = Math.sqrt(nx * nx + ny * ny + 1);
      out[4 * i] = normalByte(nx / length);
      out[4 * i + 1] = normalByte(ny / length);
      out[4 * i + 2] = normalByte(1 / length);
    }
  }
  padOutward(out, inside, width, height);
  return out;
}

class SlopeReader {
  constructor(
    private readonly heights: Float32Array,
    private readonly inside: Uint8Array,
    private readonly width: number,
    private readonly height: number,
    private readonly wrap: Wrap,
    private readonly pixelArt: boolean,
  ) {}

  /** Whether all eight neighbours are inside; asked only of pixels that are not at the picture's border. */
  isSurrounded(i: number): boolean {
    const { inside, width } = this;
    return (
      (inside[i - 1] &
        inside[i + 1] &
        inside[i - width] &
        inside[i + width] &
        inside[i - width - 1] &
        inside[i - width + 1] &
        inside[i + width - 1] &
        inside[i + width + 1]) ===
      1
    );
  }

  innerX(i: number): number {
    return this.inner(i, 1, this.width);
  }

  innerY(i: number): number {
    return this.inner(i, this.width, 1);
  }

  /** The slope of a surrounded pixel: the same sums as `along`, without asking what is there. */
  private inner(i: number, step: number, side: number): number {
    const { heights: h } = this;
    const own = (h[i + step] - h[i - step]) / 2;
    if (this.pixelArt) return own;
    const before = (h[i - side + step] - h[i - side - step]) / 2;
    const after = (h[i + side + step] - h[i + side - step]) / 2;
    return (10 * own + 3 * before + 3 * after) / 16;
  }

  alongX(x: number, y: number): number {
    return this.along(x, y, 1, 0);
  }

  alongY(x: number, y: number): number {
    return this.along(x, y, 0, 1);
  }

  /** The slope along (sx, sy), weighted over the lines beside it on painted art. */
  private along(x: number, y: number, sx: number, sy: number): number {
    const own = this.line(x, y, sx, sy);
    if (this.pixelArt) return own;
    let sum = 10 * own;
    let weights = 10;
    for (let side = -1; side <= 1; side += 2) {
      const bx = x + side * sy;
      const by = y + side * sx;
      if (this.index(bx, by) < 0) continue;
      sum += 3 * this.line(bx, by, sx, sy);
      weights += 3;
    }
    return sum / weights;
  }

  /** The difference on one line: centred where both neighbours are inside, else to the one that is. */
  private line(x: number, y: number, sx: number, sy: number): number {
    const before = this.index(x - sx, y - sy);
    const after = this.index(x + sx, y + sy);
    if (before >= 0 && after >= 0) return (this.heights[after] - this.heights[before]) / 2;
    const here = this.heights[this.index(x, y)];
    if (after >= 0) return this.heights[after] - here;
    return before >= 0 ? here - this.heights[before] : 0;
  }

  /** The index of a pixel, around the border of a seamless tile; -1 where it is outside. */
  private index(x: number, y: number): number {
    let cx = x;
    let cy = y;
    if (cx < 0 || cx >= this.width) {
      if (!this.wrap.x) return -1;
      cx = cx < 0 ? cx + this.width : cx - this.width;
    }
    if (cy < 0 || cy >= this.height) {
      if (!this.wrap.y) return -1;
      cy = cy < 0 ? cy + this.height : cy - this.height;
    }
    const i = cy * this.width + cx;
    return this.inside[i] ? i : -1;
  }
}

function padOutward(normals: Uint8Array, inside: Uint8Array, width: number, height: number): void {
  let known = inside;
  for (let step = 0; step < PADDING_PX; step++) {
    const next = known.slice();
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        if (known[i]) continue;
        const from = nearestKnown(known, x, y, width, height);
        if (from < 0) continue;
        normals.copyWithin(4 * i, 4 * from, 4 * from + 4);
        next[i] = 1;
      }
    }
    known = next;
  }
}

const AROUND = [
  [-1, 0],
  [1, 0],
  [0, -1],
  [0, 1],
  [-1, -1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;

function nearestKnown(known: Uint8Array, x: number, y: number, width: number, height: number): number {
  for (const [dx, dy] of AROUND) {
    const nx = x + dx;
    const ny = y + dy;
    if (nx >= 0 && ny >= 0 && nx < width && ny < height && known[ny * width + nx]) return ny * width + nx;
  }
  return -1;
}
