import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isVisible } from './testing/is-visible';
import { visiblePolygon, type Bounds } from './visibility';
import { bruteArea, brutePolygonHolds, polygonArea, slack } from './testing/brute-visibility';

const BOUNDS: Bounds = [0, 0, 100, 100];
const segments = (...all: number[][]) => Float64Array.from(all.flat());

/** Compares with the brute force: by area, by order and by points that lie clear of the border. */
function holds(walls: Float64Array, x: number, y: number, bounds: Bounds = BOUNDS): void {
  const polygon = visiblePolygon(walls, x, y, bounds);
  const isWithin = x > bounds[0] && x < bounds[2] && y > bounds[1] && y < bounds[3];
  // On the border the brute force looks from a hair beside the light.
  expect(polygonArea(polygon)).toBeCloseTo(bruteArea(walls, x, y, bounds), isWithin ? slack(bounds) : 2);
  brutePolygonHolds(polygon, walls, x, y, bounds);
}

const area = (walls: Float64Array, x: number, y: number, bounds = BOUNDS) =>
  polygonArea(visiblePolygon(walls, x, y, bounds));

describe('the region that a light sees', () => {
  it('is all of the bounds where nothing stands', () => {
    expect([...visiblePolygon(segments(), 50, 50, BOUNDS)]).toEqual([100, 100, 0, 100, 0, 0, 100, 0]);
    expect(area(segments(), 1, 99)).toBe(10_000);
  });

  it('ends at a wall and goes on beside it', () => {
    // The wall hides the trapezoid behind it: 40 wide at x = 70, 100 wide at x = 100.
    const walls = segments([70, 30, 70, 70]);
    expect(area(walls, 50, 50)).toBeCloseTo(10_000 - ((40 + 100) / 2) * 30, 9);
    holds(walls, 50, 50);
  });

  it('goes through a gap of one pixel', () => {
    const walls = segments([70, 0, 70, 50], [70, 51, 70, 100]);
    const beyond = ((1 + 2.5) / 2) * 30;
    expect(area(walls, 50, 50)).toBeCloseTo(7000 + beyond, 9);
    holds(walls, 50, 50);
  });

  it('does not leak where two segments share an end, nor where two polygons touch at a corner', () => {
    const walls = segments([70, 0, 70, 50], [70, 50, 70, 100]);
    expect(area(walls, 20, 50)).toBeCloseTo(7000, 9);
    const touching = segments([60, 0, 70, 50], [70, 50, 60, 100]);
    holds(touching, 10, 50);
    expect(isVisible(touching, 10, 50, 90, 50)).toBe(false);
    expect(isVisible(walls, 20, 50, 90, 50)).toBe(false);
  });

  it('is stopped at a crossing as at any segment', () => {
    const walls = segments([60, 20, 80, 80], [60, 80, 80, 20]);
    holds(walls, 20, 50);
    expect(isVisible(walls, 20, 50, 90, 50)).toBe(false);
    // Before the crossing there is a wedge that is seen.
    expect(isVisible(walls, 20, 50, 69, 50)).toBe(true);
  });

  it('heeds no segment that has no length, points at the light, or contains it', () => {
    for (const wall of [
      [70, 50, 70, 50],
      [60, 50, 90, 50],
      [50, 20, 50, 80],
      [50, 50, 80, 20],
      [50, 50, 50, 50],
    ]) {
      expect(area(segments(wall), 50, 50)).toBeCloseTo(10_000, 9);
    }
  });

  it('sees half from an end of a corner, and all of a room from its corner', () => {
    // A light on the corner of a square: both edges that meet there stop nothing, the other two do.
    const square = segments([50, 50, 70, 50], [70, 50, 70, 70], [70, 70, 50, 70], [50, 70, 50, 50]);
    holds(square, 50, 50);
    expect(area(square, 50, 50)).toBeCloseTo(10_000 - (2500 - 400), 9);
  });

  it('takes collinear and duplicate segments for one wall', () => {
    const walls = segments([70, 30, 70, 60], [70, 40, 70, 70], [70, 30, 70, 60], [70, 70, 70, 30]);
    expect(area(walls, 50, 50)).toBeCloseTo(10_000 - 2100, 9);
  });

  it('cuts walls that reach out of the bounds, and leaves out those beyond', () => {
    holds(segments([70, -500, 70, 40], [300, 0, 300, 100], [-50, 60, 150, 60]), 50, 50);
    expect(area(segments([-50, 60, 150, 60]), 50, 50)).toBeCloseTo(6000, 9);
  });

  it('is seen from the border of the bounds and from outside of them', () => {
    expect(area(segments(), 0, 50)).toBeCloseTo(10_000, 6);
    expect(area(segments(), 0, 0)).toBeCloseTo(10_000, 6);
    expect(area(segments([50, 0, 50, 100]), -50, 50)).toBeCloseTo(5000, 6);
  });

  it('looks into combs', () => {
    const teeth = Array.from({ length: 40 }, (_, i) => [20 + 1.5 * i, 60, 20 + 1.5 * i, 90]);
    holds(segments(...teeth, [20, 90, 80, 90]), 50.3, 30);
    holds(segments(...teeth, [20, 90, 80, 90]), 50, 60);
  });

  it('is right for slivers that all but point at the light', () => {
    holds(segments([60, 50.000001, 90, 50.000002], [60, 49.999999, 90, 50.0000005]), 10, 50);
  });

  it('is right a hair beside a wall, on either side', () => {
    for (const hair of [1e-3, 1e-6, 1e-9]) {
      expect(area(segments([10, 50, 90, 50]), 50, 50 - hair)).toBeCloseTo(5000, 2);
      expect(area(segments([10, 50, 90, 50]), 50, 50 + hair)).toBeCloseTo(5000, 2);
    }
  });

  it('refuses numbers that are not finite, broken lists and empty bounds', () => {
    expect(() => visiblePolygon(segments([0, 0, Number.NaN, 1]), 1, 1, BOUNDS)).toThrow(/not finite/);
    expect(() => visiblePolygon(Float64Array.from([1, 2, 3]), 1, 1, BOUNDS)).toThrow(/in turn, got 3/);
    expect(() => visiblePolygon(segments(), Infinity, 1, BOUNDS)).toThrow(/not finite/);
    expect(() => visiblePolygon(segments(), 1, 1, [0, 0, 0, 5])).toThrow(/with an area/);
  });
});

