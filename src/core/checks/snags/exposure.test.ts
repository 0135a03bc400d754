import { describe, expect, it } from 'vitest';
import { newScene } from '../../scene/new-scene';
import { applyEdits } from '../../scene/edits';
import { newCue } from '../../scene/records/cue';
import { exposureShares, exposureSnags } from './exposure';

/** A picture of so many pixels of each colour. */
function picture(...parts: [count: number, r: number, g: number, b: number][]) {
  const bytes = parts.flatMap(([count, r, g, b]) =>
    Array.from({ length: count }, () => [r, g, b, 255]).flat(),
  );
  return { width: bytes.length / 4, height: 1, data: new Uint8Array(bytes) };
}

describe('a picture that has lost its light or its dark', () => {
  it('counts as burnt out what is full in two channels, and as black what shows nothing', () => {
    const shares = exposureShares(
      picture([2, 255, 255, 90], [3, 255, 200, 90], [4, 3, 0, 2], [1, 4, 0, 0], [10, 120, 120, 120]),
    );
    expect(shares).toEqual({ burnt: 2 / 20, black: 4 / 20 });
  });
  it('is a snag above its limits, and not at them', () => {
    const scene = newScene();
    const names = (burnt: number, black: number) =>
      exposureSnags(scene, { burnt, black }, 19).map(({ snag }) => snag);
    expect(names(0.05, 0.5)).toEqual([]);
    expect(names(0.051, 0.51)).toEqual(['burnt-out', 'black']);
  });
  it('says when, and is mended by a shoulder or by exposure, as one edit', () => {
    const scene = newScene();
    const [snag] = exposureSnags(scene, { burnt: 0.12, black: 0 }, 19.2);
    expect(snag.words).toBe('12 % of the picture is burnt out at 19:12: there it has lost its colours.');
    const [shoulder, less] = snag.mends.map(({ edits }) => applyEdits(scene, edits).settings.scene);
    expect(shoulder.tone).toBe('shoulder');
    expect(less.exposureStops).toBe(-0.5);
  });
  it('offers no exposure where cues hold it', () => {
    const scene = newScene();
    scene.cues.dusk = newCue({ clockHours: 18, exposureStops: 1 });
    const [snag] = exposureSnags(scene, { burnt: 0, black: 0.9 }, 18);
    expect(snag.mends).toEqual([]);
  });
});
