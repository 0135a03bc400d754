import { describe, expect, it } from 'vitest';
import { createDesk, type DeskState } from './desk-store';
import { passingOf, WORK_LAMP_LEVEL } from './passing-of';

const of = (fields: Partial<DeskState>, dayRate = 0, side: 'all' | 'left-out' = 'all', ambientLevel = 0) =>
  passingOf(
    { ...createDesk('stage').getState(), ...fields },
    { walk: null, dayRate, isFrozen: false },
    ambientLevel,
    side,
  );

describe('what lasts only while looking', () => {
  it('has the work lamp where it is switched on, and while an outline is drawn on the stage in the dark', () => {
    expect(of({}).workLamp).toBe(0);
    expect(of({ workLamp: true }).workLamp).toBe(WORK_LAMP_LEVEL);
    for (const tool of ['outline', 'line', 'rectangle', 'ellipse'] as const) {
      expect(of({ tool }).workLamp).toBe(WORK_LAMP_LEVEL);
      expect(of({ tool }, 0, 'all', 0.4).workLamp).toBeCloseTo(WORK_LAMP_LEVEL - 0.4, 9);
      expect(of({ tool }, 0, 'all', 1).workLamp).toBe(0);
    }
    expect(of({ tool: 'flat' }).workLamp).toBe(0);
    expect(of({ workLamp: true }, 0, 'all', 1).workLamp).toBe(WORK_LAMP_LEVEL);
    expect(of({ tool: 'outline', bench: 'art' }).workLamp).toBe(0);
  });

  it('has no work lamp on either side of a wipe, nor while the day plays', () => {
    for (const wipe of ['unlit', 'relief', 'shadows'] as const)
      for (const side of ['all', 'left-out'] as const)
        expect(of({ workLamp: true, tool: 'outline', wipe }, 0, side).workLamp).toBe(0);
    expect(of({ workLamp: true }, 1).workLamp).toBe(0);
  });

  it('leaves out on one side of the wipe what the wipe names', () => {
    expect(of({ wipe: 'unlit' }, 0, 'left-out')).toMatchObject({ unlit: true, relief: true, shadows: true });
    expect(of({ wipe: 'relief' }, 0, 'left-out')).toMatchObject({ unlit: false, relief: false });
    expect(of({ wipe: 'shadows' }, 0, 'left-out')).toMatchObject({ relief: true, shadows: false });
    expect(of({ wipe: 'unlit' })).toMatchObject({ unlit: false, relief: true, shadows: true });
  });
});
