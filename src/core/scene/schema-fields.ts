/** The fields that records are made of, each as it must be. */
import { array, boolean, number, object, string } from 'yup';
import { LIMITS } from '../limits';
import {
  ANSWERS,
  BLENDS,
  FALL_CURVES,
  LIGHT_KINDS,
  OCCLUDER_KINDS,
  OWN_SHADES,
  SOURCES,
  WICK_KINDS,
} from './document';

export const ID = /^[a-z0-9-]{1,64}$/;
/** Bounds also keep out what is not finite. */
export const within = (low: number, high: number) => number().strict().required().min(low).max(high);
export const coordinate = () => within(-LIMITS.coordinatePx, LIMITS.coordinatePx);
export const flag = () => boolean().strict().required();
export const colour = () =>
  string()
    .strict()
    .required()
    .matches(/^#[0-9a-fA-F]{6}$/, '${path} must be a colour like #c9a25c');
export const name = () => string().strict().defined().max(LIMITS.nameLength);
export const id = () => string().strict().required().matches(ID, '${path} must be an id');
export const idOrNull = () => id().nullable().defined().notRequired().default(null);
export const order = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9A-Za-z]{1,200}$/, '${path} must be an order key');
export const sha = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9a-f]{64}$/, '${path} must be a sha-256');
export const oneOf = <T extends string>(values: readonly T[]) => string().strict().required().oneOf(values);
/** Scales reach down to a hundredth and never to zero, which would flatten the sprite. */
export const scale = () => within(0.01, 64);

export function lightLook() {
  return {
    kind: oneOf(LIGHT_KINDS),
    colour: colour(),
    stops: array()
      .of(object({ at: within(0, 1), colour: colour() }).required())
      .required()
      .min(0)
      .max(LIMITS.colourStops),
    level: within(0, 256),
    blend: oneOf(BLENDS),
    rim: flag(),
    replaces: flag(),
    corePx: within(0, LIMITS.coordinatePx),
    reachPx: within(1, LIMITS.coordinatePx),
    squash: within(0.05, 20),
    curve: oneOf(FALL_CURVES),
    drawnCurve: array()
      .of(within(0, 1))
      .required()
      .min(4)
      .max(2 * LIMITS.curvePoints)
      .test('curve', '${path} must hold shares and values in pairs, the shares rising', (points) =>
        isCurve((points ?? []) as number[]),
      ),
    steepness: within(0.1, 10),
    heightPx: within(0, 100_000),
    bearingDeg: within(-36000, 36000),
    altitudeDeg: within(-90, 90),
    beamDeg: within(0, 360),
    fieldDeg: within(0, 360),
    ...outlines(),
    featherPx: within(0, LIMITS.coordinatePx),
    turnDeg: within(-36000, 36000),
    source: oneOf(SOURCES),
    sourceX: coordinate(),
    sourceY: coordinate(),
    gobo: object({
      artworkId: id(),
      widthPx: plainSide(),
      heightPx: plainSide(),
      fadePx: within(0, LIMITS.coordinatePx),
      crisp: flag(),
      playing: flag(),
    })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    bands: within(0, LIMITS.bands).integer(),
    dither: flag(),
    blockPx: within(0, LIMITS.blockPx).integer(),
    air: within(0, 1),
    wrap: within(0, 1),
    relief: within(0, 1),
    shadows: flag(),
    sizePx: within(0, 10_000),
    sizeDeg: within(0, 45),
    shadowOpacity: within(0, 1),
    shadowColour: colour(),
    still: flag(),
  };
}

/** Shares and values in turn, the shares rising. */
function isCurve(points: readonly number[]): boolean {
  if (points.length % 2 !== 0) return false;
  for (let i = 2; i < points.length; i += 2) if (points[i] <= points[i - 2]) return false;
  return true;
}

export function shade() {
  return {
    ownShade: oneOf(OWN_SHADES),
    soakPx: within(0, 10_000),
    transmitShare: within(0, 1),
    transmitColour: colour(),
    staturePx: within(0, 100_000).nullable().defined().notRequired().default(null),
  };
}

