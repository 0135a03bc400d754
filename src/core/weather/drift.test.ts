import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { renderReference } from '../light/reference';
import { walled, type Parts } from '../light/testing/wall';
import { gateView, momentAt } from '../moment/moment-at';
import type { MomentDrift, PicturePixels } from '../moment/moment';
import { NOTHING_PASSING } from '../moment/passing';
import { newArtwork } from '../scene/records/artwork';
import { newCue } from '../scene/records/cue';
import type { SceneDocument } from '../scene/document';
import { driftAt, driftEdges, DriftTiles, noiseTile, windTiles, type DriftTile } from './drift';

const drift = (more: Partial<MomentDrift> = {}): MomentDrift => ({
  ...{ kind: 'cloud', picture: null, seed: 5, perPx: 1 / 64, offset: [0, 0, 0, 0], finerShare: 0 },
  ...{ low: 0, high: 1, colour: [0, 0, 0], upright: 0 },
  ...more,
});

/** The reference's picture as rows of bytes of one channel. */
function rowsOf(
  scene: SceneDocument,
  { hour = 12, second = 0, channel = 0, pixels = null as PicturePixels | null } = {},
) {
  const moment = momentAt(scene, hour, second, NOTHING_PASSING, gateView(scene));
  const { data, width } = renderReference(moment, () => pixels);
  return (y: number) => Array.from({ length: width }, (_, x) => data[4 * (y * width + x) + channel]);
}

/** A white wall in full, even light of 1, in which only what drifts is seen. */
const even = (settings: Parts['settings'], sprites: Parts['sprites'] = []) =>
  walled({ settings: { ambientColour: '#ffffff', ambientLevel: 1, ...settings }, sprites });

describe('a tile of noise', () => {
  const tile = noiseTile(7);

  it('repeats without a seam: across its border it is as smooth as within', () => {
    const { widthPx: w, density } = tile;
    const step = (a: number, b: number) => Math.abs(density[a] - density[b]);
    let [within, across] = [0, 0];
    for (let y = 0; y < w; y++) {
      across = Math.max(across, step(y * w + w - 1, y * w), step((w - 1) * w + y, y));
      for (let x = 1; x < w; x++) within = Math.max(within, step(y * w + x, y * w + x - 1));
    }
    expect(across).toBeLessThanOrEqual(within);
  });

  it('has each density about as often, so that a cover lies on its share', () => {
    for (const cover of [0.2, 0.5, 0.8]) {
      const one = drift({ ...driftEdges(cover, 0) });
      let sum = 0;
      for (let i = 0; i < 4096; i++) sum += driftAt(one, tile, i % 64, Math.floor(i / 64));
      expect(sum / 4096).toBeCloseTo(cover, 1);
    }
  });

  it('is another for another seed, and the same for the same', () => {
    expect(noiseTile(7)).toEqual(tile);
    expect(noiseTile(8)).not.toEqual(tile);
    const tiles = new DriftTiles();
    expect(tiles.of(drift({ seed: 7 }), null)).toBe(tiles.of(drift({ seed: 7 }), null));
  });
});

describe('a drift at a place', () => {
  const two: DriftTile = { widthPx: 2, heightPx: 1, density: Uint8Array.of(0, 255) };

  it('runs between the middles of texels, over the border too', () => {
    // Texels of 32 px: their middles are at 16 and 48.
    const at = (x: number) => driftAt(drift({ low: -1, high: 2 }), two, x, 0);
    const eased = (v: number) => {
      const t = (v + 1) / 3;
      return t * t * (3 - 2 * t);
    };
    expect(at(16)).toBeCloseTo(eased(0), 12);
    expect(at(24)).toBeCloseTo(eased(0.25), 12);
    expect(at(48)).toBeCloseTo(eased(1), 12);
    expect(at(64)).toBeCloseTo(eased(0.5), 12);
    expect(at(16 + 64 * 3)).toBeCloseTo(at(16), 12);
    expect(at(-16)).toBeCloseTo(eased(1), 12);
  });

  it('is nowhere with a cover of 0 and everywhere with 1', () => {
    // The edge that was a hair below 1.
    expect(driftEdges(0, 0.25000000000045397).low).toBe(1);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer(), (softness, x) => {
        expect(driftAt(drift(driftEdges(0, softness)), two, x, 0)).toBe(0);
        expect(driftAt(drift(driftEdges(1, softness)), two, x, 0)).toBe(1);
      }),
    );
  });

  it('comes back after the loop, whole tiles on', () => {
    expect(windTiles(10, 64, 60, 0)).toBe(0);
    expect(windTiles(10, 64, 60, 60)).toBeCloseTo(0, 12);
    // 600 px are nearest to nine tiles: 576 px.
    expect(windTiles(10, 64, 60, 60 / 9)).toBeCloseTo(0, 12);
    expect(windTiles(10, 64, 60, 30)).toBeCloseTo(0.5, 12);
    expect(windTiles(-10, 64, 60, 20 / 9)).toBeCloseTo(2 / 3, 12);
  });
});

