import { describe, expect, it } from 'vitest';
import { renderReference } from '../light/reference';
import { walled } from '../light/testing/wall';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING, type Passing } from '../moment/passing';
import {
  hexToBytes,
  hexToLinear,
  linearToHex,
  linearToOklab,
  oklabToLinear,
  type Rgb,
} from '../raster/colour';
import { newCue } from '../scene/records/cue';
import { newSprite } from '../scene/records/sprite';
import { newWash, newWashPoint, type Wash, type WashPoint } from '../scene/records/wash';
import { usesOf } from '../scene/references';
import type { SceneDocument } from '../scene/document';

const point = (x: number, y: number, colour: string, more: Partial<WashPoint> = {}) =>
  newWashPoint({ x, y, colour, spreadPx: 40, ...more });

/** A wall of one grey in display light, which a wash of two points lies on. */
function washed(wash: Partial<Wash> = {}, colour = '#808080'): SceneDocument {
  const scene = walled({
    settings: { ambientColour: '#ffffff', ambientLevel: 1, washId: 'dusk', pixelArt: true },
    sprites: [{ plain: { colour, widthPx: 200, heightPx: 100 } }],
  });
  scene.washes.dusk = newWash({
    ...{
      name: 'Dusk',
      order: 'a',
      opacity: 1,
      points: [point(40, 50, '#ff0000'), point(160, 50, '#0000ff')],
    },
    ...wash,
  });
  return scene;
}

function coloursOf(scene: SceneDocument, { hour = 12, second = 0, passing = {} as Partial<Passing> } = {}) {
  const moment = momentAt(scene, hour, second, { ...NOTHING_PASSING, ...passing }, gateView(scene));
  const { data, width } = renderReference(moment, () => null);
  return (x: number, y: number) => [...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 3)];
}

