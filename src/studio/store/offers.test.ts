import { describe, expect, it } from 'vitest';
import { newArtwork } from '@/core/scene/records/artwork';
import { newSprite } from '@/core/scene/records/sprite';
import { create } from '@/core/scene/edits';
import { settingsOf, inOrder } from '@/core/scene/document';
import { fakeStudio } from '../testing/fake-studio';
import type { ImportReport } from './import-pictures';
import { drawAsBrought, offersFor } from './offers';

const art = (name: string, widthPx: number, heightPx: number) =>
  newArtwork({ name, imageSha: 'a'.repeat(64), widthPx, heightPx, pixelArt: true, pivotX: 5, pivotY: 6 });

/** A studio after a sheet and a picture as large as the gate came in. */
function broughtIn() {
  const studio = fakeStudio();
  const sprite = { planeId: 'plane-near', order: 'a', artworkId: 'sky', x: 9, y: 9, name: '' };
  studio.scenes.transact({
    label: 'Import',
    edits: [
      create('artworks', 'sheet', art('Flame', 64, 16)),
      create('artworks', 'sky', art('Sky', 600, 300)),
      create('sprites', 's', newSprite(sprite)),
    ],
  });
  const sheet = { columns: 4, rows: 1, marginPx: 0, gapPx: 0 };
  const said = { seen: 'calm', chosen: 'flat' };
  const looks: ImportReport['looks'] = new Map([
    ['sheet', { pixelArt: true, sheet, ...said }],
    ['sky', { pixelArt: false, sheet: null, ...said }],
  ]);
  const empty = { replacedIds: [], layers: [], attached: [], refused: [] };
  return { studio, report: { ...empty, artworkIds: ['sheet', 'sky'], looks } };
}

describe('what is offered after pictures came in', () => {
  it('is the kind of art, the cut of a sheet, a plane for a backdrop', () => {
    const { studio, report } = broughtIn();
    drawAsBrought(studio, report);
    expect(settingsOf(studio.scene).pixelArt).toBe(false);
    const [kind, cut, backdrop] = offersFor(studio, report, true);
    expect([kind, cut, backdrop].map(({ words }) => words)).toEqual([
      'The scene is drawn as painted art.',
      'Flame: 4 × 1 frames of 16 × 16 px?',
      'Sky fills the gate.',
    ]);
    kind.run();
    expect(settingsOf(studio.scene).pixelArt).toBe(true);
    cut.run();
    expect(studio.scene.artworks.sheet.frames.map(({ left }) => left)).toEqual([0, 16, 32, 48]);
    backdrop.run();
    const [[farthest]] = inOrder(studio.scene.planes);
    // Its middle in the middle of the gate.
    expect(studio.scene.sprites.s).toMatchObject({ planeId: farthest, x: 240 - 300 + 5, y: 135 - 150 + 6 });
  });

  it('does nothing any more where the art was taken back meanwhile, or deleted by others', () => {
    const { studio, report } = broughtIn();
    const offers = offersFor(studio, report, false);
    studio.scenes.undo();
    const before = studio.scene;
    for (const offer of offers) offer.run();
    expect(studio.scene).toBe(before);
    expect(offersFor(studio, report, false)).toEqual([]);
  });

  it('is no more than can be read at once', () => {
    const { studio, report } = broughtIn();
    const artworkIds = Array.from({ length: 20 }, () => 'sky');
    expect(offersFor(studio, { ...report, artworkIds }, true).length).toBe(4);
  });
});
