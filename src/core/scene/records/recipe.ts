import { object } from 'yup';
import { name } from '../../fields';
import { LIMITS } from '../../limits';
import { recipeSchema } from '../../relief/recipe';
import type { RecordKind } from './kind';

export const recipes = {
  about: 'Recipes on the shelf',
  of: 'project',
  most: LIMITS.recipes,
  schema: object({ name: name(), recipe: recipeSchema }),
} as const satisfies RecordKind;
