/**
 * A Moment: the scene resolved at one clock hour and second. Numbers only, nothing to look up but pictures; both
 * renderers, the checks and every export read it and nothing else. Colours are in the scene's light space.
 */
import type { FinishNumbers } from '../finish/all-passes';
import type { Affine, Box } from '../geometry/affine';
import type { View } from '../geometry/view';
import type { LightSpace, Rgb } from '../raster/colour';
import type { Rect } from '../raster/rect';

export interface Moment {
  clockHours: number;
  seconds: number;
  lightSpace: LightSpace;
  /** Lit and drawn at scene px, art read by the nearest texel. */
  pixelArt: boolean;
  gate: Box;
  view: View;
  backdrop: { colour: Rgb; lit: boolean };
  /** Ambient colour times level. */
  ambient: Rgb;
  /** An even light on every plane for the editor's eyes; black where the work lamp is out. */
  workLamp: Rgb;
  /** The art as it is: light 1 everywhere, nothing in the air, no finish. */
  unlit: boolean;
  /** What the passes after the planes come to. */
  finish: FinishNumbers;
  /** Far to near. */
  planes: MomentPlane[];
  /** By id. */
  lights: MomentLight[];
  /** The ids of the lights, in the same places: for the meter and the cost, not for what is drawn. */
  lightIds: string[];
  /** By id. */
  occluders: MomentOccluder[];
  casts: MomentCast[];
  /** What drifts over the planes at this hour, in the order in which it is laid on. */
  drifts: MomentDrift[];
  /** What is laid over the picture after the planes, in its order. */
  washes: MomentWash[];
  pictures: MomentPicture[];
}

export type { View };

export interface MomentPicture {
  /** What a picture source is asked for. */
  key: string;
  widthPx: number;
  heightPx: number;
}

export interface MomentPlane {
  tint: Rgb;
  /** Where its own cells are counted from: bands are dithered, and blocks lie, on its art. */
  originX: number;
  originY: number;
  /** Drawn after everything else, unlit, onto the finished picture. */
  overlay: boolean;
  /** Standard deviation of its blur before it is laid over the picture, scene px; 0 is sharp. */
  blurPx: number;
  /** How strong each drift is on it, 0 to 1. */
  drifts: number[];
  layers: MomentLayer[];
}

/** A run of sprites that are lit as one. */
export interface MomentLayer {
  takesShadows: boolean;
  /** Whether the shapes of standing sprites fall on it; they do not on what stands itself. */
  takesCasts: boolean;
  /** Circuits that light it, as bits. */
  listens: number;
  /** It shows only where light falls, and how soon; null shows anyway. */
  seenGain: number | null;
  sprites: MomentSprite[];
}

/** The picture of sprites that have none. */
export const PLAIN_PICTURE = -1;

/** Art that is a grid of frames; see core/art/tiles.ts for the cells. */
export interface MomentGrid {
  /** Row by row. */
  cells: Uint16Array;
  columns: number;
  cellWidthPx: number;
  cellHeightPx: number;
  /** Left, top, width and height of each frame of the picture. */
  frames: Uint16Array;
}

export interface MomentSprite {
  /** Index into `pictures`, or PLAIN_PICTURE. */
  picture: number;
  /** The colour of a plain sprite. */
  colour: Rgb | null;
  /** Where this is not null, `frame` is the size of the whole grid. */
  grid: MomentGrid | null;
  /** The part of the picture that shows, px; nothing beyond it is read. */
  frame: Rect;
  /** Multiplies the art's alpha. */
  opacity: number;
  /** Scene place to px of the frame. */
  inverse: Affine;
  forward: Affine;
  box: Box;
  /** Turns the planar part of a normal with the sprite, row by row; null shows no relief. */
  normal: [number, number, number, number] | null;
  selfLit: boolean;
  glowLevel: number;
  /** Where what stands has its foot, scene px: what drifts is read nearer to it. Null is everything else. */
  footY: number | null;
}

/** The curves a light falls off by, as numbers that both renderers share. */
export const CURVE_STRAIGHT = 0;
export const CURVE_EASED = 1;
export const CURVE_NATURAL = 2;
export const CURVE_EVEN = 3;
export const CURVE_DRAWN = 4;

/** Values of a drawn curve, and colours of stops, from core to reach; read linearly between. */
export const TABLE_SIZE = 257;

export type MomentBlend = 'add' | 'lighten' | 'uncover' | 'subtract';

/**
 * What decides how bright a light is at a distance: `round` round its place, `cone` also by the bearing, `area` by the
 * distance from an outline, `picture` by its gobo alone, `even` is the same everywhere.
 */
export type MomentFigure = 'round' | 'cone' | 'area' | 'picture' | 'even';

