/** A recipe: what height and normals are made of. Every field of the file may be left out. */
import { array, number, object, string, ValidationError, type InferType } from 'yup';
import { InputFault } from '../faults';

export const RECIPE_FORMAT = 'oilwick-recipe';
export const RECIPE_VERSION = 1;
export const BODY_KINDS = ['none', 'bevel', 'inflate'] as const;
export const PROFILES = ['round', 'chamfer', 'cove', 'step'] as const;
export const SEAMLESS = ['none', 'x', 'y', 'both'] as const;
export const PIXEL_ART = ['auto', 'yes', 'no'] as const;
/** Wavelengths of the grain's octaves, px of the art. */
export const OCTAVES_PX = [1, 2, 4, 8, 16] as const;

const within = (low: number, high: number, value: number) =>
  number().strict().min(low).max(high).default(value);

export const recipeSchema = object({
  format: string().strict().oneOf([RECIPE_FORMAT]).default(RECIPE_FORMAT),
  version: number().strict().oneOf([RECIPE_VERSION]).default(RECIPE_VERSION),
  body: object({
    kind: string().strict().oneOf(BODY_KINDS).default('bevel'),
    widthPx: within(0.5, 2048, 6),
    heightPx: within(-512, 512, 4),
    profile: string().strict().oneOf(PROFILES).default('round'),
    fullness: within(-4, 4, 1),
  }).noUnknown('body has no field called ${unknown}'),
  grain: object({
    heightPx: within(-64, 64, 1),
    octaves: array()
      .of(number().strict().min(-4).max(4).required())
      .length(OCTAVES_PX.length)
      .default([1, 0.8, 0.5, 0.3, 0.1]),
  }).noUnknown('grain has no field called ${unknown}'),
  strength: within(0, 16, 1),
  sandingPx: within(0, 64, 0),
  seamless: string().strict().oneOf(SEAMLESS).default('none'),
  pixelArt: string().strict().oneOf(PIXEL_ART).default('auto'),
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

/** The recipe of plain defaults, with some fields set. */
export function recipeWith(fields: {
  body?: Partial<Recipe['body']>;
  grain?: Partial<Recipe['grain']>;
  strength?: number;
  sandingPx?: number;
  seamless?: Recipe['seamless'];
  pixelArt?: Recipe['pixelArt'];
}): Recipe {
  return readRecipe(fields);
}
