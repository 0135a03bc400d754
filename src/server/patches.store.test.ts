import { describe, expect, it } from 'vitest';
import { encodePng } from '@/core/raster/png';
import { applyEdits, change, create, remove, type Edit } from '@/core/scene/edits';
import { newCircuit } from '@/core/scene/records/circuit';
import { newScene } from '@/core/scene/new-scene';
import { sentEdit, type SentEdit } from '@/core/scene/patches';
import { newArtwork } from '@/core/scene/records/artwork';
import { newOccluder } from '@/core/scene/records/occluder';
import { newCue } from '@/core/scene/records/cue';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { newSprite } from '@/core/scene/records/sprite';
import { LIMITS } from '@/core/limits';
import { withConnection } from './database/pool';
import { run, sql } from './database/sql';
import { StaleFault } from './faults';
import { keepBlob } from './queries/blobs';
import { forgetPieces, keepPiece, wholePatch } from './queries/patch-pieces';
import { patchScene } from './queries/patches';
import { keepSnapshotWhenDue, recordsAt, SNAPSHOT_EVERY } from './queries/revisions';
import { makeScene, openScene } from './queries/scenes';
import { testDatabase } from './testing/database';
import { at, freshScene, testLamp, transactionId } from './testing/samples';

testDatabase();

const patch = (id: string, madeFor: number, ...edits: SentEdit[]) =>
  patchScene(id, at(madeFor), {
    transactionId: transactionId(),
    edits,
    author: { id: 'browser-one', name: 'Ann' },
  });

/** A scene with a light, at revision 2. */
async function sceneWithLight() {
  const { id, projectId, document } = await freshScene();
  const edits = [create('lights', 'l', testLamp(1))];
  await patch(id, 1, ...edits);
  return { id, projectId, document: applyEdits(document, edits) };
}

const stoneOf = async () =>
  newArtwork({
    name: 'Stone',
    imageSha: await keepBlob(
      encodePng({ width: 1, height: 1, data: new Uint8Array(4).fill(200) }),
      'image/png',
    ),
    widthPx: 1,
    heightPx: 1,
    pixelArt: true,
  });

