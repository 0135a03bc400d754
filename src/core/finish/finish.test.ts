/** Each pass by itself, with values worked out on paper. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  finishNumbers,
  mixedFinish,
  NO_FINISH,
  NO_FINISH_SETTINGS,
  runPass,
  type PassName,
} from './all-passes';
import { bloomReach, glowShare, lastLevel } from './bloom';
import { autoStops, DARKEST_LOG2, meteredLog2, meteringView } from './exposure';
import type { FinishFrame } from './frame';
import { gaussian, gaussianWeights } from './gaussian';
import type { FloatPicture } from './pass';
import { film, shoulder } from './tone';

const finish = (settings: object) => finishNumbers({ ...NO_FINISH_SETTINGS, ...settings });

function frameOf(width: number, height: number, fields: Partial<FinishFrame> = {}): FinishFrame {
  return {
    view: { x: 0, y: 0, widthPx: width, heightPx: height, outputPerScenePx: 1 },
    gate: { left: 0, top: 0, right: width, bottom: height },
    pixelArt: true,
    gateLog2: null,
    ...fields,
  };
}

function picture(
  width: number,
  height: number,
  of: (x: number, y: number) => readonly [number, number, number],
): FloatPicture {
  const data = new Float64Array(3 * width * height);
  for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i += 3) data.set(of(x, y), i);
  return { width, height, data };
}

function run(pass: PassName, on: FloatPicture, settings: object, frame = frameOf(on.width, on.height)) {
  runPass(pass, on, finish(settings), frame);
  return (x: number, y: number) => [...on.data.subarray(3 * (y * on.width + x), 3 * (y * on.width + x) + 3)];
}

/** One pixel through a pass. */
const through = (pass: PassName, rgb: [number, number, number], settings: object) =>
  run(
    pass,
    picture(1, 1, () => rgb),
    settings,
  )(0, 0);

describe('exposure', () => {
  it('doubles the light with each stop', () => {
    expect(
      through('exposure', [0.1, 0.2, 0.4], { exposureStops: 2 }).map((v) => Math.round(v * 1e12) / 1e12),
    ).toEqual([0.4, 0.8, 1.6]);
  });

  it('goes a share of the way from what was metered to middle grey, as far as its limit', () => {
    const numbers = { stops: 0, autoShare: 1, autoLimit: 5 };
    // 0.18 is four times 0.045, and an eighth of 1.44.
    expect(autoStops(numbers, Math.log2(0.045))).toBeCloseTo(2, 12);
    expect(autoStops({ ...numbers, autoShare: 0.5 }, Math.log2(1.44))).toBeCloseTo(-1.5, 12);
    expect(autoStops({ ...numbers, autoLimit: 1 }, Math.log2(0.045))).toBe(1);
    const dark = frameOf(1, 1, { gateLog2: Math.log2(0.045) });
    const [r] = run(
      'exposure',
      picture(1, 1, () => [0.25, 0, 0]),
      { autoShare: 1, exposureStops: -1 },
      dark,
    )(0, 0);
    expect(r).toBeCloseTo(0.5, 12);
  });

  it('meters the same picture of the gate whatever is looked at, and black as a thousandth', () => {
    expect(meteringView({ left: 10, top: 20, right: 490, bottom: 290 })).toEqual({
      ...{ x: 10, y: 20, widthPx: 60, heightPx: 33 },
      outputPerScenePx: 1 / 8,
    });
    expect(meteredLog2(0)).toBe(DARKEST_LOG2);
    expect(meteredLog2(0.25)).toBeCloseTo(-2, 12);
  });
});

describe('fringe', () => {
  // Half the diagonal of 80 x 60 is 50: at 40 from the middle along x the shift is 10 * (40 / 50)^2 = 6.4.
  const frame = (pixelArt: boolean) => frameOf(80, 60, { pixelArt });

  it('reads red farther out and blue farther in, by whole px of pixel art', () => {
    const at = run(
      'fringe',
      picture(80, 60, (x) => [x, x, x]),
      { fringePx: 10 },
      frame(true),
    );
    // The middle of pixel 70 is 30.5 from the middle: 10 * 30.5^2 / 50^2 = 3.72, and 0.06 along y.
    expect(at(70, 30)).toEqual([74, 70, 66]);
    expect(at(9, 30)).toEqual([5, 9, 13]);
    expect(at(40, 30)).toEqual([40, 40, 40]);
  });

  it('reads between the pixels of painted art', () => {
    const at = run(
      'fringe',
      picture(80, 60, (x) => [x, x, x]),
      { fringePx: 10 },
      frame(false),
    );
    const [r, g, b] = at(70, 30);
    const shift = (10 * 30.5 * Math.sqrt(30.5 * 30.5 + 0.25)) / 2500;
    expect(r).toBeCloseTo(70 + shift, 10);
    expect(g).toBe(70);
    expect(b).toBeCloseTo(70 - shift, 10);
  });
});

