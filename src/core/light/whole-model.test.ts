/** Exact cases of the light model, reckoned by hand, on the reference renderer. */
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import { type Light } from '../scene/records/light';
import { type Occluder } from '../scene/records/occluder';
import type { SceneSettings } from '../scene/records/settings';
import { shoulder } from '../finish/tone';
import { srgbDecode, srgbEncode } from '../raster/colour';
import { renderReference } from './reference';
import { box, lightAt, walled, type Parts } from './testing/wall';

const at = (parts: Parts, x: number, y: number) => lightAt(parts, x, y)[0];

describe('a spot', () => {
  const spot = { kind: 'spot', bearingDeg: 0, beamDeg: 60, fieldDeg: 120, reachPx: 100 } as const;

  it('is full within its beam, half way between beam and field half as bright, and nothing beyond', () => {
    const lights = [{ ...spot, x: 50, y: 50 }];
    const turned = (degrees: number) =>
      at(
        { lights },
        50 + 40 * Math.cos((degrees * Math.PI) / 180),
        50 + 40 * Math.sin((degrees * Math.PI) / 180),
      );
    expect(turned(0)).toBe(1);
    expect(turned(29.9)).toBe(1);
    expect(turned(45)).toBeCloseTo(0.5, 9);
    expect(turned(-45)).toBeCloseTo(0.5, 9);
    expect(turned(60.1)).toBe(0);
    expect(turned(180)).toBe(0);
  });

  it('has a hard edge where beam and field are one, and is full where it stands', () => {
    const lights = [{ ...spot, fieldDeg: 60 }];
    expect(at({ lights }, 90, 50 + 40 * Math.tan((29.9 * Math.PI) / 180))).toBe(1);
    expect(at({ lights }, 90, 50 + 40 * Math.tan((30.1 * Math.PI) / 180))).toBe(0);
    expect(at({ lights }, 50, 50)).toBe(1);
  });
});

describe('an area light', () => {
  const area = { kind: 'area', x: 50, y: 50, outlines: box(-20, -10, 20, 10), featherPx: 10 } as const;

  it('falls off with the distance from its outline, round its corners too', () => {
    const lights = [{ ...area, outlines: [...area.outlines], curve: 'straight' as const }];
    expect(at({ lights }, 50, 50)).toBe(1);
    expect(at({ lights }, 75, 50)).toBeCloseTo(0.5, 12);
    expect(at({ lights }, 50, 62.5)).toBeCloseTo(0.75, 12);
    expect(at({ lights }, 73, 64)).toBeCloseTo(0.5, 12);
    expect(at({ lights }, 81, 50)).toBe(0);
  });

  it('is hard without a feather, and leaves out its holes', () => {
    const lights = [{ ...area, featherPx: 0, outlines: [...area.outlines, ...box(-5, -5, 5, 5)] }];
    expect(at({ lights }, 50, 50)).toBe(0);
    expect(at({ lights }, 60, 50)).toBe(1);
    expect(at({ lights }, 70.01, 50)).toBe(0);
  });

  it('comes from its source, for facings too', () => {
    // 30 across and 40 above: the cosine to a flat wall is 40/50.
    const lights = [{ ...area, outlines: [...area.outlines], relief: 1, sourceX: -30, heightPx: 40 }];
    expect(at({ lights }, 50, 50)).toBeCloseTo(0.8, 12);
  });
});

describe('facing', () => {
  it('is n.l, wrapped round by a share', () => {
    const lamp = { relief: 1, heightPx: 30, x: 50, y: 50 };
    expect(at({ lights: [lamp] }, 90, 50)).toBeCloseTo(30 / 50, 12);
    expect(at({ lights: [{ ...lamp, wrap: 0.5 }] }, 90, 50)).toBeCloseTo((0.6 + 0.5) / 1.5, 12);
    expect(at({ lights: [{ ...lamp, relief: 0.25 }] }, 90, 50)).toBeCloseTo(1 - 0.4 * 0.25, 12);
  });

  it('of a sun is the sine of its altitude on a flat wall, and nothing where it is below', () => {
    const sun = { kind: 'sun', relief: 1, shadows: false } as const;
    expect(at({ lights: [{ ...sun, altitudeDeg: 30 }] }, 5, 5)).toBeCloseTo(0.5, 12);
    expect(at({ lights: [{ ...sun, altitudeDeg: -5 }] }, 5, 5)).toBe(0);
  });
});

