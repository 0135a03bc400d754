/**
 * The scene as plain data: records by id in named collections, order as fractional keys, units in the names.
 * Pixels are not in it; an artwork names its picture by the hash of the file's bytes.
 * Places are scene px, x right, y down; angles degrees, clockwise as seen.
 */
import type { LightSpace } from '../raster/colour';
import type { Artwork, Relief, ShelfRecipe, Stroke } from './artwork';
import type { Answer, OccluderKind, Tone } from './kinds';
import type { LightLook, Shade, StoppedBy } from './light-records';

export * from './artwork';
export * from './kinds';
export * from './light-records';

export const SCENE_FORMAT = 'oilwick-scene';
export const SCENE_VERSION = 5;

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
  /** 90 is seen from above, 0 from the side: how standing sprites throw their shape in the sun. */
  viewTiltDeg: number;
  /** Doublings of the finished light. */
  exposureStops: number;
  tone: Tone;
  /** What the shoulder brings to white. */
  whiteLevel: number;
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
  /** The circuits that its sprites listen to unless they say so themselves. */
  circuitIds: string[];
  /** Unlit and drawn last of all: labels, marks, an interface. */
  overlay: boolean;
  tiles: TileGrid | null;
  hidden: boolean;
  locked: boolean;
}

/** The grid of a plane that is painted with tiles; the cells themselves lie in `chunks`. */
export interface TileGrid extends Shade {
  /** The tile sheet: its frames are the tiles. */
  artworkId: string;
  /** Corner of cell 0, 0. */
  x: number;
  y: number;
  cellWidthPx: number;
  cellHeightPx: number;
  /** Whether the tiles' own outlines stop light, joined to whole walls. */
  blocks: boolean;
}

/** Columns and rows of a chunk of a tile plane. */
export const CHUNK_CELLS = 32;

/** A square of a tile plane's cells, row by row; see core/art/tiles.ts for what a cell's number says. */
export interface Chunk {
  planeId: string;
  /** Its place among the chunks. */
  column: number;
  row: number;
  cells: number[];
}

/** A carrier on whose bracket a thing hangs; without a bracket places are counted in the carrier's figure. */
export interface Hanging {
  spriteId: string;
  bracketId: string | null;
}

/** Lights, sprites or occluders that are named together; they name the set. */
export interface NamedSet {
  name: string;
  order: string;
}

/** A wire from lights to sprites. */
export interface Circuit {
  name: string;
  order: string;
}

/** The circuit that everything is wired to until someone says otherwise. */
export const HOUSE_CIRCUIT = 'house';

/** What a sprite without art is: a rectangle of one colour, its pivot in the middle. */
export interface PlainArt {
  colour: string;
  widthPx: number;
  heightPx: number;
}

export interface Sprite {
  name: string;
  planeId: string;
  /** Drawing order within the plane; later ones lie on top. */
  order: string;
  /** Null is a sprite without art, which `plain` describes. */
  artworkId: string | null;
  plain: PlainArt | null;
  /** What carries it; its place and turn are then counted from there. */
  hangsOn: Hanging | null;
  setIds: string[];
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
  circuitIds: string[] | null;
  /** Its own occluders hold, and not those of its artwork. */
  ownOccluders: boolean;
  /** How bright self-lit parts are; 1 shows the art as it was drawn. */
  glowLevel: number;
  takesShadows: boolean;
  /** How soon a sprite that is seen when lit shows. */
  seenGain: number;
  /** It stands on its foot and throws its own shape in the sun. */
  castsShape: boolean;
  hidden: boolean;
  locked: boolean;
}

/** Where a light or a lamp is, and whom it lights. */
export interface Fixture {
  name: string;
  planeId: string;
  order: string;
  hangsOn: Hanging | null;
  /** Whether the outlines of what carries it stop its light. */
  blockedByCarrier: boolean;
  /** Null is stopped by the occluders of the planes that it reaches. */
  stoppedBy: StoppedBy | null;
  setIds: string[];
  /** The circuits that it feeds. */
  circuitIds: string[];
  x: number;
  y: number;
  /** The farthest and nearest plane that it reaches; null goes through all. */
  spanFarId: string | null;
  spanNearId: string | null;
  hidden: boolean;
  locked: boolean;
}

export interface Light extends Fixture, LightLook {
  wickId: string | null;
}

/** A placed luminaire: what it shows is the luminaire's, but for what it overrides. */
export interface Lamp extends Fixture {
  luminaireId: string;
  turnDeg: number;
  flipX: boolean;
  /** Multiplies the levels of its lights. */
  level: number;
  /** Fields of parts that differ here, by the part's id. */
  overrides: Record<string, Partial<LightPart> | Partial<FlamePart>>;
}

export interface Occluder extends Shade {
  name: string;
  planeId: string;
  /** The sprite that it belongs to and moves with; its points are then px of the artwork. */
  spriteId: string | null;
  kind: OccluderKind;
  /** Flat points [x0, y0, x1, y1, ...] each; several closed ones are read together by the even-odd rule. */
  outlines: number[][];
  /** For each outline the numbers of its smooth points; the others are corners. */
  smooth: number[][];
  setIds: string[];
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

/** A light of a luminaire, placed from the luminaire's own middle. Its wick is its own, so that it fits every scene. */
export interface LightPart extends LightLook {
  id: string;
  name: string;
  x: number;
  y: number;
  wick: Wick | null;
}

/** The sprite of a luminaire's flame or glass. */
export interface FlamePart {
  id: string;
  name: string;
  artworkId: string;
  x: number;
  y: number;
  turnDeg: number;
  scaleX: number;
  scaleY: number;
  flipX: boolean;
  opacity: number;
  frame: number;
  playing: boolean;
  answer: Answer;
  glowLevel: number;
}

/** A kind of lamp on the project's shelf; placed copies follow it. */
export interface Luminaire {
  name: string;
  lights: LightPart[];
  flames: FlamePart[];
}

/** The look of the scene at one hour; null leaves a value to the other cues. */
export interface Cue {
  clockHours: number;
  ambientColour: string | null;
  ambientLevel: number | null;
}

export interface Collections {
  settings: Record<string, SceneSettings>;
  planes: Record<string, Plane>;
  sprites: Record<string, Sprite>;
  lights: Record<string, Light>;
  occluders: Record<string, Occluder>;
  wicks: Record<string, Wick>;
  cues: Record<string, Cue>;
  chunks: Record<string, Chunk>;
  lamps: Record<string, Lamp>;
  sets: Record<string, NamedSet>;
  circuits: Record<string, Circuit>;
  artworks: Record<string, Artwork>;
  reliefs: Record<string, Relief>;
  strokes: Record<string, Stroke>;
  recipes: Record<string, ShelfRecipe>;
  luminaires: Record<string, Luminaire>;
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
  'chunks',
  'lamps',
  'sets',
  'circuits',
  'artworks',
  'reliefs',
  'strokes',
  'recipes',
  'luminaires',
] as const satisfies readonly CollectionName[];

/** The collections that belong to the project and are shared by its scenes. */
export const PROJECT_COLLECTIONS = [
  'artworks',
  'reliefs',
  'strokes',
  'recipes',
  'luminaires',
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
