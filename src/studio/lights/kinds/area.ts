import { startedArea } from '../../store/area-starters';
import { outlineHandles, sourceHandles } from '../handle-makers';
import { always, draggedBox, OUTLINE_HINT, type LightScreen } from './kind';

export const area: LightScreen = {
  word: 'Area',
  name: 'Area',
  about: 'Any outline, with feathered edges: light through a doorway, a hearth, a lit panel.',
  toolHint: 'Drag a box that is all light; a click makes a doorway',
  pickHint: OUTLINE_HINT,
  begins: { curve: 'eased', heightPx: 60, shadows: false, ...startedArea('doorway') },
  dragged: draggedBox,
  handles: (shown) => [...outlineHandles(shown), ...sourceHandles(shown)],
  figure: { outlines: true, source: true },
  columns: ['outline', 'source'],
  lateColumns: ['gobo'],
  falls: always,
  isParallel: ({ source }) => source === 'parallel',
};
