/** The chunks of a tile plane as sprites whose art is a grid of frames. */
import { chunkIndex } from '../art/tiles';
import { framesIn } from '../art/frames';
import { applyTo, mappedBox, type Affine } from '../geometry/affine';
import {
  CHUNK_CELLS,
  type Artwork,
  type Chunk,
  type Plane,
  type SceneDocument,
  type TileGrid,
} from '../scene/document';
import type { LightSpace } from '../raster/colour';
import type { MomentGrid, MomentSprite } from './moment';
import type { Passing } from './passing';
import { parallaxShift } from './standing';

interface Resolving {
  scene: SceneDocument;
  space: LightSpace;
  pictureIndex: ReadonlyMap<string, number>;
  passing: Passing;
}

const cellArrays = new WeakMap<Chunk, Uint16Array>();
const frameTables = new WeakMap<Artwork, Uint16Array>();

/** The same array for the same record, so that it goes to the GPU once. */
function cellsOf(chunk: Chunk): Uint16Array {
  let cells = cellArrays.get(chunk);
  if (!cells) cellArrays.set(chunk, (cells = Uint16Array.from(chunk.cells)));
  return cells;
}

/** Left, top, width and height of each frame. */
export function frameTable(artwork: Artwork): Uint16Array {
  let table = frameTables.get(artwork);
  if (!table) {
    table = Uint16Array.from(
      framesIn(artwork).flatMap(({ left, top, widthPx, heightPx }) => [left, top, widthPx, heightPx]),
    );
    frameTables.set(artwork, table);
  }
  return table;
}

/** The map from px of a tile plane's grid to the scene. */
export function gridMap(scene: SceneDocument, plane: Plane, { x, y }: TileGrid): Affine {
  const [dx, dy] = parallaxShift(scene, plane);
  return { a: 1, b: 0, c: 0, d: 1, e: x + dx, f: y + dy };
}

export function tileSprites(
  { scene, pictureIndex, passing }: Resolving,
  planeId: string,
  plane: Plane,
): MomentSprite[] {
  const { tiles } = plane;
  const artwork = tiles && scene.artworks[tiles.artworkId];
  if (!tiles || !artwork) return [];
  const { cellWidthPx, cellHeightPx } = tiles;
  const map = gridMap(scene, plane, tiles);
  const [widthPx, heightPx] = [CHUNK_CELLS * cellWidthPx, CHUNK_CELLS * cellHeightPx];
  const frames = frameTable(artwork);
  const hasRelief = passing.relief && scene.reliefs[tiles.artworkId] !== undefined;
  return [...(chunkIndex(scene.chunks).get(planeId)?.values() ?? [])].map(([, chunk]): MomentSprite => {
    const [e, f] = applyTo(map, chunk.column * widthPx, chunk.row * heightPx);
    const forward = { ...map, e, f };
    const grid: MomentGrid = {
      cells: cellsOf(chunk),
      columns: CHUNK_CELLS,
      cellWidthPx,
      cellHeightPx,
      frames,
    };
    return {
      picture: pictureIndex.get(tiles.artworkId)!,
      frame: { left: 0, top: 0, right: widthPx, bottom: heightPx },
      opacity: 1,
      forward,
      inverse: { ...map, e: -e, f: -f },
      box: mappedBox(forward, widthPx, heightPx),
      normal: hasRelief ? [1, 0, 0, 1] : null,
      selfLit: plane.answer === 'self-lit',
      glowLevel: 1,
      colour: null,
      grid,
    };
  });
}
