import { arrowHandle } from '../handle-makers';
import { always, never, type LightScreen } from './kind';

export const sun: LightScreen = {
  word: 'Sun',
  name: 'Sun',
  about: 'Parallel rays from one direction, the same everywhere.',
  toolHint: 'Drag from anywhere toward where the sun stands',
  pickHint: 'Drag the ring toward where the sun stands',
  begins: { level: 1, colour: '#fff2d8', sizeDeg: 0.5 },
  dragged: (_light, { bearingDeg }) => ({ bearingDeg }),
  handles: (shown) => (shown.light.follows === 'nothing' ? [arrowHandle(shown)] : []),
  figure: {},
  columns: ['sun'],
  lateColumns: [],
  falls: never,
  isParallel: always,
};
