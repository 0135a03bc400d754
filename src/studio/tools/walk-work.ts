/** While a figure walks it is led, and nothing is taken hold of. */
import type { PointWork } from './point-work';

export const walkWork: PointWork = {
  isAtHand: ({ live }) => live.getState().walk !== null,
  handles: () => [],
  moved: () => ({ edit: null, words: '' }),
  draw: () => undefined,
  hint: ({ rounds }) =>
    rounds.api.getState().by === 'keys'
      ? 'The arrow keys walk the figure; Escape ends its rounds'
      : 'The figure goes after the pointer; Escape ends its rounds',
};
