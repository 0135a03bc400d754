/** The day: values between cues, circuits that are switched, and what lights that follow the sky get of it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newCircuit, type Circuit } from '../scene/records/circuit';
import { newCue } from '../scene/records/cue';
import { newLight, type Light } from '../scene/records/light';
import type { SceneSettings } from '../scene/records/settings';
import { Day } from './day';
import { dayCurve, type DayPoint } from './day-curve';
import { withTrial } from './trial';

const point = (hours: number, value: number, isHeld = false): DayPoint => ({ hours, value, isHeld });

describe('a value over the day', () => {
  it('goes through its points, holds where it is held, and jumps only there', () => {
    const curve = dayCurve([point(6, 1), point(9, 3, true), point(15, 7), point(21, 2)]);
    for (const [hours, value] of [
      [6, 1],
      [9, 3],
      [14.999, 3],
      [15, 7],
      [21, 2],
    ])
      expect(curve(hours)).toBeCloseTo(value, 9);
    // Over midnight it runs on smoothly from 21 to 6.
    expect(curve(1.5)).toBeGreaterThan(1);
    expect(curve(1.5)).toBeLessThan(2);
    expect(curve(24)).toBeCloseTo(curve(0), 9);
  });

  it('is a row of steps where every point is held, over midnight too', () => {
    const curve = dayCurve([point(4, 0.2, true), point(20, 0.9, true)]);
    expect([0, 3.99, 4, 12, 19.99, 20, 23.9].map(curve)).toEqual([0.9, 0.9, 0.2, 0.2, 0.2, 0.9, 0.9]);
  });

  it('never leaves its neighbours, whatever is held', () => {
    const points = fc
      .uniqueArray(
        fc.record({ at: fc.nat(287), value: fc.integer({ min: -9, max: 9 }), isHeld: fc.boolean() }),
        {
          minLength: 1,
          maxLength: 7,
          selector: ({ at }) => at,
        },
      )
      .map((all) =>
        all.map(({ at, value, isHeld }) => point(at / 12, value, isHeld)).sort((a, b) => a.hours - b.hours),
      );
    fc.assert(
      fc.property(points, fc.nat(2399), (all, hundredths) => {
        const at = hundredths / 100;
        let i = all.length - 1;
        while (i >= 0 && all[i].hours > at) i--;
        const last = all[(i + all.length) % all.length];
        const next = all[(i + 1) % all.length];
        const value = dayCurve(all)(at);
        if (last.isHeld) expect(value).toBe(last.value);
        expect(value).toBeGreaterThanOrEqual(Math.min(last.value, next.value) - 1e-9);
        expect(value).toBeLessThanOrEqual(Math.max(last.value, next.value) + 1e-9);
        expect(dayCurve(all)(last.hours)).toBeCloseTo(last.value, 9);
      }),
    );
  });
});

function halt(settings: Partial<SceneSettings>, circuit: Partial<Circuit> = {}): SceneDocument {
  const scene = newScene({ sunRiseHours: 6, sunSetHours: 18, sunNoonDeg: 50, ...settings });
  scene.circuits.lamps = newCircuit({ name: 'Lamps', order: 'b', ...circuit });
  return scene;
}

describe('a circuit', () => {
  it('is lit between two hours, over midnight too', () => {
    const day = new Day(halt({}, { switching: 'hours', onHours: 19, offHours: 5 }));
    const lit = [0, 4.9, 5, 12, 18.9, 19, 23].map((hours) => day.power(['lamps'], 'a', hours));
    expect(lit).toEqual([1, 1, 0, 0, 0, 1, 1]);
  });

  it('is lit while the sun is low', () => {
    const day = new Day(halt({}, { switching: 'sun', onBelowDeg: 0 }));
    const spans = day.litSpans('lamps');
    expect(spans.flat()).toHaveLength(4);
    expect(spans[0][1]).toBeCloseTo(6, 3);
    expect(spans[1][0]).toBeCloseTo(18, 3);
    expect([3, 6.01, 12, 17.99, 18.01].map((hours) => day.power(['lamps'], 'a', hours))).toEqual([
      1, 0, 0, 0, 1,
    ]);
    const polar = new Day(halt({}, { switching: 'sun', onBelowDeg: -89 }));
    expect(polar.power(['lamps'], 'a', 0)).toBe(0);
    const always = new Day(halt({}, { switching: 'sun', onBelowDeg: 90 }));
    expect(always.power(['lamps'], 'a', 12)).toBe(1);
  });

  it('lights its lamps one after another within the spread, each at its own time every day', () => {
    const day = new Day(halt({}, { switching: 'hours', onHours: 19, offHours: 5, spreadMinutes: 30 }));
    const ids = Array.from({ length: 40 }, (_, i) => `lamp-${i}`);
    const litAt = (hours: number) => ids.filter((id) => day.power(['lamps'], id, hours) === 1).length;
    expect(litAt(18.99)).toBe(0);
    expect(litAt(19.25)).toBeGreaterThan(10);
    expect(litAt(19.25)).toBeLessThan(30);
    expect(litAt(19.51)).toBe(40);
    expect(litAt(5.25)).toBeGreaterThan(10);
    expect(litAt(5.51)).toBe(0);
  });

  it('fades over seconds of the clock, in equal steps', () => {
    const day = new Day(halt({}, { switching: 'hours', onHours: 19, offHours: 5, fadeSeconds: 36 }));
    const power = (hours: number) => day.power(['lamps'], 'a', hours);
    // 36 s are a hundredth of an hour.
    expect(power(19)).toBe(0);
    expect(power(19.0025)).toBeCloseTo(0.25, 6);
    expect(power(19.02)).toBe(1);
    expect(power(5.0075)).toBeCloseTo(0.25, 6);
    expect(power(5.02)).toBe(0);
  });

  it('dims what is on it to its level in the cues; a light on several burns as far as all of them are lit', () => {
    const scene = halt({}, { switching: 'hours', onHours: 12, offHours: 6 });
    const level = (circuitId: string, value: number) => [{ circuitId, level: value, held: false }];
    scene.cues = { a: newCue({ clockHours: 3, circuitLevels: level('house', 0.5) }) };
    const day = new Day(scene);
    expect(day.power(['house'], 'a', 9)).toBe(0.5);
    expect(day.power(['house', 'lamps'], 'a', 13)).toBe(0.5);
    expect(day.power(['house', 'lamps'], 'a', 9)).toBe(0);
    expect(day.power(['gone'], 'a', 9)).toBe(1);
  });
});

describe('a light that follows the sky', () => {
  const withSun = (fields: Partial<Light>, settings: Partial<SceneSettings> = {}) => {
    const scene = halt({ viewTiltDeg: 90, ...settings });
    scene.lights.sun = newLight({
      ...{ name: '', planeId: 'plane-middle', order: 'a', x: 0, y: 0, kind: 'sun', follows: 'sun', level: 2 },
      ...fields,
    });
    return scene;
  };
  const lightAt = (scene: SceneDocument, hours: number) =>
    momentAt(scene, hours, 0, NOTHING_PASSING, gateView(scene)).lights[0] ?? null;

  it('stands where the sun does: from above, east is right at sunrise, south below at noon', () => {
    const scene = withSun({});
    const noon = lightAt(scene, 12)!;
    expect(noon.source).toMatchObject({ parallel: true });
    const { x, y, z } = noon.source as { x: number; y: number; z: number };
    expect(x).toBeCloseTo(0, 9);
    expect(y).toBeGreaterThan(0.5);
    expect(z).toBeCloseTo(Math.sin((50 * Math.PI) / 180), 9);
    const morning = lightAt(scene, 7)!.source as { x: number };
    expect(morning.x).toBeGreaterThan(0.9);
    const turned = lightAt(withSun({}, { headingDeg: 180 }), 12)!.source as { y: number };
    expect(turned.y).toBeLessThan(-0.5);
  });

  it('sets: nothing below the horizon, half its strength and shadow at 2 degrees, all at 4', () => {
    const scene = withSun({ shadowOpacity: 1 });
    expect(lightAt(scene, 5)).toBeNull();
    expect(lightAt(scene, 18.2)).toBeNull();
    const at = (degrees: number) => {
      // On this arc the altitude is 50 sin(pi (hours - 6) / 12).
      const light = lightAt(scene, 6 + (12 * Math.asin(degrees / 50)) / Math.PI)!;
      return [light.rgb[0] / lightAt(scene, 12)!.rgb[0], light.shadowLet[0]];
    };
    const [half, let2] = at(2);
    expect(half).toBeCloseTo(0.5, 6);
    expect(let2).toBeCloseTo(0.5, 6);
    expect(at(4)[0]).toBeCloseTo(1, 6);
  });

  it('has the colour and the level that the cues hold, in the place of its own', () => {
    const scene = withSun({ colour: '#ffffff', level: 2 });
    scene.cues = { a: newCue({ clockHours: 8, sunLevel: 0.5, sunColour: '#ff0000' }) };
    const { rgb } = lightAt(scene, 12)!;
    expect(rgb[0]).toBeCloseTo(0.5, 5);
    expect(rgb[1]).toBeCloseTo(0, 5);
  });

  it('as a moon is up while the sun is down', () => {
    const scene = withSun({ follows: 'moon' });
    expect(lightAt(scene, 12)).toBeNull();
    expect(lightAt(scene, 0)).not.toBeNull();
  });

  it('stands behind a picture that is seen from the side, and what has a stature throws nothing there', () => {
    const scene = withSun({}, { viewTiltDeg: 0, headingDeg: 180 });
    const behind = lightAt(scene, 12)!.source as { z: number };
    expect(behind.z).toBeLessThan(0);
  });
});

describe('a trial', () => {
  it('stands in the place of what the cues hold, all day, and leaves the rest', () => {
    const scene = halt({});
    scene.cues = {
      a: newCue({ clockHours: 0, ambientLevel: 0.1, sunLevel: 1 }),
      b: newCue({ clockHours: 12, ambientLevel: 0.9 }),
    };
    const day = new Day(withTrial(scene, { ambientLevel: 0.4, circuitLevels: { lamps: 0.25 } }));
    expect(day.ambient(0).level).toBe(0.4);
    expect(day.ambient(12).level).toBe(0.4);
    expect(day.number('sunLevel', 5)).toBe(1);
    expect(day.circuitLevel('lamps', 5)).toBe(0.25);
    expect(new Day(scene).ambient(12).level).toBe(0.9);
  });
});
