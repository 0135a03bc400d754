import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hexToLinear, linearLuminance, linearToOklab, type Rgb } from '../../raster/colour';
import { newWick, wickSchema, type Wick } from '../../scene/records/wick';
import { hash01 } from '../noise';
import { phaseSeconds, warmed, wickAt, wickCurve } from '../wick';
import { WICK_KINDS, wickKind, type WickKind } from './all-wicks';
import { READY_WICKS } from '../ready-wicks';

const wick = (fields: Partial<Wick>) => newWick({ name: '', seed: 7, ...fields });
const of = (kind: WickKind, fields: Partial<Wick> = {}) =>
  wick({ kind, ...(wickKind(kind).begins as Partial<Wick>), ...fields });
/** Values over the whole loop. */
const loop = (it: Wick, count = 4000) =>
  Array.from({ length: count }, (_, i) => wickCurve(it, (i / count) * it.loopSeconds));
const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

describe.each(WICK_KINDS)('a %s', (kind) => {
  it('stays within 0 to 1, burns the same way twice, and closes after its loop, whatever its fields', () => {
    fc.assert(
      fc.property(
        fc.record({
          seed: fc.nat(),
          rateHz: fc.double({ min: kind === 'gutter' ? 0 : 0.02, max: 20, noNaN: true }),
          loopSeconds: fc.double({ min: 0.5, max: 90, noNaN: true }),
          roughness: fc.double({ min: 0, max: 1, noNaN: true }),
          gusts: fc.double({ min: 0, max: 1, noNaN: true }),
          slew: fc.double({ min: 0.05, max: 1, noNaN: true }),
          onShare: fc.double({ min: 0, max: 1, noNaN: true }),
          rampShare: fc.double({ min: 0.02, max: 0.5, noNaN: true }),
          failing: fc.double({ min: 0, max: 1, noNaN: true }),
          flashes: fc.integer({ min: 1, max: 12 }),
          shape: fc.constantFrom('sine' as const, 'triangle' as const, 'heartbeat' as const),
        }),
        fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
        (fields, share) => {
          const one = wick({ ...fields, kind });
          // A whole binary share of the loop, so that a second loop is met to the last bit but a few.
          const at = (Math.floor(share * 4096) / 4096) * one.loopSeconds;
          const value = wickCurve(one, at);
          expect(value).toBeGreaterThanOrEqual(0);
          expect(value).toBeLessThanOrEqual(1);
          expect(wickCurve(wick({ ...fields, kind }), at)).toBe(value);
        },
      ),
    );
    // What goes smoothly is the same again after its loop; what jumps may do so a moment sooner or later.
    const one = of(kind, { slew: 0.5, loopSeconds: 16 });
    const apart = Array.from({ length: 1024 }, (_, i) =>
      Math.abs(wickCurve(one, i / 64) - wickCurve(one, i / 64 + one.loopSeconds)),
    );
    expect(apart.filter((v) => v > 1e-9).length).toBe(0);
  });

  it('uses its range, and is another one by another seed where chance has a part in it', () => {
    const values = loop(of(kind));
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.5);
    const others = loop(of(kind, { seed: 8 }));
    const isChance = ['breeze', 'gutter', 'fault', 'storm'].includes(kind);
    expect(values.some((v, i) => v !== others[i])).toBe(isChance);
  });
});

