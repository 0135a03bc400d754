import { recogniseSheet } from '@/core/art/recognise-sheet';
import { pieces } from './fennel-halt-pieces';
import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { rectOf } from '@/core/art/frames';
import { cropped } from '@/core/raster/crop';
import { decodePng } from '@/core/raster/png';
import { readRecipe } from '@/core/relief/recipe';
import { snagsIn } from '@/core/checks/snags/all-snags';
import { bundlePictures } from '@/core/handoff/bundle';
import { settingsOf } from '@/core/scene/document';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { readScene } from '@/core/scene/read-scene';
import { fennelHalt } from './fennel-halt';

const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

describe('Fennel Halt', () => {
  const { document, pictures } = fennelHalt(sha256);

  it('is a sound scene: every reference leads somewhere', () => {
    expect(() => readScene(document)).not.toThrow();
    for (const { planeId, artworkId } of Object.values(document.sprites)) {
      expect(document.planes[planeId]).toBeDefined();
      expect(document.artworks[artworkId!]).toBeDefined();
    }
    for (const { planeId, wickId, spanFarId } of Object.values(document.lights)) {
      expect(document.planes[planeId]).toBeDefined();
      if (wickId) expect(document.wicks[wickId]).toBeDefined();
      if (spanFarId) expect(document.planes[spanFarId]).toBeDefined();
    }
    for (const { recipe } of Object.values(document.reliefs)) expect(readRecipe(recipe)).toEqual(recipe);
  });

  it('has no snags but those that are meant so', () => {
    const snags = snagsIn(document, bundlePictures({ scene: document, files: pictures }));
    expect(snags.filter(({ aside }) => aside === null).map(({ words }) => words)).toEqual([]);
    expect(snags.length).toBe(settingsOf(document).asides.length);
  });

  it('is wider than its gate and drawn in a small palette with hard edges', () => {
    expect(settingsOf(document)).toMatchObject({ gateWidthPx: 480, gateHeightPx: 270 });
    const colours = new Set<number>();
    let soft = 0;
    for (const { imageSha, widthPx, heightPx } of Object.values(document.artworks)) {
      const { image } = decodePng(pictures.get(imageSha)!);
      expect([image.width, image.height]).toEqual([widthPx, heightPx]);
      for (let p = 0; p < image.data.length; p += 4) {
        if (image.data[p + 3] % 255 !== 0) soft++;
        if (image.data[p + 3] > 0)
          colours.add((image.data[p] << 16) | (image.data[p + 1] << 8) | image.data[p + 2]);
      }
    }
    expect(soft).toBe(0);
    expect(colours.size).toBeLessThan(80);
    expect(document.artworks.ground.widthPx).toBeGreaterThan(480);
  });

  it('has art that moves: every frame is another, and the last leads back to the first', () => {
    for (const id of ['smoke', 'flag', 'lamplighter']) {
      const { imageSha, frames, widthPx } = document.artworks[id];
      const { image } = decodePng(pictures.get(imageSha)!);
      const cut = frames.map((frame) => cropped(image, rectOf(frame)).data.join());
      expect(new Set(cut).size).toBe(frames.length);
      expect(frames.length * frames[0].widthPx).toBe(widthPx);
    }
  });

  it('has a wall of tiles that stops light, and a lamp that goes with the hand that carries it', () => {
    const moments = [0, 0.2].map((seconds) =>
      momentAt(document, 19, seconds, NOTHING_PASSING, gateView(document)),
    );
    const wall = moments[0].planes.findIndex(({ layers }) => layers.some(({ sprites }) => sprites[0].grid));
    const walls = moments[0].occluders.filter(({ plane }) => plane === wall);
    // One outline of four straight sides and a slope of four tiles, not one for each of its hundred tiles.
    expect(walls[0].pieces.reduce((sum, { edges }) => sum + edges.length / 4, 0)).toBeLessThan(12);
    const carried = moments.map(({ lights }) => lights.find(({ x }) => Math.abs(x - 573) < 4)!);
    expect(carried[0].y).not.toBe(carried[1].y);
  });

  it('is drawn the same way twice', () => {
    expect([...fennelHalt(sha256).pictures.keys()]).toEqual([...pictures.keys()]);
  });
});

describe('the pieces of the demo', () => {
  // But for the tiles: those of one wall are too much alike.
  it('are recognised as sheets where they are some, and nowhere else', () => {
    const wanted = Object.entries(pieces()).map(([id, { moving }]) => [
      id,
      moving ? [moving.frames, 1] : null,
    ]);
    const found = Object.entries(pieces()).map(([id, { paint }]) => {
      const grid = recogniseSheet(paint.image);
      return [id, grid && [grid.columns, grid.rows]];
    });
    expect(Object.fromEntries(found)).toEqual(Object.fromEntries(wanted));
  });
});