describe('blends', () => {
  const lamp = (level: number, blend: Light['blend'], colour = '#ffffff') => ({ level, blend, colour });

  it('add up, take the larger, uncover no more than all, and take away last', () => {
    expect(at({ lights: [lamp(0.3, 'add'), lamp(0.4, 'add')] }, 60, 50)).toBeCloseTo(0.7, 12);
    expect(at({ lights: [lamp(0.3, 'lighten'), lamp(0.4, 'lighten')] }, 60, 50)).toBeCloseTo(0.4, 12);
    expect(at({ lights: [lamp(0.5, 'uncover'), lamp(0.5, 'uncover')] }, 60, 50)).toBeCloseTo(0.75, 12);
    expect(at({ lights: [lamp(9, 'uncover'), lamp(9, 'uncover')] }, 60, 50)).toBe(1);
    const settings = { ambientLevel: 0.5, ambientColour: '#ffffff' };
    expect(at({ settings, lights: [lamp(0.2, 'subtract')] }, 60, 50)).toBeCloseTo(0.3, 12);
    expect(at({ settings, lights: [lamp(0.9, 'subtract')] }, 60, 50)).toBe(0);
    const all = [lamp(0.2, 'add'), lamp(0.6, 'lighten'), lamp(0.9, 'uncover'), lamp(0.25, 'subtract')];
    expect(at({ settings, lights: all }, 60, 50)).toBeCloseTo(0.9 - 0.25, 12);
  });
});

describe('steps', () => {
  it('make bands, whose thresholds the dither moves within each cell', () => {
    const lamp = { curve: 'straight', corePx: 0, reachPx: 100, x: 0, y: 50, bands: 4 } as const;
    // A share of 0.6 lies between the half band and the next: 0.6 x 4 + 0.5 = 2.9.
    expect(at({ lights: [lamp] }, 40, 50)).toBe(0.5);
    const dithered = new Set(
      Array.from({ length: 64 }, (_, i) =>
        at({ lights: [{ ...lamp, dither: true }] }, 40 + (i % 8) * 1e-4, 50),
      ),
    );
    expect([...dithered].every((v) => v === 0.5 || v === 0.75)).toBe(true);
  });

  it('share what is at the middle of each block', () => {
    const lamp = { curve: 'straight', corePx: 0, reachPx: 100, x: 0, y: 50, blockPx: 10 } as const;
    const middle = at({ lights: [{ ...lamp, blockPx: 0 }] }, 45, 45);
    for (const [x, y] of [
      [40.5, 40.5],
      [49.5, 44],
      [45, 49.5],
    ])
      expect(at({ lights: [lamp] }, x, y)).toBeCloseTo(middle, 12);
  });
});

describe('ambient light', () => {
  const settings = { ambientLevel: 0.5, ambientColour: '#ffffff' };
  const shed = { kind: 'ambient', x: 50, y: 50, outlines: box(-20, -20, 20, 20), level: 0.1 } as const;

  it('is another one within an outline, and runs over between', () => {
    const lights = [{ ...shed, outlines: [...shed.outlines], featherPx: 10, curve: 'straight' as const }];
    expect(at({ settings, lights }, 50, 50)).toBeCloseTo(0.1, 12);
    expect(at({ settings, lights }, 75, 50)).toBeCloseTo(0.3, 12);
    expect(at({ settings, lights }, 90, 50)).toBeCloseTo(0.5, 12);
  });

  it('can be added instead, and limited to planes', () => {
    const more = { ...shed, outlines: [], replaces: false };
    expect(at({ settings, lights: [more] }, 90, 50)).toBeCloseTo(0.6, 12);
    expect(at({ settings, lights: [{ ...more, spanFarId: 'plane-near' }] }, 90, 50)).toBeCloseTo(0.5, 12);
    expect(at({ settings, lights: [{ ...more, replaces: true }] }, 90, 50)).toBeCloseTo(0.1, 12);
  });
});

describe('a soft shadow', () => {
  it('has a penumbra as wide as similar triangles say', () => {
    // A wall's end at 40 px of a source of half length 5: 60 px beyond it the penumbra is 2 x 5 x 60 / 40 = 15 wide.
    const lights = [{ x: 50, y: 50, sizePx: 5 }];
    const occluders: Partial<Occluder>[] = [{ kind: 'line', outlines: [[90, 50, 90, -50]] }];
    const seen = (y: number) => at({ lights, occluders }, 150, y);
    expect(seen(50)).toBeCloseTo(0.5, 9);
    const edge = (wanted: number) => {
      let [low, high] = [20, 80];
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2;
        if (seen(middle) > wanted) high = middle;
        else low = middle;
      }
      return low;
    };
    // The chord stands across the way to each point, which tilts a little over the width.
    expect(edge(0.999) - edge(0.001)).toBeCloseTo(15, 0);
    expect(seen(40)).toBe(0);
    expect(seen(60)).toBe(1);
  });

  it('of a wall in its middle lets through what is left on both sides', () => {
    // Seen from 100 px, a wall of 4 px half way hides 8 px of a chord of 20.
    const lights = [{ x: 50, y: 50, sizePx: 10 }];
    const occluders: Partial<Occluder>[] = [{ kind: 'line', outlines: [[100, 48, 100, 52]] }];
    expect(at({ lights, occluders }, 150, 50)).toBeCloseTo(1 - 8 / 20, 9);
  });

  it('counts what two walls hide together once', () => {
    const lights = [{ x: 50, y: 50, sizePx: 10 }];
    const near: Partial<Occluder> = { kind: 'line', outlines: [[100, 48, 100, 52]] };
    const behind: Partial<Occluder> = { kind: 'line', outlines: [[125, 49.5, 125, 50.5]] };
    // The second hides 4 px of the chord, all of them hidden already.
    expect(at({ lights, occluders: [near, behind] }, 150, 50)).toBeCloseTo(0.6, 9);
    expect(at({ lights, occluders: [{ ...near, transmitShare: 0.5 }, behind] }, 150, 50)).toBeCloseTo(
      (12 + 4 * 0.5) / 20,
      9,
    );
  });
});

