/** A small box of paints for pixel art: whole pixels, a palette, ordered dither, hashed noise. */
import { BAYER8 } from '@/core/raster/bayer';
import { hexToBytes } from '@/core/raster/colour';
import { emptyImage, type Image } from '@/core/raster/image';
import { hash01 } from '@/core/time/noise';

export type Colour = string;

export class Paint {
  readonly image: Image;

  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.image = emptyImage(width, height);
  }

  dot(x: number, y: number, colour: Colour, alpha = 255): void {
    if (x < 0 || y < 0 || x >= this.width || y >= this.height) return;
    this.image.data.set([...hexToBytes(colour), alpha], 4 * (Math.floor(y) * this.width + Math.floor(x)));
  }

  isClear(x: number, y: number): boolean {
    return (
      x < 0 ||
      y < 0 ||
      x >= this.width ||
      y >= this.height ||
      this.image.data[4 * (y * this.width + x) + 3] === 0
    );
  }

  box(x: number, y: number, w: number, h: number, colour: Colour): void {
    for (let j = 0; j < h; j++) for (let i = 0; i < w; i++) this.dot(x + i, y + j, colour);
  }

  /** A box of tones from one side to the other, parted by ordered dither. `across` runs left to right. */
  shaded(x: number, y: number, w: number, h: number, tones: readonly Colour[], across = false): void {
    for (let j = 0; j < h; j++) {
      for (let i = 0; i < w; i++) {
        const t = across ? (i + 0.5) / w : (j + 0.5) / h;
        this.dot(x + i, y + j, dithered(tones, t, x + i, y + j));
      }
    }
  }

  /** Every pixel of a box whose hash falls below the share, in one of the colours. */
  speckle(
    x: number,
    y: number,
    w: number,
    h: number,
    colours: readonly Colour[],
    share: number,
    seed: number,
  ): void {
    for (let j = 0; j < h; j++) {
      for (let i = 0; i < w; i++) {
        const cell = (y + j) * 4096 + x + i;
        if (this.isClear(x + i, y + j) || hash01(seed, cell) >= share) continue;
        this.dot(x + i, y + j, colours[Math.floor(hash01(seed + 1, cell) * colours.length)]);
      }
    }
  }

  disc(cx: number, cy: number, r: number, colour: (x: number, y: number, d: number) => Colour | null): void {
    for (let y = Math.floor(cy - r); y <= cy + r; y++) {
      for (let x = Math.floor(cx - r); x <= cx + r; x++) {
        const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
        const d = Math.sqrt(dx * dx + dy * dy);
        const picked = d <= r ? colour(x, y, d) : null;
        if (picked) this.dot(x, y, picked);
      }
    }
  }

  line(x0: number, y0: number, x1: number, y1: number, colour: Colour): void {
    const steps = Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0), 1);
    for (let i = 0; i <= steps; i++) {
      this.dot(Math.round(x0 + ((x1 - x0) * i) / steps), Math.round(y0 + ((y1 - y0) * i) / steps), colour);
    }
  }

  /** Copies another painting onto this one where it is not clear. */
  stamp(other: Paint, x: number, y: number, flip = false): void {
    for (let j = 0; j < other.height; j++) {
      for (let i = 0; i < other.width; i++) {
        const p = 4 * (j * other.width + (flip ? other.width - 1 - i : i));
        if (
          other.image.data[p + 3] === 0 ||
          x + i < 0 ||
          y + j < 0 ||
          x + i >= this.width ||
          y + j >= this.height
        )
          continue;
        this.image.data.set(other.image.data.subarray(p, p + 4), 4 * ((y + j) * this.width + x + i));
      }
    }
  }
}

/** A glow mask of the size of a painting, in which nothing glows yet. */
export function maskFor({ width, height }: Paint): Paint {
  const mask = new Paint(width, height);
  mask.box(0, 0, width, height, '#000000');
  return mask;
}

/** A tone at share t of a ramp, parted from its neighbour by ordered dither. */
export function dithered(tones: readonly Colour[], t: number, x: number, y: number): Colour {
  const at = Math.min(1, Math.max(0, t)) * (tones.length - 1);
  const low = Math.floor(at);
  const threshold = (BAYER8[(y & 7) * 8 + (x & 7)] + 0.5) / 64;
  return tones[Math.min(tones.length - 1, at - low > threshold ? low + 1 : low)];
}

/** A smooth wandering line: sums of hashed values on ever finer lattices, 0 to 1. */
export function wander(x: number, seed: number, wavelength: number, octaves: number): number {
  let sum = 0;
  let weights = 0;
  for (let o = 0; o < octaves; o++) {
    const at = (x / wavelength) * (1 << o);
    const cell = Math.floor(at);
    const t = at - cell;
    const smooth = t * t * (3 - 2 * t);
    const [a, b] = [hash01(seed + o, cell), hash01(seed + o, cell + 1)];
    const weight = 1 / (1 << o);
    sum += weight * (a + (b - a) * smooth);
    weights += weight;
  }
  return sum / weights;
}