const place = fc.integer({ min: 0, max: 20 }).map((v) => 5 * v);
const wall = fc.tuple(place, place, place, place);

describe('against brute force', () => {
  it('holds for segments on a coarse grid, where all touch, cross and lie on each other', () => {
    fc.assert(
      fc.property(fc.array(wall, { maxLength: 24 }), place, place, (walls, x, y) => {
        holds(segments(...walls), x, y);
      }),
      { numRuns: 600 },
    );
  });

  it('holds for segments anywhere, near a thousandth and near a million', () => {
    const free = fc.integer({ min: 0, max: 2 ** 30 }).map((v) => v / 2 ** 30);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(free, free, free, free), { maxLength: 40 }),
        free,
        free,
        fc.constantFrom([1e-3, 0], [1, 0], [100, 1e6], [1e6, 0], [1e6, -5e5]),
        (walls, x, y, [scale, shift]) => {
          const at = (v: number) => v * scale + shift;
          const bounds: Bounds = [at(0), at(0), at(1), at(1)];
          fc.pre(x > 0 && x < 1 && y > 0 && y < 1);
          holds(Float64Array.from(walls.flat(), at), at(x), at(y), bounds);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('does not heed the order or the direction of the segments', () => {
    fc.assert(
      fc.property(fc.array(wall, { maxLength: 30 }), place, place, (walls, x, y) => {
        const turned = walls.toReversed().map(([ax, ay, bx, by]) => [bx, by, ax, ay]);
        expect(area(segments(...walls), x, y)).toBeCloseTo(area(segments(...turned), x, y), 6);
      }),
      { numRuns: 200 },
    );
  });

  it('turns and mirrors with the scene', () => {
    fc.assert(
      fc.property(fc.array(wall, { maxLength: 20 }), place, place, (walls, x, y) => {
        const whole = area(segments(...walls), x, y);
        const turned = walls.map(([ax, ay, bx, by]) => [100 - ay, ax, 100 - by, bx]);
        const mirrored = walls.map(([ax, ay, bx, by]) => [100 - ax, ay, 100 - bx, by]);
        expect(area(segments(...turned), 100 - y, x)).toBeCloseTo(whole, 6);
        expect(area(segments(...mirrored), 100 - x, y)).toBeCloseTo(whole, 6);
      }),
      { numRuns: 200 },
    );
  });

  it('gives single points the same answer, and the same both ways', () => {
    fc.assert(
      fc.property(fc.array(wall, { maxLength: 20 }), place, place, place, place, (walls, x, y, px, py) => {
        const all = segments(...walls);
        const isClear = (ax: number, ay: number) =>
          walls.every(([a, b, c, d]) => (c - a) * (ay - b) - (d - b) * (ax - a) !== 0);
        // A segment through either end stops one way and not the other.
        fc.pre(isClear(x, y) && isClear(px, py));
        expect(isVisible(all, x, y, px, py)).toBe(isVisible(all, px, py, x, y));
      }),
      { numRuns: 300 },
    );
  });

  it('holds for ten thousand segments that cross each other', () => {
    const many = Float64Array.from(
      { length: 40_000 },
      (_, i) => ((i * 7919 + (i >> 2) * 104_729) % 100_003) / 1000.03,
    );
    const polygon = visiblePolygon(many, 50.01, 49.99, BOUNDS);
    brutePolygonHolds(polygon, many, 50.01, 49.99, BOUNDS);
    expect(polygonArea(polygon)).toBeGreaterThan(0);
  });
});