export interface MomentLight {
  figure: MomentFigure;
  /** It is a part of the ambient light, without facing or shadows: added to it, or in its place. */
  ambient: 'no' | 'added' | 'instead';
  blend: MomentBlend;
  /** It gives to the rims of sprites alone. */
  rim: boolean;
  x: number;
  y: number;
  /** Colour times level. */
  rgb: Rgb;
  /** Colours from core to reach, times level, three a place; null is one colour. */
  stops: Float32Array | null;
  corePx: number;
  reachPx: number;
  squash: number;
  curve: number;
  /** The table of the drawn curve. */
  drawn: Float32Array | null;
  steepness: number;
  cone: MomentCone | null;
  area: MomentArea | null;
  gobo: MomentGobo | null;
  source: MomentSource;
  /** Of suns in a tilted view: where the shadows of what has a stature come from, over the ground; null is `source`. */
  groundSource: MomentSource | null;
  /** Steps of brightness; 0 is smooth. */
  bands: number;
  dither: boolean;
  /** Cells within which it is the same; 0 is none. */
  blockPx: number;
  air: number;
  wrap: number;
  relief: number;
  /** Half the chord of what shines, px; the tangent of half its angle where the source is parallel. */
  size: number;
  /** What comes through its shadows anyway. */
  shadowLet: Rgb;
  /** Where it reaches; endless on every side where it is the same everywhere. */
  box: Box;
  /** Index of the plane that it hangs on, and of the planes that it reaches, both included. */
  plane: number;
  spanFar: number;
  spanNear: number;
  /** Circuits that it feeds, as bits. */
  feeds: number;
  /** Indices into `occluders` of those within reach that stop it; empty where it throws no shadows. */
  occluders: readonly number[];
  /** A sun in which standing sprites throw their shape. */
  throwsShapes: boolean;
  /** Indices into `casts` of the standing sprites that throw their shape in it. */
  casts: readonly number[];
}

export interface MomentCone {
  /** Unit vector that it points along. */
  x: number;
  y: number;
  /** Half angles, radians. */
  beam: number;
  field: number;
}

export interface MomentArea {
  /** Directed edges in scene px, interior on the left. */
  edges: Float64Array;
  featherPx: number;
}

export interface MomentGobo {
  /** Index into `pictures`. */
  picture: number;
  frame: Rect;
  /** Scene place to px of the frame. */
  inverse: Affine;
  /** Over this much of the frame's width and height, from each border, it fades out. */
  fadeX: number;
  fadeY: number;
  nearest: boolean;
}

/** Where light comes from: a place with its height, or one direction everywhere. */
export type MomentSource =
  | { parallel: false; x: number; y: number; heightPx: number }
  | {
      parallel: true;
      /** Unit vector toward the light. */
      x: number;
      y: number;
      z: number;
    };

export interface MomentOccluder {
  plane: number;
  closed: boolean;
  /** All its edges; a piece that did not change is the same object from Moment to Moment. */
  pieces: readonly EdgePiece[];
  /** What also stops light from either side for points within it; empty where it stays lit. */
  inner: readonly EdgePiece[];
  /** The light that comes through; null is none. */
  transmits: Rgb | null;
  /** Its height above the ground; null is endless. */
  staturePx: number | null;
  box: Box;
}

export interface EdgePiece {
  /** Directed edges in scene px, interior on the left of a closed outline's. */
  edges: Float64Array;
  box: Box;
}

/** The shape of a standing sprite on the ground, as one sun throws it. */
export interface MomentCast {
  picture: number;
  frame: Rect;
  opacity: number;
  /** Scene place to px of the frame. */
  inverse: Affine;
  /** Height above the foot of a scene place: a x + b y + c; nothing is thrown below 0. */
  above: readonly [number, number, number];
  /** Half the width over which the shape is softened, frame px for each px of height. */
  spread: number;
  plane: number;
  box: Box;
}

/** Shadows of clouds, which take from what is lit, or mist, which lies over it. */
export interface MomentDrift {
  kind: 'cloud' | 'mist';
  /** Index into `pictures` of a tile of one's own; null is noise. */
  picture: number | null;
  seed: number;
  /** Tiles for a scene px. */
  perPx: number;
  /** How far the coarser and the finer pattern are moved, tiles. */
  offset: [number, number, number, number];
  /** What the finer pattern counts; 0 is not read. */
  finerShare: number;
  /** Below `low` of the pattern there is none of it, above `high` all. */
  low: number;
  high: number;
  /** What clouds leave of the light; what mist looks like, lit by the ambient light. */
  colour: Rgb;
  /** How far what stands reads it at its foot. */
  upright: number;
}

/** A gradient that is laid over the picture. */
export interface MomentWash {
  blend: 'normal' | 'multiply' | 'screen' | 'add';
  opacity: number;
  /** Nothing of it lies beyond; null is everywhere. */
  box: Box | null;
  /** Eight floats a point: scene place, 1 / (2 spread^2), opacity, OKLab L, a, b, and one that is not read. */
  points: Float32Array;
}

/** The pixels of one picture. */
export interface PicturePixels {
  width: number;
  height: number;
  /** Straight-alpha RGBA. */
  rgba: Uint8Array;
  /** Normals as RGBA in tangent space, Y up, alpha not read; null is flat. */
  normal: Uint8Array | null;
  /** The self-lit share of each pixel; null is none. */
  glow: Uint8Array | null;
  /** What rim lights give to each pixel; null is nothing. */
  rim: Uint8Array | null;
}

/** Where renderers get pixels from; null while a picture is not there, and then it is not drawn. */
export type PictureSource = (key: string) => PicturePixels | null;
