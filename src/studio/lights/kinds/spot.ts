import { coneHandles, isoluxHandles } from '../handle-makers';
import { always, draggedReach, never, SEEN_FALL, type LightScreen } from './kind';

export const spot: LightScreen = {
  word: 'Spot',
  name: 'Spot',
  about: 'A cone that is turned by hand, with a soft edge.',
  toolHint: 'Press where the lamp stands, drag along its beam to its reach',
  pickHint: 'Drag the ring to turn it, its sides to open it, a line of equal light to reach farther',
  begins: { ...SEEN_FALL, reachPx: 180 },
  dragged: (_light, { reachPx, bearingDeg }) => ({ ...draggedReach(reachPx), bearingDeg }),
  handles: (shown) => [...isoluxHandles(shown, 'along'), ...coneHandles(shown)],
  figure: { round: 'cone' },
  columns: ['cone'],
  lateColumns: ['gobo'],
  falls: always,
  isParallel: never,
};
