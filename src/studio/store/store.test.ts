import { describe, expect, it } from 'vitest';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newLight } from '@/core/scene/records/light';
import { applyEdits, change, create, firstStale, remove, type Edit } from '@/core/scene/edits';
import { SceneStore } from './scene-store';
import { SceneSync, type Batch, type SendResult } from './sync';

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
    store.adopt(applyEdits(store.state.scene, [change(store.state.scene, 'lights', 'l', { x: 77 })!]));
    store.undo();
    expect(store.state.scene.lights.l.x).toBe(77);
    expect(store.state.notice).toMatch(/"Move" was passed over/);
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

/** A server in memory, with a clock that only the test moves. */
function setUp(unsent?: { inFlight: Batch | null; pending: Edit[] }) {
  const server = {
    scene: withLamp(),
    revision: 1,
    known: new Map<string, number>(),
    isAway: false,
    losesAnswer: false,
    sends: 0,
  };
  const timers: (() => void)[] = [];
  let ids = 0;
  let adopted: SceneDocument | null = null;
  const apply = (batch: Batch, revision: number): SendResult => {
    const known = server.known.get(batch.transactionId);
    if (known !== undefined) return { kind: 'kept', revision: known };
    if (revision !== server.revision || firstStale(server.scene, batch.edits)) return { kind: 'stale' };
    server.scene = applyEdits(server.scene, batch.edits);
    server.known.set(batch.transactionId, ++server.revision);
    return { kind: 'kept', revision: server.revision };
  };
  const sync = new SceneSync({
    server: {
      send: async (batch, revision) => {
        server.sends++;
        if (server.isAway) return { kind: 'away', why: 'no answer' };
        const result = apply(batch, revision);
        return server.losesAnswer ? { kind: 'away', why: 'lost' } : result;
      },
      load: async () => ({ document: server.scene, revision: server.revision }),
    },
    revision: 1,
    unsent,
    adopt: (scene) => (adopted = scene),
    keep: () => undefined,
    newId: () => `id-${++ids}`,
    later: (work) => {
      timers.push(work);
      return () => void timers.splice(timers.indexOf(work), 1);
    },
  });
  const run = async () => {
    timers.splice(0).forEach((work) => work());
    for (let i = 0; i < 10; i++) await Promise.resolve();
  };
  return { server, sync, run, timers, adopted: () => adopted, state: () => sync.api.getState().sync.kind };
}

const edit = (x: number, from = 1): Edit => ({
  collection: 'lights',
  id: 'l',
  before: { x: from },
  after: { x },
});

describe('saving', () => {
  it('says saving until the server has it, and sends what belongs together at once', async () => {
    const { server, sync, run, state } = setUp();
    sync.add([edit(5)]);
    sync.add([edit(9, 5)]);
    expect(state()).toBe('saving');
    await run();
    expect(state()).toBe('saved');
    expect(server.sends).toBe(1);
    expect(server.scene.lights.l.x).toBe(9);
  });

  it('is not put off by changes that keep coming', async () => {
    const { sync, timers, run, state } = setUp();
    sync.add([edit(5)]);
    const [first] = timers;
    for (let x = 5; x < 40; x++) sync.add([edit(x + 1, x)]);
    expect(timers).toEqual([first]);
    await run();
    expect(state()).toBe('saved');
  });

  it('says not saved while the server is away, and sends everything when it is back', async () => {
    const { server, sync, run, state } = setUp();
    server.isAway = true;
    sync.add([edit(5)]);
    await run();
    expect(state()).toBe('unsaved');
    sync.add([edit(8, 5)]);
    await run();
    expect(state()).toBe('unsaved');
    server.isAway = false;
    sync.flush();
    await run();
    await run();
    expect(state()).toBe('saved');
    expect(server.scene.lights.l.x).toBe(8);
  });

  it('sends a patch whose answer was lost again under its id, and it is applied once', async () => {
    const { server, sync, run, state } = setUp();
    server.losesAnswer = true;
    sync.add([edit(5)]);
    await run();
    expect(state()).toBe('unsaved');
    server.losesAnswer = false;
    await run();
    expect(state()).toBe('saved');
    expect(server.revision).toBe(2);
  });

  it('takes over a scene that was changed elsewhere where its own changes still stand', async () => {
    const { server, sync, run, state, adopted } = setUp();
    server.scene = applyEdits(server.scene, [create('lights', 'theirs', lamp(3))]);
    server.revision = 2;
    sync.add([edit(5)]);
    await run();
    await run();
    expect(state()).toBe('saved');
    expect(adopted()!.lights.l.x).toBe(5);
    expect(server.scene.lights.theirs).toBeDefined();
    expect(server.scene.lights.l.x).toBe(5);
  });

  it('asks where the same value was changed, keeps both, and sends nothing until it is answered', async () => {
    const { server, sync, run, state, adopted } = setUp();
    server.scene = applyEdits(server.scene, [edit(60)]);
    server.revision = 2;
    sync.add([edit(5)]);
    await run();
    expect(state()).toBe('conflict');
    sync.add([edit(6, 5)]);
    await run();
    expect(server.scene.lights.l.x).toBe(60);
    expect(sync.unsent.length).toBe(2);
    await sync.takeTheirs();
    expect(adopted()!.lights.l.x).toBe(60);
    expect(state()).toBe('saved');
  });

  it('sends what an earlier visit left', async () => {
    const { server, run, state } = setUp({
      inFlight: { transactionId: 'old', edits: [edit(5)] },
      pending: [edit(6, 5)],
    });
    await run();
    await run();
    expect(state()).toBe('saved');
    expect(server.scene.lights.l.x).toBe(6);
    expect(server.known.has('old')).toBe(true);
  });

  it('a change that is taken back before it was sent is not sent', async () => {
    const { server, sync, run, state } = setUp();
    sync.add([edit(5), edit(1, 5)]);
    await run();
    expect(state()).toBe('saved');
    expect(server.sends).toBe(0);
  });
});
