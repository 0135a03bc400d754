import { outlineHandles } from '../handle-makers';
import { draggedBox, never, OUTLINE_HINT, type LightScreen } from './kind';

export const ambient: LightScreen = {
  word: 'Ambient',
  name: 'Ambient',
  about:
    'Lies evenly on all that it reaches, everywhere or within an outline: a shed that is dark while the yard is not.',
  toolHint: 'Drag a box in which another ambient light holds; a click lights everything',
  pickHint: OUTLINE_HINT,
  begins: { level: 0.1, colour: '#8090b0', curve: 'eased', shadows: false },
  dragged: draggedBox,
  handles: outlineHandles,
  figure: { outlines: true },
  columns: ['outline'],
  lateColumns: [],
  falls: ({ outlines }) => outlines.length > 0,
  isParallel: never,
  isAmbient: true,
};
