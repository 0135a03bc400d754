import { describe, expect, it } from 'vitest';
import { signedArea2 } from './outline';
import { flattened } from './smooth';

describe('outlines with smooth points', () => {
  it('stay as they are without any', () => {
    const points = [0, 0, 10, 0, 10, 10];
    expect(flattened(points, [], true)).toEqual(points);
  });

  it('go through all their points', () => {
    const points = [0, 0, 40, 0, 40, 40, 0, 40];
    const flat = flattened(points, [1, 2], true);
    for (let i = 0; i < 4; i++) {
      const at = flat.findIndex(
        (v, k) => k % 2 === 0 && v === points[2 * i] && flat[k + 1] === points[2 * i + 1],
      );
      expect(at).toBeGreaterThanOrEqual(0);
    }
    expect(flat.length).toBeGreaterThan(points.length);
  });

  it('bulge: four smooth points of a square are nearer to a circle than the square', () => {
    const square = [0, 0, 40, 0, 40, 40, 0, 40];
    const area = Math.abs(signedArea2(flattened(square, [0, 1, 2, 3], true))) / 2;
    const circle = Math.PI * 800;
    expect(area).toBeGreaterThan(1600);
    expect(Math.abs(area - circle)).toBeLessThan(Math.abs(1600 - circle));
  });

  it('of an open line begin and end where it does, whatever its ends are called', () => {
    const flat = flattened([0, 0, 20, 10, 40, 0], [0, 1, 2], false);
    expect(flat.slice(0, 2)).toEqual([0, 0]);
    expect(flat.slice(-2)).toEqual([40, 0]);
  });

  it('ignore numbers beyond the last point', () => {
    expect(flattened([0, 0, 10, 0, 10, 10], [7], true)).toEqual([0, 0, 10, 0, 10, 10]);
  });
});
