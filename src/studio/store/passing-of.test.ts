import { describe, expect, it } from 'vitest';
import { createDesk, type DeskState } from './desk-store';
import { LIT, type WipeView } from './wipe';
import { passingOf, WORK_LAMP_LEVEL } from './passing-of';

const of = (fields: Partial<DeskState>, dayRate = 0, view: WipeView = LIT, ambientLevel = 0) =>
  passingOf(
    { ...createDesk('stage').getState(), ...fields },
    { walk: null, dayRate, isFrozen: false },
    ambientLevel,
    view,
  );

describe('what lasts only while looking', () => {
  it('has the work lamp where it is switched on, and while an outline is drawn on the stage in the dark', () => {
    expect(of({}).workLamp).toBe(0);
    expect(of({ workLamp: true }).workLamp).toBe(WORK_LAMP_LEVEL);
    for (const tool of ['outline', 'line', 'rectangle', 'ellipse'] as const) {
      expect(of({ tool }).workLamp).toBe(WORK_LAMP_LEVEL);
      expect(of({ tool }, 0, LIT, 0.4).workLamp).toBeCloseTo(WORK_LAMP_LEVEL - 0.4, 9);
      expect(of({ tool }, 0, LIT, 1).workLamp).toBe(0);
    }
    expect(of({ tool: 'flat' }).workLamp).toBe(0);
    expect(of({ workLamp: true }, 0, LIT, 1).workLamp).toBe(WORK_LAMP_LEVEL);
    expect(of({ tool: 'outline', bench: 'art' }).workLamp).toBe(0);
  });

  it('has no work lamp on either side of a wipe, nor while the day plays', () => {
    for (const name of ['unlit', 'relief', 'shadows'] as const) {
      const wipe = { left: { view: name }, right: LIT };
      for (const view of [wipe.left, wipe.right])
        expect(of({ workLamp: true, tool: 'outline', wipe }, 0, view).workLamp).toBe(0);
    }
    expect(of({ workLamp: true }, 1).workLamp).toBe(0);
  });

  it('leaves out on a side of the wipe what that side does not show', () => {
    const all = { unlit: false, relief: true, shadows: true };
    expect(of({}, 0, { view: 'unlit' })).toMatchObject({ ...all, unlit: true });
    expect(of({}, 0, { view: 'relief' })).toMatchObject({ ...all, relief: false });
    expect(of({}, 0, { view: 'shadows' })).toMatchObject({ ...all, shadows: false });
    expect(of({ muted: new Set(['a']) }, 0, { view: 'light', id: 'a' })).toMatchObject({
      ...all,
      ...{ solo: new Set(['a']), muted: new Set() },
    });
    expect(of({})).toMatchObject(all);
  });
});
