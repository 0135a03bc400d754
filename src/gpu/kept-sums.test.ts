import { describe, expect, it } from 'vitest';
import type { MomentLayer, MomentLight, PicturePixels, View } from '@/core/moment/moment';
import type { Device, Target } from './device';
import { KeptSums, type Lit } from './kept-sums';
import type { ShadowPlan } from './shadow-plan';

const VIEW: View = { x: 0, y: 0, widthPx: 640, heightPx: 400, outputPerScenePx: 1 };

/** A device that makes targets of 4 MB, and counts them. */
function fakeDevice() {
  const made: Target[] = [];
  const device = {
    floats: { bytesPerPixel: 16 },
    target: (width: number, height: number) => {
      const target = { width, height, bytes: 16 * width * height } as Target;
      made.push(target);
      return target;
    },
    dropTarget: (target: Target) => made.splice(made.indexOf(target), 1),
  };
  return { device: device as unknown as Device, made };
}

const litBy = (light: MomentLight): Lit => ({ light, plan: null, hasCasts: false, picture: null });
const lights = (count: number): Lit[] =>
  Array.from({ length: count }, (_, i) => litBy({ x: i } as MomentLight));
const layer = () => ({}) as MomentLayer;

function sums() {
  const { device, made } = fakeDevice();
  const kept = new KeptSums(device, 640, 400, 96 * 1024 * 1024);
  /** A picture of some layers; what became of the last of them. */
  const picture = (
    layers: readonly [MomentLayer, readonly Lit[]][],
    view = VIEW,
    changes = 0,
    pixelArt = true,
  ) => {
    const moment = { view, pixelArt, lightSpace: 'linear' as const };
    const parted = layers.map(([one, lit]) => kept.part(one, lit, moment, changes));
    kept.tidy();
    return parted.at(-1)!;
  };
  return { kept, made, picture };
}

describe('sums of lights that stand still', () => {
  it('are made at the second picture and held from the third on', () => {
    const { picture } = sums();
    const [one, lit] = [layer(), lights(6)];
    expect(picture([[one, lit]])).toMatchObject({ kept: null, into: null, rest: lit });
    const second = picture([[one, lit]]);
    expect([second.kept, second.toSum, second.rest]).toEqual([null, lit, []]);
    expect(second.into).not.toBeNull();
    const third = picture([[one, lit]]);
    expect([third.kept, third.toSum, third.rest]).toEqual([second.into, [], []]);
  });

  it('leave one that moves to be drawn, and the others in the sum', () => {
    const { picture } = sums();
    const [one, lit] = [layer(), lights(6)];
    const moved = (k: number): Lit[] => [litBy({ x: k } as MomentLight), ...lit.slice(1)];
    picture([[one, lit]]);
    const made = picture([[one, moved(7)]]);
    expect(made.toSum).toEqual(lit.slice(1));
    const now = moved(8);
    const held = picture([[one, now]]);
    expect([held.kept, held.rest]).toEqual([made.into, [now[0]]]);
  });

  it('are made anew where a light of the sum went, or its shadow is another', () => {
    const { picture } = sums();
    const [one, lit] = [layer(), lights(8)];
    for (let i = 0; i < 3; i++) picture([[one, lit]]);
    expect(picture([[one, lit.slice(1)]]).kept).toBeNull();
    const shaded = lit.map((one, i) => (i === 3 ? { ...one, plan: { key: 'wall' } as ShadowPlan } : one));
    const after = picture([[one, shaded]]);
    expect(after.kept).toBeNull();
    expect(after.rest).toContain(shaded[3]);
  });

  it('are not made for a few lights, in another view, or after pictures came', () => {
    const { picture } = sums();
    const one = layer();
    const few = lights(3);
    for (let i = 0; i < 3; i++) expect(picture([[one, few]])).toMatchObject({ kept: null, into: null });
    const lit = lights(6);
    for (let i = 0; i < 3; i++) picture([[one, lit]]);
    expect(picture([[one, lit]], { ...VIEW, x: 5 }).kept).toBeNull();
    for (let i = 0; i < 3; i++) picture([[one, lit]]);
    expect(picture([[one, lit]], VIEW, 1).kept).toBeNull();
  });

  it('are made anew when the picture of a gobo comes, is repainted or goes, and when art is read another way', () => {
    const { picture } = sums();
    const [one, lit] = [layer(), lights(6)];
    const pixels = () => ({ width: 1 }) as PicturePixels;
    const through = (gobo: PicturePixels | null) =>
      lit.map((each, i) => (i === 2 ? { ...each, picture: gobo } : each));
    let last: PicturePixels | null = null;
    for (const gobo of [pixels(), pixels(), null]) {
      for (let i = 0; i < 3; i++) picture([[one, through(last)]]);
      expect(picture([[one, through(last)]]).kept).not.toBeNull();
      const now = through(gobo);
      // It is drawn with what it is now, and not taken from a sum that was made before.
      expect(picture([[one, now]]).rest).toContain(now[2]);
      last = gobo;
    }
    for (let i = 0; i < 3; i++) picture([[one, lit]]);
    expect(picture([[one, lit]], VIEW, 0, false).kept).toBeNull();
  });

  it('take no more than their budget, and a layer that is gone leaves its target to another', () => {
    const { picture, made, kept } = sums();
    const many = Array.from({ length: 40 }, () => [layer(), lights(6)] as [MomentLayer, readonly Lit[]]);
    for (let i = 0; i < 3; i++) picture(many);
    const bytes = made.reduce((sum, target) => sum + target.bytes, 0);
    expect(bytes).toBeLessThanOrEqual(96 * 1024 * 1024);
    const count = made.length;
    expect(count).toBeGreaterThan(10);
    // Pictures that move, each in another view, make none anew.
    for (let x = 1; x < 6; x++) picture(many, { ...VIEW, x });
    expect(made.length).toBe(count);
    const [other, lit] = [layer(), lights(6)];
    for (let i = 0; i < 6; i++) picture([[other, lit]]);
    expect(picture([[other, lit]]).kept).not.toBeNull();
    expect(made.length).toBe(count);
    kept.dispose();
    expect(made).toEqual([]);
  });
});
