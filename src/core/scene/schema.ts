/** What may stand in a scene document, field by field. Fields that are not named here are kept as they are. */
import { array, object, string, type AnyObjectSchema } from 'yup';
import { CELL_LIMIT } from '../art/tiles';
import { LIMITS } from '../limits';
import { LIGHT_SPACES } from '../raster/colour';
import { cellsSchema, recipeSchema } from '../relief/recipe';
import { IMPORTED_USES } from '../relief/source';
import { STROKE_AREAS, STROKE_KINDS } from '../relief/strokes/stroke';
import { ANSWERS, CHUNK_CELLS, FRAME_LOOPS, OCCLUDER_KINDS, TONES, type CollectionName } from './document';
import {
  ID,
  answerOrNull,
  artworkOccluder,
  bracket,
  colour,
  coordinate,
  fixture,
  flag,
  flamePart,
  frameNumber,
  hanging,
  id,
  idOrNull,
  ids,
  isOverride,
  lightLook,
  lightPart,
  name,
  oneOf,
  order,
  outlines,
  pixel,
  plainSide,
  scale,
  sha,
  shade,
  shaOrNull,
  wick,
  within,
} from './schema-fields';

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
    viewTiltDeg: within(0, 90),
    exposureStops: within(-16, 16),
    tone: oneOf(TONES),
    whiteLevel: within(1, 256),
  }),
  planes: object({
    name: name(),
    order: order(),
    parallax: within(-4, 4),
    tint: colour(),
    answer: oneOf(ANSWERS),
    circuitIds: ids(LIMITS.circuits),
    overlay: flag(),
    tiles: object({
      artworkId: id(),
      x: coordinate(),
      y: coordinate(),
      cellWidthPx: within(1, LIMITS.pictureSidePx).integer(),
      cellHeightPx: within(1, LIMITS.pictureSidePx).integer(),
      blocks: flag(),
      ...shade(),
    })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    hidden: flag(),
    locked: flag(),
  }),
  sprites: object({
    name: name(),
    planeId: id(),
    order: order(),
    artworkId: idOrNull(),
    plain: object({ colour: colour(), widthPx: plainSide(), heightPx: plainSide() })
      .nullable()
      .defined()
      .notRequired()
      .default(null),
    hangsOn: hanging(),
    setIds: ids(LIMITS.sets),
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
    circuitIds: ids(LIMITS.circuits).nullable().defined().notRequired().default(null),
    ownOccluders: flag(),
    glowLevel: within(0, 256),
    takesShadows: flag(),
    seenGain: within(0, 256),
    castsShape: flag(),
    hidden: flag(),
    locked: flag(),
  }),
  lights: object({ ...lightLook(), ...fixture(), wickId: idOrNull() }),
  occluders: object({
    name: name(),
    planeId: id(),
    spriteId: idOrNull(),
    kind: oneOf(OCCLUDER_KINDS),
    ...outlines(),
    ...shade(),
    setIds: ids(LIMITS.sets),
    hidden: flag(),
    locked: flag(),
  }),
  wicks: wick(),
  cues: object({
    clockHours: within(0, 24).lessThan(24),
    ambientColour: colour().nullable().defined().notRequired(),
    ambientLevel: within(0, 256).nullable().defined().notRequired(),
  }),
  chunks: object({
    planeId: id(),
    column: within(-100_000, 100_000).integer(),
    row: within(-100_000, 100_000).integer(),
    cells: array()
      .of(within(0, CELL_LIMIT).integer())
      .required()
      .min(CHUNK_CELLS * CHUNK_CELLS)
      .max(CHUNK_CELLS * CHUNK_CELLS),
  }),
  lamps: object({
    ...fixture(),
    luminaireId: id(),
    turnDeg: within(-36000, 36000),
    flipX: flag(),
    level: within(0, 256),
    overrides: object()
      .required()
      .test('parts', '${path} must hold fields of lights or flames by their ids', (value) =>
        Object.entries(value as Record<string, unknown>).every(
          ([partId, fields]) => ID.test(partId) && isOverride(fields),
        ),
      ),
  }),
  sets: object({ name: name(), order: order() }),
  circuits: object({ name: name(), order: order() }),
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
    occluders: array().of(artworkOccluder()).required().min(0).max(LIMITS.artworkOccluders),
    lamps: array()
      .of(object({ luminaireId: id(), bracketId: idOrNull(), x: coordinate(), y: coordinate() }).required())
      .required()
      .min(0)
      .max(LIMITS.artworkLamps),
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
  luminaires: object({
    name: name(),
    lights: array().of(object(lightPart()).required()).required().min(0).max(LIMITS.luminaireParts),
    flames: array().of(object(flamePart()).required()).required().min(0).max(LIMITS.luminaireParts),
  }),
};
