import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newScene } from '../scene/new-scene';
import { newCue } from '../scene/records/cue';
import { newWick } from '../scene/records/wick';
import type { SceneDocument } from '../scene/document';
import { clockText } from './cues';
import { Day } from './day';
import { loopNoise } from './noise';
import { periodicMonotone } from './periodic';
import { wickCurve, phaseSeconds, wickAt } from './wick';

describe('a breeze', () => {
  const wick = newWick({ name: 'Calm flame', seed: 7, levelLow: 0.5, levelHigh: 1.5 });

  it('stays between its lowest and highest value and uses most of the range', () => {
    const values = Array.from({ length: 2000 }, (_, i) => wickAt(wick, 'light-a', i / 50).level);
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0.5);
    expect(Math.max(...values)).toBeLessThanOrEqual(1.5);
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.6);
  });

  it('burns the same way twice, and closes after its loop', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (t) => {
        expect(wickCurve(wick, t)).toBe(wickCurve(wick, t));
        expect(wickCurve(wick, t + wick.loopSeconds)).toBeCloseTo(wickCurve(wick, t), 6);
      }),
    );
  });

  it('never beats in step in two lamps', () => {
    const phases = Array.from({ length: 50 }, (_, i) => phaseSeconds(wick, `light-${i}`));
    expect(new Set(phases).size).toBe(50);
    const apart = Array.from({ length: 200 }, (_, i) =>
      Math.abs(wickAt(wick, 'a', i / 10).level - wickAt(wick, 'b', i / 10).level),
    );
    expect(apart.reduce((a, b) => a + b) / 200).toBeGreaterThan(0.05);
  });

  it('has no jumps', () => {
    for (let i = 0; i < 4000; i++)
      expect(Math.abs(wickCurve(wick, i / 400) - wickCurve(wick, (i + 1) / 400))).toBeLessThan(0.08);
  });

  it('is zero at lattice points and closed, as gradient noise is', () => {
    expect(loopNoise(3, 5, 8)).toBe(0);
    expect(loopNoise(3, 1.25, 8)).toBe(loopNoise(3, 9.25, 8));
  });
});

const ambientAt = (scene: SceneDocument, hours: number) => new Day(scene).ambient(hours);

describe('the day between cues', () => {
  it('goes through every value, stays between neighbours, and closes over midnight', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 2399 }), { minLength: 1, maxLength: 7 }),
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 7, maxLength: 7 }),
        fc.integer({ min: 0, max: 2399 }),
        (raw, all, at) => {
          const hours = raw.map((h) => h / 100).sort((a, b) => a - b);
          const values = all.slice(0, hours.length);
          hours.forEach((h, i) => expect(periodicMonotone(hours, values, h)).toBeCloseTo(values[i], 9));
          const v = periodicMonotone(hours, values, at / 100);
          expect(v).toBeGreaterThanOrEqual(Math.min(...values) - 1e-9);
          expect(v).toBeLessThanOrEqual(Math.max(...values) + 1e-9);
          expect(periodicMonotone(hours, values, at / 100 + 24)).toBeCloseTo(v, 9);
        },
      ),
    );
  });

  it('mixes colours and levels of the cues that hold them, and leaves the rest to the scene', () => {
    const scene = newScene({ ambientColour: '#808080', ambientLevel: 0.5 });
    expect(ambientAt(scene, 3).level).toBe(0.5);
    scene.cues = {
      a: newCue({ clockHours: 6, ambientLevel: 0.2 }),
      b: newCue({ clockHours: 18, ambientLevel: 1, ambientColour: '#ff0000' }),
    };
    expect(ambientAt(scene, 6).level).toBeCloseTo(0.2, 12);
    expect(ambientAt(scene, 12).level).toBeCloseTo(0.6, 12);
    expect(ambientAt(scene, 0).level).toBeCloseTo(0.6, 12);
    expect(ambientAt(scene, 3).linear[0]).toBeCloseTo(1, 6);
    expect(ambientAt(scene, 3).linear[1]).toBeLessThan(1e-6);
  });

  it('is shown as a railway clock', () => {
    expect([0, 19.1, 23.999, 9.5].map(clockText)).toEqual(['00:00', '19:06', '00:00', '09:30']);
  });
});