describe('bloom', () => {
  it('takes what is over its threshold, softly around the knee', () => {
    // m = 1, t = 1, k = 0.5: s = 0.5, 0.25 / 2 = 0.125. m = 2: s = 1, 0.5, and m - t is more.
    expect(glowShare(1, 1, 0.5)).toBe(0.125);
    expect(glowShare(2, 1, 0.5)).toBe(0.5);
    expect(glowShare(0.5, 1, 0.5)).toBe(0);
    expect(glowShare(1.5, 1, 0)).toBeCloseTo(1 / 3, 15);
    expect(glowShare(0, 0, 0)).toBe(0);
    // A knee wider than the threshold counts as far as that.
    expect(glowShare(0.5, 1, 3)).toBe(glowShare(0.5, 1, 1));
  });

  it('has as many levels as bring the lower side of the gate to eight cells', () => {
    expect(lastLevel({ left: 0, top: 0, right: 480, bottom: 270 })).toBe(5);
    expect(lastLevel({ left: 0, top: 0, right: 1920, bottom: 1080 })).toBe(7);
    expect(lastLevel({ left: 0, top: 0, right: 20, bottom: 20 })).toBe(2);
  });

  const settings = { bloomLevel: 1, bloomThreshold: 0, bloomKnee: 0, bloomSpread: 0.8 };
  const gate = { left: 0, top: 0, right: 480, bottom: 270 };
  const spot = (x: number, y: number): [number, number, number] =>
    x >= 236 && x < 243 && y >= 130 && y < 135 ? [8, 4, 0] : [0, 0, 0];

  it('spreads what glows, and loses and adds none', () => {
    const one = picture(480, 270, spot);
    const before = one.data.reduce((sum, v) => sum + v, 0);
    run('bloom', one, settings, frameOf(480, 270, { gate }));
    // The picture, and its glow over it.
    expect(one.data.reduce((sum, v) => sum + v, 0)).toBeCloseTo(2 * before, 6);
  });

  it.each([0, 0.3, 0.6, 0.9, 1])(
    'of a spread of %s loses a ten-thousandth of what shines beyond its reach',
    (bloomSpread) => {
      const small = { left: 0, top: 0, right: 256, bottom: 128 };
      const { bloom: numbers } = finish({ ...settings, bloomSpread });
      const last = lastLevel(small);
      const reach = bloomReach(numbers, 1, last);
      expect([last, reach <= 2.5 * 16]).toEqual([4, true]);
      // One column shines, at each place within the widest cells in turn.
      for (let column = 112; column < 128; column++) {
        const on = picture(256, 128, (x) => (x === column ? [1, 0, 0] : [0, 0, 0]));
        const at = run('bloom', on, { ...settings, bloomSpread }, frameOf(256, 128, { gate: small }));
        let [all, beyond] = [0, 0];
        for (let x = 0; x < 256; x++) {
          const glow = at(x, 64)[0] - (x === column ? 1 : 0);
          all += glow;
          if (x > column + reach) beyond += glow;
        }
        expect(beyond / all).toBeLessThanOrEqual(0.00015);
      }
    },
  );

  it('is as wide at twice the size, and in a view that was moved', () => {
    const once = run('bloom', picture(480, 270, spot), settings, frameOf(480, 270, { gate }));
    const twice = run(
      'bloom',
      picture(960, 540, (x, y) => spot(Math.floor(x / 2), Math.floor(y / 2))),
      settings,
      frameOf(480, 270, { gate, view: { x: 0, y: 0, widthPx: 960, heightPx: 540, outputPerScenePx: 2 } }),
    );
    const moved = run(
      'bloom',
      picture(421, 250, (x, y) => spot(x + 37, y + 11)),
      settings,
      frameOf(480, 270, { gate, view: { x: 37, y: 11, widthPx: 421, heightPx: 250, outputPerScenePx: 1 } }),
    );
    for (const [x, y] of [
      [220, 120],
      [239, 132],
      [251, 150],
      [300, 133],
    ]) {
      const four = [0, 1].flatMap((u) => [0, 1].map((v) => twice(2 * x + u, 2 * y + v)));
      const [r] = once(x, y);
      expect(four.reduce((sum, [own]) => sum + own, 0) / 4).toBeCloseTo(r, 10);
      expect(moved(x - 37, y - 11)[0]).toBeCloseTo(r, 10);
    }
  });
});

