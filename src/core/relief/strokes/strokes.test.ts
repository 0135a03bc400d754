import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HEIGHT_STEPS_PER_PX, HEIGHT_ZERO } from '../../raster/height-picture';
import { emptyImage, type Image } from '../../raster/image';
import { paintedPlanes, groundOf } from '../make-ground';
import { paintGroundOf } from '../ground';
import { recipeWith, type RecipeFields } from '../recipe';
import { reliefOf } from '../relief-of';
import { plainSource, type ReliefSource } from '../source';
import { shapeImage } from '../testing/shapes';
import { PLAIN_STROKE, strokeWith } from '../testing/strokes';
import { LiveStroke } from './live-stroke';
import { placed, type Stroke } from './stroke';

const flat: RecipeFields = { body: { kind: 'none' }, grain: { heightPx: 0 }, pixelArt: 'yes' };
const slab = (side = 24): Image => shapeImage(side, side, () => true, 'hard');

function painted(layers: Stroke[][], recipe: RecipeFields = flat, image = slab()): ReliefSource {
  return {
    ...plainSource(image, recipeWith(recipe)),
    layers: layers.map((strokes) => strokes.map((one) => ({ stroke: one, pasted: null }))),
  };
}

const at = ({ heights, width }: { heights: Float32Array; width: number }, x: number, y: number) =>
  heights[y * width + x];
const facingAt = (normals: Uint8Array, width: number, x: number, y: number) => [
  ...normals.subarray(4 * (y * width + x), 4 * (y * width + x) + 3),
];

describe('a brush', () => {
  it('of one pixel raises the pixel under it and no other', () => {
    const relief = reliefOf(painted([[strokeWith({ sizePx: 1, points: [5.5, 7.5, 1] })]]));
    expect(at(relief, 5, 7)).toBe(2);
    expect(relief.heights.reduce((a, b) => a + b, 0)).toBe(2);
  });

  it('leaves no gap on a quick line, and paints no higher where the line crosses itself', () => {
    const relief = reliefOf(
      painted([
        [strokeWith({ sizePx: 1, points: [2.5, 2.5, 1, 20.5, 11.5, 1, 2.5, 11.5, 1, 20.5, 2.5, 1] })],
      ]),
    );
    for (let x = 2; x <= 20; x++) {
      let inColumn = 0;
      for (let y = 0; y < 24; y++) {
        expect([0, 2]).toContain(at(relief, x, y));
        if (at(relief, x, y) > 0) inColumn++;
      }
      expect(inColumn).toBeGreaterThan(0);
    }
  });

  it('gives way to pressure and opacity, and falls off by its hardness', () => {
    const soft = reliefOf(
      painted([[strokeWith({ sizePx: 12, hardness: 0, points: [12, 12, 1] })]], { ...flat, pixelArt: 'no' }),
    );
    expect(at(soft, 12, 12)).toBeGreaterThan(at(soft, 15, 12));
    expect(at(soft, 15, 12)).toBeGreaterThan(0);
    const light = reliefOf(painted([[strokeWith({ opacity: 0.5, points: [12.5, 12.5, 0.4] })]]));
    expect(at(light, 12, 12)).toBeCloseTo(2 * 0.5 * 0.4, 5);
  });

  it('never paints outside of the silhouette', () => {
    const disc = shapeImage(24, 24, (x, y) => (x - 12) ** 2 + (y - 12) ** 2 < 50, 'hard');
    const relief = reliefOf(painted([[strokeWith({ sizePx: 24, points: [12, 12, 1] })]], flat, disc));
    for (let i = 0; i < relief.heights.length; i++)
      if (disc.data[4 * i + 3] === 0) expect(relief.heights[i]).toBe(0);
    expect(at(relief, 12, 12)).toBe(2);
  });

  it('lowers, flattens to the height under its first point, and smooths what is rough', () => {
    const ridge = strokeWith({ sizePx: 1, heightPx: 4, points: [12.5, 2.5, 1, 12.5, 21.5, 1] });
    const lowered = reliefOf(painted([[strokeWith({ kind: 'lower', points: [12.5, 12.5, 1] })]]));
    expect(at(lowered, 12, 12)).toBe(-2);
    const flattened = reliefOf(
      painted([[ridge, strokeWith({ kind: 'flatten', sizePx: 5, points: [12.5, 12.5, 1, 18.5, 12.5, 1] })]]),
    );
    expect(at(flattened, 16, 12)).toBe(4);
    expect(at(flattened, 16, 18)).toBe(0);
    const smoothed = reliefOf(
      painted([[ridge, strokeWith({ kind: 'smooth', sizePx: 12, points: [12.5, 12.5, 1] })]]),
    );
    expect(at(smoothed, 12, 12)).toBeLessThan(3);
    expect(at(smoothed, 13, 12)).toBeGreaterThan(0.3);
    expect(at(smoothed, 12, 3)).toBe(4);
  });

  it('sets the facing that the ball shows, Y up in the map', () => {
    const { normals } = reliefOf(
      painted([[strokeWith({ kind: 'face', faceX: 0.6, faceY: -0.6, points: [12.5, 12.5, 1] })]]),
    );
    const [r, g, b] = facingAt(normals, 24, 12, 12);
    expect(r).toBe(Math.floor(1.6 * 127.5 + 0.5));
    expect(g).toBe(Math.floor(1.6 * 127.5 + 0.5));
    expect(b).toBe(Math.floor((1 + Math.sqrt(1 - 0.72)) * 127.5 + 0.5));
    expect(facingAt(normals, 24, 3, 3)).toEqual([128, 128, 255]);
  });
});