describe('what stops light', () => {
  it('lets through its share, and several the product of theirs, a channel', () => {
    const lights = [{ x: 10, y: 50 }];
    const occluders: Partial<Occluder>[] = [
      { outlines: box(40, 40, 50, 60), transmitShare: 0.5, transmitColour: '#ff8000' },
      { outlines: box(80, 40, 90, 60), transmitShare: 0.4 },
    ];
    const [r, g, b] = lightAt({ lights, occluders }, 150, 50);
    expect(r).toBeCloseTo(0.2, 12);
    expect(g).toBeCloseTo(0.5 * 0.4 * (128 / 255), 12);
    expect(b).toBe(0);
    expect(lightAt({ lights, occluders }, 70, 50)[0]).toBeCloseTo(0.5, 12);
  });

  it('of some stature throws a shadow as long as the heights say', () => {
    // A lamp at 40 over an occluder of 10 whose far side is 90 away: the shadow ends at 90 x 40 / 30 = 120.
    const lights = [{ x: 0, y: 50, heightPx: 40 }];
    const occluders: Partial<Occluder>[] = [{ outlines: box(80, 40, 90, 60), staturePx: 10 }];
    expect(at({ lights, occluders }, 119.9, 50)).toBe(0);
    expect(at({ lights, occluders }, 120.1, 50)).toBe(1);
    // In a sun of 45 degrees it is as long as the occluder is high.
    const sun = [{ kind: 'sun' as const, bearingDeg: 180, altitudeDeg: 45, sizeDeg: 0 }];
    expect(at({ lights: sun, occluders }, 99.9, 50)).toBe(0);
    expect(at({ lights: sun, occluders }, 100.1, 50)).toBe(1);
  });

  it('is dark within where it lies in its own shade, but for what light soaks in', () => {
    const lights = [{ x: 10, y: 50 }];
    const dark: Partial<Occluder> = { outlines: box(40, 30, 80, 70), ownShade: 'dark', soakPx: 6 };
    expect(at({ lights, occluders: [dark] }, 44, 50)).toBe(1);
    expect(at({ lights, occluders: [dark] }, 48, 50)).toBe(0);
    expect(at({ lights, occluders: [dark] }, 90, 50)).toBe(0);
    // Where nothing is left of the inset nothing within is dark; without, the thin wall still stops light.
    const thin = { ...dark, outlines: box(40, 30, 50, 70) };
    expect(at({ lights, occluders: [thin] }, 45, 50)).toBe(1);
    expect(at({ lights, occluders: [thin] }, 60, 50)).toBe(0);
  });

  it('leaves a shadow as dark, and of the colour, that the light says', () => {
    const lights = [{ x: 10, y: 50, shadowOpacity: 0.75, shadowColour: '#003300' }];
    const occluders: Partial<Occluder>[] = [{ outlines: box(40, 30, 80, 70) }];
    const [r, g] = lightAt({ lights, occluders }, 120, 50);
    expect(r).toBeCloseTo(0.25, 12);
    expect(g).toBeCloseTo(0.25 + 0.75 * 0.2, 12);
  });

  it('stops the lights that name its plane or its set, or, where nothing is named, those that reach its plane', () => {
    const door = { outlines: box(40, 30, 80, 70), setIds: ['doors'], planeId: 'plane-near' };
    const stopped = (light: Partial<Light>) =>
      at({ lights: [{ x: 10, ...light }], occluders: [door] }, 120, 50) === 0;
    expect(stopped({})).toBe(true);
    expect(stopped({ spanNearId: 'plane-middle' })).toBe(false);
    expect(stopped({ stoppedBy: { planeIds: ['plane-middle'], setIds: [] } })).toBe(false);
    expect(stopped({ stoppedBy: { planeIds: [], setIds: ['doors'] } })).toBe(true);
    expect(stopped({ spanNearId: 'plane-middle', stoppedBy: { planeIds: ['plane-near'], setIds: [] } })).toBe(
      true,
    );
  });
});