describe('what drifts over a scene', () => {
  const all = { cloudStrength: 0.4, cloudCover: 1, cloudColour: '#000000', cloudFarFade: 0 };

  it('takes from the light as clouds, and lies over it as mist, lit by the ambient light', () => {
    expect(rowsOf(even({}))(5)[9]).toBe(255);
    expect(rowsOf(even(all))(5)[9]).toBe(153);
    expect(rowsOf(even({ ...all, cloudColour: '#ff0000' }))(5)[9]).toBe(255);
    const mist = { mistStrength: 0.4, mistCover: 1, mistColour: '#000000' };
    expect(rowsOf(even(mist))(5)[9]).toBe(153);
    // Light of 0.5 on the wall, and of 0.5 on the mist over it.
    expect([127, 128]).toContain(rowsOf(even({ ...mist, mistColour: '#ffffff', ambientLevel: 0.5 }))(5)[9]);
  });

  it('mist hides what shines by itself, and a shadow does not', () => {
    const lamp = [{ plain: { colour: '#ffffff', widthPx: 20, heightPx: 20 }, answer: 'self-lit' as const }];
    expect(rowsOf(even(all, lamp))(50)[100]).toBe(255);
    expect(rowsOf(even({ mistStrength: 0.4, mistCover: 1, mistColour: '#000000' }, lamp))(50)[100]).toBe(153);
  });

  it('moves with the wind, and stands again where it began after the loop', () => {
    const scene = even({ ...all, cloudCover: 0.5, cloudScalePx: 64, cloudWindX: 64, driftLoopSeconds: 10 });
    const at = (second: number) => rowsOf(scene, { second })(30);
    expect(at(0.25)).not.toEqual(at(0));
    expect(at(10)).toEqual(at(0));
  });

  it('is weaker far away, and left out by a plane that does not want it', () => {
    const scene = even({ ...all, cloudFarFade: 1 });
    scene.sprites.s0.planeId = 'plane-far';
    expect(rowsOf(scene)(5)[9]).toBe(255);
    scene.sprites.s0.planeId = 'plane-near';
    expect(rowsOf(scene)(5)[9]).toBe(153);
    scene.planes['plane-near'].takesDrift = false;
    expect(rowsOf(scene)(5)[9]).toBe(255);
  });

  it('is read at the foot of what stands', () => {
    const board = {
      plain: { colour: '#ffffff', widthPx: 40, heightPx: 60 },
      x: 100,
      y: 50,
      castsShape: true,
    };
    const of = (cloudUprightShare: number) =>
      rowsOf(even({ ...all, cloudCover: 0.5, cloudScalePx: 50, cloudUprightShare }, [board]));
    const standing = of(1);
    expect(standing(30).slice(82, 118)).toEqual(standing(75).slice(82, 118));
    const lying = of(0);
    expect(lying(30).slice(82, 118)).not.toEqual(lying(75).slice(82, 118));
  });

  it('is a picture of a person’s own where there is one', () => {
    const scene = even({
      ...all,
      cloudStrength: 1,
      cloudCover: 0.5,
      cloudSoftness: 0,
      cloudScalePx: 40,
      cloudWindX: 0,
    });
    scene.artworks.tile = newArtwork({
      ...{ name: 'Tile', imageSha: 'a'.repeat(64), widthPx: 2, heightPx: 2, pixelArt: true },
    });
    scene.settings.scene.cloudArtworkId = 'tile';
    const white = [255, 255, 255, 255];
    const clear = [255, 255, 255, 0];
    const rgba = Uint8Array.from([...white, ...clear, ...white, ...clear]);
    const pixels = { width: 2, height: 2, rgba, normal: null, glow: null, rim: null };
    const row = rowsOf(scene, { pixels })(10);
    // Dense on the left half of each 40 px, clear on the right.
    expect([row[10], row[30], row[50], row[70]]).toEqual([0, 255, 0, 255]);
  });

  it('is as the cues hold it', () => {
    const scene = even({});
    scene.cues.dawn = newCue({ clockHours: 6, mistStrength: 1, mistCover: 1, mistColour: '#ff0000' });
    scene.cues.noon = newCue({ clockHours: 12, mistStrength: 0 });
    expect(rowsOf(scene, { hour: 6, channel: 1 })(5)[9]).toBe(0);
    expect(rowsOf(scene, { hour: 12, channel: 1 })(5)[9]).toBe(255);
  });
});
