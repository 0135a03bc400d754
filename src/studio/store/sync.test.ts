import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newLight } from '@/core/scene/records/light';
import { applyEdits, change, create, remove, type Edit } from '@/core/scene/edits';
import type { SceneDocument } from '@/core/scene/document';
import { hash2 } from '@/core/time/noise';
import { Browser, MemoryServer } from './testing/memory-server';

const lamp = (x: number) => newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x, y: 2 });
const withLamp = () => applyEdits(newScene(), [create('lights', 'l', lamp(1))]);

function setUp() {
  const server = new MemoryServer(withLamp());
  return { server, ann: new Browser('ann', server), ben: new Browser('ben', server) };
}

const set = ({ store }: Browser, fields: object, id = 'l') =>
  store.transact({ label: 'Change', edits: [change(store.kept, 'lights', id, fields)!] });
const x = (scene: SceneDocument) => scene.lights.l.x;

describe('saving', () => {
  it('says saving until the server has it, and sends what belongs together at once', async () => {
    const { server, ann } = setUp();
    set(ann, { x: 5 });
    set(ann, { x: 9 });
    expect(ann.state).toBe('saving');
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(server.sends).toBe(1);
    expect(x(server.scene)).toBe(9);
  });

  it('is not put off by changes that keep coming', async () => {
    const { ann } = setUp();
    for (let i = 5; i < 40; i++) set(ann, { x: i });
    expect(ann.timerCount).toBe(1);
    await ann.run();
    expect(ann.state).toBe('saved');
  });

  it('says not saved while the server is away, and sends everything when it is back', async () => {
    const { server, ann } = setUp();
    server.isAway = true;
    set(ann, { x: 5 });
    await ann.run();
    expect(ann.state).toBe('unsaved');
    set(ann, { x: 8 });
    server.isAway = false;
    ann.sync.flush();
    await ann.run();
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(x(server.scene)).toBe(8);
  });

  it('says after five seconds that there is no answer, and saved when it comes after all', async () => {
    const { ann, server } = setUp();
    let answer = () => {};
    const waits = new Promise<void>((resolve) => (answer = resolve));
    const take = server.take.bind(server);
    server.take = async (...sent) => {
      await waits;
      return take(...sent);
    };
    set(ann, { x: 5 });
    await ann.run();
    expect(ann.state).toBe('saving');
    await ann.run();
    expect(ann.sync.api.getState().sync).toMatchObject({ kind: 'unsaved', why: /not answered for 5 s/ });
    answer();
    await ann.run();
    expect(ann.state).toBe('saved');
  });

  it('sends a patch whose answer was lost again under its id, and it is applied once', async () => {
    const { server, ann } = setUp();
    server.losesAnswers = 1;
    set(ann, { x: 5 });
    await ann.run();
    expect(ann.state).toBe('unsaved');
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(server.revision).toBe(2);
  });

  it('keeps a batch in the browser under the id by which it is sent, before it is sent', async () => {
    const { server, ann } = setUp();
    set(ann, { x: 5 });
    expect(ann.journal.length).toBe(1);
    await ann.run();
    const [{ transactionId }] = server.log;
    // The page went before the answer came: the next visit sends what lay in the browser.
    const next = new Browser('ann', server, [
      { transactionId, edits: server.log[0].edits as Edit[], wasSent: true },
    ]);
    await next.run();
    expect([next.state, server.revision]).toEqual(['saved', 2]);
  });

  it('does not send a change that is taken back before, nor a record that is made and deleted', async () => {
    const { server, ann } = setUp();
    set(ann, { x: 5 });
    ann.store.undo();
    ann.store.transact({ label: 'New', edits: [create('lights', 'm', lamp(3))] });
    ann.store.undo();
    await ann.run();
    expect([ann.state, server.sends]).toEqual(['saved', 0]);
  });

  it('sets aside what the server refuses, and saves what comes with and after it', async () => {
    const { server, ann } = setUp();
    ann.sync.add([
      { collection: 'lights', id: 'l', before: { reachPx: 1 }, after: { reachPx: -1 } },
      create('lights', 'm', lamp(3)),
    ]);
    await ann.run();
    expect(ann.sync.aside.map(({ edit, why }) => [edit.id, why])).toEqual([
      ['l', expect.stringMatching(/reachPx/)],
    ]);
    await ann.run();
    set(ann, { y: 44 });
    await ann.run();
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(server.scene.lights.m.x).toBe(3);
    expect(server.scene.lights.l.y).toBe(44);
  });

  it('is tried once more when it is closed, and then no more', async () => {
    const { server, ann } = setUp();
    server.isAway = true;
    set(ann, { x: 5 });
    await ann.run();
    ann.sync.close();
    await ann.run();
    expect([server.sends, ann.timerCount, ann.journal.length]).toEqual([2, 0, 1]);
  });
});

