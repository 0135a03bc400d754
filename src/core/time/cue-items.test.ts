import { describe, expect, it } from 'vitest';
import { newCue } from '../scene/records/cue';
import { isHeld, itemIn, itemKey, itemRange, itemsIn, withHeld, withItem, type CueItem } from './cue-items';

const LEVEL: CueItem = { value: 'ambientLevel' };
const COLOUR: CueItem = { value: 'sunColour' };
const LAMPS: CueItem = { circuitId: 'lamps' };
const YARD: CueItem = { circuitId: 'yard' };

const cue = newCue({
  clockHours: 6,
  ambientLevel: 0.4,
  circuitLevels: [{ circuitId: 'lamps', level: 0.5, held: true }],
});

describe('what a cue holds', () => {
  it('is told as items, values before circuits', () => {
    expect(itemsIn(cue).map(itemKey)).toEqual(['ambientLevel', 'circuit lamps']);
    expect([LEVEL, COLOUR, LAMPS, YARD].map((item) => itemIn(cue, item))).toEqual([0.4, null, 0.5, null]);
  });

  it.each([LEVEL, COLOUR, LAMPS, YARD])('is set and let go of alike: %o', (item) => {
    const to = item === COLOUR ? '#123456' : 0.25;
    const set = { ...cue, ...withItem(cue, item, to) };
    expect(itemIn(set, item)).toBe(to);
    const others = itemsIn(cue).filter((one) => itemKey(one) !== itemKey(item));
    for (const other of others) expect(itemIn(set, other)).toBe(itemIn(cue, other));
    const held = { ...set, ...withHeld(set, item, true) };
    expect(isHeld(held, item)).toBe(true);
    expect(isHeld({ ...held, ...withItem(held, item, to) }, item)).toBe(true);
    expect(isHeld({ ...held, ...withHeld(held, item, false) }, item)).toBe(false);
    // What is let go of leaves nothing behind: held anew it runs smoothly.
    const gone = { ...held, ...withItem(held, item, null) };
    expect(itemIn(gone, item)).toBeNull();
    expect(isHeld({ ...gone, ...withItem(gone, item, to) }, item)).toBe(false);
  });

  it('stays held while its level is changed', () => {
    expect(withItem(cue, LAMPS, 1)).toEqual({
      circuitLevels: [{ circuitId: 'lamps', level: 1, held: true }],
    });
  });

  it('has a range for fields and charts', () => {
    expect(itemRange(LAMPS)).toMatchObject({ low: 0, high: 2 });
    expect(itemRange({ value: 'exposureStops' })).toEqual({ low: -4, high: 4, unit: 'stops' });
    expect(itemRange({ value: 'mistCover' })).toMatchObject({ low: 0, high: 1 });
  });
});
