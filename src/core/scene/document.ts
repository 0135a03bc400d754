/**
 * The scene as plain data: records by id in named collections, order as fractional keys, units in the names.
 * Pixels are not in it; an artwork names its picture by the hash of the file's bytes.
 * Places are scene px, x right, y down; angles degrees, clockwise as seen.
 */
import type { PartStroke } from '../relief/parts';
import type { Cells, Recipe } from '../relief/recipe';
import type { ImportedUse } from '../relief/source';
import type { Stroke as BrushStroke } from '../relief/strokes/stroke';
import type { LightSpace } from '../raster/colour';

export const SCENE_FORMAT = 'oilwick-scene';
export const SCENE_VERSION = 3;

/** The one record of the `settings` collection. */
export const SETTINGS_ID = 'scene';

export interface SceneSettings {
  pixelArt: boolean;
  lightSpace: LightSpace;
  backdropColour: string;
  /** Whether the ambient light falls on the backdrop, or it shows as it is. */
  backdropLit: boolean;
  gateX: number;
  gateY: number;
  gateWidthPx: number;
  gateHeightPx: number;
  ambientColour: string;
  ambientLevel: number;
  /** The clock at which the scene opens. */
  clockHours: number;
}

export interface Plane {
  name: string;
  /** Far planes sort before near ones. */
  order: string;
  /** 1 moves with the gate as the scene does; 0 stands still in the gate, as a far sky. */
  parallax: number;
  tint: string;
  /** How its sprites take light unless they say so themselves. */
  answer: Answer;
  hidden: boolean;
  locked: boolean;
}

export const ANSWERS = ['shaded', 'self-lit'] as const;
export type Answer = (typeof ANSWERS)[number];

export interface Sprite {
  name: string;
  planeId: string;
  /** Drawing order within the plane; later ones lie on top. */
  order: string;
  artworkId: string;
  /** Where the artwork's pivot stands. */
  x: number;
  y: number;
  turnDeg: number;
  scaleX: number;
  scaleY: number;
  flipX: boolean;
  flipY: boolean;
  /** 0 to 1; multiplies the art's alpha. */
  opacity: number;
  /** The frame that shows, or that playing begins from, by its number from 0. */
  frame: number;
  playing: boolean;
  /** Null takes the plane's. */
  answer: Answer | null;
  /** How bright self-lit parts are; 1 shows the art as it was drawn. */
  glowLevel: number;
  takesShadows: boolean;
  hidden: boolean;
  locked: boolean;
}

export const FALL_CURVES = ['straight', 'eased', 'natural', 'even'] as const;
export type FallCurve = (typeof FALL_CURVES)[number];

export const LIGHT_KINDS = ['point'] as const;

export interface Light {
  name: string;
  kind: (typeof LIGHT_KINDS)[number];
  planeId: string;
  order: string;
  x: number;
  y: number;
  colour: string;
  level: number;
  corePx: number;
  reachPx: number;
  curve: FallCurve;
  steepness: number;
  heightPx: number;
  /** How much of the light is seen hanging in the air, 0 to 1. */
  air: number;
  /** How much the facing of surfaces counts, 0 to 1. */
  relief: number;
  shadows: boolean;
  /** The farthest and nearest plane that it reaches; null goes through all. */
  spanFarId: string | null;
  spanNearId: string | null;
  wickId: string | null;
  hidden: boolean;
  locked: boolean;
}

export const OCCLUDER_KINDS = ['closed', 'line'] as const;
export type OccluderKind = (typeof OCCLUDER_KINDS)[number];
export const OWN_SHADES = ['lit', 'dark'] as const;
export type OwnShade = (typeof OWN_SHADES)[number];

export interface Occluder {
  name: string;
  planeId: string;
  /** The sprite that it belongs to and moves with; its points are then px of the artwork. */
  spriteId: string | null;
  kind: OccluderKind;
  /** Flat points [x0, y0, x1, y1, ...] each; several closed ones are read together by the even-odd rule. */
  outlines: number[][];
  /** Whether what casts the shadow lies in it. */
  ownShade: OwnShade;
  hidden: boolean;
  locked: boolean;
}

export const WICK_KINDS = ['breeze'] as const;

/** A curve of time around 1, shared by lights; each light runs it from a phase of its own. */
export interface Wick {
  name: string;
  kind: (typeof WICK_KINDS)[number];
  rateHz: number;
  roughness: number;
  /** Lowest and highest share of the light's own level and reach. */
  levelLow: number;
  levelHigh: number;
  reachLow: number;
  reachHigh: number;
  /** How far the reach follows behind the level. */
  reachLagSeconds: number;
  seed: number;
  loopSeconds: number;
}

/** The look of the scene at one hour; null leaves a value to the other cues. */
export interface Cue {
  clockHours: number;
  ambientColour: string | null;
  ambientLevel: number | null;
}

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

export interface Collections {
  settings: Record<string, SceneSettings>;
  planes: Record<string, Plane>;
  sprites: Record<string, Sprite>;
  lights: Record<string, Light>;
  occluders: Record<string, Occluder>;
  wicks: Record<string, Wick>;
  cues: Record<string, Cue>;
  artworks: Record<string, Artwork>;
  reliefs: Record<string, Relief>;
  strokes: Record<string, Stroke>;
  recipes: Record<string, ShelfRecipe>;
}

export type CollectionName = keyof Collections;
export type RecordOf<C extends CollectionName> = Collections[C][string];

export const COLLECTION_NAMES = [
  'settings',
  'planes',
  'sprites',
  'lights',
  'occluders',
  'wicks',
  'cues',
  'artworks',
  'reliefs',
  'strokes',
  'recipes',
] as const satisfies readonly CollectionName[];

/** The collections that belong to the project and are shared by its scenes. */
export const PROJECT_COLLECTIONS = [
  'artworks',
  'reliefs',
  'strokes',
  'recipes',
] as const satisfies readonly CollectionName[];
export type ProjectCollection = (typeof PROJECT_COLLECTIONS)[number];
export type ProjectRecords = Pick<Collections, ProjectCollection>;

export interface SceneDocument extends Collections {
  format: typeof SCENE_FORMAT;
  version: number;
}

export function settingsOf(scene: SceneDocument): SceneSettings {
  return scene.settings[SETTINGS_ID];
}

/** Ids of a collection by their order key, ties by id. */
export function inOrder<T extends { order: string }>(records: Record<string, T>): [string, T][] {
  return Object.entries(records).sort(([i, a], [j, b]) => compare(a.order, b.order) || compare(i, j));
}

/** Plain code-unit order, the same on every machine and in every language. */
export function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