export function fixture() {
  return {
    name: name(),
    planeId: id(),
    order: order(),
    hangsOn: hanging(),
    blockedByCarrier: flag(),
    stoppedBy: object({ planeIds: ids(LIMITS.planes), setIds: ids(LIMITS.sets) })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    setIds: ids(LIMITS.sets),
    circuitIds: ids(LIMITS.circuits),
    x: coordinate(),
    y: coordinate(),
    spanFarId: idOrNull(),
    spanNearId: idOrNull(),
    hidden: flag(),
    locked: flag(),
  };
}

export function lightPart() {
  return {
    id: id(),
    name: name(),
    x: coordinate(),
    y: coordinate(),
    ...lightLook(),
    wick: wick().nullable().defined().notRequired().default(null),
  };
}

export function flamePart() {
  return {
    id: id(),
    name: name(),
    artworkId: id(),
    x: coordinate(),
    y: coordinate(),
    turnDeg: within(-36000, 36000),
    scaleX: scale(),
    scaleY: scale(),
    flipX: flag(),
    opacity: within(0, 1),
    frame: frameNumber(),
    playing: flag(),
    answer: oneOf(ANSWERS),
    glowLevel: within(0, 256),
  };
}

/** Fields of a part that a lamp overrides: any of a light's or a flame's but the id, each as it must be. */
const OVERRIDABLE = new Map<string, ReturnType<typeof flag> | ReturnType<typeof within>>(
  Object.entries({ ...flamePart(), ...lightPart() }).filter(([field]) => field !== 'id') as [],
);

export function isOverride(fields: unknown): boolean {
  if (typeof fields !== 'object' || fields === null || Array.isArray(fields)) return false;
  return Object.entries(fields).every(
    ([field, value]) => OVERRIDABLE.get(field)?.isValidSync(value, { strict: true }) ?? false,
  );
}

export function wick() {
  return object({
    name: name(),
    kind: oneOf(WICK_KINDS),
    rateHz: within(0.01, 60),
    roughness: within(0, 1),
    levelLow: within(0, 8),
    levelHigh: within(0, 8),
    reachLow: within(0.01, 8),
    reachHigh: within(0.01, 8),
    reachLagSeconds: within(0, 10),
    seed: within(0, 0xffffffff).integer(),
    loopSeconds: within(0.5, 600),
  });
}

export function ids(most: number) {
  return array().of(id()).required().min(0).max(most);
}

export function hanging() {
  return object({ spriteId: id(), bracketId: idOrNull() }).nullable().defined().notRequired().default(null);
}

export function plainSide() {
  return within(1, LIMITS.coordinatePx);
}

export function outlines() {
  return {
    outlines: array().of(outline()).required().min(0).max(LIMITS.outlines),
    smooth: array()
      .of(array().of(within(0, LIMITS.outlinePoints).integer()).required().min(0).max(LIMITS.outlinePoints))
      .required()
      .min(0)
      .max(LIMITS.outlines),
  };
}

export function artworkOccluder() {
  return object({
    id: id(),
    name: name(),
    kind: oneOf(OCCLUDER_KINDS),
    ...shade(),
    ...outlines(),
    frames: array()
      .of(object({ frame: frameNumber(), ...outlines() }).required())
      .required()
      .min(0)
      .max(LIMITS.frames),
  }).required();
}

export function pixel() {
  return within(0, LIMITS.pictureSidePx - 1).integer();
}

export function frameNumber() {
  return within(0, LIMITS.frames - 1).integer();
}

export function answerOrNull() {
  return oneOf(ANSWERS).nullable().defined().notRequired().default(null);
}

export function bracketPlace() {
  return { x: coordinate(), y: coordinate(), turnDeg: within(-36000, 36000) };
}

export function bracket() {
  const place = object({ frame: frameNumber(), ...bracketPlace() });
  return object({
    id: id(),
    name: name(),
    ...bracketPlace(),
    places: array().of(place.required()).required().min(0).max(LIMITS.frames),
  }).required();
}

export function shaOrNull() {
  return sha().nullable().defined().notRequired().default(null);
}

export function outline() {
  return array()
    .of(coordinate())
    .required()
    .min(4)
    .max(2 * LIMITS.outlinePoints)
    .test('pairs', '${path} must hold x and y in pairs', (points) => (points?.length ?? 0) % 2 === 0);
}
