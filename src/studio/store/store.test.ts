import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newCue } from '@/core/scene/records/cue';
import { newLight } from '@/core/scene/records/light';
import { applyEdits, change, create, remove, type Edit } from '@/core/scene/edits';
import { carriedOut } from '@/core/scene/patches';
import { SceneStore } from './scene-store';

const lamp = (x: number) => newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x, y: 2 });
const withLamp = () => applyEdits(newScene(), [create('lights', 'l', lamp(1))]);
const moved = (store: SceneStore, x: number) => change(store.kept, 'lights', 'l', { x })!;

describe('the store', () => {
  it('takes a drag as one step, however many previews it had', () => {
    const store = new SceneStore(withLamp());
    const kept: Edit[] = [];
    store.onKept = (edits) => kept.push(...edits);
    const drag = store.gesture('Move');
    for (const x of [2, 3, 4, 9]) drag.preview([moved(store, x)]);
    expect(kept).toEqual([]);
    drag.commit();
    expect(store.state.scene.lights.l.x).toBe(9);
    expect(store.state.undo.map((entry) => entry.label)).toEqual(['Move']);
    expect(kept.length).toBe(1);
    store.undo();
    expect(store.state.scene).toEqual(withLamp());
    store.redo();
    expect(store.state.scene.lights.l.x).toBe(9);
  });

  it('leaves no trace of a drag that was cancelled, and keeps what could be redone', () => {
    const store = new SceneStore(withLamp());
    store.transact({ label: 'Level', edits: [change(store.kept, 'lights', 'l', { level: 3 })!] });
    store.undo();
    const before = store.state.scene;
    const drag = store.gesture('Move');
    drag.preview([moved(store, 50)]);
    drag.cancel();
    expect(store.state.scene).toBe(before);
    expect(store.state.redo.length).toBe(1);
    drag.commit();
    expect(store.state.undo).toEqual([]);
  });

  it('lets nothing more be done by a drag that another one has ended', () => {
    const store = new SceneStore(withLamp());
    const first = store.gesture('Move');
    first.preview([moved(store, 5)]);
    const second = store.gesture('Move again');
    first.preview([moved(store, 70)]);
    first.cancel();
    second.preview([moved(store, 9)]);
    first.commit();
    expect(store.isGesturing).toBe(true);
    second.commit();
    expect(store.state.scene.lights.l.x).toBe(9);
    expect(store.state.undo.map((entry) => entry.label)).toEqual(['Move', 'Move again']);
  });

  it('ends a drag before what it holds is changed or deleted, and before it is undone', () => {
    const store = new SceneStore(withLamp());
    const drag = store.gesture('Move');
    drag.preview([moved(store, 5)]);
    store.transact({ label: 'Delete', edits: [remove(store.state.scene, 'lights', 'l')] });
    drag.preview([change(withLamp(), 'lights', 'l', { x: 70 })!]);
    drag.commit();
    expect(store.state.scene.lights).toEqual({});
    store.undo();
    expect(store.state.scene.lights.l.x).toBe(5);
    store.undo();
    expect(store.state.scene).toEqual(withLamp());

    const other = store.gesture('Move');
    other.preview([moved(store, 8)]);
    store.undo();
    expect(store.state.scene).toEqual(withLamp());
    expect(store.state.redo.map((entry) => entry.label)).toContain('Move');
    expect(store.isGesturing).toBe(false);
  });

  it('keeps a change that comes in the middle of a drag', () => {
    const store = new SceneStore(withLamp());
    const drag = store.gesture('Move');
    drag.preview([moved(store, 5)]);
    store.transact({ label: 'Bring in', edits: [create('lights', 'm', lamp(7))] });
    drag.preview([moved(store, 6)]);
    drag.commit();
    expect(store.state.scene.lights.l.x).toBe(6);
    expect(store.state.scene.lights.m.x).toBe(7);
  });

  it('passes over a step whose value was changed elsewhere since, and says so', () => {
    const store = new SceneStore(withLamp());
    store.transact({ label: 'Move', edits: [moved(store, 5)] });
    store.adopt(carriedOut(store.kept, [change(store.kept, 'lights', 'l', { x: 77 })!]));
    store.undo();
    expect(store.state.scene.lights.l.x).toBe(77);
    expect(store.state.notice).toMatch(/"Move" was passed over/);
  });

  it('undoes what still stands of a step, leaves the rest as others made it, and says so', () => {
    const store = new SceneStore(applyEdits(withLamp(), [create('lights', 'm', lamp(3))]));
    const both = (x: number) => ['l', 'm'].map((id) => change(store.kept, 'lights', id, { x })!);
    store.transact({ label: 'Move', edits: both(50) });
    store.adopt(carriedOut(store.kept, [change(store.kept, 'lights', 'l', { x: 77 })!]));
    store.undo();
    expect([store.state.scene.lights.l.x, store.state.scene.lights.m.x]).toEqual([77, 3]);
    expect(store.state.notice).toMatch(/Of "Move" what was changed elsewhere/);
    store.redo();
    expect([store.state.scene.lights.l.x, store.state.scene.lights.m.x]).toEqual([77, 50]);
  });

  it('goes on with a drag over what comes from others, and lets go of what they delete', () => {
    const store = new SceneStore(applyEdits(withLamp(), [create('lights', 'm', lamp(3))]));
    const start = store.kept;
    const drag = store.gesture('Move');
    const at = (x: number) => ['l', 'm'].map((id) => change(start, 'lights', id, { x })!);
    drag.preview(at(20));
    store.adopt(
      carriedOut(store.kept, [change(start, 'lights', 'l', { x: 77, y: 8 })!, remove(start, 'lights', 'm')]),
    );
    expect(store.state.scene.lights.l).toMatchObject({ x: 20, y: 8 });
    drag.preview(at(30));
    drag.commit();
    expect(store.state.scene.lights.l).toMatchObject({ x: 30, y: 8 });
    expect(store.state.scene.lights.m).toBeUndefined();
    const other = store.gesture('Move');
    other.preview([change(store.kept, 'lights', 'l', { x: 99 })!]);
    store.adopt(carriedOut(store.kept, [change(start, 'lights', 'l', { y: 5 })!]));
    other.cancel();
    expect(store.state.scene.lights.l).toMatchObject({ x: 30, y: 5 });
  });

  it('keeps nothing that the server would refuse, and says why', () => {
    const store = new SceneStore(withLamp());
    const kept: Edit[] = [];
    store.onKept = (edits) => kept.push(...edits);
    store.transact({ label: 'Record', edits: [create('cues', 'a', newCue({ clockHours: 5 }))] });
    store.transact({ label: 'Record', edits: [create('cues', 'b', newCue({ clockHours: 5 }))] });
    expect(store.state.notice).toBe('There is a cue at this hour already (5).');
    expect(kept.map(({ id }) => id)).toEqual(['a']);
    expect(Object.keys(store.state.scene.cues)).toEqual(['a']);
    expect(store.state.undo.length).toBe(1);
  });

  it('drops from the selection what is no longer there, and picks again what comes back', () => {
    const store = new SceneStore(withLamp());
    store.select([
      { collection: 'lights', id: 'l' },
      { collection: 'lights', id: 'ghost' },
    ]);
    expect(store.state.selection.length).toBe(1);
    store.transact({
      label: 'Delete',
      edits: [{ collection: 'lights', id: 'l', before: { ...lamp(1) }, after: null }],
    });
    expect(store.state.selection).toEqual([]);
    store.undo();
    expect(store.state.selection).toEqual([{ collection: 'lights', id: 'l' }]);
  });
});