describe('layers', () => {
  it('are rubbed out by themselves, down to what lies below them', () => {
    const below = strokeWith({ sizePx: 10, heightPx: 1, points: [12.5, 12.5, 1] });
    const above = strokeWith({ sizePx: 10, heightPx: 3, points: [12.5, 12.5, 1] });
    const face = strokeWith({ kind: 'face', faceX: 0.8, sizePx: 10, points: [12.5, 12.5, 1] });
    const rub = strokeWith({ kind: 'erase', sizePx: 4, points: [12.5, 12.5, 1] });
    const relief = reliefOf(painted([[below], [above, face, rub]]));
    expect(at(relief, 12, 12)).toBe(1);
    expect(at(relief, 15, 12)).toBe(4);
    expect(facingAt(relief.normals, 24, 12, 12)[0]).toBeLessThan(140);
    expect(facingAt(relief.normals, 24, 15, 12)[0]).toBeGreaterThan(200);
  });

  it('survive a change of the recipe beneath them', () => {
    const strokes = [[strokeWith({ points: [12.5, 12.5, 1] })]];
    const bevel: RecipeFields = { ...flat, body: { kind: 'bevel', widthPx: 3, heightPx: 5 } };
    const generated = reliefOf(painted([], bevel));
    const both = reliefOf(painted(strokes, bevel));
    expect(at(both, 12, 12)).toBeCloseTo(at(generated, 12, 12) + 2, 5);
    expect(at(both, 2, 12)).toBe(at(generated, 2, 12));
  });
});

