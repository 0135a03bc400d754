/** What a demo is, and how its pieces become artworks with reliefs. */
import { framesFrom, gridRects } from '@/core/art/cut';
import { encodePng } from '@/core/raster/png';
import type { Recipe } from '@/core/relief/recipe';
import type { SceneDocument } from '@/core/scene/document';
import { newArtwork } from '@/core/scene/records/artwork';
import { newRelief } from '@/core/scene/records/relief';
import type { Paint } from '@/ready/paint';

export interface DemoScene {
  projectName: string;
  sceneName: string;
  document: SceneDocument;
  /** Picture files by sha-256. */
  pictures: Map<string, Uint8Array>;
  /** The part of the gate that the front page shows; without it all of it. */
  still?: { x: number; y: number; widthPx: number; heightPx: number };
}

export interface Piece {
  name: string;
  paint: Paint;
  glow?: Paint;
  recipe?: Recipe;
  /** Pivot, px of the figure; by default the middle of the foot. */
  pivot?: [number, number];
  /** Frames side by side, and how many of them play a second. */
  moving?: { frames: number; rateHz: number };
  /** Tiles of a sheet. */
  sheet?: { columns: number; rows: number };
}

/** Keeps paintings as files. @returns the sha-256 of each as it comes */
export function pictureKeeper(pictures: Map<string, Uint8Array>, sha256: (bytes: Uint8Array) => string) {
  return (paint: Paint): string => {
    const bytes = encodePng(paint.image);
    const sha = sha256(bytes);
    pictures.set(sha, bytes);
    return sha;
  };
}

export function addPieces(
  document: SceneDocument,
  pieces: Readonly<Record<string, Piece>>,
  keep: (paint: Paint) => string,
): void {
  for (const [id, { name, paint, glow, recipe, pivot, moving, sheet }] of Object.entries(pieces)) {
    const grid = moving ? { columns: moving.frames, rows: 1 } : sheet;
    const cells = grid ? { ...grid, marginPx: 0, gapPx: 0 } : null;
    document.artworks[id] = newArtwork({
      name,
      imageSha: keep(paint),
      widthPx: paint.width,
      heightPx: paint.height,
      pixelArt: true,
      pivotX: pivot?.[0] ?? paint.width / 2,
      pivotY: pivot?.[1] ?? paint.height,
      glowSha: glow ? keep(glow) : null,
      cells,
      ...(cells && { frames: framesFrom(gridRects(paint.image, cells, true), name) }),
      ...(moving && { rateHz: moving.rateHz }),
    });
    if (recipe) document.reliefs[id] = newRelief({ recipe });
  }
}