describe('a wash', () => {
  it('has between two points the mean of their colours in OKLab', () => {
    const at = coloursOf(washed());
    // Half way both weigh the same.
    const lab = (hex: string) => linearToOklab(hexToLinear(hex));
    const [a, b] = [lab('#ff0000'), lab('#0000ff')];
    const middle = linearToHex(oklabToLinear(a.map((v, i) => (v + b[i]) / 2) as Rgb));
    const wanted = hexToBytes(middle);
    at(99, 50).forEach((v, c) => expect(Math.abs(v - wanted[c])).toBeLessThanOrEqual(4));
    // At a point its own colour is all but alone, and far from all of them the nearest is.
    expect(at(2, 50)[0]).toBeGreaterThan(240);
    expect(at(197, 2)[2]).toBeGreaterThan(240);
  });

  it('is laid on by its blend, as far as it and its points are opaque', () => {
    const one = { points: [point(100, 50, '#ff0000')] };
    expect(coloursOf(washed({ ...one, opacity: 0.5 }))(50, 50)).toEqual([192, 64, 64]);
    expect(coloursOf(washed({ ...one, blend: 'multiply' }))(50, 50)).toEqual([128, 0, 0]);
    expect(coloursOf(washed({ ...one, blend: 'add' }))(50, 50)).toEqual([255, 128, 128]);
    expect(coloursOf(washed({ ...one, blend: 'screen' }))(50, 50)).toEqual([255, 128, 128]);
    const faint = { points: [point(100, 50, '#ff0000', { opacity: 0.25 })] };
    expect(coloursOf(washed({ ...faint }))(50, 50)).toEqual([160, 96, 96]);
    expect(coloursOf(washed({ ...one, hidden: true }))(50, 50)).toEqual([128, 128, 128]);
  });

  it('goes with the gate, stays in the scene, or ends at its rectangle', () => {
    const tied = (tiedTo: Wash['tiedTo'], gateX: number) => {
      const scene = washed({ tiedTo, x: 20, y: 10, widthPx: 40, heightPx: 30 });
      scene.settings.scene.gateX = gateX;
      return coloursOf(scene);
    };
    expect(tied('gate', 0)(40, 50)).toEqual(tied('gate', 60)(40, 50));
    expect(tied('scene', 60)(40, 50)).not.toEqual(tied('scene', 0)(40, 50));
    expect(tied('scene', 60)(40, 50)).toEqual(tied('scene', 0)(100, 50));
    const boxed = tied('rectangle', 0);
    expect(boxed(19, 20)).toEqual([128, 128, 128]);
    expect(boxed(20, 20)[0]).toBeGreaterThan(150);
    expect(boxed(59, 39)).not.toEqual([128, 128, 128]);
    expect(boxed(60, 39)).toEqual([128, 128, 128]);
    expect(boxed(59, 40)).toEqual([128, 128, 128]);
  });

  it('is that which the cues name, and fades from one to the next', () => {
    const scene = washed({ points: [point(100, 50, '#000000')] });
    scene.washes.dawn = newWash({
      name: 'Dawn',
      order: 'b',
      opacity: 1,
      points: [point(100, 50, '#ffffff')],
    });
    scene.cues.first = newCue({ clockHours: 6, washId: 'dawn' });
    scene.cues.second = newCue({ clockHours: 18, washId: 'dusk', washStrength: 1 });
    const at = (hour: number) => coloursOf(scene, { hour })(50, 50)[0];
    expect(at(6)).toBe(255);
    expect(at(18)).toBe(0);
    // Half way: half of white over the wall, and half of black over that.
    expect(at(12)).toBe(96);
    expect(at(0)).toBe(160);
  });

  it('can be looked at in full, and is a part of the light', () => {
    const scene = washed({ opacity: 0.1, points: [point(100, 50, '#00ff00')], blend: 'multiply' });
    expect(coloursOf(scene, { passing: { fullWash: 'dusk' } })(50, 50)).toEqual([0, 255, 0]);
    expect(coloursOf(scene, { passing: { unlit: true } })(50, 50)).toEqual([128, 128, 128]);
    scene.settings.scene.washStrength = 0;
    expect(coloursOf(scene)(50, 50)).toEqual([128, 128, 128]);
  });

  it('is picked by chance, one after the other, and fades into the next', () => {
    const scene = washed({ points: [point(100, 50, '#000000')] });
    scene.washes.dawn = newWash({
      name: 'Dawn',
      order: 'b',
      opacity: 1,
      points: [point(100, 50, '#ffffff')],
    });
    scene.washes.cave = newWash({
      name: 'Cave',
      order: 'c',
      onEntering: true,
      points: [point(0, 0, '#00ff00')],
    });
    Object.assign(scene.settings.scene, { washBy: 'seed', washEverySeconds: 10, washFadeSeconds: 2 });
    const at = (second: number) => coloursOf(scene, { second })(50, 50)[0];
    const picks = Array.from({ length: 24 }, (_, k) => at(10 * k + 3));
    expect(new Set(picks)).toEqual(new Set([0, 255]));
    const k = picks.findIndex((pick, i) => i > 0 && pick !== picks[i - 1]);
    expect(at(10 * k - 2)).toBe(picks[k - 1]);
    // Half way: of the old over the grey, and of the new over that.
    expect(at(10 * k - 1)).toBe(picks[k] === 255 ? 160 : 96);
    expect(at(10 * k)).toBe(picks[k]);
  });

  it('lies where the figure enters its rectangle, and comes in over its fade', () => {
    const scene = washed({ points: [point(100, 50, '#ff0000')] });
    scene.washes.cave = newWash({
      ...{ name: 'Cave', order: 'b', opacity: 1, onEntering: true, fadePx: 20 },
      ...{ x: 100, y: 0, widthPx: 100, heightPx: 100, points: [point(0, 0, '#0000fe')] },
    });
    const plain = { colour: '#ffffff', widthPx: 2, heightPx: 2 };
    scene.sprites.figure = newSprite({
      ...{ name: 'Figure', planeId: 'plane-near', order: 'z', artworkId: null, plain, x: 50, y: 50 },
    });
    scene.settings.scene.figureId = 'figure';
    const at = (x: number) => {
      scene.sprites = { ...scene.sprites, figure: { ...scene.sprites.figure, x } };
      return coloursOf(scene)(20, 20);
    };
    expect(at(90)).toEqual([255, 0, 0]);
    expect(at(150)).toEqual([0, 0, 254]);
    // Half way in: half of what lay there over the grey, and half of the new over that.
    expect(at(110)).toEqual([96, 32, 159]);
    // On its rounds it is noticed where it walks.
    const walk = { spriteId: 'figure', x: 150, y: 50, flipX: false, aim: null, gate: null };
    scene.sprites = { ...scene.sprites, figure: { ...scene.sprites.figure, x: 50 } };
    expect(coloursOf(scene, { passing: { walk } })(20, 20)).toEqual([0, 0, 254]);
  });

  it('is named by the scene and its cues alone', () => {
    const scene = washed();
    scene.cues.one = newCue({ clockHours: 3, washId: 'dusk' });
    expect(usesOf(scene, 'washes', 'dusk')).toEqual([
      { collection: 'settings', id: 'scene' },
      { collection: 'cues', id: 'one' },
    ]);
  });
});
