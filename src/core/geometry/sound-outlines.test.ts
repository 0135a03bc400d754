import { describe, expect, it } from 'vitest';
import { hash01 } from '../time/noise';
import { distanceToSegment, edgesOfClosed, isInside, type Edges } from './outline';
import { areaOfSound, normaliseOutlines, outlinesWithin, unitedOutlines } from './sound-outlines';
import { OUTLINE_FAMILIES, randomOutlines } from './testing/random-outlines';

/** Points nearer than this to a line that was given may come to lie on its other side: crossings are rounded. */
const ROUNDED_PX = 0.01;

/** How often directed edges go round a point. */
function winding(edges: Edges, px: number, py: number): number {
  let sum = 0;
  for (let i = 0; i < edges.length; i += 4) {
    const [ax, ay, bx, by] = edges.subarray(i, i + 4);
    if (ay <= py === by <= py) continue;
    const side = (bx - ax) * (py - ay) - (by - ay) * (px - ax);
    if (by > ay && side > 0) sum++;
    if (by < ay && side < 0) sum--;
  }
  return sum;
}

function distance(edges: Edges, px: number, py: number): number {
  let best = Infinity;
  for (let i = 0; i < edges.length; i += 4)
    best = Math.min(best, distanceToSegment(px, py, edges[i], edges[i + 1], edges[i + 2], edges[i + 3]));
  return best;
}

/** Points of a place at which two outlines are compared. */
function somePoints(seed: number, count: number): [number, number][] {
  return Array.from({ length: count }, (_, i) => [
    110 * hash01(seed, 1000 + 2 * i) - 7,
    110 * hash01(seed, 1001 + 2 * i) - 7,
  ]);
}

function expectSound(outlines: readonly number[][], seed: number, count: number): void {
  const given = edgesOfClosed(outlines);
  const sound = edgesOfClosed(normaliseOutlines(outlines));
  for (const [x, y] of somePoints(seed, count)) {
    if (distance(given, x, y) < ROUNDED_PX) continue;
    const wanted = isInside(given, x, y) ? -1 : 0;
    const found = winding(sound, x, y);
    if (found !== wanted)
      throw new Error(`${JSON.stringify(outlines)} at ${x}, ${y}: ${found} times round, not ${wanted}`);
  }
}

/** Outlines of each family; `npm run ordeal` takes tens of thousands. */
const COUNT = Number(process.env.OILWICK_OUTLINES ?? 3000);

describe('outlines of every family are read by the even-odd rule, with their interior on the left', () => {
  it.each(OUTLINE_FAMILIES)('%s', { timeout: 20 * COUNT + 10_000 }, (family) => {
    for (let seed = 1; seed <= COUNT; seed++) expectSound(randomOutlines(family, seed), seed, 6);
  });
});

describe('outlines that were once too close to themselves to be read', () => {
  it.each([
    [[64, 48, 24, 8, 72, 56, 88, 64, 24, 8, 80, 32, 16, 8]],
    [[0, 0, 10, 10, 20, 0, 10, 10, 0, 20]],
    [[0, 0, 8, 8, 16, 16, 24, 24, 8, 8, 24, 0]],
    [
      [
        ...[
          32, 0, 80, 0, 80, 80, 88, 72, 64, 64, 80, 56, 24, 72, 88, 8, 88, 56, 0, 88, 80, 72, 8, 72, 72, 32,
        ],
        ...[
          32, 16, 56, 32, 88, 0, 24, 0, 56, 8, 72, 48, 80, 72, 32, 88, 8, 40, 48, 64, 72, 56, 72, 72, 0, 24,
        ],
        ...[
          80, 48, 64, 0, 80, 8, 48, 16, 64, 24, 88, 80, 88, 88, 72, 8, 32, 48, 56, 24, 32, 88, 56, 16, 32, 72,
        ],
        ...[32, 56],
      ],
    ],
  ])('%j', (points) => expectSound([points], 5, 400));

  it('an outline that crosses itself is empty where it goes round twice', () => {
    // A star of five points, drawn in one go: its middle is gone round twice.
    const star = Array.from({ length: 5 }, (_, i) => [
      50 + 40 * Math.sin((4 * Math.PI * i) / 5),
      50 - 40 * Math.cos((4 * Math.PI * i) / 5),
    ]).flat();
    const edges = edgesOfClosed(normaliseOutlines([star]));
    expect(isInside(edges, 50, 50)).toBe(false);
    expect(isInside(edges, 50, 18)).toBe(true);
  });
});

describe('points that were given', () => {
  it('come back as they were given, whatever their decimals', () => {
    const points = [0.1, 0.2, 10.3, 0.7, 5.001, 9.9];
    const [sound] = normaliseOutlines([points]);
    const pairs = (flat: number[]) => flat.flatMap((v, i) => (i % 2 ? [] : [`${v} ${flat[i + 1]}`])).sort();
    expect(pairs(sound)).toEqual(pairs(points));
  });

  it('may lie as far away as anything may be placed', () => {
    const far = 1_000_000;
    const sound = normaliseOutlines([[far - 10, far - 10, far, far - 10, far, far, far - 10, far]]);
    expect(areaOfSound(sound)).toBe(100);
  });

  it.each([[[0, 0, NaN, 1, 2, 2]], [[0, 0, 1, Infinity, 2, 2]]])(
    'that are no numbers are refused: %j',
    (points) => {
      expect(() => normaliseOutlines([points])).toThrow(/must be numbers/);
    },
  );
});

describe('areas joined and cut', () => {
  const square = (left: number, top: number, side: number) => [
    ...[left, top, left + side, top],
    ...[left + side, top + side, left, top + side],
  ];

  it('join what overlaps, each read by itself', () => {
    expect(areaOfSound(unitedOutlines([[square(0, 0, 10)], [square(5, 0, 10)]]))).toBe(150);
    expect(areaOfSound(unitedOutlines([[square(0, 0, 10), square(2, 2, 6)], [square(2, 2, 6)]]))).toBe(100);
    expect(unitedOutlines([])).toEqual([]);
  });

  it('are cut at a rectangle, with holes', () => {
    expect(areaOfSound(outlinesWithin([square(-5, -5, 10), square(-2, -2, 4)], 0, 0, 8, 8))).toBe(21);
    expect(outlinesWithin([square(20, 20, 4)], 0, 0, 8, 8)).toEqual([]);
  });
});
