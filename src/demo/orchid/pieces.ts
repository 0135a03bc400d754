/** The pieces of the Orchid House, each with the recipe of its relief. */
import { recipeWith } from '@/core/relief/recipe';
import { BRASS, CREAM, FLAME, PETAL, SIGNAL } from '@/ready/palette';
import type { Piece } from '../demo-scene';
import {
  basket,
  bed,
  doorMat,
  floor,
  garden,
  gardener,
  GARDENER,
  pane,
  staging,
  truss,
  wallTiles,
  WALL_TILES,
  wateringCan,
} from './house';
import {
  broadLeaf,
  cactus,
  cushion,
  fern,
  lilyPad,
  nightFlower,
  orchid,
  pond,
  seedlings,
  treeFern,
  vine,
} from './plants';

const leafy = recipeWith({
  body: { kind: 'inflate', fullness: 0.9 },
  grain: { heightPx: 4, octaves: [0.6, 0.8, 0.5, 0, 0] },
  pixelArt: 'yes',
});
const potted = recipeWith({
  body: { kind: 'inflate', fullness: 1 },
  grain: { heightPx: 3, octaves: [0.5, 0.7, 0.3, 0, 0] },
  pixelArt: 'yes',
});
const paving = recipeWith({
  body: { kind: 'none' },
  grain: { heightPx: 5, octaves: [0.4, 0.8, 0.6, 0.2, 0] },
  pixelArt: 'yes',
});
const soil = recipeWith({
  body: { kind: 'bevel', widthPx: 3, heightPx: 3, profile: 'round' },
  grain: { heightPx: 4, octaves: [0.5, 0.8, 0.6, 0, 0] },
  pixelArt: 'yes',
});
const water = recipeWith({
  body: { kind: 'bevel', widthPx: 4, heightPx: 3, profile: 'round' },
  grain: { heightPx: 2, octaves: [0, 0.4, 0.8, 0.4, 0] },
  pixelArt: 'yes',
});
const slats = recipeWith({
  body: { kind: 'bevel', widthPx: 2, heightPx: 2, profile: 'round' },
  grain: { heightPx: 6, octaves: [0.5, 0.9, 0.5, 0, 0] },
  pixelArt: 'yes',
});
const WHITES = ['#8f8a7a', '#b9b29a', CREAM[1], CREAM[2], '#fffbe8'];
const GOLDS = [BRASS[1], BRASS[2], FLAME[0], FLAME[1], FLAME[2]];
const REDS = ['#5a1c22', SIGNAL[0], SIGNAL[1], SIGNAL[2], '#f08a6a'];

/** A piece that stands by its middle, as all that is seen from above. */
const middle = (name: string, paint: Piece['paint'], recipe?: Piece['recipe']): Piece => ({
  ...{ name, paint, recipe },
  pivot: [paint.width / 2, paint.height / 2],
});

export function orchidPieces(): Record<string, Piece> {
  return {
    garden: { name: 'Garden', paint: garden(520, 310), pivot: [0, 0] },
    floor: { name: 'Floor tiles', paint: floor(416, 208), recipe: paving, pivot: [0, 0] },
    'wall-tiles': {
      name: 'Wall tiles',
      paint: wallTiles(),
      recipe: paving,
      sheet: { columns: WALL_TILES.columns, rows: WALL_TILES.rows },
    },
    'bed-round': middle('Middle bed', bed(64, 56, 7), soil),
    'bed-corner': middle('Corner bed', bed(40, 30, 9), soil),
    'bed-long': middle('Long bed', bed(118, 22, 11), soil),
    'staging-long': middle('Staging, long', staging(110, 24), slats),
    'staging-short': middle('Staging, short', staging(78, 24), slats),
    pond: middle('Lily pond', pond(), water),
    pane: middle('Pane', pane(), slats),
    truss: middle('Roof truss', truss(416)),
    basket: middle('Hanging basket', basket(), potted),
    can: middle('Watering can', wateringCan(), potted),
    mat: middle('Door mat', doorMat(), paving),
    'tree-fern': middle('Tree fern', treeFern(), leafy),
    'fern-a': middle('Fern', fern(3), leafy),
    'fern-b': middle('Young fern', fern(13), leafy),
    'broad-leaf': middle('Broad leaf', broadLeaf(), leafy),
    'cushion-a': middle('Moss', cushion(4), leafy),
    'cushion-b': middle('Moss, wet', cushion(14), leafy),
    'orchid-pink': middle('Pink orchid', orchid(PETAL, 3), potted),
    'orchid-white': middle('White orchid', orchid(WHITES, 13), potted),
    'orchid-gold': middle('Golden orchid', orchid(GOLDS, 23), potted),
    'orchid-red': middle('Red orchid', orchid(REDS, 33), potted),
    'night-flower': middle('Night flower', nightFlower(), leafy),
    cactus: middle('Cactus', cactus(), potted),
    seedlings: middle('Seedlings', seedlings(), potted),
    'lily-a': middle('Lily pad', lilyPad(2), potted),
    'lily-b': middle('Lily pad, bare', lilyPad(5), potted),
    'vine-a': middle('Ivy', vine(5), leafy),
    'vine-b': middle('Ivy, old', vine(25), leafy),
    gardener: {
      ...middle('Gardener', gardener(), potted),
      pivot: [GARDENER.width / 2, GARDENER.height / 2],
      moving: { frames: GARDENER.frames, rateHz: GARDENER.rateHz },
    },
  };
}
