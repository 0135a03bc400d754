/** What lights and occluders hold. A light keeps the fields of every kind, so that what fits comes back with the kind. */
import type { Blend, FallCurve, LightKind, OwnShade, Source } from './kinds';

/** A colour on the way from the core to the reach; the light's own stands at 0. */
export interface ColourStop {
  /** 0 at the core, 1 at the reach. */
  at: number;
  colour: string;
}

/** A picture that shapes a light, over a rectangle whose middle is the light's place. */
export interface Gobo {
  artworkId: string;
  widthPx: number;
  heightPx: number;
  /** Within this of the rectangle's border it fades out. */
  fadePx: number;
  /** Read by the nearest texel, whatever the scene does. */
  crisp: boolean;
  playing: boolean;
}

/** What a light is, wherever it stands. */
export interface LightLook {
  kind: LightKind;
  colour: string;
  stops: ColourStop[];
  level: number;
  blend: Blend;
  /** It gives to the rims of sprites alone. */
  rim: boolean;
  /** An ambient light takes the place of the scene's where it reaches, or is added to it. */
  replaces: boolean;
  corePx: number;
  reachPx: number;
  /** How many times wider than high its figure is. */
  squash: number;
  curve: FallCurve;
  /** Points of the drawn curve, share of the way and what is left there in turn, from 0 to 1. */
  drawnCurve: number[];
  steepness: number;
  heightPx: number;
  /** Where a spot points; where a sun, or a parallel source, comes from. */
  bearingDeg: number;
  altitudeDeg: number;
  beamDeg: number;
  fieldDeg: number;
  /** Of an area, or of where an ambient light holds (none is everywhere); px from the light's place. */
  outlines: number[][];
  smooth: number[][];
  featherPx: number;
  /** Turns outlines and the gobo. */
  turnDeg: number;
  source: Source;
  /** A point source, from the light's place. */
  sourceX: number;
  sourceY: number;
  gobo: Gobo | null;
  /** Steps of brightness; 0 is smooth. */
  bands: number;
  dither: boolean;
  /** Cells within which the light is the same; 0 is none. */
  blockPx: number;
  /** How much of the light is seen hanging in the air, 0 to 1. */
  air: number;
  /** How far round light reaches surfaces that face away, 0 to 1. */
  wrap: number;
  /** How much the facing of surfaces counts, 0 to 1. */
  relief: number;
  shadows: boolean;
  /** Half the length of what shines: 0 throws hard shadows. */
  sizePx: number;
  /** Half the angle that a parallel source fills. */
  sizeDeg: number;
  /** How dark its shadows are, and their colour. */
  shadowOpacity: number;
  shadowColour: string;
  /** It can be baked: its wick rests and it stands as at second 0. */
  still: boolean;
}

/** How an occluder stops light. */
export interface Shade {
  /** Whether what casts the shadow lies in it. */
  ownShade: OwnShade;
  /** How far light enters it where it lies in its own shade. */
  soakPx: number;
  /** The share of light that comes through, and its colour. */
  transmitShare: number;
  transmitColour: string;
  /** Its height above the ground; null throws endless shadows. */
  staturePx: number | null;
}

/** The occluders that stop a light: those of planes and sets that are named. */
export interface StoppedBy {
  planeIds: string[];
  setIds: string[];
}
