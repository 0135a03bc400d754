/** What Fennel Halt is built of: painted by code, each with the recipe of its relief. */
import { recipeWith } from '@/core/relief/recipe';
import { farHills, nearHills, sky, woods } from './art/landscape';
import { hut, hutGlow } from './art/hut';
import { handLantern, handLanternGlow, lamp, lampGlow, signal, signalGlow } from './art/lamps';
import { LAMPLIGHTER, lamplighter } from './art/lamplighter';
import { nameBoard } from './art/lettering';
import { FLAG, flag, SMOKE, smoke } from './art/moving';
import { TILES, wallTiles } from './art/tiles';
import { train, trainGlow, upperLine } from './art/train';
import { wagon } from './art/wagon';
import { churn, ground, luggage, platform, verge } from './art/yard';
import type { Piece } from './demo-scene';

const grainy = (heightPx: number, octaves: number[]) => ({ heightPx, octaves });

const timberwork = recipeWith({
  body: { kind: 'bevel', widthPx: 3, heightPx: 2, profile: 'round' },
  grain: grainy(7, [0.5, 0.9, 0.7, 0.3, 0]),
  pixelArt: 'yes',
});
const castIron = recipeWith({
  body: { kind: 'inflate', fullness: 0.9 },
  grain: grainy(1.5, [0.5, 0.6, 0.2, 0, 0]),
  pixelArt: 'yes',
});
const masonry = recipeWith({
  body: { kind: 'none' },
  grain: grainy(9, [0.4, 0.8, 0.9, 0.4, 0]),
  pixelArt: 'yes',
});
const earth = recipeWith({
  body: { kind: 'none' },
  grain: grainy(5, [0.5, 0.8, 0.6, 0.2, 0]),
  pixelArt: 'yes',
});
const can = recipeWith({
  body: { kind: 'inflate', fullness: 1 },
  grain: grainy(1, [0, 0.6, 0.4, 0, 0]),
  pixelArt: 'yes',
});
const foliage = recipeWith({
  body: { kind: 'bevel', widthPx: 3, heightPx: 3, profile: 'round' },
  grain: grainy(4, [0.6, 0.8, 0.5, 0, 0]),
  pixelArt: 'yes',
});

export function pieces(): Record<string, Piece> {
  return {
    sky: { name: 'Sky', paint: sky(780, 190), pivot: [0, 0] },
    'hills-far': { name: 'Far hills', paint: farHills(820, 110), pivot: [0, 110] },
    'hills-near': { name: 'Near hills', paint: nearHills(860, 86), pivot: [0, 86] },
    woods: { name: 'Woods', paint: woods(900, 92), recipe: foliage, pivot: [0, 92] },
    ground: { name: 'Ground and track', paint: ground(900, 66), recipe: earth, pivot: [0, 0] },
    platform: { name: 'Platform', paint: platform(520, 45), recipe: masonry, pivot: [0, 0] },
    hut: { name: 'Waiting hut', paint: hut(), glow: hutGlow(), recipe: timberwork },
    lamp: { name: 'Oil lamp', paint: lamp(), glow: lampGlow(), recipe: castIron },
    wagon: { name: 'Goods wagon', paint: wagon(), recipe: timberwork },
    'upper-line': { name: 'Upper line', paint: upperLine(900), pivot: [0, 0] },
    train: { name: 'Evening train', paint: train(), glow: trainGlow(), recipe: timberwork, pivot: [0, 48] },
    'name-board': { name: 'Name board', paint: nameBoard(), recipe: timberwork },
    signal: { name: 'Signal', paint: signal(), glow: signalGlow(), recipe: castIron },
    'hand-lantern': { name: 'Hand lantern', paint: handLantern(), glow: handLanternGlow(), recipe: castIron },
    luggage: { name: 'Luggage', paint: luggage(), recipe: can },
    churn: { name: 'Milk churn', paint: churn(), recipe: can },
    smoke: { name: 'Stove smoke', paint: smoke(), moving: SMOKE, pivot: [6, SMOKE.height] },
    flag: { name: 'Flag', paint: flag(), recipe: can, moving: FLAG, pivot: [3, FLAG.height] },
    'wall-tiles': {
      name: 'Wall tiles',
      paint: wallTiles(),
      recipe: masonry,
      pivot: [0, 0],
      sheet: { columns: TILES.columns, rows: TILES.rows },
    },
    lamplighter: {
      name: 'Lamplighter',
      paint: lamplighter(),
      recipe: can,
      moving: LAMPLIGHTER,
      pivot: [11, 39],
    },
    verge: { name: 'Verge', paint: verge(820, 58), recipe: foliage, pivot: [0, 58] },
  };
}
