/**
 * A Moment: the scene resolved at one clock hour and second. Numbers only, nothing to look up but pictures; both
 * renderers, the checks and every export read it and nothing else. Colours are in the scene's light space.
 */
import type { Affine, Box } from '../geometry/affine';
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
  /** The art as it is: light 1 everywhere, nothing in the air. */
  unlit: boolean;
  /** Far to near. */
  planes: MomentPlane[];
  /** By id. */
  lights: MomentLight[];
  /** By id. */
  occluders: MomentOccluder[];
  pictures: MomentPicture[];
}

/** Which part of the scene is drawn, and how large. */
export interface View {
  /** Scene place of the picture's top left corner. */
  x: number;
  y: number;
  widthPx: number;
  heightPx: number;
  /** Output pixels for a scene pixel. */
  outputPerScenePx: number;
}

export interface MomentPicture {
  /** What a picture source is asked for. */
  key: string;
  widthPx: number;
  heightPx: number;
}

export interface MomentPlane {
  tint: Rgb;
  /** Drawn after everything else, unlit, onto the finished picture. */
  overlay: boolean;
  layers: MomentLayer[];
}

/** A run of sprites that are lit as one. */
export interface MomentLayer {
  takesShadows: boolean;
  /** Circuits that light it, as bits. */
  listens: number;
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
}

/** The curves a light falls off by, as numbers that both renderers share. */
export const CURVE_STRAIGHT = 0;
export const CURVE_EASED = 1;
export const CURVE_NATURAL = 2;
export const CURVE_EVEN = 3;

export interface MomentLight {
  x: number;
  y: number;
  /** Colour times level. */
  rgb: Rgb;
  corePx: number;
  reachPx: number;
  curve: number;
  steepness: number;
  heightPx: number;
  air: number;
  relief: number;
  /** Index of the plane that it hangs on, and of the planes that it reaches, both included. */
  plane: number;
  spanFar: number;
  spanNear: number;
  /** Circuits that it feeds, as bits. */
  feeds: number;
  /** Indices into `occluders` of those within reach that stop it; empty where it throws no shadows. */
  occluders: number[];
}

export interface MomentOccluder {
  plane: number;
  closed: boolean;
  /** Whether what casts the shadow lies in it. */
  ownDark: boolean;
  /** All its edges; a piece that did not change is the same object from Moment to Moment. */
  pieces: readonly EdgePiece[];
  box: Box;
}

export interface EdgePiece {
  /** Directed edges in scene px, interior on the left of a closed outline's. */
  edges: Float64Array;
  box: Box;
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
}

/** Where renderers get pixels from; null while a picture is not there, and then it is not drawn. */
export type PictureSource = (key: string) => PicturePixels | null;
