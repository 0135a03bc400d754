import { describe, expect, it } from 'vitest';
import { applyEdits } from '../../scene/edits';
import { newScene } from '../../scene/new-scene';
import { newArtwork } from '../../scene/records/artwork';
import { newLight } from '../../scene/records/light';
import { newOccluder } from '../../scene/records/occluder';
import { snagsIn } from './all-snags';

function scene() {
  const document = newScene({ gateWidthPx: 40, gateHeightPx: 30 });
  document.lights.lamp = newLight({ name: 'Lamp', planeId: 'plane-near', order: 'a', x: 8, y: 8 });
  return document;
}

describe('snags', () => {
  it('are none in a sound scene', () => {
    expect(snagsIn(scene())).toEqual([]);
  });

  it('name a record that names one which is gone, and the mend takes the name away', () => {
    const document = scene();
    document.lights.lamp = { ...document.lights.lamp, circuitIds: ['cellar'] };
    const [snag, ...others] = snagsIn(document);
    expect(others).toEqual([]);
    expect(snag).toMatchObject({
      snag: 'lost-name',
      isFault: false,
      records: [{ collection: 'lights', id: 'lamp' }],
      words: 'lights/lamp "Lamp" names circuits/cellar in circuitIds.0, which is not there.',
    });
    expect(snagsIn(applyEdits(document, snag.mends[0].edits))).toEqual([]);
  });

  it('name an outline that cannot be read, and the mend takes only it away', () => {
    const document = scene();
    const sound = [4, 4, 8, 4, 8, 8, 4, 8];
    document.occluders.post = newOccluder({
      name: 'Post',
      planeId: 'plane-near',
      kind: 'closed',
      outlines: [sound, [4, 4, Number.NaN, 8, 8, 8]],
    });
    const [snag] = snagsIn(document);
    expect(snag).toMatchObject({
      snag: 'unreadable-outline',
      isFault: true,
      words: 'Occluder "Post": outline 2 (3 points) cannot be read and is left out of the picture.',
    });
    const mended = applyEdits(document, snag.mends[0].edits);
    expect(mended.occluders.post.outlines).toEqual([sound]);
    expect(snagsIn(mended)).toEqual([]);
  });

  it('name outlines of artworks too, by their frames', () => {
    const document = scene();
    const sound = [4, 4, 8, 4, 8, 8];
    const broken = [0, 0, Number.POSITIVE_INFINITY, 8, 8, 8];
    const made = newOccluder({ name: '', planeId: 'p', kind: 'closed', outlines: [sound] });
    const { ownShade, soakPx, transmitShare, transmitColour, staturePx } = made;
    document.artworks.gate = newArtwork({
      ...{ name: 'Gate', imageSha: 'a'.repeat(64), widthPx: 9, heightPx: 9, pixelArt: true },
      occluders: [
        {
          ...{ id: 'bars', name: 'Bars', kind: 'closed', outlines: [sound], smooth: [[]] },
          ...{ ownShade, soakPx, transmitShare, transmitColour, staturePx },
          frames: [{ frame: 2, outlines: [broken, sound], smooth: [[], []] }],
        },
      ],
    });
    const [snag] = snagsIn(document);
    expect(snag.words).toBe(
      'Artwork "Gate", occluder "Bars", frame 3: outline 1 (3 points) cannot be read and is left out of the picture.',
    );
    const mended = applyEdits(document, snag.mends[0].edits);
    expect(mended.artworks.gate.occluders[0].frames[0].outlines).toEqual([sound]);
    expect(snagsIn(mended)).toEqual([]);
  });
});
