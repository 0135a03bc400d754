import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { affineOf, applyTo, inverse, normalMatrix } from './affine';
import { atan2, cos, exp, pow, sin } from './exact';
import { edgesOfClosed, edgesOfLine, isInside, signedArea2, simplifyOutline } from './outline';
import { normaliseOutlines } from './sound-outlines';
import { traceAlpha } from './trace';

const placing = { x: 0, y: 0, turnDeg: 0, scaleX: 1, scaleY: 1, flipX: false, flipY: false };
const square = [0, 0, 10, 0, 10, 10, 0, 10];

describe('a placing', () => {
  it('puts the pivot where the sprite stands, however it is turned, scaled and flipped', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -720, max: 720 }),
        fc.boolean(),
        fc.boolean(),
        (turnDeg, flipX, flipY) => {
          const m = affineOf({ ...placing, x: 31, y: -7, turnDeg, flipX, flipY, scaleX: 2, scaleY: 3 }, 5, 9);
          const [x, y] = applyTo(m, 5, 9);
          expect(x).toBeCloseTo(31, 9);
          expect(y).toBeCloseTo(-7, 9);
          const [u, v] = applyTo(inverse(m)!, ...applyTo(m, 12, 34));
          expect(u).toBeCloseTo(12, 8);
          expect(v).toBeCloseTo(34, 8);
        },
      ),
    );
  });

  it('turns clockwise as seen, and quarter turns are exact', () => {
    expect(applyTo(affineOf({ ...placing, turnDeg: 90 }, 0, 0), 3, 0)).toEqual([0, 3]);
    expect(applyTo(affineOf({ ...placing, turnDeg: -90 }, 0, 0), 3, 5)).toEqual([5, -3]);
  });

  it('turns and mirrors normals with their surface; uniform scale changes nothing', () => {
    const through = (fields: object, n: [number, number]) => {
      const m = normalMatrix(affineOf({ ...placing, ...fields }, 0, 0))!;
      return [m[0] * n[0] + m[1] * n[1], m[2] * n[0] + m[3] * n[1]];
    };
    expect(through({ flipX: true }, [0.5, 0.2])).toEqual([-0.5, 0.2]);
    expect(through({ flipY: true }, [0.5, 0.2])).toEqual([0.5, -0.2]);
    expect(through({ scaleX: 3, scaleY: 3 }, [0.5, 0.2])).toEqual([0.5, 0.2]);
    const [x, y] = through({ turnDeg: 90 }, [1, 0]);
    expect(x).toBeCloseTo(0);
    expect(y).toBeCloseTo(1);
    // Squeezed to half its width a slope is twice as steep against one along y.
    const [sx, sy] = through({ scaleX: 0.5 }, [1, 1]);
    expect(sx / sy).toBeCloseTo(2);
  });

  it('that flattens everything has no inverse', () => {
    expect(inverse(affineOf({ ...placing, scaleX: 0 }, 0, 0))).toBeNull();
    expect(normalMatrix(affineOf({ ...placing, scaleX: 0 }, 0, 0))).toBeNull();
  });
});