describe('exact values', () => {
  it('a gutter holds a value by chance and runs to the next; at a rate of 0 it is anew at each frame', () => {
    const one = of('gutter', { rateHz: 2, slew: 0.5, loopSeconds: 4 });
    // Eight cells of half a second, each a quarter held.
    const at = (cell: number) => hash01(one.seed, cell % 8);
    expect(wickCurve(one, 0)).toBe(at(0));
    expect(wickCurve(one, 0.24)).toBe(at(0));
    expect(wickCurve(one, 0.375)).toBeCloseTo((at(0) + at(1)) / 2, 12);
    expect(wickCurve(one, 3.875)).toBeCloseTo((at(7) + at(0)) / 2, 12);
    const frames = of('gutter', { rateHz: 0, slew: 0, loopSeconds: 1 });
    const seen = Array.from({ length: 60 }, (_, i) => wickCurve(frames, (i + 0.5) / 60));
    expect(new Set(seen).size).toBe(60);
    expect(wickCurve(frames, 0.9 / 60)).toBe(wickCurve(frames, 0.1 / 60));
  });

  it('a pulse is a sine, a triangle or two beats', () => {
    const one = (shape: Wick['shape']) => of('pulse', { shape, rateHz: 0.5, loopSeconds: 2 });
    expect([0, 0.5, 1, 1.5].map((t) => wickCurve(one('sine'), t))).toEqual([
      0,
      expect.closeTo(0.5, 12),
      1,
      expect.closeTo(0.5, 12),
    ]);
    expect([0, 0.5, 1, 1.75].map((t) => wickCurve(one('triangle'), t))).toEqual([0, 0.5, 1, 0.25]);
    const beats = loop(one('heartbeat'), 200);
    const peaks = beats.filter((v, i) => v > beats.at(i - 1)! && v >= beats[(i + 1) % 200] && v > 0.3);
    expect(peaks.map((v) => Math.round(v * 10) / 10)).toEqual([1, 0.6]);
  });

  it('a beacon is on for its share, with a ramp on either side', () => {
    const one = of('beacon', { rateHz: 0.5, loopSeconds: 2, onShare: 0.5, rampShare: 0.25 });
    expect([0, 0.25, 0.5, 0.9, 1, 1.25, 1.5, 1.9].map((t) => wickCurve(one, t))).toEqual([
      0, 0.5, 1, 1, 1, 0.5, 0, 0,
    ]);
    const sudden = { ...one, rampShare: 0 };
    expect([0, 0.99, 1, 1.99].map((t) => wickCurve(sudden, t))).toEqual([1, 1, 0, 0]);
    expect(wickCurve({ ...one, onShare: 1 }, 0.1)).toBe(1);
  });

  it("a cycle of colours starts from the light's own and comes back to it", () => {
    const one = of('beacon', {
      ...{ rateHz: 0.5, loopSeconds: 2, onShare: 1, rampShare: 0.25 },
      cycleColours: ['#ff0000'],
    });
    const own: Rgb = hexToLinear('#2040ff');
    const at = (t: number) => wickKind('beacon').colour!(one as never, t, own);
    expect([at(0), at(0.5)]).toEqual([own, own]);
    expect(at(1)).toEqual(hexToLinear('#ff0000'));
    expect(at(1.5)).toEqual(hexToLinear('#ff0000'));
    // Half way of either ramp it lies between both, in OKLab.
    const [from, to] = [linearToOklab(own), linearToOklab(hexToLinear('#ff0000'))];
    for (const t of [0.75, 1.75])
      linearToOklab(at(t)).forEach((v, c) => expect(v).toBeCloseTo((from[c] + to[c]) / 2, 6));
    expect(wickKind('beacon').colour!({ ...one, cycleColours: [] } as never, 1, own)).toBe(own);
  });

  it('a fault is steady but for its bursts, in which it is out for its share', () => {
    const one = of('fault', { rateHz: 0.25, burstSeconds: 2, failing: 0.5, loopSeconds: 80 });
    const values = loop(one, 8000);
    // Twenty bursts of two seconds in eighty, half of each out.
    expect(values.filter((v) => v < 1).length / 8000).toBeCloseTo(0.25, 1);
    expect(Math.max(...values.filter((v) => v < 1))).toBeLessThan(0.46);
    expect(loop({ ...one, failing: 0 }).every((v) => v === 1)).toBe(true);
  });

  it('a storm is long dark, with clusters of at most so many flashes', () => {
    const one = of('storm', { rateHz: 0.1, flashes: 3, fadeSeconds: 0.05, loopSeconds: 100 });
    const values = loop(one, 20_000);
    expect(values.filter((v) => v < 0.02).length / values.length).toBeGreaterThan(0.9);
    const begins = values.flatMap((v, i) => (v - values.at(i - 1)! > 0.15 ? [i / 200] : []));
    expect(begins.length).toBeGreaterThanOrEqual(10);
    expect(begins.length).toBeLessThanOrEqual(30);
    for (let cluster = 0; cluster < 10; cluster++)
      expect(begins.filter((t) => Math.floor(t / 10) === cluster).length).toBeLessThanOrEqual(3);
  });

  it('a drawn one goes through its points and closes from the last to the first', () => {
    const points = [0.1, 0.2, 0.4, 1, 0.8, 0.5];
    const one = of('drawn', { rateHz: 0.5, loopSeconds: 2, points });
    expect([0.2, 0.8, 1.6].map((t) => wickCurve(one, t))).toEqual(
      [0.2, 1, 0.5].map((v) => expect.closeTo(v, 12)),
    );
    // Between the last and the first it stays between them.
    for (const t of [1.7, 1.9, 0.05, 0.15]) {
      expect(wickCurve(one, t)).toBeGreaterThanOrEqual(0.2);
      expect(wickCurve(one, t)).toBeLessThanOrEqual(0.5);
    }
    expect(wickCurve({ ...one, points: [0.3, 0.7] }, 1.234)).toBe(0.7);
  });

  it('gusts calm a breeze and stir it up', () => {
    const restless = (gusts: number) => {
      const values = loop(of('breeze', { gusts, loopSeconds: 60 }));
      const quiet = Array.from({ length: 20 }, (_, i) => values.slice(i * 200, i * 200 + 200));
      return quiet.map((part) => Math.max(...part) - Math.min(...part));
    };
    const spread = (values: number[]) => Math.max(...values) - Math.min(...values);
    expect(spread(restless(1))).toBeGreaterThan(spread(restless(0)) * 1.2);
  });
});

