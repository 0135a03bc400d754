/** A made-up scene of the size that games have: 40 planes, 3,500 sprites, a tile plane of 200 x 100 cells, 60 lights. */
import { framesFrom, gridRects } from '@/core/art/cut';
import { cellOf } from '@/core/art/tiles';
import { cellEdits, type CellChange } from '@/core/art/tile-edits';
import { emptyImage, type Image } from '@/core/raster/image';
import { recipeWith } from '@/core/relief/recipe';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newPlane, newTileGrid } from '@/core/scene/records/plane';
import { newRelief } from '@/core/scene/records/relief';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { newSprite } from '@/core/scene/records/sprite';
import { newWick } from '@/core/scene/records/wick';
import { applyEdits } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { hash01 } from '@/core/time/noise';

const PLANES = 40;
const SPRITES = 3500;
const COLUMNS = 200;
const ROWS = 100;
const CELL_PX = 16;
const LIGHTS = 60;
const ARTWORKS = 24;
/** The scene's own size: that of its tiles. */
const WIDTH = COLUMNS * CELL_PX;
const HEIGHT = ROWS * CELL_PX;

export interface LargeScene {
  document: SceneDocument;
  images: Record<string, Image>;
}

/** A tuft, a stone or a post: coloured noise on a round shape. */
function thing(seed: number): Image {
  const [w, h] = [16 + 8 * (seed % 3), 16 + 8 * (seed % 4)];
  const image = emptyImage(w, h);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const [u, v] = [(2 * x + 1) / w - 1, (2 * y + 1) / h - 1];
      const tone = 90 + 120 * hash01(seed, (y >> 1) * 64 + (x >> 1));
      const isIn = u * u + v * v < 1;
      image.data.set(
        isIn ? [tone, tone * 0.9, tone * (0.5 + 0.4 * hash01(seed, 9)), 255] : [0, 0, 0, 0],
        4 * (y * w + x),
      );
    }
  }
  return image;
}

/** Sixteen tiles of ground and wall. */
function tileSheet(): Image {
  const image = emptyImage(8 * CELL_PX, 2 * CELL_PX);
  for (let i = 0; i < image.width * image.height; i++) {
    const [x, y] = [i % image.width, Math.floor(i / image.width)];
    const tile = Math.floor(x / CELL_PX) + 8 * Math.floor(y / CELL_PX);
    const tone = 60 + 80 * hash01(tile, (y % CELL_PX) * CELL_PX + (x % CELL_PX));
    image.data.set([tone, tone * 0.8 + 4 * tile, tone * 0.6, 255], 4 * i);
  }
  return image;
}

export function largeScene(): LargeScene {
  let scene = newScene({ gateWidthPx: 640, gateHeightPx: 360, ambientLevel: 0.3 });
  const images: Record<string, Image> = { tiles: tileSheet() };
  for (let i = 0; i < ARTWORKS; i++) images[`art-${i}`] = thing(i);
  scene.artworks = {};
  for (const [id, image] of Object.entries(images)) {
    const [w, h] = [image.width, image.height];
    scene.artworks[id] = newArtwork({
      name: id,
      imageSha: 'a'.repeat(64),
      widthPx: w,
      heightPx: h,
      pixelArt: true,
    });
    scene.reliefs[id] = newRelief({ recipe: recipeWith({ body: { kind: 'inflate' } }) });
    if (id === 'tiles') continue;
    const outlines = [[w * 0.2, h * 0.3, w * 0.8, h * 0.3, w * 0.8, h * 0.9, w * 0.2, h * 0.9]];
    const own = { name: '', kind: 'closed', ...NEW_SHADE, outlines, smooth: [], frames: [] } as const;
    // Every fourth kind of thing stops light.
    if (Number(id.slice(4)) % 4 === 0)
      scene.artworks[id].occluders = [{ id: 'body', ...own, outlines, smooth: [], frames: [] }];
  }
  const sheet = scene.artworks.tiles;
  const cells = gridRects(images.tiles, { columns: 8, rows: 2, marginPx: 0, gapPx: 0 }, true);
  sheet.frames = framesFrom(cells, 'tile');
  const square = [[0, 0, CELL_PX, 0, CELL_PX, CELL_PX, 0, CELL_PX]];
  const wall = { id: 'wall', name: '', kind: 'closed', ...NEW_SHADE, outlines: [], smooth: [] } as const;
  const frames = Array.from({ length: 4 }, (_, i) => ({ frame: 12 + i, outlines: square, smooth: [] }));
  sheet.occluders = [{ ...wall, outlines: [], smooth: [], frames }];
  placePlanes(scene);
  placeSprites(scene);
  placeLights(scene);
  scene = applyEdits(scene, cellEdits(scene, 'plane-0', ground()));
  return { document: scene, images };
}

function placePlanes(scene: SceneDocument): void {
  let order = 'a1';
  scene.planes = {};
  for (let i = 0; i < PLANES; i++) {
    scene.planes[`plane-${i}`] = newPlane({ name: `Plane ${i}`, order, parallax: i < 4 ? 0.6 + 0.1 * i : 1 });
    order = orderAfter([order]);
  }
  scene.planes['plane-0'].parallax = 1;
  scene.planes['plane-0'].tiles = newTileGrid({
    artworkId: 'tiles',
    cellWidthPx: CELL_PX,
    cellHeightPx: CELL_PX,
  });
}

function placeSprites(scene: SceneDocument): void {
  let order = 'a1';
  for (let i = 0; i < SPRITES; i++) {
    const artworkId = `art-${Math.floor(hash01(1, i) * ARTWORKS)}`;
    scene.sprites[`sprite-${i}`] = newSprite({
      name: artworkId,
      artworkId,
      planeId: `plane-${Math.floor(hash01(2, i) * PLANES)}`,
      order,
      x: Math.round(hash01(3, i) * WIDTH),
      y: Math.round(hash01(4, i) * HEIGHT),
      flipX: hash01(5, i) < 0.5,
      turnDeg: hash01(6, i) < 0.1 ? 90 : 0,
    });
    order = orderAfter([order]);
  }
}

function placeLights(scene: SceneDocument): void {
  scene.wicks.breeze = newWick({ name: 'Breeze', seed: 5 });
  for (let i = 0; i < LIGHTS; i++) {
    scene.lights[`light-${i}`] = newLight({
      name: `Lamp ${i}`,
      planeId: `plane-${20 + (i % 20)}`,
      order: 'a1',
      x: Math.round(hash01(7, i) * WIDTH),
      y: Math.round(hash01(8, i) * HEIGHT),
      reachPx: 60 + Math.round(80 * hash01(9, i)),
      // One in four throws shadows, one in two lives.
      shadows: i % 4 === 0,
      wickId: i % 2 === 0 ? 'breeze' : null,
    });
  }
}

function* ground(): Generator<CellChange> {
  for (let y = 0; y < ROWS; y++) {
    for (let x = 0; x < COLUMNS; x++) {
      const isWall = (x % 12 === 0 || y % 10 === 0) && hash01(10, (y >> 2) * 64 + (x >> 2)) < 0.6;
      const frame = (isWall ? 12 : 0) + Math.floor(hash01(11, y * COLUMNS + x) * (isWall ? 4 : 12));
      yield [x, y, cellOf({ frame, orientation: Math.floor(hash01(12, y * COLUMNS + x) * 4) })];
    }
  }
}
