/**
 * Long runs of edits between two frames each. A run is a list of steps, so that one that fails can be cut down to the few that
 * matter.
 */
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newWick } from '@/core/scene/records/wick';
import { hash01 } from '@/core/time/noise';
import { build } from './parity-parts';
import { EDITS, pickOf, type SequenceState } from './sequence-edits';

/** One edit: which one, and the numbers that it is made from. */
export type Step = readonly [kind: string, v: number];

/** Some edits come more often than others: a hand that drags, a flame that burns, and stretches in which nothing moves. */
const OFTEN = [
  'a reach trembles',
  'a light goes to where another stands',
  'nothing happens',
  'nothing happens',
  'time passes',
  'time passes',
  'a light comes',
  'an occluder is drawn anew',
  'a picture is made of another size',
  'the view goes elsewhere',
  'the view comes back',
];
/** And one seldom, for all is made anew then. */
const SELDOM = 'the context is lost';

export function randomSteps(seed: number, count: number): Step[] {
  const names = [...Object.keys(EDITS).filter((name) => name !== SELDOM), ...OFTEN];
  return Array.from({ length: count }, (_, i): Step => {
    const v = hash01(seed, 2 * i);
    return [hash01(seed, 2 * i + 1) < 0.005 ? SELDOM : pickOf(names, hash01(seed + 1, i)), v];
  });
}

export function firstState(): SequenceState {
  const scene = build({
    settings: { ambientLevel: 0.2 },
    sprites: [
      { artworkId: 'wall', x: 24 },
      { artworkId: 'window', x: 72 },
      { artworkId: 'rimmed', y: 50, x: 40 },
    ],
    lights: [
      { x: 30, y: 20, reachPx: 40, wickId: 'flame' },
      { x: 30, y: 20, reachPx: 60, level: 0.6, colour: '#80a0ff' },
      { x: 62, y: 44, reachPx: 40, sizePx: 3 },
      { x: 48, y: 30, reachPx: 50, planeId: 'plane-near' },
    ],
    occluders: [
      { outlines: [[40, 16, 48, 18, 46, 28, 39, 26]] },
      { outlines: [[60, 30, 70, 28, 68, 36]], ownShade: 'dark' },
      { kind: 'line', outlines: [[12, 40, 30, 46]] },
    ],
  });
  const wick = newWick({ name: '', seed: 5, reachLow: 0.9, reachHigh: 1.1, levelLow: 0.6 });
  return {
    scene: { ...scene, wicks: { flame: wick } },
    clockHours: 12,
    seconds: 0,
    view: { x: 0, y: 0, widthPx: 96, heightPx: 64, outputPerScenePx: 1 },
    passing: NOTHING_PASSING,
    pictures: {},
    contexts: 0,
  };
}

export function stepped(state: SequenceState, [kind, v]: Step): SequenceState {
  return EDITS[kind](state, v);
}