describe('patches', () => {
  it('are applied in order and come back with the scene', async () => {
    const { id, document } = await sceneWithLight();
    const second = [change(document, 'lights', 'l', { x: 40 })!];
    expect((await patch(id, 2, ...second)).revision).toBe(3);
    const opened = await openScene(id);
    expect(opened.revision).toBe(3);
    expect(opened.document).toEqual(applyEdits(document, second));
  });

  it('sent twice under one id answer the old revision and are applied once, even when others came between', async () => {
    const { id } = await freshScene();
    const first = { transactionId: transactionId(), edits: [create('lights', 'l', testLamp(1))] };
    expect((await patchScene(id, at(1), first)).revision).toBe(2);
    expect((await patch(id, 2, create('lights', 'm', testLamp(2)))).revision).toBe(3);
    expect((await patchScene(id, at(1), first)).revision).toBe(2);
    expect(Object.keys((await openScene(id)).document.lights)).toEqual(['l', 'm']);
  });

  it('sent six times at once under one id are applied once, and all are answered alike', async () => {
    const { id } = await freshScene();
    const first = { transactionId: transactionId(), edits: [create('lights', 'l', testLamp(1))] };
    const answers = await Promise.all(Array.from({ length: 6 }, () => patchScene(id, at(1), first)));
    expect(answers.map(({ revision }) => revision)).toEqual([2, 2, 2, 2, 2, 2]);
    expect((await openScene(id)).revision).toBe(2);
  });

  it('made for an older revision are joined, and told what came between', async () => {
    const { id, document } = await sceneWithLight();
    await patch(id, 2, change(document, 'lights', 'l', { x: 40 })!);
    const answer = await patch(id, 2, change(document, 'lights', 'l', { y: 50 })!);
    expect(answer).toMatchObject({ revision: 4, overwritten: [], gone: [] });
    expect(
      answer.since!.map(({ revision, author, edits }) => [revision, author?.name, edits[0].after]),
    ).toEqual([[3, 'Ann', { x: 40 }]]);
    expect((await openScene(id)).document.lights.l).toMatchObject({ x: 40, y: 50 });
  });

  it('that change what another one changed win, and say what they wrote over', async () => {
    const { id, document } = await sceneWithLight();
    await patch(id, 2, change(document, 'lights', 'l', { x: 40, y: 7 })!);
    const answer = await patch(id, 2, change(document, 'lights', 'l', { x: 90 })!);
    expect(answer.overwritten).toEqual([{ collection: 'lights', id: 'l', field: 'x', value: 40 }]);
    expect((await openScene(id)).document.lights.l).toMatchObject({ x: 90, y: 7 });
    // Both had the same in mind: nothing is lost.
    expect((await patch(id, 2, change(document, 'lights', 'l', { x: 90 })!)).overwritten).toEqual([]);
  });

  it('that delete what was changed since say so; changes of what was deleted are told to be gone', async () => {
    const { id, document } = await sceneWithLight();
    await patch(id, 2, change(document, 'lights', 'l', { x: 40 })!);
    const deleted = await patch(id, 2, remove(document, 'lights', 'l'));
    expect(deleted.overwritten).toMatchObject([
      { collection: 'lights', id: 'l', field: null, value: { x: 40 } },
    ]);
    const late = await patch(
      id,
      2,
      change(document, 'lights', 'l', { y: 3 })!,
      create('lights', 'm', testLamp(2)),
    );
    expect(late.gone).toEqual([0]);
    expect(Object.keys((await openScene(id)).document.lights)).toEqual(['m']);
    // Deleted by both: that is what both wanted.
    expect((await patch(id, 2, remove(document, 'lights', 'l'))).overwritten).toEqual([]);
  });

  it('for a revision that never was are refused with both', async () => {
    const { id } = await freshScene();
    const early = patch(id, 9, create('lights', 'm', testLamp(1)));
    await expect(early).rejects.toBeInstanceOf(StaleFault);
    await expect(early).rejects.toMatchObject({ expectedRevision: 9, revision: 1 });
  });

  it('that do not fit are refused with every edit at fault, and change nothing', async () => {
    const { id, document } = await freshScene();
    const missing = { ...(await stoneOf()), imageSha: '0'.repeat(64) };
    const late = patch(
      id,
      1,
      create('lights', 'l', testLamp(1)),
      create('lights', 'm', { ...testLamp(1), reachPx: -1 }),
      create('artworks', 'ghost', missing),
      remove(document, 'settings', SETTINGS_ID),
      create('cues', 'one', newCue({ clockHours: 5 })),
      create('cues', 'two', newCue({ clockHours: 5 })),
    );
    await expect(late).rejects.toMatchObject({
      refused: [
        { edit: 1, field: 'lights.m.reachPx' },
        { edit: 2, field: 'artworks/ghost' },
        { edit: 3, field: 'settings' },
        { edit: 5, field: 'cues.two.clockHours', why: 'There is a cue at this hour already (5).' },
      ],
    });
    expect((await openScene(id)).revision).toBe(1);
  });

  it('keep to the limits, which are counted and not walked', async () => {
    const { id } = await freshScene();
    const many = (from: number, count: number) =>
      Array.from({ length: count }, (_, i) =>
        create('circuits', `c${from + i}`, newCircuit({ name: '', order: 'a' })),
      );
    const { document } = await openScene(id);
    const there = Object.keys(document.circuits).length;
    await patch(id, 1, ...many(0, LIMITS.circuits - there));
    await expect(patch(id, 2, ...many(100, 1))).rejects.toThrow(/at most 26 circuits/);
    const full = (await openScene(id)).document;
    await patch(id, 2, remove(full, 'circuits', 'c0'), ...many(100, 1));
    expect(Object.keys((await openScene(id)).document.circuits).length).toBe(LIMITS.circuits);
  });

  it('sent at once by many are all taken, each with a revision of its own', async () => {
    const { id } = await freshScene();
    const results = await Promise.all(
      Array.from({ length: 8 }, (_, i) => patch(id, 1, create('lights', `l${i}`, testLamp(i)))),
    );
    expect(results.map(({ revision }) => revision).sort()).toEqual([2, 3, 4, 5, 6, 7, 8, 9]);
    expect(Object.keys((await openScene(id)).document.lights).length).toBe(8);
  });
});