describe('what others change', () => {
  it('comes in without a question where the fields differ, into what is unsent too', async () => {
    const { server, ann, ben } = setUp();
    set(ann, { x: 5 });
    set(ben, { y: 50 });
    await ben.run();
    ann.hear();
    expect(ann.store.state.scene.lights.l).toMatchObject({ x: 5, y: 50 });
    await ann.run();
    ben.hear();
    expect(ben.store.state.scene).toEqual(server.scene);
    expect(ann.store.state.scene).toEqual(server.scene);
  });

  it('comes with the answer to a patch where it was not heard yet', async () => {
    const { server, ann, ben } = setUp();
    set(ben, { y: 50 });
    await ben.run();
    set(ann, { x: 5 });
    await ann.run();
    expect(ann.store.state.scene).toEqual(server.scene);
    ann.hear();
    expect(ann.store.state.scene).toEqual(server.scene);
  });

  it('in the same field stays as the later one made it, and the earlier one is told', async () => {
    const { server, ann, ben } = setUp();
    set(ann, { x: 5 });
    set(ben, { x: 60 });
    await ann.run();
    ben.hear();
    expect(x(ben.store.state.scene)).toBe(60);
    await ben.run();
    ann.hear();
    expect([x(server.scene), x(ann.store.state.scene), x(ben.store.state.scene)]).toEqual([60, 60, 60]);
    expect([ann.told, ben.told]).toEqual([['ben l x'], []]);
  });

  it('is told of short values alone: long ones are not remembered', async () => {
    const { ann } = setUp();
    const long = Array.from({ length: 400 }, (_, i) => i % 2);
    set(ann, { level: 7, outlines: [long] });
    await ann.run();
    const own = (field: string, value: unknown) =>
      ann.sync.isOwn({ collection: 'lights', id: 'l', field, value });
    expect([own('level', 7), own('level', 8), own('outlines', [long])]).toEqual([true, false, false]);
  });

  it('deletes what is being changed here: that is lost, and both go on', async () => {
    const { server, ann, ben } = setUp();
    set(ann, { x: 5 });
    ann.store.transact({ label: 'New', edits: [create('lights', 'm', lamp(3))] });
    ben.store.transact({ label: 'Delete', edits: [remove(ben.store.kept, 'lights', 'l')] });
    await ben.run();
    ann.hear();
    expect(Object.keys(ann.store.state.scene.lights)).toEqual(['m']);
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(Object.keys(server.scene.lights)).toEqual(['m']);
  });

  it('of a server that was set back is taken over, with what is unsent on top', async () => {
    const { server, ann } = setUp();
    set(ann, { x: 5 });
    await ann.run();
    server.scene = withLamp();
    server.revision = 1;
    server.log.length = 0;
    set(ann, { y: 9 });
    await ann.run();
    await ann.run();
    expect(ann.state).toBe('saved');
    expect(server.scene.lights.l).toMatchObject({ x: 1, y: 9 });
    expect(ann.store.state.scene).toEqual(server.scene);
  });

  it('and all else at random, with lost answers, silence and new pages, ends the same for everybody', async () => {
    for (let seed = 1; seed <= 150; seed++) await randomWork(seed);
  });
});

/** Three browsers work at random on a few lights; in the end all hold what the server holds, and it holds all that was saved. */
async function randomWork(seed: number): Promise<void> {
  const server = new MemoryServer(withLamp());
  const browsers = ['ann', 'ben', 'cat'].map((name) => new Browser(name, server));
  let cell = 0;
  const dice = (sides: number) => hash2(seed, cell++) % sides;
  for (let step = 0; step < 60; step++) {
    const at = dice(3);
    const one = browsers[at];
    const ids = Object.keys(one.store.kept.lights);
    const id = ids[dice(Math.max(1, ids.length))];
    switch (dice(9)) {
      case 0:
        one.store.transact({ label: 'New', edits: [create('lights', `s${seed}-${step}`, lamp(step))] });
        break;
      case 1:
        if (id && dice(3) === 0)
          one.store.transact({ label: 'Delete', edits: [remove(one.store.kept, 'lights', id)] });
        break;
      case 2:
      case 3:
      case 4:
        if (id) {
          const edit = change(one.store.kept, 'lights', id, { [['x', 'y', 'level'][dice(3)]]: dice(200) });
          if (edit) one.store.transact({ label: 'Change', edits: [edit] });
        }
        break;
      case 5:
        await one.run();
        break;
      case 6:
        one.hear();
        break;
      case 7:
        if (dice(2) === 0) one.store.undo();
        else server.losesAnswers = dice(2);
        break;
      case 8:
        server.isAway = dice(3) === 0;
        // The page goes, and another one takes over what it left.
        if (dice(4) === 0) {
          one.sync.close();
          browsers[at] = new Browser(`${one.name}-${step}`, server, one.journal);
        }
    }
  }
  server.isAway = false;
  server.losesAnswers = 0;
  for (let round = 0; round < 12; round++)
    for (const one of browsers) {
      await one.run();
      one.hear();
    }
  for (const one of browsers) {
    expect([seed, one.state]).toEqual([seed, 'saved']);
    expect(one.store.state.scene).toEqual(server.scene);
    expect(one.sync.aside).toEqual([]);
  }
  // No patch was taken twice.
  expect(new Set(server.log.map(({ transactionId }) => transactionId)).size).toBe(server.log.length);
}
