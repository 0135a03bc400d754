/** What a light is, wherever it stands. It keeps the fields of every kind, so that what fits comes back with the kind. */
import { array, object, type InferType } from 'yup';
import { coordinate } from '../../coordinates';
import {
  colour,
  degrees,
  flag,
  lengthPx,
  level,
  list,
  naming,
  oneOf,
  outlineFields,
  share,
  whole,
  within,
} from '../../fields';
import { LIMITS } from '../../limits';
import { LIGHT_KINDS } from '../../moment/light-kinds/all-kinds';
import { FOLLOWED } from '../../time/sky-fields';
import { defaultsOf } from './defaults-of';
import type { Given } from './kind';

export const FALL_CURVES = ['straight', 'eased', 'natural', 'even', 'drawn'] as const;
export type FallCurve = (typeof FALL_CURVES)[number];

/** How lights come together: sums, the brighter one, the art as it was drawn and no brighter, and taking away. */
export const BLENDS = ['add', 'lighten', 'uncover', 'subtract'] as const;
export type Blend = (typeof BLENDS)[number];

/** Where the light of areas and gobos comes from: a place behind them, or one direction everywhere. */
export const SOURCES = ['point', 'parallel'] as const;
export type Source = (typeof SOURCES)[number];

const gobo = object({
  artworkId: naming('artworks', 'needs'),
  widthPx: within(1, LIMITS.coordinatePx).meta({
    about: "Of the rectangle that it fills; its middle is the light's place",
  }),
  heightPx: within(1, LIMITS.coordinatePx),
  fadePx: lengthPx().default(0).meta({ about: "Within this of the rectangle's border it fades out" }),
  crisp: flag().default(false).meta({ about: 'Read by the nearest texel, whatever the scene does' }),
  playing: flag().default(true).meta({ about: 'Whether the frames of its artwork are played' }),
  frame: whole(0, LIMITS.frames - 1)
    .default(0)
    .meta({ about: 'The frame that shows, or that playing begins with, from 0' }),
  speed: within(0.05, 20).default(1).meta({ about: "Multiplies the rate of its artwork's frames" }),
});

/** Shares and values in turn, the shares rising. */
function isCurve(points: readonly number[]): boolean {
  if (points.length % 2 !== 0) return false;
  for (let i = 2; i < points.length; i += 2) if (points[i] <= points[i - 2]) return false;
  return true;
}

export const lookFields = () => {
  const { outlines, smooth } = outlineFields();
  return {
    kind: oneOf(LIGHT_KINDS).default('point'),
    colour: colour().default('#ffd9a0'),
    stops: list(object({ at: share(), colour: colour() }).required(), LIMITS.colourStops)
      .default(() => [])
      .meta({ about: 'Colours on the way from core (`at` 0) to reach (1); `colour` stands at 0' }),
    level: level().default(1.5).meta({ about: 'Strength; 1 is the paper white of the art' }),
    blend: oneOf(BLENDS).default('add'),
    rim: flag().default(false).meta({ about: 'It gives to the rims of sprites alone' }),
    replaces: flag()
      .default(true)
      .meta({ about: "An ambient light takes the place of the scene's, or is added to it" }),
    corePx: lengthPx().default(6).meta({ about: 'Up to here it is full' }),
    reachPx: within(1, LIMITS.coordinatePx).default(120).meta({ about: 'Here it ends' }),
    squash: within(0.05, 20).default(1).meta({ about: 'How many times wider than high its figure is' }),
    curve: oneOf(FALL_CURVES).default('natural').meta({ about: 'How it falls off from core to reach' }),
    drawnCurve: array()
      .of(share())
      .required()
      .min(4)
      .max(2 * LIMITS.curvePoints)
      .test('curve', '${path} must hold shares and values in pairs, the shares rising', (points) =>
        isCurve((points ?? []) as number[]),
      )
      .default(() => [0, 1, 0.35, 0.55, 1, 0])
      .meta({ about: 'Points of the drawn curve: share of the way, and what is left there, in turn' }),
    steepness: within(0.1, 10).default(1).meta({ about: 'Exponent of the curve' }),
    heightPx: within(0, LIMITS.heightPx).default(32).meta({ about: 'Height above the plane' }),
    bearingDeg: degrees()
      .default(90)
      .meta({ about: 'Where a spot points; where a sun, or a parallel source, comes from' }),
    follows: oneOf(FOLLOWED)
      .default('nothing')
      .meta({ about: 'A sun that follows the sky stands where the sun or the moon does, and sets with it' }),
    altitudeDeg: within(-90, 90)
      .default(45)
      .meta({ about: "Of a sun, or a parallel source, above the picture's plane" }),
    beamDeg: within(0, 360).default(24).meta({ about: 'Full inside' }),
    fieldDeg: within(0, 360).default(46).meta({ about: 'Nothing outside' }),
    outlines: outlines
      .default(() => [])
      .meta({
        about: 'Of an area, or of where an ambient light holds (none is everywhere); px from its place',
      }),
    smooth,
    featherPx: lengthPx().default(10).meta({ about: 'How far it reaches beyond its outlines' }),
    turnDeg: degrees().default(0).meta({ about: 'Turns outlines and the gobo' }),
    source: oneOf(SOURCES).default('point').meta({ about: 'Of areas and gobos' }),
    sourceX: coordinate().default(0).meta({ about: "A point source, from the light's place" }),
    sourceY: coordinate().default(0),
    gobo: gobo.nullable().defined().default(null).meta({ about: 'A picture that shapes the light' }),
    bands: whole(0, LIMITS.bands).default(0).meta({ about: 'Steps of brightness; 0 is smooth' }),
    dither: flag().default(false).meta({ about: 'Between bands' }),
    blockPx: whole(0, LIMITS.blockPx)
      .default(0)
      .meta({ about: 'Cells within which the light is the same; 0 is none' }),
    air: share().default(0).meta({ about: 'How much of it is seen hanging in the air' }),
    wrap: share().default(0).meta({ about: 'How far round it reaches surfaces that face away' }),
    relief: share().default(1).meta({ about: 'How much the facing of surfaces counts' }),
    shadows: flag().default(true),
    sizePx: within(0, LIMITS.softPx)
      .default(0)
      .meta({ about: 'Half the length of what shines: 0 throws hard shadows' }),
    sizeDeg: within(0, 45).default(0.5).meta({ about: 'Half the angle that a parallel source fills' }),
    shadowOpacity: share().default(1).meta({ about: 'How dark its shadows are' }),
    shadowColour: colour().default('#000000'),
    still: flag()
      .default(false)
      .meta({ about: 'It can be baked: its wick rests and it stands as at second 0' }),
  };
};

const look = object(lookFields());
export type LightLook = InferType<typeof look>;
export type ColourStop = LightLook['stops'][number];
export type Gobo = NonNullable<LightLook['gobo']>;

export function newGobo(fields: Given<Gobo, 'artworkId' | 'widthPx' | 'heightPx'>): Gobo {
  return { ...(defaultsOf(gobo) as Partial<Gobo>), ...fields } as Gobo;
}

export const NEW_LOOK = defaultsOf(look) as LightLook;
export const LOOK_FIELDS = Object.keys(look.fields) as (keyof LightLook)[];
