/** Artworks, their reliefs, and what is painted on them. They belong to the project and are shared by its scenes. */
import type { PartStroke } from '../relief/parts';
import type { Cells, Recipe } from '../relief/recipe';
import type { ImportedUse } from '../relief/source';
import type { Stroke as BrushStroke } from '../relief/strokes/stroke';
import type { Answer, OccluderKind } from './kinds';
import type { Shade } from './light-records';

/** A frame of an artwork: a part of its picture. */
export interface ArtworkFrame {
  name: string;
  /** px of the picture. */
  left: number;
  top: number;
  widthPx: number;
  heightPx: number;
  /** Where the frame's corner lies in the figure, so that frames of different sizes stand rightly on each other. */
  shiftX: number;
  shiftY: number;
  /** How long it stands; null is one beat of the artwork's rate. */
  seconds: number | null;
}

export const FRAME_LOOPS = ['round', 'to-and-fro', 'once'] as const;
export type FrameLoop = (typeof FRAME_LOOPS)[number];

export interface BracketPlace {
  x: number;
  y: number;
  turnDeg: number;
}

/** A named point of an artwork on which lamps and sprites hang; px of the figure. */
export interface Bracket extends BracketPlace {
  id: string;
  name: string;
  /** Where it is in single frames; in the others it is where it is in general. */
  places: (BracketPlace & { frame: number })[];
}

/** An outline that an artwork brings to each of its sprites; px of the figure. */
export interface ArtworkOccluder extends Shade {
  id: string;
  name: string;
  kind: OccluderKind;
  /** In frames that have none of their own. */
  outlines: number[][];
  smooth: number[][];
  /** In single frames. */
  frames: { frame: number; outlines: number[][]; smooth: number[][] }[];
}

/** A luminaire that comes with each placed copy of an artwork. */
export interface BroughtLamp {
  luminaireId: string;
  bracketId: string | null;
  /** From the bracket, or px of the figure. */
  x: number;
  y: number;
}

export interface Artwork {
  name: string;
  /** sha-256 of the picture file. */
  imageSha: string;
  widthPx: number;
  heightPx: number;
  pixelArt: boolean;
  /** The parts of the picture that show one at a time; none shows all of it. */
  frames: ArtworkFrame[];
  /** Frames a second. */
  rateHz: number;
  loop: FrameLoop;
  /** The point of the figure that is put where the sprite stands, px. */
  pivotX: number;
  pivotY: number;
  /** Where it stands on the ground: a point [x, y], or a line [x0, y0, x1, y1], px of the figure; empty is nowhere. */
  foot: number[];
  brackets: Bracket[];
  occluders: ArtworkOccluder[];
  lamps: BroughtLamp[];
  /** What a sprite of it answers when it is placed; null leaves it to the plane. */
  answer: Answer | null;
  takesShadows: boolean;
  tags: string[];
  /** In the bin: out of sight, still there for what uses it. */
  binned: boolean;
  /** sha-256 of a grey picture that says which share of each pixel is self-lit. */
  glowSha: string | null;
  /** The cells of a sheet; null is a picture of its own. */
  cells: Cells | null;
}

/** A sheet of painted corrections; its strokes name it by its id. */
export interface StrokeLayer {
  id: string;
  name: string;
  hidden: boolean;
}

/** A normal map that was brought along. */
export interface BroughtNormals {
  sha: string;
  yUp: boolean;
  use: ImportedUse;
  /** How much of its height is added where it is used as one. */
  share: number;
}

/** A height map that was brought along: heights of black and of white. */
export interface BroughtHeights {
  sha: string;
  lowPx: number;
  highPx: number;
}

/** How an artwork's height and normals are made; its id is the artwork's. */
export interface Relief {
  recipe: Recipe;
  /** The artwork that lends its relief. */
  borrowedId: string | null;
  layers: StrokeLayer[];
  partStrokes: PartStroke[];
  normals: BroughtNormals | null;
  heights: BroughtHeights | null;
  rimSha: string | null;
  occlusionSha: string | null;
  /** The picture that strokes and maps were made for; with another one they are out of date. */
  madeForSha: string | null;
}

/** A painted correction of an artwork's relief. */
export interface Stroke extends BrushStroke {
  artworkId: string;
  layerId: string;
  order: string;
}

/** A recipe on the project's shelf. */
export interface ShelfRecipe {
  name: string;
  recipe: Recipe;
}