describe('what a light gets of its wick', () => {
  const one = of('breeze', {
    levelLow: 0.5,
    levelHigh: 1.5,
    levelLagSeconds: 0.3,
    swayXLowPx: -3,
    swayXHighPx: 5,
  });

  it('runs from lowest to highest, each output behind by its lag', () => {
    const at = phaseSeconds(one, 'a') + 4;
    const out = wickAt(one, 'a', 4);
    expect(out.level).toBeCloseTo(0.5 + wickCurve(one, at - 0.3), 12);
    expect(out.reach).toBeCloseTo(0.95 + 0.08 * wickCurve(one, at - 0.05), 12);
    expect(out.swayX).toBeCloseTo(-3 + 8 * wickCurve(one, at - 0.1), 12);
    expect([out.swayY, out.colour]).toEqual([0, null]);
  });

  it('is the same for all of them in step', () => {
    const together = { ...one, inStep: true };
    expect(wickAt(together, 'a', 4)).toEqual(wickAt(together, 'b', 4));
    expect(wickAt(one, 'a', 4)).not.toEqual(wickAt(one, 'b', 4));
  });

  it('warms a colour at the same luminance', () => {
    const grey: Rgb = [0.4, 0.4, 0.4];
    const warm = warmed(grey, 1);
    expect(warm[0] / warm[2]).toBeCloseTo(2, 12);
    expect(warmed(grey, -1)[0] / warmed(grey, -1)[2]).toBeCloseTo(0.5, 12);
    expect(linearLuminance(warm)).toBeCloseTo(0.4, 12);
    expect(warmed([0, 0, 0], 2)).toEqual([0, 0, 0]);
    const steady = of('breeze', { warmthLow: 1, warmthHigh: 1 });
    expect(wickAt(steady, 'a', 2).colour!(grey)).toEqual(warm);
  });
});

describe('wicks that come with Oilwick', () => {
  it('are fourteen and more, each of its own name and of fields that hold', () => {
    expect(READY_WICKS.length).toBeGreaterThanOrEqual(14);
    expect(new Set(READY_WICKS.map(({ name }) => name)).size).toBe(READY_WICKS.length);
    expect(new Set(READY_WICKS.map(({ kind }) => kind))).toEqual(new Set(WICK_KINDS));
    for (const ready of READY_WICKS) wickSchema.validateSync(wick(ready), { strict: true });
  });

  it.each(READY_WICKS.map((ready) => [ready.name, ready] as const))('%s is seen to burn', (_, ready) => {
    const one = wick(ready);
    const levels = Array.from(
      { length: 3000 },
      (_, i) => wickAt(one, 'a', (i / 3000) * one.loopSeconds).level,
    );
    const isColoured = one.cycleColours.length > 0;
    expect(isColoured || Math.max(...levels) - Math.min(...levels) > 0.1).toBe(true);
    if (!['storm', 'beacon', 'drawn'].includes(one.kind)) expect(mean(levels)).toBeGreaterThan(0.55);
  });
});
