/** The chunks of a tile plane as sprites whose art is a grid of frames. */
import type { ChunkIndex } from '../art/tiles';
import { framesIn } from '../art/frames';
import { applyTo, mappedBox, type Affine } from '../geometry/affine';
import { Remembered } from '../remembered';
import type { Artwork } from '../scene/records/artwork';
import { type Chunk, CHUNK_CELLS } from '../scene/records/chunk';
import type { Plane, TileGrid } from '../scene/records/plane';
import type { MomentGrid, MomentSprite } from './moment';
import type { MomentStage } from './stage';

/** Left, top, width and height of each frame. */
export function frameTable(artwork: Artwork): Uint16Array {
  return Uint16Array.from(
    framesIn(artwork).flatMap(({ left, top, widthPx, heightPx }) => [left, top, widthPx, heightPx]),
  );
}

/** The map from px of a tile plane's grid to the scene. */
export function gridMap(planeMap: Affine, { x, y }: Pick<TileGrid, 'x' | 'y'>): Affine {
  return { ...planeMap, e: planeMap.e + x, f: planeMap.f + y };
}

/** Keeps the arrays of cells and frames, so that they go to the GPU once. */
export class TileSprites {
  private readonly cells = new Remembered<Chunk, Uint16Array>();
  private readonly frames = new Remembered<Artwork, Uint16Array>();

  of(
    { scene, standing, pictureIndex, passing }: MomentStage,
    chunks: ChunkIndex,
    planeId: string,
    plane: Plane,
  ): MomentSprite[] {
    const { tiles } = plane;
    const artwork = tiles && scene.artworks[tiles.artworkId];
    if (!tiles || !artwork) return [];
    const { cellWidthPx, cellHeightPx } = tiles;
    const map = gridMap(standing.planeMap(planeId)!, tiles);
    const [widthPx, heightPx] = [CHUNK_CELLS * cellWidthPx, CHUNK_CELLS * cellHeightPx];
    const frames = this.frames.recall(artwork, [], () => frameTable(artwork));
    const hasRelief = passing.relief && scene.reliefs[tiles.artworkId] !== undefined;
    return [...(chunks.get(planeId)?.values() ?? [])].map(([, chunk]): MomentSprite => {
      const [e, f] = applyTo(map, chunk.column * widthPx, chunk.row * heightPx);
      const forward = { ...map, e, f };
      const cells = this.cells.recall(chunk, [], () => Uint16Array.from(chunk.cells));
      const grid: MomentGrid = { cells, columns: CHUNK_CELLS, cellWidthPx, cellHeightPx, frames };
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
        footY: null,
        grid,
      };
    });
  }
}