describe('outlines', () => {
  it.each([
    ['nothing', [], 0],
    ['a point', [[1, 1]], 0],
    ['two points', [[0, 0, 1, 1]], 0],
    ['a collinear triangle', [[0, 0, 5, 0, 9, 0]], 0],
    ['a square', [square], 1],
    ['a square the other way round', [[0, 10, 10, 10, 10, 0, 0, 0]], 1],
    ['a repeated point', [[0, 0, 0, 0, 10, 0, 10, 10, 0, 10]], 1],
    ['a bow tie', [[0, 0, 10, 10, 10, 0, 0, 10]], 2],
    ['a square with a hole', [square, [3, 3, 7, 3, 7, 7, 3, 7]], 2],
  ])('become sound: %s', (_, outlines, count) => {
    const sound = normaliseOutlines(outlines);
    expect(sound.length).toBe(count);
  });

  it('keep their interior on the left: outer ones below zero, holes above', () => {
    const [outer, hole] = normaliseOutlines([square, [3, 3, 7, 3, 7, 7, 3, 7]]);
    expect(signedArea2(outer)).toBe(-200);
    expect(signedArea2(hole)).toBe(32);
  });

  it('of odd length are refused', () => {
    expect(() => normaliseOutlines([[1, 2, 3]])).toThrow(/pairs/);
  });

  it('know what is inside by the even-odd rule, holes left out', () => {
    const edges = edgesOfClosed(normaliseOutlines([square, [3, 3, 7, 3, 7, 7, 3, 7]]));
    expect(isInside(edges, 1, 1)).toBe(true);
    expect(isInside(edges, 5, 5)).toBe(false);
    expect(isInside(edges, -1, 5)).toBe(false);
    expect(isInside(edges, 8, 5)).toBe(true);
  });

  it('drop edges of no length from open lines', () => {
    expect(edgesOfLine([0, 0, 0, 0, 4, 0]).length).toBe(4);
    expect(edgesOfLine([1, 1]).length).toBe(0);
  });
});

describe('tracing a mask', () => {
  const maskOf = (rows: string[]) =>
    Uint8Array.from(
      rows
        .join('')
        .split('')
        .map((c) => (c === '#' ? 255 : 0)),
    );

  it('walks one pixel with the interior on the left', () => {
    const [outline, ...rest] = traceAlpha(maskOf(['...', '.#.', '...']), 3, 3, 128, 0);
    expect(rest).toEqual([]);
    expect(outline.length).toBe(8);
    expect(signedArea2(outline)).toBe(-2);
  });

  it('keeps diagonal neighbours apart and finds holes', () => {
    expect(traceAlpha(maskOf(['#.', '.#']), 2, 2, 128, 0).length).toBe(2);
    const ring = traceAlpha(maskOf(['###', '#.#', '###']), 3, 3, 128, 0);
    expect(ring.map(signedArea2).sort((a, b) => a - b)).toEqual([-18, 2]);
  });

  it('encloses just the area of any mask, and gives each pixel its side', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 49, maxLength: 49 }), (flags) => {
        const alpha = Uint8Array.from(flags.map((f) => (f ? 200 : 10)));
        const outlines = traceAlpha(alpha, 7, 7, 128, 0);
        const area = outlines.reduce((sum, o) => sum + signedArea2(o), 0) / -2;
        expect(area).toBe(flags.filter(Boolean).length);
        const edges = edgesOfClosed(outlines);
        flags.forEach((flag, i) =>
          expect(isInside(edges, (i % 7) + 0.5, Math.floor(i / 7) + 0.5)).toBe(flag),
        );
      }),
    );
  });

  it('leaves out points within the tolerance, and never more', () => {
    const circle = Array.from({ length: 64 }, (_, i) => [
      20 + 15 * Math.cos((i * Math.PI) / 32),
      20 + 15 * Math.sin((i * Math.PI) / 32),
    ]).flat();
    const simple = simplifyOutline(circle, 1);
    expect(simple.length).toBeLessThan(circle.length / 3);
    expect(simplifyOutline(square, 5).length).toBeGreaterThanOrEqual(6);
    expect(simplifyOutline(square, 0)).toEqual(square);
  });

  it('refuses a mask of another size', () => {
    expect(() => traceAlpha(new Uint8Array(3), 2, 2, 1, 0)).toThrow(/expected 4 values for 2x2, got 3/);
  });
});

describe('exact functions', () => {
  it('give the known bits', () => {
    expect(pow(0.5, 2.4)).toBe(0.18946457081379978);
    expect(exp(1)).toBe(2.7182818284590455);
    expect(sin(1)).toBe(0.8414709848078965);
    expect(cos(1)).toBe(0.5403023058681398);
    expect(atan2(1, 2)).toBe(0.4636476090008061);
  });
});
