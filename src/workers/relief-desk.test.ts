import { describe, expect, it } from 'vitest';
import { emptyImage } from '@/core/raster/image';
import { plainJob, sourceOf, type ReliefJob } from '@/core/relief/job';
import { recipeWith } from '@/core/relief/recipe';
import { reliefOf, resultOf } from '@/core/relief/relief-of';
import type { Stroke } from '@/core/relief/strokes/stroke';
import { shapeImage } from '@/core/relief/testing/shapes';
import { strokeWith } from '@/core/relief/testing/strokes';
import { ReliefDesk } from './relief-desk';
import { upsampled } from './upsampled';

const BRUSH = strokeWith({
  sizePx: 8,
  hardness: 0.3,
  opacity: 0.9,
  heightPx: 3,
  faceX: 0.4,
  faceY: 0.2,
});

const disc = shapeImage(60, 50, (x, y) => (x - 30) ** 2 + (y - 25) ** 2 < 500);
const pictures = {
  image: () => disc,
  heights: () => {
    throw new Error('none');
  },
};
const job: ReliefJob = plainJob('a', recipeWith({ body: { kind: 'inflate' }, pixelArt: 'no' }));
const withStroke = (stroke: Stroke): ReliefJob => ({ ...job, layers: [[stroke]] });
/** The first layer that there is. */
const ONLY = { below: 0, upTo: 0 };
const points = [20, 20, 1, 26, 24, 0.8, 34, 30, 1];

describe('a stroke on the desk', () => {
  it.each(['raise', 'smooth', 'face', 'erase'] as const)(
    'is seen patch by patch, and is at its end what it would be made anew: %s',
    (kind) => {
      const desk = new ReliefDesk();
      const stroke = { ...BRUSH, kind };
      const source = sourceOf(job, pictures);
      desk.begin(job, source, ONLY, stroke);
      const seen = reliefOf(source);
      for (let k = 0; k < points.length; k += 3) {
        const patch = desk.extend(points.slice(k, k + 3));
        if (!patch) continue;
        const w = patch.rect.right - patch.rect.left;
        for (let y = patch.rect.top; y < patch.rect.bottom; y++) {
          const from = (y - patch.rect.top) * w;
          const to = y * 60 + patch.rect.left;
          seen.normals.set(patch.normals.subarray(4 * from, 4 * (from + w)), 4 * to);
          seen.heights.set(patch.heights.subarray(from, from + w), to);
        }
      }
      const after = withStroke({ ...stroke, points });
      desk.end(after);
      const kept = desk.make(after, sourceOf(after, pictures), () => {
        throw new Error('nothing is to be made again');
      });
      const anew = reliefOf(sourceOf(after, pictures));
      expect(resultOf(kept.ground, kept.planes).heights).toEqual(anew.heights);
      for (let i = 0; i < 60 * 50; i++) {
        if (disc.data[4 * i + 3] < 128) continue;
        for (let c = 0; c < 3; c++) {
          expect(kept.normals[4 * i + c]).toBe(anew.normals[4 * i + c]);
          expect(Math.abs(seen.normals[4 * i + c] - anew.normals[4 * i + c])).toBeLessThanOrEqual(1);
        }
      }
    },
  );

  it.each(['raise', 'face', 'erase'] as const)(
    'on a layer below others is seen with them over it, and stands below them when it is kept: %s',
    (kind) => {
      const low = { ...BRUSH, heightPx: 2, points: [30, 25, 1] };
      const high = [
        { ...BRUSH, points: [24, 22, 1, 36, 28, 1] },
        { ...BRUSH, kind: 'face' as const, opacity: 0.5, faceX: -0.6, points: [26, 24, 1] },
      ];
      const both: ReliefJob = { ...job, layers: [[low], high] };
      const stroke = { ...BRUSH, kind };
      const source = sourceOf(both, pictures);
      const desk = new ReliefDesk();
      desk.begin(both, source, { below: 0, upTo: 1 }, stroke);
      const seen = reliefOf(source);
      for (let k = 0; k < points.length; k += 3) {
        const patch = desk.extend(points.slice(k, k + 3))!;
        const w = patch.rect.right - patch.rect.left;
        for (let y = patch.rect.top; y < patch.rect.bottom; y++) {
          const from = 4 * (y - patch.rect.top) * w;
          seen.normals.set(patch.normals.subarray(from, from + 4 * w), 4 * (y * 60 + patch.rect.left));
        }
      }
      const after: ReliefJob = { ...job, layers: [[low, { ...stroke, points }], high] };
      desk.end(after);
      const kept = desk.make(after, sourceOf(after, pictures), () => {}).normals;
      const anew = reliefOf(sourceOf(after, pictures)).normals;
      for (let i = 0; i < 60 * 50; i++) {
        if (disc.data[4 * i + 3] < 128) continue;
        for (let c = 0; c < 3; c++) {
          expect(kept[4 * i + c]).toBe(anew[4 * i + c]);
          expect(Math.abs(seen.normals[4 * i + c] - anew[4 * i + c])).toBeLessThanOrEqual(1);
        }
      }
    },
  );

  it('that is given up leaves everything as it was', () => {
    const desk = new ReliefDesk();
    const source = sourceOf(job, pictures);
    const before = desk.make(job, source, () => {}).normals.slice();
    desk.begin(job, source, ONLY, BRUSH);
    desk.extend(points);
    desk.end(null);
    expect(desk.make(job, source, () => {}).normals).toEqual(before);
    expect(desk.extend(points)).toBeNull();
  });

  it('comes in px of the art where the art was drawn enlarged', () => {
    const large = emptyImage(40, 40);
    for (let i = 0; i < 1600; i++) {
      const v = 40 + 20 * ((Math.floor((i % 40) / 2) * 5 + Math.floor(i / 80) * 3) % 9);
      large.data.set([v, v, v, 255], 4 * i);
    }
    const source = {
      ...sourceOf(job, pictures),
      image: large,
      recipe: recipeWith({ body: { kind: 'none' }, pixelArt: 'yes' }),
    };
    const desk = new ReliefDesk();
    desk.begin(job, source, ONLY, { ...BRUSH, sizePx: 2, hardness: 1 });
    const patch = desk.extend([21, 21, 1])!;
    for (const side of Object.values(patch.rect)) expect(side % 2).toBe(0);
    expect(patch.normals.length).toBe(
      4 * (patch.rect.right - patch.rect.left) * (patch.rect.bottom - patch.rect.top),
    );
  });
});

describe('a reduced relief', () => {
  it('is brought to the size of the art, heights and all', () => {
    const small = {
      width: 2,
      height: 1,
      heights: Float32Array.of(1, 2),
      normals: Uint8Array.of(1, 2, 3, 4, 5, 6, 7, 8),
    };
    const large = upsampled(small, 2, 5, 2);
    expect([...large.heights]).toEqual([2, 2, 4, 4, 4, 2, 2, 4, 4, 4]);
    expect([...large.normals.subarray(16, 20)]).toEqual([5, 6, 7, 8]);
  });
});
