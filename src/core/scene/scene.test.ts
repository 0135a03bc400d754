import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newScene } from './new-scene';
import { newLight, type Light } from './records/light';
import { newPlane } from './records/plane';
import { applyEdits, change, create, firstStale, inverted, remove, squashed, type Edit } from './edits';
import { orderAfter, orderBetween } from './order';
import { checkEdited, readKeptScene, readScene } from './read-scene';
import { newOccluder } from './records/occluder';
import { LIMITS } from '../limits';

const lamp = () => newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x: 1, y: 2 });

/** Any run of edits that fits the scene as it goes. */
const editRuns = fc
  .array(fc.tuple(fc.nat(3), fc.nat(2), fc.integer({ min: -99, max: 99 })), { maxLength: 25 })
  .map((steps) => {
    let scene = newScene();
    const edits: Edit[] = [];
    for (const [id, action, x] of steps) {
      const key = `light-${id}`;
      const there = scene.lights[key] !== undefined;
      const edit = !there
        ? create('lights', key, { ...lamp(), x })
        : action === 0
          ? remove(scene, 'lights', key)
          : change(scene, 'lights', key, { x, y: action });
      if (!edit) continue;
      edits.push(edit);
      scene = applyEdits(scene, [edit]);
    }
    return { edits, scene };
  });

describe('edits', () => {
  it('are undone by their inverse, whatever they were', () => {
    fc.assert(
      fc.property(editRuns, ({ edits, scene }) => {
        expect(applyEdits(newScene(), edits)).toEqual(scene);
        expect(applyEdits(scene, inverted(edits))).toEqual(newScene());
      }),
    );
  });

  it('drawn together do the same in fewer steps', () => {
    fc.assert(
      fc.property(editRuns, ({ edits, scene }) => {
        const few = squashed(edits);
        expect(few.length).toBeLessThanOrEqual(edits.length);
        expect(firstStale(newScene(), few)).toBeNull();
        expect(applyEdits(newScene(), few)).toEqual(scene);
        expect(applyEdits(scene, inverted(few))).toEqual(newScene());
      }),
    );
  });

  it('share what they do not touch and leave the scene they came from alone', () => {
    const before = newScene();
    const after = applyEdits(before, [create('lights', 'l', lamp())]);
    expect(after.planes).toBe(before.planes);
    expect(before.lights).toEqual({});
  });

  it('say which of them no longer stands', () => {
    const scene = applyEdits(newScene(), [create('lights', 'l', lamp())]);
    const edit = change(scene, 'lights', 'l', { x: 9 })!;
    expect(firstStale(scene, [edit])).toBeNull();
    const moved = applyEdits(scene, [change(scene, 'lights', 'l', { x: 5 })!]);
    expect(firstStale(moved, [edit])).toBe(edit);
    // Another field of the same record is no hindrance.
    expect(firstStale(applyEdits(scene, [change(scene, 'lights', 'l', { y: 5 })!]), [edit])).toBeNull();
    expect(firstStale(applyEdits(scene, [remove(scene, 'lights', 'l')]), [edit])).toBe(edit);
  });

  it('a delete stands only on the record that its author saw', () => {
    const scene = applyEdits(newScene(), [create('lights', 'l', lamp())]);
    const gone = remove(scene, 'lights', 'l');
    expect(firstStale(scene, [gone])).toBeNull();
    const moved = applyEdits(scene, [change(scene, 'lights', 'l', { x: 99 })!]);
    expect(firstStale(moved, [gone])).toBe(gone);
    // A field that neither knew may be there without a value.
    const widened = { ...scene, lights: { l: { ...scene.lights.l, later: undefined } } };
    expect(firstStale(widened, [gone])).toBeNull();
    expect(firstStale({ ...scene, lights: { l: { ...scene.lights.l, later: 1 } as Light } }, [gone])).toBe(
      gone,
    );
  });

  it('a change of a record that is not there is refused, not half made', () => {
    const scene = applyEdits(newScene(), [create('lights', 'l', lamp())]);
    const edit = change(scene, 'lights', 'l', { x: 4 })!;
    expect(() => applyEdits(newScene(), [edit])).toThrow('There is no record l in lights.');
  });

  it('zero is zero, whatever its sign: JSON has only one', () => {
    const scene = applyEdits(newScene(), [create('lights', 'l', { ...lamp(), x: 0 })]);
    const edit = change(
      applyEdits(newScene(), [create('lights', 'l', { ...lamp(), x: -0 })]),
      'lights',
      'l',
      { x: 4 },
    )!;
    expect(firstStale(scene, [edit])).toBeNull();
    expect(change(scene, 'lights', 'l', { x: -0 })).toBeNull();
  });

  it('that change nothing are none', () => {
    const scene = applyEdits(newScene(), [create('lights', 'l', lamp())]);
    expect(change(scene, 'lights', 'l', { x: 1 })).toBeNull();
  });
});

