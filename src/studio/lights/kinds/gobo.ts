import { goboHandles, sourceHandles } from '../handle-makers';
import { never, type LightScreen } from './kind';

export const gobo: LightScreen = {
  word: 'Gobo',
  name: 'Gobo',
  about: 'A picture shapes it, still or playing: light through leaves, a fan, frosted glass.',
  toolHint: 'Drag a box that the picture fills',
  pickHint: 'Drag a corner to size the picture, the ring to turn it, the source to where light comes from',
  begins: { heightPx: 60, shadows: false },
  dragged: ({ gobo: picture }, { dx, dy }) => ({
    gobo: picture && {
      ...picture,
      widthPx: Math.max(1, Math.round(2 * Math.abs(dx))),
      heightPx: Math.max(1, Math.round(2 * Math.abs(dy))),
    },
  }),
  handles: (shown) => [...goboHandles(shown), ...sourceHandles(shown)],
  figure: { gobo: true, source: true },
  columns: ['gobo', 'source'],
  lateColumns: [],
  falls: never,
  isParallel: ({ source }) => source === 'parallel',
};