describe('large patches', () => {
  const sprites = (count: number): Edit[] =>
    Array.from({ length: count }, (_, i) =>
      create(
        'sprites',
        `s${i}`,
        newSprite({ name: '', planeId: 'plane-near', order: 'a', artworkId: null, x: i, y: 0 }),
      ),
    );

  it('of outlines are refused where all of a scene would have too many points, also in a scene of before', async () => {
    const { id } = await freshScene();
    const outline = (points: number) =>
      Array.from({ length: 2 * points }, (_, i) => (i % 2 ? i % 97 : i % 89));
    const occluder = (points: number) =>
      newOccluder({ name: 'Wall', kind: 'closed', planeId: 'plane-middle', outlines: [outline(points)] });
    const send = (revision: number, edits: SentEdit[]) =>
      patchScene(id, at(revision), { transactionId: transactionId(), edits });
    const walls = (from: number, count: number) =>
      Array.from({ length: count }, (_, i) => create('occluders', `o${from + i}`, occluder(10_000)));
    await send(1, walls(0, 10));
    // As it was kept before points were summed.
    await withConnection((c) =>
      run(c, sql`UPDATE scene SET counts = JSON_REMOVE(counts, '$."sum of occluders"') WHERE id = ${id}`),
    );
    await send(2, walls(10, 10));
    await expect(send(3, [create('occluders', 'more', occluder(4))])).rejects.toThrow(
      'The occluders of a scene have at most 200000 points of outlines; they would have 200004.',
    );
    const [gone] = walls(0, 1);
    await send(3, [{ ...gone, before: gone.after, after: null }, create('occluders', 'more', occluder(4))]);
    expect(Object.keys((await openScene(id)).document.occluders).length).toBe(20);
  });

  it('of eighteen thousand sprites come in pieces and are taken as one; all of them move at once', async () => {
    const { id } = await freshScene();
    const edits = sprites(18_000);
    const whole = transactionId();
    const pieces = [edits.slice(0, 7000), edits.slice(7000, 14_000), edits.slice(14_000)];
    await keepPiece(id, { transactionId: whole, edits: pieces[1] }, 1);
    await expect(wholePatch(id, { transactionId: whole, edits: pieces[2] }, 3)).rejects.toThrow(
      /1 are missing/,
    );
    await keepPiece(id, { transactionId: whole, edits: pieces[0] }, 0);
    const joined = await wholePatch(id, { transactionId: whole, edits: pieces[2] }, 3);
    expect(joined.edits).toEqual(edits);
    expect((await patchScene(id, at(1), joined)).revision).toBe(2);
    await forgetPieces(id, whole);
    await expect(keepPiece('none', { transactionId: whole, edits: pieces[0] }, 0)).rejects.toThrow(
      /no scene/,
    );
    await expect(wholePatch(id, { transactionId: whole, edits: pieces[2] }, 3)).rejects.toThrow(
      /2 are missing/,
    );
    const { document } = await openScene(id);
    expect(Object.keys(document.sprites).length).toBe(18_000);
    const moves = Object.keys(document.sprites).map((one) => change(document, 'sprites', one, { y: 9 })!);
    expect((await patch(id, 2, ...moves)).revision).toBe(3);
    expect(Object.values((await openScene(id)).document.sprites).every(({ y }) => y === 9)).toBe(true);
  });

  it('delete records by what their author saw of them, without sending it', async () => {
    const { id, document } = await sceneWithLight();
    const sent = sentEdit(remove(document, 'lights', 'l'));
    expect(sent).not.toHaveProperty('before');
    const moved = change(document, 'lights', 'l', { x: 2 })!;
    await patch(id, 2, moved);
    expect((await patch(id, 2, sent)).overwritten.length).toBe(1);
    await patch(id, 4, create('lights', 'l', document.lights.l));
    expect((await patch(id, 5, sent)).overwritten).toEqual([]);
    expect((await openScene(id)).document.lights).toEqual({});
  });
});