describe('order keys', () => {
  it('always leave room between two', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { maxLength: 60 }), (places) => {
        const keys: string[] = [];
        for (const place of places) {
          const at = place % (keys.length + 1);
          const key = orderBetween(keys[at - 1] ?? null, keys[at] ?? null);
          keys.splice(at, 0, key);
        }
        expect([...keys].sort((a, b) => (a < b ? -1 : 1))).toEqual(keys);
        expect(new Set(keys).size).toBe(keys.length);
      }),
    );
  });

  it('stay short when a list only grows at its end', () => {
    const keys: string[] = [];
    for (let i = 0; i < 300; i++) keys.push(orderAfter(keys));
    expect(keys.at(-1)!.length).toBeLessThan(8);
    expect(() => orderBetween('b', 'a')).toThrow(/no key fits/);
  });
});

describe('a scene document', () => {
  it('comes back whole, with fields that are not known here', () => {
    const scene = { ...newScene(), later: { kept: true } };
    (scene.planes['plane-far'] as unknown as Record<string, unknown>).fogPx = 3;
    expect(readScene(JSON.parse(JSON.stringify(scene)))).toEqual(scene);
  });

  it.each([
    ['null', null, /JSON object/],
    ['another format', { ...newScene(), format: 'x' }, /format must be/],
    ['a version to come', { ...newScene(), version: 99 }, /Version 99/],
    ['a missing collection', { ...newScene(), lights: undefined }, /lights must be/],
    ['an id with a dot', { ...newScene(), lights: { 'a.b': lamp() } }, /"a.b" is not an id/],
    [
      'a level above the limit',
      { ...newScene(), lights: { l: { ...lamp(), level: 257 } } },
      /lights\.l.*level/,
    ],
    [
      'a colour of another kind',
      { ...newScene(), planes: { p: newPlane({ name: '', order: 'a', tint: 'red' }) } },
      /tint must be a colour/,
    ],
    ['infinity', { ...newScene(), lights: { l: { ...lamp(), x: Infinity } } }, /x/],
    ['no settings', { ...newScene(), settings: {} }, /no settings/],
    [
      'two cues at one hour',
      {
        ...newScene(),
        cues: {
          a: { clockHours: 5, ambientColour: null, ambientLevel: 1 },
          b: { clockHours: 5, ambientColour: null, ambientLevel: 1 },
        },
      },
      /cue at this hour/,
    ],
  ])('is refused in words: %s', (_, value, words) => {
    expect(() => readScene(value)).toThrow(words);
  });

  it('has at most so many points of outlines together; one of before may have more, and then has no more added', () => {
    const outline = Array.from({ length: 2 * LIMITS.outlinePoints }, (_, i) => i % 97);
    const wall = newOccluder({
      ...{ name: 'Wall', kind: 'closed', planeId: 'plane-middle' },
      outlines: Array.from({ length: LIMITS.scenePoints / LIMITS.outlinePoints }, () => outline),
    });
    const more = { ...wall, outlines: [[0, 0, 1, 0, 1, 1]] };
    const scene = applyEdits(newScene(), [create('occluders', 'wall', wall)]);
    expect(readScene(scene)).toEqual(scene);
    const edit = create('occluders', 'more', more);
    const larger = applyEdits(scene, [edit]);
    const words = 'The occluders of a scene have at most 200000 points of outlines; they would have 200003.';
    expect(() => readScene(larger)).toThrow(words);
    expect(() => checkEdited(larger, [edit])).toThrow(words);
    expect(readKeptScene(larger)).toEqual(larger);
    const fewer = change(larger, 'occluders', 'wall', { outlines: wall.outlines.slice(1) })!;
    expect(() => checkEdited(applyEdits(larger, [fewer]), [fewer])).not.toThrow();
    const gone = remove(larger, 'occluders', 'more');
    expect(() => checkEdited(applyEdits(larger, [gone]), [gone])).not.toThrow();
  });

  it('is checked after an edit only where the edit touched it', () => {
    const scene = newScene();
    const edit = create('lights', 'l', { ...lamp(), reachPx: -4 });
    expect(() => checkEdited(applyEdits(scene, [edit]), [edit])).toThrow(/lights\.l.*reachPx/);
    const gone = remove(scene, 'settings', 'scene');
    expect(() => checkEdited(applyEdits(scene, [gone]), [gone])).toThrow(/settings/);
  });
});
