import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Changes, FALL, RISE, type PlaceValues } from './changes';

const TENTH: PlaceValues = { size: 1, counts: (v, low, high) => v[high] - v[low] >= 0.1 - 1e-9 };

/** [frame, way] of all changes of one place. */
function changesOf(signal: readonly number[]): [number, number][] {
  const out: [number, number][] = [];
  const changes = new Changes(1, TENTH, (frame, _, way) => out.push([frame, way]));
  signal.forEach((value, frame) => changes.frame(frame, Float64Array.of(value)));
  changes.end();
  return out;
}

describe('changes between extremes', () => {
  it('end at the extreme, not where it is passed by a tenth', () => {
    expect(changesOf([0, 0.2, 0.5, 0.45, 0.3, 0.1, 0.2])).toEqual([
      [2, RISE],
      [5, FALL],
      [6, RISE],
    ]);
  });

  it('pass over what wavers by less', () => {
    expect(changesOf([0, 0.2, 0.15, 0.4, 0.31, 0.6, 0])).toEqual([
      [5, RISE],
      [6, FALL],
    ]);
    expect(changesOf([0.5, 0.55, 0.47, 0.54, 0.5])).toEqual([]);
  });

  it('begin with whichever way is gone first', () => {
    expect(changesOf([0.5, 0.55, 0.44, 0.6])).toEqual([
      [2, FALL],
      [3, RISE],
    ]);
  });

  it('are those of the turning points that are found by looking at the whole signal', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 2, maxLength: 40 }), (steps) => {
        const signal = steps.map((step) => step / 20);
        const found = changesOf(signal);
        // Ways alternate, frames ascend, and each way is at least a tenth.
        found.forEach(([frame, way], i) => {
          if (i === 0) return;
          const [before, wayBefore] = found[i - 1];
          expect(way).toBe(-wayBefore);
          expect(frame).toBeGreaterThan(before);
          expect(way * (signal[frame] - signal[before])).toBeGreaterThanOrEqual(0.1 - 1e-9);
        });
        // Between two extremes nothing goes a tenth against the way.
        found.forEach(([frame, way], i) => {
          const from = i === 0 ? 0 : found[i - 1][0];
          for (let a = from; a <= frame; a++)
            for (let b = a; b <= frame; b++)
              if (i > 0) expect(way * (signal[a] - signal[b])).toBeLessThan(0.1);
        });
        if (found.length === 0) expect(Math.max(...signal) - Math.min(...signal)).toBeLessThan(0.1);
      }),
    );
  });
});
