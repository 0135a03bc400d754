/** What may stand in a scene document, field by field. Fields that are not named here are kept as they are. */
import { array, boolean, number, object, string, ValidationError, type AnyObjectSchema } from 'yup';
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { LIGHT_SPACES } from '../raster/colour';
import { cellsSchema, recipeSchema } from '../relief/recipe';
import { IMPORTED_USES } from '../relief/source';
import { STROKE_AREAS, STROKE_KINDS } from '../relief/strokes/stroke';
import {
  ANSWERS,
  COLLECTION_NAMES,
  FALL_CURVES,
  FRAME_LOOPS,
  LIGHT_KINDS,
  OCCLUDER_KINDS,
  OWN_SHADES,
  SCENE_FORMAT,
  SCENE_VERSION,
  SETTINGS_ID,
  WICK_KINDS,
  type CollectionName,
  type SceneDocument,
} from './document';
import type { Edit } from './edits';
import { upgraded } from './versions';

const ID = /^[a-z0-9-]{1,64}$/;
/** Bounds also keep out what is not finite. */
const within = (low: number, high: number) => number().strict().required().min(low).max(high);
const coordinate = () => within(-LIMITS.coordinatePx, LIMITS.coordinatePx);
const flag = () => boolean().strict().required();
const colour = () =>
  string()
    .strict()
    .required()
    .matches(/^#[0-9a-fA-F]{6}$/, '${path} must be a colour like #c9a25c');
const name = () => string().strict().defined().max(LIMITS.nameLength);
const id = () => string().strict().required().matches(ID, '${path} must be an id');
const idOrNull = () => id().nullable().defined().notRequired().default(null);
const order = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9A-Za-z]{1,200}$/, '${path} must be an order key');
const sha = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9a-f]{64}$/, '${path} must be a sha-256');
const oneOf = <T extends string>(values: readonly T[]) => string().strict().required().oneOf(values);
/** Scales reach down to a hundredth and never to zero, which would flatten the sprite. */
const scale = () => within(0.01, 64);

