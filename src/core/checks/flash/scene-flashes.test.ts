import { describe, expect, it } from 'vitest';
import { newLamp } from '../../scene/records/lamp';
import { newLightPart } from '../../scene/records/luminaire';
import { NEW_TURNING } from '../../scene/records/motion';
import { newWick, type Wick } from '../../scene/records/wick';
import type { SceneDocument } from '../../scene/document';
import { walled, type Parts } from '../../light/testing/wall';
import { wickCurve } from '../../time/wick';
import { NO_FILES } from '../check-files';
import { flashSpan, type FlashSpan } from './flash-span';
import { SceneFlashes } from './scene-flashes';

const SHORT: FlashSpan = { from: 0, seconds: 1.5 };
const blinking = (rateHz: number, more: Partial<Wick> = {}): Wick =>
  newWick({
    ...{
      name: 'Blinker',
      seed: 1,
      kind: 'pulse',
      rateHz,
      levelLow: 0,
      levelHigh: 1,
      loopSeconds: 20,
      inStep: true,
    },
    ...more,
  });

/** A wall on which one large light blinks, beside a calm one. */
function blinkingWall(wick: Wick, light: NonNullable<Parts['lights']>[number] = {}): SceneDocument {
  const scene = walled({
    settings: { ambientLevel: 0.1, lightSpace: 'linear', gateWidthPx: 200, gateHeightPx: 150 },
    lights: [
      { x: 100, y: 50, level: 0.6, reachPx: 300, wickId: 'blinker', ...light },
      { x: 100, y: 50, level: 0.2, wickId: 'calm' },
    ],
  });
  scene.wicks.blinker = wick;
  scene.wicks.calm = newWick({ name: 'Calm', seed: 2, kind: 'breeze', levelLow: 0.95, loopSeconds: 20 });
  return scene;
}

function flashesOf(scene: SceneDocument, span = SHORT) {
  const check = new SceneFlashes(scene, NO_FILES, 12, span);
  while (check.step());
  expect(check.share).toBe(1);
  return check.report();
}

describe('the flash check of a scene', () => {
  it('finds a light that blinks too fast, and names its wick', () => {
    const { faults, frames } = flashesOf(blinkingWall(blinking(6)));
    expect(frames).toBe(90);
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatchObject({
      kind: 'general',
      cause: { name: 'Blinker', record: { collection: 'wicks', id: 'blinker' } },
    });
    expect(faults[0].rateHz).toBeCloseTo(6, 0);
  });

  it('is content with one that blinks slowly, or that lights little of the picture', () => {
    expect(flashesOf(blinkingWall(blinking(2))).faults).toEqual([]);
    expect(flashesOf(blinkingWall(blinking(6), { corePx: 1, reachPx: 6, curve: 'straight' })).faults).toEqual(
      [],
    );
  });

  it('names the luminaire whose lamp blinks', () => {
    const scene = blinkingWall(blinking(1));
    scene.luminaires.beacon = {
      name: 'Beacon',
      flames: [],
      lights: [
        newLightPart({
          ...{ id: 'bulb', name: 'Bulb', level: 0.7, reachPx: 300, curve: 'even', relief: 0 },
          wick: blinking(6),
        }),
      ],
    };
    scene.lamps.lamp = newLamp({
      name: 'Lamp',
      luminaireId: 'beacon',
      planeId: 'plane-middle',
      order: 'a',
      x: 100,
      y: 50,
    });
    const { faults } = flashesOf(scene);
    expect(faults.map(({ cause }) => cause)).toEqual([
      { name: 'Blinker (Beacon)', record: { collection: 'luminaires', id: 'beacon' } },
    ]);
  });

  it('counts red against white', () => {
    const wick = blinking(5, { kind: 'beacon', levelLow: 1, cycleColours: ['#ff0000'], onShare: 0.5 });
    const scene = blinkingWall(wick, { colour: '#405060', level: 1.2 });
    scene.settings.scene.ambientLevel = 0;
    delete scene.lights.l1;
    const { faults } = flashesOf(scene);
    expect(faults.map(({ kind }) => kind)).toContain('red');
  });
});

describe('the span that is looked at', () => {
  it('is nothing where nothing lives, the loop where all repeats, and else a minute', () => {
    const still = walled({ lights: [{}] });
    expect(flashSpan(still)).toEqual({ from: 0, seconds: 0 });
    expect(flashesOf(still, flashSpan(still)).frames).toBe(1);
    expect(flashSpan(blinkingWall(blinking(3)))).toEqual({ from: 0, seconds: 20 });
    expect(flashSpan(blinkingWall(blinking(3, { loopSeconds: 30 })))).toEqual({ from: 0, seconds: 60 });
    expect(flashSpan(blinkingWall(blinking(3), { turning: NEW_TURNING }))).toEqual({
      from: 0,
      seconds: 60,
    });
  });

  it('lies around the densest second of a storm', () => {
    const storm = blinking(0.12, { name: 'Storm', kind: 'storm', loopSeconds: 600, seed: 5 });
    const { from, seconds } = flashSpan(blinkingWall(storm));
    expect(seconds).toBe(60);
    /** How much the storm brightens within the second before. */
    const risesBefore = (until: number) => {
      let rises = 0;
      for (let i = 0; i < 50; i++)
        rises += Math.max(0, wickCurve(storm, until - i / 50) - wickCurve(storm, until - (i + 1) / 50));
      return rises;
    };
    const densest = Math.max(...Array.from({ length: 1198 }, (_, k) => risesBefore(1 + k / 2)));
    expect(risesBefore(from + 30)).toBeGreaterThanOrEqual(0.95 * densest);
    expect(densest).toBeGreaterThan(1);
  });
});