describe('shared records', () => {
  it('changed field by field from four scenes at once keep every change', async () => {
    const { id, projectId } = await freshScene();
    const scenes = [id];
    for (let i = 0; i < 3; i++) scenes.push(await makeScene(projectId, `Scene ${i}`, newScene()));
    await patch(id, 1, create('artworks', 'stone', await stoneOf()));
    const fields = ['name', 'rateHz', 'takesShadows', 'binned'] as const;
    const values = (round: number) => [`Stone ${round}`, round + 1, round % 2 === 0, round % 2 === 1];
    for (let round = 0; round < 12; round++) {
      await Promise.all(
        scenes.map(async (scene, i) => {
          const { document, revision } = await openScene(scene);
          const edit = change(document, 'artworks', 'stone', { [fields[i]]: values(round)[i] });
          if (edit) await patch(scene, revision, edit);
        }),
      );
      const { stone } = (await openScene(id)).document.artworks;
      expect(fields.map((field) => stone[field])).toEqual(values(round));
    }
  });

  it('stay deleted while another scene changes them', async () => {
    const { id, projectId } = await freshScene();
    const other = await makeScene(projectId, 'Other', newScene());
    for (let round = 0; round < 8; round++) {
      const { revision } = await openScene(id);
      await patch(id, revision, create('artworks', `stone-${round}`, await stoneOf()));
      const { document, revision: now } = await openScene(id);
      const at = (await openScene(other)).revision;
      await Promise.all([
        patch(id, now, remove(document, 'artworks', `stone-${round}`)),
        patch(other, at, change(document, 'artworks', `stone-${round}`, { name: 'Slab' })!),
      ]);
      expect((await openScene(id)).document.artworks).toEqual({});
    }
  });

  it('made under one id in two scenes: the second says what it wrote over', async () => {
    const { id, projectId } = await freshScene();
    const other = await makeScene(projectId, 'Other', newScene());
    const stone = await stoneOf();
    const answers = await Promise.all([
      patch(id, 1, create('artworks', 'stone', stone)),
      patch(other, 1, create('artworks', 'stone', { ...stone, name: 'Slab' })),
    ]);
    expect(answers.flatMap(({ overwritten }) => overwritten).length).toBe(1);
  });

  it('are never seen half changed by who opens a scene meanwhile', async () => {
    const { id, document } = await sceneWithLight();
    await patch(id, 2, create('artworks', 'stone', await stoneOf()));
    const { document: whole } = await openScene(id);
    let torn = 0;
    let isOver = false;
    const reader = async () => {
      while (!isOver) {
        const { document: seen } = await openScene(id);
        const name = seen.artworks.stone.name;
        if (name !== 'Stone' && name !== `Stone ${seen.lights.l.x}`) torn++;
      }
    };
    const readers = [reader(), reader()];
    for (let i = 0; i < 40; i++)
      await patch(
        id,
        3 + i,
        { ...change(document, 'lights', 'l', { x: 1000 })!, after: { x: i } },
        { ...change(whole, 'artworks', 'stone', { name: '?' })!, after: { name: `Stone ${i}` } },
      );
    isOver = true;
    await Promise.all(readers);
    expect(torn).toBe(0);
  });
});

describe('earlier revisions', () => {
  it('are had from a snapshot and the patches since, and those that never were are not', async () => {
    const { id, document } = await sceneWithLight();
    let now = document;
    for (let revision = 2; revision <= SNAPSHOT_EVERY + 2; revision++) {
      const edit = change(now, 'lights', 'l', { x: 1000 + revision })!;
      now = applyEdits(now, [edit]);
      const answer = await patch(id, revision, edit);
      await keepSnapshotWhenDue(id, answer.revision);
    }
    for (const revision of [3, 57, SNAPSHOT_EVERY - 1, SNAPSHOT_EVERY, SNAPSHOT_EVERY + 3])
      expect((await recordsAt(id, revision)).lights!.l.x).toBe(999 + revision);
    expect((await recordsAt(id, 1)).lights).toEqual({});
    await expect(recordsAt(id, 999)).rejects.toThrow(/not known/);
  });
});