export const SCHEMAS: Record<CollectionName, AnyObjectSchema> = {
  settings: object({
    pixelArt: flag(),
    lightSpace: oneOf(LIGHT_SPACES),
    backdropColour: colour(),
    backdropLit: flag(),
    gateX: coordinate(),
    gateY: coordinate(),
    gateWidthPx: within(1, LIMITS.gateSidePx),
    gateHeightPx: within(1, LIMITS.gateSidePx),
    ambientColour: colour(),
    ambientLevel: within(0, 256),
    clockHours: within(0, 24),
  }),
  planes: object({
    name: name(),
    order: order(),
    parallax: within(-4, 4),
    tint: colour(),
    answer: oneOf(ANSWERS),
    hidden: flag(),
    locked: flag(),
  }),
  sprites: object({
    name: name(),
    planeId: id(),
    order: order(),
    artworkId: id(),
    x: coordinate(),
    y: coordinate(),
    turnDeg: within(-36000, 36000),
    scaleX: scale(),
    scaleY: scale(),
    flipX: flag(),
    flipY: flag(),
    opacity: within(0, 1),
    frame: frameNumber(),
    playing: flag(),
    answer: answerOrNull(),
    glowLevel: within(0, 256),
    takesShadows: flag(),
    hidden: flag(),
    locked: flag(),
  }),
  lights: object({
    name: name(),
    kind: oneOf(LIGHT_KINDS),
    planeId: id(),
    order: order(),
    x: coordinate(),
    y: coordinate(),
    colour: colour(),
    level: within(0, 256),
    corePx: within(0, LIMITS.coordinatePx),
    reachPx: within(1, LIMITS.coordinatePx),
    curve: oneOf(FALL_CURVES),
    steepness: within(0.1, 10),
    heightPx: within(0, 100_000),
    air: within(0, 1),
    relief: within(0, 1),
    shadows: flag(),
    spanFarId: idOrNull(),
    spanNearId: idOrNull(),
    wickId: idOrNull(),
    hidden: flag(),
    locked: flag(),
  }),
  occluders: object({
    name: name(),
    planeId: id(),
    spriteId: idOrNull(),
    kind: oneOf(OCCLUDER_KINDS),
    outlines: array().of(outline()).required().max(LIMITS.outlinePoints),
    ownShade: oneOf(OWN_SHADES),
    hidden: flag(),
    locked: flag(),
  }),
  wicks: object({
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
  }),
  cues: object({
    clockHours: within(0, 24).lessThan(24),
    ambientColour: colour().nullable().defined().notRequired(),
    ambientLevel: within(0, 256).nullable().defined().notRequired(),
  }),
  artworks: object({
    name: name(),
    imageSha: sha(),
    widthPx: within(1, LIMITS.pictureSidePx).integer(),
    heightPx: within(1, LIMITS.pictureSidePx).integer(),
    pixelArt: flag(),
    frames: array()
      .of(
        object({
          name: name(),
          left: pixel(),
          top: pixel(),
          widthPx: within(1, LIMITS.pictureSidePx).integer(),
          heightPx: within(1, LIMITS.pictureSidePx).integer(),
          shiftX: coordinate(),
          shiftY: coordinate(),
          seconds: within(0.001, 3600).nullable().defined().notRequired().default(null),
        }).required(),
      )
      .required()
      .min(0)
      .max(LIMITS.frames),
    rateHz: within(0.01, 240),
    loop: oneOf(FRAME_LOOPS),
    pivotX: coordinate(),
    pivotY: coordinate(),
    foot: array()
      .of(coordinate())
      .required()
      .min(0)
      .max(4)
      .test('ends', '${path} must be empty, a point or a line', (at) => [0, 2, 4].includes(at?.length ?? 0)),
    brackets: array().of(bracket()).required().min(0).max(LIMITS.brackets),
    answer: answerOrNull(),
    takesShadows: flag(),
    tags: array().of(string().strict().required().max(LIMITS.tagLength)).required().min(0).max(LIMITS.tags),
    binned: flag(),
    glowSha: shaOrNull(),
    cells: cellsSchema.nullable().defined().notRequired().default(null),
  }),
  reliefs: object({
    recipe: recipeSchema,
    borrowedId: idOrNull(),
    layers: array()
      .of(object({ id: id(), name: name(), hidden: flag() }).required())
      .required()
      .min(0)
      .max(LIMITS.strokeLayers),
    partStrokes: array()
      .of(
        object({
          kind: oneOf(['join', 'split'] as const),
          points: array().of(coordinate()).required().min(2).max(LIMITS.strokePoints),
        }).required(),
      )
      .required()
      .min(0)
      .max(LIMITS.partStrokes),
    normals: object({ sha: sha(), yUp: flag(), use: oneOf(IMPORTED_USES), share: within(-4, 4) })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    heights: object({ sha: sha(), lowPx: within(-512, 512), highPx: within(-512, 512) })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    rimSha: shaOrNull(),
    occlusionSha: shaOrNull(),
    madeForSha: shaOrNull(),
  }),
  strokes: object({
    artworkId: id(),
    layerId: id(),
    order: order(),
    kind: oneOf(STROKE_KINDS),
    area: oneOf(STROKE_AREAS),
    points: array()
      .of(coordinate())
      .required()
      .min(0)
      .max(3 * LIMITS.strokePoints)
      .test(
        'triples',
        '${path} must hold x, y and pressure in turn',
        (points) => (points?.length ?? 0) % 3 === 0,
      ),
    sizePx: within(0.5, LIMITS.pictureSidePx),
    hardness: within(0, 1),
    opacity: within(0, 1),
    heightPx: within(0, 512),
    faceX: within(-1, 1),
    faceY: within(-1, 1),
    level: within(0, 1),
    pictureSha: shaOrNull(),
  }),
  recipes: object({ name: name(), recipe: recipeSchema }),
};

function pixel() {
  return within(0, LIMITS.pictureSidePx - 1).integer();
}

function frameNumber() {
  return within(0, LIMITS.frames - 1).integer();
}

function answerOrNull() {
  return oneOf(ANSWERS).nullable().defined().notRequired().default(null);
}

function bracketPlace() {
  return { x: coordinate(), y: coordinate(), turnDeg: within(-36000, 36000) };
}

function bracket() {
  const place = object({ frame: frameNumber(), ...bracketPlace() });
  return object({
    id: id(),
    name: name(),
    ...bracketPlace(),
    places: array().of(place.required()).required().min(0).max(LIMITS.frames),
  }).required();
}

function shaOrNull() {
  return sha().nullable().defined().notRequired().default(null);
}