describe('vignette', () => {
  /** White in a gate of a size, through a vignette to black. */
  const at = (x: number, y: number, right: number, bottom: number, settings: object) => {
    const view = { x: x - 0.5, y: y - 0.5, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };
    const frame = frameOf(1, 1, { view, gate: { left: 0, top: 0, right, bottom } });
    return run(
      'vignette',
      picture(1, 1, () => [1, 1, 1]),
      settings,
      frame,
    )(0, 0)[0];
  };

  it('leaves the middle, and is full in the corners, round or not', () => {
    for (const vignetteRoundness of [0, 0.3, 1]) {
      const settings = { vignetteLevel: 0.5, vignetteRoundness };
      expect(at(0, 0, 160, 90, settings)).toBeCloseTo(0.5, 12);
      expect(at(80, 45, 160, 90, settings)).toBe(1);
    }
  });

  it('runs smoothly from where it begins', () => {
    // Half the diagonal of 60 x 80 is 50: 40 along the longer side is 0.8, half way from 0.6 to 1.
    const settings = { vignetteLevel: 1, vignetteInner: 0.6, vignetteRoundness: 1 };
    expect(at(30, 80, 60, 80, settings)).toBeCloseTo(0.5, 12);
  });
});

describe('tone', () => {
  it('brings the white level to 1, by the shoulder and by the film', () => {
    expect(shoulder(4, 4)).toBe(1);
    expect(film(4, 4)).toBe(1);
    // (1 + 1/16) / 2
    expect(through('tone', [1, 0, 4], { tone: 'shoulder', whiteLevel: 4 })).toEqual([0.53125, 0, 1]);
  });

  it('has a film that rises everywhere, begins at 0, leaves middle grey and keeps blacks deep', () => {
    expect(film(0, 5)).toBe(0);
    expect(film(0.18, 6)).toBeCloseTo(0.18, 2);
    expect(film(0.01, 6)).toBeGreaterThan(0.005);
    expect(film(0.01, 6)).toBeLessThan(0.01);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 64, noNaN: true }),
        (x, w) => {
          expect(film(x + 1e-3, w)).toBeGreaterThanOrEqual(film(x, w));
        },
      ),
    );
  });

  it('mixes curves by the shares of their finishes', () => {
    const mixed = mixedFinish([
      { numbers: finish({ tone: 'shoulder', whiteLevel: 4 }), share: 0.25 },
      { numbers: finish({}), share: 0.75 },
    ]);
    const one = picture(1, 1, () => [1, 4, 0.5]);
    runPass('tone', one, mixed, frameOf(1, 1));
    expect(one.data[0]).toBeCloseTo(0.25 * 0.53125 + 0.75, 12);
    expect(one.data[1]).toBeCloseTo(1, 12);
  });
});

describe('grade', () => {
  it('is slope, offset, power, then saturation about luma', () => {
    // (0.5 * 1.2 - 0.1)^2 = 0.25; 0.5 + 0.25 = 0.75; 0.5.
    const settings = { slopeRed: 1.2, offsetRed: -0.1, powerRed: 2, offsetGreen: 0.25 };
    const [r, g, b] = through('grade', [0.5, 0.5, 0.5], settings);
    expect([r, g, b].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([0.25, 0.75, 0.5]);
    const luma = 0.2126 * 0.25 + 0.7152 * 0.75 + 0.0722 * 0.5;
    const [grey] = through('grade', [0.5, 0.5, 0.5], { ...settings, saturation: 0 });
    expect(grey).toBeCloseTo(luma, 12);
    expect(through('grade', [0, 1, 0.3], { offsetRed: -1, slopeGreen: 4 }).slice(0, 2)).toEqual([0, 1]);
  });
});

describe('several finishes', () => {
  it('mix numbers by their shares', () => {
    const mixed = mixedFinish([
      { numbers: finish({ bloomLevel: 1, slopeRed: 2, fringePx: 4 }), share: 0.25 },
      { numbers: finish({ saturation: 0 }), share: 0.75 },
    ]);
    expect(mixed.bloom.level).toBe(0.25);
    expect(mixed.grade.slope).toEqual([1.25, 1, 1]);
    expect(mixed.grade.saturation).toBe(0.25);
    expect(mixed.fringe.px).toBe(1);
    expect(mixedFinish([{ numbers: NO_FINISH, share: 1 }])).toEqual(NO_FINISH);
  });
});

describe('the blur of planes', () => {
  it('adds up to 1 and is the same on both sides', () => {
    for (const sigma of [0.3, 1, 4.5]) {
      const [middle, ...side] = gaussianWeights(sigma);
      expect(middle + 2 * side.reduce((sum, v) => sum + v, 0)).toBeCloseTo(1, 12);
    }
    const data = new Float64Array(4 * 21 * 21);
    data.set([1, 2, 3, 1], 4 * (10 * 21 + 10));
    const out = gaussian(data, 21, 21, 2);
    expect(out.reduce((sum, v) => sum + v, 0)).toBeCloseTo(7, 10);
    expect(out[4 * (10 * 21 + 7)]).toBeCloseTo(out[4 * (13 * 21 + 10)], 12);
    // The variance of what is left of a point is that of the Gaussian, but for its cut ends.
    let variance = 0;
    for (let y = 0; y < 21; y++)
      for (let x = 0; x < 21; x++) variance += out[4 * (y * 21 + x)] * (x - 10) * (x - 10);
    expect(variance).toBeGreaterThan(3.7);
    expect(variance).toBeLessThan(4);
  });
});
