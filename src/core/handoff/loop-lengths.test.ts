import { describe, expect, it } from 'vitest';
import { newSprite, type Sprite } from '../scene/records/sprite';
import { NEW_TURNING, newPath } from '../scene/records/motion';
import { isSeamless, roundsOf, seamlessLengths } from './loop-lengths';
import { litYard } from './testing/lit-yard';

const moving = (fields: Partial<Sprite>) => {
  const scene = litYard();
  const plain = { colour: '#ffffff', widthPx: 4, heightPx: 4 };
  scene.sprites.one = newSprite({
    ...{ name: '', planeId: 'plane-near', order: 'a', artworkId: null, plain, x: 5, y: 5 },
    ...fields,
  });
  return scene;
};

describe('lengths after which everything has gone round', () => {
  it('are multiples of all rounds: of wicks', () => {
    expect(roundsOf(litYard())).toEqual([2, 3]);
    expect(seamlessLengths(litYard(), 20)).toEqual([6, 12, 18]);
    expect(isSeamless(litYard(), 6)).toBe(true);
    expect(isSeamless(litYard(), 4)).toBe(false);
  });

  it('of what turns and what goes along a path', () => {
    const turning = { ...NEW_TURNING, kind: 'steady' as const, degreesPerSecond: -90 };
    expect(seamlessLengths(moving({ turning }), 30)).toEqual([12, 24]);
    const path = newPath({ points: [0, 0, 30, 0], speedPx: 10, ends: 'back', pauseSeconds: 1 });
    expect(roundsOf(moving({ path }))).toEqual([2, 3, 8]);
    expect(seamlessLengths(moving({ path }), 30)).toEqual([24]);
    expect(roundsOf(moving({ path, hidden: true }))).toEqual([2, 3]);
  });

  it('are none where chance picks washes, or nothing comes round soon enough', () => {
    const path = newPath({ points: [0, 0, 31.7, 0], speedPx: 10, ends: 'appear' });
    expect(seamlessLengths(moving({ path }), 60)).toEqual([]);
    const still = litYard();
    for (const id of Object.keys(still.lights)) still.lights[id].wickId = null;
    still.lamps = {};
    expect(roundsOf(still)).toEqual([]);
    expect(isSeamless(still, 1.5)).toBe(true);
  });
});
