import { describe, expect, it } from 'vitest';
import { createPreferences, soundPreferences, USUAL } from './preferences';

describe('what a person arranged', () => {
  it('is taken field by field: what does not fit is as usual', () => {
    const kept = {
      bayWidthPx: 500,
      channelOrder: 'sideways',
      keys: { undo: 'q' },
      foldedColumns: ['Light'],
      later: 1,
    };
    expect(soundPreferences(kept)).toEqual({ ...USUAL, bayWidthPx: 500, foldedColumns: ['Light'] });
    expect(soundPreferences({ bayWidthPx: 5, keys: { undo: ['q'] } })).toEqual({
      ...USUAL,
      keys: { undo: ['q'] },
    });
  });
  it('is kept nowhere where nothing is to be kept', () => {
    const store = createPreferences(false);
    store.setState({ bayWidthPx: 400 });
    expect(createPreferences(false).getState()).toEqual(USUAL);
  });
});
