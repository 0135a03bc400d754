import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../../moment/moment-at';
import { NOTHING_PASSING } from '../../moment/passing';
import { box, walled, type Parts } from '../testing/wall';
import type { Account } from './account';
import { accountFor } from './account-for';

function accounted(
  parts: Parts,
  x: number,
  y: number,
  change: (scene: ReturnType<typeof walled>) => void = () => undefined,
): Account {
  const scene = walled(parts);
  change(scene);
  return accountFor(momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene)), () => null, x, y);
}

const whys = ({ lights }: Account) => lights.map(({ nothing }) => nothing?.why ?? null);
const firsts = (lines: readonly { rgb: readonly number[] }[]) => lines.map(({ rgb }) => rgb[0]);
const rgbOf = ({ others }: Account, what: string) => others.find((line) => line.what === what)?.rgb[0];

describe('an account', () => {
  it('has a line for each light that gives something, and one for the ambient light', () => {
    const account = accounted(
      {
        settings: { ambientLevel: 0.25, ambientColour: '#ffffff' },
        lights: [{ level: 0.25 }, { level: 0.125 }],
      },
      100,
      50,
    );
    expect(firsts(account.lights)).toEqual([0.25, 0.125]);
    expect(rgbOf(account, 'ambient')).toBeCloseTo(0.25, 12);
    expect(account.sum[0]).toBeCloseTo(0.625, 12);
    expect(account.pixel[0]).toBe(Math.round(0.625 * 255));
  });

  it('says the first reason why a light gives nothing', () => {
    const wallAt = (left: number) => ({ outlines: box(left, 0, left + 5, 100) });
    expect(whys(accounted({ lights: [{ reachPx: 20 }] }, 100, 50))).toEqual(['reach']);
    expect(
      whys(accounted({ lights: [{ kind: 'spot', bearingDeg: 180, beamDeg: 20, fieldDeg: 40 }] }, 100, 50)),
    ).toEqual(['field']);
    expect(whys(accounted({ lights: [{ bands: 2, curve: 'straight', reachPx: 60 }] }, 105, 50))).toEqual([
      'steps',
    ]);
    expect(whys(accounted({ lights: [{ spanFarId: 'plane-near' }] }, 100, 50))).toEqual(['span']);
    expect(whys(accounted({ lights: [{}] }, 100, 50, (scene) => (scene.lights.l0.circuitIds = [])))).toEqual([
      'circuits',
    ]);
    expect(whys(accounted({ lights: [{}], occluders: [wallAt(70)] }, 100, 50))).toEqual(['blocked']);
    const shade = { ...wallAt(90), ownShade: 'dark' as const };
    expect(whys(accounted({ lights: [{}], occluders: [shade] }, 92, 50))).toEqual(['own shade']);
    expect(
      whys(accounted({ lights: [{}] }, 100, 50, (scene) => (scene.sprites.s0.answer = 'self-lit'))),
    ).toEqual(['self-lit']);
    expect(whys(accounted({ lights: [{ rim: true }] }, 100, 50))).toEqual(['no rim']);
    const red = { plain: { colour: '#ff0000', widthPx: 200, heightPx: 100 } };
    expect(whys(accounted({ lights: [{ colour: '#00ff00' }], sprites: [red] }, 100, 50))).toEqual(['black']);
    expect(whys(accounted({ lights: [{ blend: 'lighten', level: 0.1 }, {}] }, 100, 50))).toEqual([
      'outshone',
      null,
    ]);
    expect(whys(accounted({ lights: [{}] }, 100, 50, (scene) => (scene.sprites = {})))).toEqual(['backdrop']);
  });

  it('names what stops a light, and how much comes past', () => {
    const glass = { outlines: box(70, 0, 75, 100), transmitShare: 0.5, transmitColour: '#ffffff' };
    const post = { outlines: box(80, 0, 85, 100) };
    const away = { outlines: box(150, 0, 155, 100) };
    const half = accounted({ lights: [{}], occluders: [glass, away] }, 100, 50).lights[0];
    expect(half).toMatchObject({
      rgb: [0.5, 0.5, 0.5],
      seen: [0.5, 0.5, 0.5],
      occluders: [0],
      nothing: null,
    });
    // What stops most stands first.
    expect(accounted({ lights: [{}], occluders: [glass, post, away] }, 100, 50).lights[0].nothing).toEqual({
      why: 'blocked',
      occluders: [1, 0],
    });
  });

  it('gives the winner what it adds beyond the others, and what uncovers its share', () => {
    const account = accounted({ lights: [{ level: 0.25 }, { level: 0.75, blend: 'lighten' }] }, 100, 50);
    expect(firsts(account.lights)).toEqual([0.25, 0.5]);
    const uncovered = accounted(
      {
        lights: [
          { level: 0.5, blend: 'uncover' },
          { level: 0.5, blend: 'uncover' },
        ],
      },
      100,
      50,
    );
    expect(firsts(uncovered.lights)).toEqual([0.375, 0.375]);
  });

  it('has what takes away below 0, and a line that brings the sum up to black', () => {
    const account = accounted({ lights: [{ level: 0.25 }, { level: 0.75, blend: 'subtract' }] }, 100, 50);
    expect(firsts(account.lights)).toEqual([0.25, -0.75]);
    expect(rgbOf(account, 'no darker than black')).toBe(0.5);
    expect(account.pixel).toEqual([0, 0, 0]);
  });

  it('is of what is seen most of, and sums up what lies before and behind it', () => {
    const veil = {
      plain: { colour: '#ffffff', widthPx: 200, heightPx: 100 },
      opacity: 0.25,
      planeId: 'plane-near',
    };
    const settings = { ambientLevel: 0.5, ambientColour: '#ffffff' };
    const account = accounted(
      { settings, sprites: [veil], lights: [{ level: 0.5, spanNearId: 'plane-middle' }] },
      100,
      50,
    );
    expect(account.surface).toMatchObject({ plane: 1, alpha: 1, share: 0.75 });
    expect(rgbOf(account, 'in front')).toBeCloseTo(0.125, 12);
    expect(firsts(account.lights)).toEqual([0.375]);
    const thick = accounted({ settings, sprites: [{ ...veil, opacity: 0.75 }] }, 100, 50);
    expect(thick.surface).toMatchObject({ plane: 2, alpha: 0.75 });
    expect(rgbOf(thick, 'behind')).toBeCloseTo(0.125, 12);
  });

  it('has light in the air as lines of its own', () => {
    const account = accounted({ lights: [{ air: 0.5, planeId: 'plane-near' }] }, 100, 50);
    expect(rgbOf(account, 'air')).toBe(0.5);
    expect(account.sum[0]).toBe(1.5);
  });

  it('tells step by step what the finish makes of the sum', () => {
    const account = accounted({ settings: { exposureStops: -1 }, lights: [{ level: 1 }] }, 100, 50);
    expect(account.later).toEqual([{ what: 'pass', pass: 'exposure', from: [1, 1, 1], to: [0.5, 0.5, 0.5] }]);
    expect(account.pixel[0]).toBe(188);
  });
});
