import { isoluxHandles } from '../handle-makers';
import { always, draggedReach, never, SEEN_FALL, type LightScreen } from './kind';

export const point: LightScreen = {
  word: 'Point',
  name: 'Light',
  about: 'Shines all round from where it stands.',
  toolHint: 'Press where the lamp stands, drag to its reach',
  pickHint: 'Drag a line of equal light, or hold Alt and turn the wheel for its level',
  begins: SEEN_FALL,
  dragged: (_light, { reachPx }) => draggedReach(reachPx),
  handles: (shown) => isoluxHandles(shown, 'spread'),
  figure: { round: 'circle' },
  columns: ['round'],
  lateColumns: ['gobo'],
  falls: always,
  isParallel: never,
};
