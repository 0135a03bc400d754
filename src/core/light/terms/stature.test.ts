import { describe, expect, it } from 'vitest';
import type { MomentSource } from '../../moment/moment';
import { farthestStop, heightsOf, weightAt } from './stature';

const RADIANS = Math.PI / 180;
const lamp = (heightPx: number): MomentSource => ({ parallel: false, x: 0, y: 0, heightPx });
const sun = (altitudeDeg: number): MomentSource => ({
  parallel: true,
  x: Math.cos(altitudeDeg * RADIANS),
  y: 0,
  z: Math.sin(altitudeDeg * RADIANS),
});

describe('heights of a source', () => {
  it('are those of the ends of a lamp', () => {
    expect(heightsOf(lamp(40), 6)).toEqual([34, 12]);
  });

  it('are the slopes of the lower and the upper rim of a sun', () => {
    const [low, span] = heightsOf(sun(45), Math.tan(5 * RADIANS));
    expect(low).toBeCloseTo(Math.tan(40 * RADIANS), 12);
    expect(low + span).toBeCloseTo(Math.tan(50 * RADIANS), 12);
    expect(heightsOf(sun(30), 0)[0]).toBeCloseTo(Math.tan(30 * RADIANS), 12);
  });

  it('have no end where a sun reaches past the zenith, and the weight is gone by then', () => {
    const near = heightsOf(sun(84.9), Math.tan(5 * RADIANS));
    const past = heightsOf(sun(85.1), Math.tan(5 * RADIANS));
    expect(weightAt(50, 1, 4, near)).toBeLessThan(0.05);
    expect(weightAt(50, 1, 4, past)).toBeLessThan(1e-6);
  });
});

describe('the end of a shadow', () => {
  it('lies where the ray passes over what stands there', () => {
    // Half as high as the lamp: half of the way is in its shadow.
    expect(farthestStop(20, 100, 40, false)).toBe(50);
    expect(farthestStop(60, 100, 40, false)).toBe(100);
    expect(farthestStop(20, 1e7, 2, true)).toBe(10);
    expect(farthestStop(20, 1e7, 0, true)).toBe(1e7);
  });

  it('fades from the highest part of the light to the lowest', () => {
    const heights = heightsOf(lamp(40), 10);
    const at = (depth: number) => weightAt(20, 100, depth, heights);
    expect([at(20), at(40), at(50), at(2000 / 30), at(90)]).toEqual([1, 1, 0.5, expect.closeTo(0, 12), 0]);
  });
});
