/** Values carried on beyond the silhouette, so that filtering meets no seam. Nothing is carried from one cell into another. */
import type { HeightField } from './slopes';

/** How far facings are carried on. */
export const PADDING_PX = 2;

const AROUND_X = [-1, 1, 0, 0, -1, 1, -1, 1];
const AROUND_Y = [0, 0, -1, 1, -1, -1, 1, 1];

type Silhouettes = Pick<HeightField, 'inside' | 'frames' | 'width' | 'height'>;

/** Carries RGBA pixels outward from the inside, ring by ring, each from the nearest pixel of its frame that is known. */
export function padOutward(
  rgba: Uint8Array | Uint16Array,
  silhouettes: Silhouettes,
  paddingPx: number,
): void {
  const { inside, width } = silhouettes;
  const known = inside.slice();
  const near = new Nearby(silhouettes, known);
  let ring = ringOutside(silhouettes, near);
  for (let step = 0; step < paddingPx && ring.length > 0; step++) {
    const carried: number[] = [];
    for (const i of ring) {
      const from = near.of(i % width, (i / width) | 0);
      if (from < 0) continue;
      rgba.copyWithin(4 * i, 4 * from, 4 * from + 4);
      carried.push(i);
    }
    for (const i of carried) known[i] = 1;
    if (step + 1 < paddingPx) ring = unknownAround(carried, known, silhouettes);
  }
}

/** Finds known pixels beside one, in the frame that it lies in; what lies between the frames takes from any. */
class Nearby {
  private readonly width: number;
  private readonly height: number;
  /** 1 and on for the frames, 0 between them; null where one frame is the whole picture. */
  private readonly frameAt: Uint32Array | null;

  constructor(
    { frames, width, height }: Silhouettes,
    private readonly known: Uint8Array,
  ) {
    this.width = width;
    this.height = height;
    const [{ left, top, right, bottom }] = frames;
    const isWhole = left === 0 && top === 0 && right === width && bottom === height;
    this.frameAt = isWhole ? null : new Uint32Array(width * height);
    if (this.frameAt) {
      for (const [index, frame] of frames.entries())
        for (let y = frame.top; y < frame.bottom; y++)
          this.frameAt.fill(index + 1, y * width + frame.left, y * width + frame.right);
    }
  }

  /** @returns the index of a known pixel, -1 where there is none */
  of(x: number, y: number): number {
    const { width, height, known, frameAt } = this;
    const own = frameAt === null ? 0 : frameAt[y * width + x];
    for (let k = 0; k < 8; k++) {
      const nx = x + AROUND_X[k];
      const ny = y + AROUND_Y[k];
      if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
      const j = ny * width + nx;
      if (known[j] && (own === 0 || frameAt![j] === own)) return j;
    }
    return -1;
  }
}

function ringOutside({ inside, width, height }: Silhouettes, near: Nearby): number[] {
  const ring: number[] = [];
  for (let y = 0, i = 0; y < height; y++) {
    const isRowInner = y > 0 && y < height - 1;
    for (let x = 0; x < width; x++, i++) {
      if (inside[i]) continue;
      const isInner = isRowInner && x > 0 && x < width - 1;
      // Most pixels have nothing around them: seen at once where none of the eight lies beyond the picture.
      const isAlone =
        isInner &&
        !(
          inside[i - 1] |
          inside[i + 1] |
          inside[i - width] |
          inside[i + width] |
          inside[i - width - 1] |
          inside[i - width + 1] |
          inside[i + width - 1] |
          inside[i + width + 1]
        );
      if (!isAlone && near.of(x, y) >= 0) ring.push(i);
    }
  }
  return ring;
}

function unknownAround(ring: readonly number[], known: Uint8Array, { width, height }: Silhouettes): number[] {
  const next = new Set<number>();
  for (const i of ring) {
    const x = i % width;
    const y = (i - x) / width;
    for (let k = 0; k < 8; k++) {
      const nx = x + AROUND_X[k];
      const ny = y + AROUND_Y[k];
      if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
      const j = ny * width + nx;
      if (!known[j]) next.add(j);
    }
  }
  return [...next];
}