describe('a fill', () => {
  const two = shapeImage(30, 12, (x) => x < 12 || x > 18, 'hard');

  it('takes the island under the point', () => {
    const { normals } = reliefOf(
      painted([[strokeWith({ kind: 'face', area: 'part', faceX: 0.7, points: [5, 5, 1] })]], flat, two),
    );
    expect(facingAt(normals, 30, 2, 2)[0]).toBeGreaterThan(200);
    expect(facingAt(normals, 30, 25, 2)[0]).toBe(128);
  });

  it('takes a colour wherever it is in the frame', () => {
    const image = slab(12);
    for (const i of [13, 100]) image.data.set([200, 10, 10, 255], 4 * i);
    const relief = reliefOf(painted([[strokeWith({ area: 'colour', points: [1.5, 1.5, 1] })]], flat, image));
    expect(relief.heights.reduce((a, b) => a + b, 0)).toBe(4);
  });

  it('takes what lies within a polygon', () => {
    const relief = reliefOf(
      painted([[strokeWith({ area: 'polygon', points: [4, 4, 1, 10, 4, 1, 10, 10, 1, 4, 10, 1] })]]),
    );
    expect(relief.heights.reduce((a, b) => a + b, 0)).toBe(2 * 36);
    expect([at(relief, 4, 4), at(relief, 9, 9), at(relief, 10, 10)]).toEqual([2, 2, 0]);
  });

  it('under a clear place does nothing', () => {
    const { heights } = reliefOf(painted([[strokeWith({ area: 'part', points: [15, 5, 1] })]], flat, two));
    expect(heights.every((h) => h === 0)).toBe(true);
  });
});

describe('on a sheet', () => {
  const cells = { columns: 2, rows: 1, marginPx: 0, gapPx: 0 };
  const onSheet = (...strokes: Stroke[]) => reliefOf({ ...painted([strokes]), cells });

  it('a brush stays in the cell that it paints in, however wide it is', () => {
    const relief = onSheet(strokeWith({ sizePx: 10, points: [10, 12, 1] }));
    expect([at(relief, 11, 12), at(relief, 12, 12)]).toEqual([2, 0]);
  });

  it('a line through both cells paints both, each by the part that lies in it', () => {
    const relief = onSheet(strokeWith({ sizePx: 4, points: [6, 4, 1, 18, 20, 1] }));
    const halves = [0, 12].map((left) => {
      let count = 0;
      for (let y = 0; y < 24; y++) for (let x = left; x < left + 12; x++) if (at(relief, x, y) > 0) count++;
      return count;
    });
    expect(halves[0]).toBeGreaterThan(20);
    expect(Math.abs(halves[0] - halves[1])).toBeLessThan(4);
  });

  it('a polygon and a smoothing end at the cell', () => {
    const polygon = onSheet(
      strokeWith({ area: 'polygon', points: [4, 4, 1, 20, 4, 1, 20, 10, 1, 4, 10, 1] }),
    );
    expect([at(polygon, 11, 6), at(polygon, 12, 6)]).toEqual([2, 0]);
    const raised = strokeWith({ area: 'polygon', points: [0, 0, 1, 12, 0, 1, 12, 24, 1, 0, 24, 1] });
    const smooth = strokeWith({ kind: 'smooth', sizePx: 12, points: [11, 12, 1] });
    expect(at(onSheet(raised, smooth), 11, 12)).toBeCloseTo(2, 5);
  });
});

describe('on a seamless tile', () => {
  const seamless: RecipeFields = { ...flat, pixelArt: 'no', seamless: 'both' };
  const strokes = [
    strokeWith({ sizePx: 9, hardness: 0.3, heightPx: 4, points: [0, 3, 1, 5, 1, 1] }),
    strokeWith({ kind: 'smooth', sizePx: 10, hardness: 0.5, points: [1, 23, 1] }),
  ];
  const moved = (by: number) =>
    strokes.map((one) => ({ ...one, points: one.points.map((v, k) => (k % 3 === 2 ? v : v + by)) }));

  it('a stroke goes on at the other side, as if the tile were cut elsewhere', () => {
    const edge = reliefOf(painted([strokes], seamless));
    const middle = reliefOf(painted([moved(12)], seamless));
    for (let y = 0; y < 24; y++) {
      for (let x = 0; x < 24; x++) {
        const [mx, my] = [(x + 12) % 24, (y + 12) % 24];
        expect(at(edge, x, y)).toBeCloseTo(at(middle, mx, my), 4);
        const [a, b] = [facingAt(edge.normals, 24, x, y), facingAt(middle.normals, 24, mx, my)];
        a.forEach((v, c) => expect(Math.abs(v - b[c])).toBeLessThanOrEqual(1));
      }
    }
    expect(at(edge, 23, 3)).toBeGreaterThan(1);
  });

  it('one under the hand says that the facings at the other border change too', () => {
    const ground = groundOf(painted([], seamless));
    const live = new LiveStroke(
      paintGroundOf(ground),
      placed({ ...PLAIN_STROKE, points: [] }, null, 0, 0, 1),
      ground.planes,
      null,
    );
    expect(live.extend([2, 12, 1])).toMatchObject({ left: 0, right: 24 });
  });
});