function outline() {
  return array()
    .of(coordinate())
    .required()
    .min(4)
    .max(2 * LIMITS.outlinePoints)
    .test('pairs', '${path} must hold x and y in pairs', (points) => (points?.length ?? 0) % 2 === 0);
}

const COUNTS: Partial<Record<CollectionName, number>> = {
  planes: LIMITS.planes,
  sprites: LIMITS.sprites,
  lights: LIMITS.lights,
  occluders: LIMITS.occluders,
  wicks: LIMITS.wicks,
  cues: LIMITS.cues,
  artworks: LIMITS.artworks,
  strokes: LIMITS.strokes,
  recipes: LIMITS.recipes,
};

/** @throws InputFault naming collection, record and field */
export function checkRecord(collection: CollectionName, recordId: string, record: unknown): void {
  if (!ID.test(recordId)) throw new InputFault(`"${recordId}" is not an id.`, collection);
  if (collection === 'settings' && recordId !== SETTINGS_ID) {
    throw new InputFault(`The settings have one record, "${SETTINGS_ID}"; got "${recordId}".`, collection);
  }
  const path = `${collection}.${recordId}`;
  if (typeof record !== 'object' || record === null || Array.isArray(record)) {
    throw new InputFault(`${path} must be a record.`, path);
  }
  try {
    SCHEMAS[collection].validateSync(record, { strict: true, abortEarly: true });
  } catch (cause) {
    if (!(cause instanceof ValidationError)) throw cause;
    const field = cause.path ? `${path}.${cause.path}` : path;
    throw new InputFault(`${path}: ${cause.message}`, field, { cause });
  }
}

/**
 * A document as it came from a file or the database, checked and brought to the newest version.
 * @throws InputFault naming the record and the field
 */
export function readScene(value: unknown): SceneDocument {
  if (typeof value !== 'object' || value === null) throw new InputFault('A scene must be a JSON object.');
  const raw = upgraded(value as Record<string, unknown>);
  if (raw.format !== SCENE_FORMAT)
    throw new InputFault(
      `The format must be "${SCENE_FORMAT}"; got ${JSON.stringify(raw.format)}.`,
      'format',
    );
  if (raw.version !== SCENE_VERSION) {
    throw new InputFault(
      `Version ${JSON.stringify(raw.version)} of the scene format is not known here; the newest is ${SCENE_VERSION}.`,
      'version',
    );
  }
  for (const collection of COLLECTION_NAMES) {
    const records = raw[collection];
    if (typeof records !== 'object' || records === null || Array.isArray(records)) {
      throw new InputFault(`${collection} must be a collection of records.`, collection);
    }
    checkCount(collection, Object.keys(records).length);
    for (const [recordId, record] of Object.entries(records)) checkRecord(collection, recordId, record);
  }
  const scene = raw as unknown as SceneDocument;
  if (!scene.settings[SETTINGS_ID]) throw new InputFault('The scene has no settings.', 'settings');
  checkCues(scene);
  return scene;
}

/** Checks the records that edits touched, in the scene as it is after them. @throws InputFault */
export function checkEdited(scene: SceneDocument, edits: readonly Edit[]): void {
  for (const { collection, id: recordId } of edits) {
    const record = scene[collection][recordId];
    if (record !== undefined) checkRecord(collection, recordId, record);
  }
  for (const collection of new Set(edits.map((edit) => edit.collection))) {
    checkCount(collection, Object.keys(scene[collection]).length);
  }
  if (!scene.settings[SETTINGS_ID]) throw new InputFault('The settings cannot be deleted.', 'settings');
  if (edits.some((edit) => edit.collection === 'cues')) checkCues(scene);
}

function checkCount(collection: CollectionName, count: number): void {
  const most = COUNTS[collection];
  if (most !== undefined && count > most) {
    throw new InputFault(
      `A scene holds at most ${most} ${collection}; this one would have ${count}.`,
      collection,
    );
  }
}

function checkCues(scene: SceneDocument): void {
  const seen = new Map<number, string>();
  for (const [cueId, cue] of Object.entries(scene.cues)) {
    if (seen.has(cue.clockHours)) {
      throw new InputFault(
        `There is a cue at this hour already (${cue.clockHours}).`,
        `cues.${cueId}.clockHours`,
      );
    }
    seen.set(cue.clockHours, cueId);
  }
}
