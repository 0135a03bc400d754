/** A recipe: what height and normals are made of. Every field of the file may be left out. */
import { array, boolean, number, object, string, ValidationError, type InferType } from 'yup';
import { InputFault } from '../faults';
import { LIMITS } from '../limits';

export const RECIPE_FORMAT = 'oilwick-recipe';
export const RECIPE_VERSION = 1;
export const BODY_KINDS = ['none', 'bevel', 'inflate'] as const;
export const PROFILES = ['round', 'chamfer', 'cove', 'step'] as const;
export const SEAMLESS = ['none', 'x', 'y', 'both'] as const;
export const PIXEL_ART = ['auto', 'yes', 'no'] as const;
export const REGIONS = ['silhouette', 'outlines', 'colours'] as const;
/** Wavelengths of the grain's octaves, px of the art. */
export const OCTAVES_PX = [1, 2, 4, 8, 16] as const;

const within = (low: number, high: number, value: number) =>
  number().strict().min(low).max(high).default(value);

const share = (value: number) => within(0, 1, value);
const whole = (low: number, high: number, value: number) => within(low, high, value).integer();

const swatchSchema = object({
  colour: string()
    .strict()
    .required()
    .matches(/^#[0-9a-fA-F]{6}$/, '${path} must be a colour like #c9a25c'),
  /** Added to the height where the art has this colour. */
  heightPx: within(-LIMITS.reliefPx, LIMITS.reliefPx, 0),
  /** Whether its tone gives no grain. */
  mute: boolean().strict().default(false),
  /** How much of it is self-lit in the glow mask. */
  glow: share(0),
}).noUnknown('a swatch has no field called ${unknown}');

/** A sheet's grid. Without columns and rows a picture is one cell. */
export const cellsSchema = object({
  columns: whole(1, LIMITS.sheetCells, 1),
  rows: whole(1, LIMITS.sheetCells, 1),
  marginPx: whole(0, LIMITS.pictureSidePx, 0),
  gapPx: whole(0, LIMITS.pictureSidePx, 0),
}).noUnknown('cells have no field called ${unknown}');

export type Cells = InferType<typeof cellsSchema>;
export type Swatch = InferType<typeof swatchSchema>;

export const recipeSchema = object({
  format: string().strict().oneOf([RECIPE_FORMAT]).default(RECIPE_FORMAT),
  version: number().strict().oneOf([RECIPE_VERSION]).default(RECIPE_VERSION),
  body: object({
    kind: string().strict().oneOf(BODY_KINDS).default('bevel'),
    widthPx: within(0.5, 2048, 6),
    heightPx: within(-LIMITS.reliefPx, LIMITS.reliefPx, 4),
    profile: string().strict().oneOf(PROFILES).default('round'),
    fullness: within(-4, 4, 1),
    regions: string().strict().oneOf(REGIONS).default('silhouette'),
    /** How much of the body comes from the parts, the rest from the whole. */
    partShare: share(0.5),
  }).noUnknown('body has no field called ${unknown}'),
  grain: object({
    heightPx: within(-64, 64, 1),
    octaves: array()
      .of(number().strict().min(-4).max(4).required())
      .length(OCTAVES_PX.length)
      .default([1, 0.8, 0.5, 0.3, 0.1]),
    smoothPx: within(0, 16, 1),
    outlineGuard: share(0.7),
    /** How much of the grain is added; less than all mostly to a borrowed relief. */
    share: share(1),
  }).noUnknown('grain has no field called ${unknown}'),
  swatches: array().of(swatchSchema.required()).max(LIMITS.swatches).default([]),
  strength: within(0, 16, 1),
  sandingPx: within(0, 64, 0),
  seamless: string().strict().oneOf(SEAMLESS).default('none'),
  cells: cellsSchema,
  rim: object({
    widthPx: within(0.5, 512, 3),
    hardness: share(0.5),
    /** Where the light comes from that the rim catches, clockwise from the right; null is all round. */
    sideDeg: number().strict().min(-360).max(360).nullable().default(null),
  }).noUnknown('rim has no field called ${unknown}'),
  pixelArt: string().strict().oneOf(PIXEL_ART).default('auto'),
  facings: object({
    /** 0 leaves facings as they are, else they point into so many directions. */
    directions: whole(0, 64, 0),
    /** 0 leaves tilts as they are, else they are multiples of 90 degrees by this. */
    tilts: whole(0, 32, 0),
    dither: boolean().strict().default(false),
  }).noUnknown('facings has no field called ${unknown}'),
})
  .noUnknown('a recipe has no field called ${unknown}')
  .required();

export type Recipe = InferType<typeof recipeSchema>;

/**
 * A recipe file's JSON made whole: what is left out gets its default.
 * @throws InputFault naming the field that is unknown or out of range
 */
export function readRecipe(value: unknown): Recipe {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw new InputFault('A recipe must be a JSON object.');
  }
  try {
    recipeSchema.validateSync(value, { strict: true });
  } catch (cause) {
    if (!(cause instanceof ValidationError)) throw cause;
    throw new InputFault(`The recipe does not fit: ${cause.message}.`, cause.path ?? null, { cause });
  }
  return recipeSchema.cast(value, { assert: true });
}

/** What may be set of a recipe; the rest gets its default. */
export type RecipeFields = {
  [K in keyof Recipe]?: Recipe[K] extends unknown[]
    ? Recipe[K]
    : Recipe[K] extends object
      ? Partial<Recipe[K]>
      : Recipe[K];
};

/** The recipe of plain defaults, with some fields set. */
export function recipeWith(fields: Omit<RecipeFields, 'format' | 'version'>): Recipe {
  return readRecipe(fields);
}