describe('what came back from a paint program', () => {
  it('is pasted as height and as facings', () => {
    const values = new Uint16Array(24 * 24).fill(HEIGHT_ZERO);
    values[12 * 24 + 12] += 3 * HEIGHT_STEPS_PER_PX;
    const facings = emptyImage(24, 24);
    facings.data.set([255, 128, 128, 255], 4 * (5 * 24 + 5));
    const source: ReliefSource = {
      ...plainSource(slab(), recipeWith(flat)),
      layers: [
        [
          {
            stroke: strokeWith({ kind: 'paste-height', pictureSha: 'a' }),
            pasted: { heights: { width: 24, height: 24, values } },
          },
          { stroke: strokeWith({ kind: 'paste-face', pictureSha: 'b' }), pasted: { facings } },
        ],
      ],
    };
    const relief = reliefOf(source);
    expect(at(relief, 12, 12)).toBe(3);
    expect(facingAt(relief.normals, 24, 5, 5)).toEqual([255, 128, 128]);
    expect(facingAt(relief.normals, 24, 6, 5)).toEqual([128, 128, 255]);
  });
});

describe('a stroke under the hand', () => {
  const kinds = ['raise', 'lower', 'smooth', 'flatten', 'face', 'erase'] as const;

  it('comes to the same bits as when it is made anew from its points, however it arrived', () => {
    const before = strokeWith({ sizePx: 5, heightPx: 3, points: [3, 3, 1, 20, 20, 0.7] });
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.array(
          fc.tuple(fc.double({ min: 0, max: 24, noNaN: true }), fc.double({ min: 0, max: 24, noNaN: true })),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        fc.boolean(),
        (kind, places, pixelArt) => {
          const recipe: RecipeFields = { ...flat, pixelArt: pixelArt ? 'yes' : 'no' };
          const own = strokeWith({ kind, hardness: 0.4, faceX: 0.5, opacity: 0.8 });
          const points = places.flatMap(([x, y], i) => [x, y, 0.3 + (i % 3) * 0.3]);
          const source = painted([[before]], recipe);
          const ground = groundOf(source);
          const below = groundOf(painted([], recipe)).planes;
          const live = new LiveStroke(
            paintGroundOf(ground),
            placed(own, null, 0, 0, 1),
            paintedPlanes(source, ground),
            below,
          );
          for (let k = 0; k < points.length; k += 3) live.extend(points.slice(k, k + 3));
          live.finish();
          const anew = paintedPlanes(painted([[before, { ...own, points }]], recipe), ground);
          expect(live.planes.heights).toEqual(anew.heights);
          if (kind === 'face') expect(live.planes.facing).toEqual(anew.facing);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('on art that was drawn enlarged', () => {
  it('a stroke covers whole true pixels', () => {
    const image = emptyImage(48, 48);
    for (let y = 0; y < 48; y++) {
      for (let x = 0; x < 48; x++) {
        const tone = 40 + 13 * ((((x >> 1) * 7) ^ ((y >> 1) * 5)) % 9);
        image.data.set([tone, tone, tone, 255], 4 * (y * 48 + x));
      }
    }
    const relief = reliefOf(
      painted([[strokeWith({ sizePx: 2, heightPx: 4, points: [11, 11, 1] })]], flat, image),
    );
    expect([at(relief, 10, 10), at(relief, 11, 11), at(relief, 12, 10)]).toEqual([4, 4, 0]);
    expect(relief.heights.reduce((a, b) => a + b, 0)).toBe(16);
  });
});
