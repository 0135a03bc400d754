import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blurred } from './blur';
import { distanceInside } from './distance';

const [W, H] = [19, 13];
const plane = fc
  .array(fc.integer({ min: -50, max: 50 }), { minLength: W * H, maxLength: W * H })
  .map((v) => Float32Array.from(v));
const mask = fc
  .array(fc.boolean(), { minLength: W * H, maxLength: W * H })
  .map((v) => Uint8Array.from(v.map(Number)));

describe('smoothing', () => {
  it('keeps a constant, whatever the mask and the width', () => {
    fc.assert(
      fc.property(mask, fc.double({ min: 0, max: 9, noNaN: true }), (inside, sigma) => {
        const out = blurred(new Float32Array(W * H).fill(7), inside, W, H, sigma);
        out.forEach((v, i) => expect(v).toBeCloseTo(inside[i] ? 7 : 0, 3));
      }),
    );
  });

  it('stays within the bounds of the plane', () => {
    fc.assert(
      fc.property(plane, fc.double({ min: 0.1, max: 4, noNaN: true }), (values, sigma) => {
        const out = blurred(values, null, W, H, sigma);
        expect(Math.max(...out)).toBeLessThanOrEqual(Math.max(...values) + 1e-3);
        expect(Math.min(...out)).toBeGreaterThanOrEqual(Math.min(...values) - 1e-3);
      }),
    );
  });

  it('has the variance that was asked for', () => {
    const n = 101;
    const spike = new Float32Array(n);
    spike[50] = 1;
    for (const sigma of [0.5, 1, 2.8, 5.6]) {
      const out = blurred(spike, null, n, 1, sigma);
      const variance = out.reduce((sum, v, i) => sum + v * (i - 50) * (i - 50), 0);
      expect(Math.sqrt(variance)).toBeGreaterThan(sigma * 0.8);
      expect(Math.sqrt(variance)).toBeLessThan(sigma * 1.2);
    }
  });

  it('is the same across as down', () => {
    fc.assert(
      fc.property(plane, (values) => {
        const turned = new Float32Array(W * H);
        for (let y = 0; y < H; y++) for (let x = 0; x < W; x++) turned[x * H + y] = values[y * W + x];
        const [a, b] = [blurred(values, null, W, H, 2), blurred(turned, null, H, W, 2)];
        for (let y = 0; y < H; y++)
          for (let x = 0; x < W; x++) expect(a[y * W + x]).toBeCloseTo(b[x * H + y], 3);
      }),
    );
  });
});

describe('distance', () => {
  it('is the exact one, against brute force', () => {
    fc.assert(
      fc.property(mask, fc.boolean(), (inside, borderInside) => {
        const got = distanceInside(inside, W, H, { openX: borderInside, openY: borderInside });
        for (let i = 0; i < W * H; i++) {
          const [x, y] = [i % W, Math.floor(i / W)];
          let least = Infinity;
          for (let j = -1; j <= H; j++) {
            for (let k = -1; k <= W; k++) {
              const beyond = j < 0 || k < 0 || j >= H || k >= W;
              if (beyond ? borderInside : inside[j * W + k]) continue;
              least = Math.min(least, Math.hypot(k - x, j - y));
            }
          }
          if (least < Infinity) expect(got[i]).toBeCloseTo(inside[i] ? least : 0, 4);
          else expect(got[i]).toBeGreaterThan(1000);
        }
      }),
    );
  });
});