describe('seen when lit', () => {
  it('shows by its gain of the light that is not ambient', () => {
    const lurker = {
      plain: { colour: '#ff0000', widthPx: 200, heightPx: 100 },
      answer: 'seen-when-lit' as const,
      seenGain: 2,
    };
    const settings = { ambientLevel: 0.5, ambientColour: '#ffffff' };
    // White at 0.25: it shows by half, red, lit by 0.75, over the wall at the same light.
    const [r, g] = lightAt({ settings, lights: [{ level: 0.25 }], sprites: [lurker] }, 60, 50);
    expect(r).toBeCloseTo(0.5 * 0.75 + 0.5 * 0.75, 9);
    expect(g).toBeCloseTo(0.5 * 0.75, 9);
    expect(lightAt({ settings, sprites: [lurker] }, 60, 50)[1]).toBeCloseTo(0.5, 12);
  });
});

describe('finish', () => {
  const shown = (settings: Partial<SceneSettings>, level: number) => {
    const scene = walled({ settings, lights: [{ level }] });
    const view = { ...gateView(scene), widthPx: 1, heightPx: 1 };
    return renderReference(momentAt(scene, 12, 0, NOTHING_PASSING, view), () => null).data[0];
  };
  const byte = (linear: number) => Math.floor(Math.min(1, srgbEncode(linear)) * 255 + 0.5);

  it('exposes linear values in both light spaces, beyond white too', () => {
    expect(shown({ lightSpace: 'linear', exposureStops: -2 }, 2)).toBe(byte(0.5));
    expect(shown({ lightSpace: 'display', exposureStops: -2 }, 1.2)).toBe(byte(srgbDecode(1.2) / 4));
  });

  it('brings the white level to white', () => {
    expect(shoulder(3, 3)).toBeCloseTo(1, 12);
    expect(shown({ lightSpace: 'linear', tone: 'shoulder', whiteLevel: 3 }, 3)).toBe(255);
    expect(shown({ lightSpace: 'linear', tone: 'shoulder', whiteLevel: 3 }, 1)).toBe(byte((1 + 1 / 9) / 2));
  });
});

describe('an ambient light of level 0', () => {
  it('in the place of the scene makes it dark', () => {
    const dark = { kind: 'ambient', replaces: true, level: 0 } as const;
    const settings = { ambientLevel: 1, ambientColour: '#ffffff' };
    expect(at({ settings, lights: [dark] }, 30, 30)).toBe(0);
    expect(at({ settings, lights: [{ ...dark, replaces: false }] }, 30, 30)).toBeCloseTo(1, 9);
    const outlines = box(-10, -10, 10, 10);
    const shed = [{ ...dark, outlines, featherPx: 0, x: 50, y: 50 }];
    expect(at({ settings, lights: shed }, 50, 50)).toBe(0);
    expect(at({ settings, lights: shed }, 90, 50)).toBeCloseTo(1, 9);
  });
});

describe('an outline that crosses itself', () => {
  // A pentagram drawn in one go: its middle is gone round twice.
  const star = Array.from({ length: 5 }, (_, i) => [
    40 * Math.sin((4 * Math.PI * i) / 5),
    -40 * Math.cos((4 * Math.PI * i) / 5),
  ]).flat();

  it('is empty in its middle, as an area and as an occluder', () => {
    const lights: Partial<Light>[] = [
      { kind: 'area', outlines: [star], featherPx: 0, x: 100, y: 50, shadows: false },
    ];
    expect([at({ lights }, 100, 50), at({ lights }, 100, 18)]).toEqual([0, 1]);
    const moved = star.map((v, i) => v + (i % 2 === 0 ? 100 : 50));
    const within = { lights: [{ x: 100, y: 50 }], occluders: [{ outlines: [moved] }] };
    expect(at(within, 103, 50)).toBe(1);
  });
});

describe('a soft sun on something of a stature', () => {
  it('throws a shadow that changes smoothly while it rises beyond the zenith', () => {
    const occluders = [{ outlines: box(40, 30, 60, 70), staturePx: 20 }];
    const values = Array.from({ length: 100 }, (_, i) => {
      const altitudeDeg = 74 + i / 50;
      return at(
        { lights: [{ kind: 'sun', bearingDeg: 180, altitudeDeg, sizeDeg: 15 }], occluders },
        61.5,
        50,
      );
    });
    expect(values[0]).toBeLessThan(0.9);
    for (let i = 1; i < values.length; i++) expect(Math.abs(values[i] - values[i - 1])).toBeLessThan(0.02);
  });
});
