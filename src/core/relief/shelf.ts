/** The recipes that come with Oilwick. */
import { recipeWith, type Recipe } from './recipe';

export const SHELF_RECIPES: readonly { id: string; name: string; recipe: Recipe }[] = [
  {
    id: 'panel',
    name: 'Panel: flat face, rounded rim',
    recipe: recipeWith({
      body: { kind: 'bevel', widthPx: 3, heightPx: 2, profile: 'round' },
      grain: { heightPx: 1.5 },
    }),
  },
  {
    id: 'cushion',
    name: 'Cushion: full and round',
    recipe: recipeWith({ body: { kind: 'inflate', fullness: 0.8 }, grain: { heightPx: 1 } }),
  },
  {
    id: 'figure',
    name: 'Figure: parts between outlines',
    recipe: recipeWith({
      body: { kind: 'inflate', fullness: 0.6, regions: 'outlines', partShare: 0.7 },
      grain: { heightPx: 0.8, outlineGuard: 0.9 },
    }),
  },
  {
    id: 'patchwork',
    name: 'Patchwork: parts by colour',
    recipe: recipeWith({
      body: { kind: 'bevel', widthPx: 4, heightPx: 2.5, regions: 'colours', partShare: 0.8 },
      grain: { heightPx: 0.8 },
    }),
  },
  {
    id: 'rough-ground',
    name: 'Rough ground: tone alone',
    recipe: recipeWith({
      body: { kind: 'none' },
      grain: { heightPx: 4, octaves: [0.6, 0.8, 0.9, 0.8, 0.6], smoothPx: 1 },
      seamless: 'both',
    }),
  },
  {
    id: 'carving',
    name: 'Carving: dark is deep, no body',
    recipe: recipeWith({
      body: { kind: 'none' },
      grain: { heightPx: 6, octaves: [0.3, 0.6, 1, 1, 1], smoothPx: 1.5, outlineGuard: 0 },
      sandingPx: 0.5,
    }),
  },
];
