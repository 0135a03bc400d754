import { describe, expect, it } from 'vitest';
import { applyEdits, change, create, remove } from '@/core/scene/edits';
import { withConnection } from './database/pool';
import { rowsOf, sql } from './database/sql';
import { StaleFault } from './faults';
import { openScene, patchScene, PATCHES_KEPT } from './queries/scenes';
import { freshScene, testLamp, transactionId, testDatabase } from './testing';

testDatabase();

describe('patches', () => {
  it('are applied in order and come back with the scene', async () => {
    const { id, document } = await freshScene();
    const first = [create('lights', 'l', testLamp(1))];
    expect(await patchScene(id, 1, { transactionId: transactionId(), edits: first })).toBe(2);
    const after = applyEdits(document, first);
    const second = [change(after, 'lights', 'l', { x: 40 })!];
    expect(await patchScene(id, 2, { transactionId: transactionId(), edits: second })).toBe(3);
    const opened = await openScene(id);
    expect(opened.revision).toBe(3);
    expect(opened.document).toEqual(applyEdits(after, second));
  });

  it('sent twice under one id answer the old revision and are applied once, even when others came between', async () => {
    const { id } = await freshScene();
    const patch = { transactionId: transactionId(), edits: [create('lights', 'l', testLamp(1))] };
    expect(await patchScene(id, 1, patch)).toBe(2);
    expect(
      await patchScene(id, 2, {
        transactionId: transactionId(),
        edits: [create('lights', 'm', testLamp(2))],
      }),
    ).toBe(3);
    expect(await patchScene(id, 1, patch)).toBe(2);
    expect(Object.keys((await openScene(id)).document.lights)).toEqual(['l', 'm']);
  });

  it('for another revision are refused with both, and change nothing', async () => {
    const { id } = await freshScene();
    await patchScene(id, 1, { transactionId: transactionId(), edits: [create('lights', 'l', testLamp(1))] });
    const late = patchScene(id, 1, {
      transactionId: transactionId(),
      edits: [create('lights', 'm', testLamp(1))],
    });
    await expect(late).rejects.toBeInstanceOf(StaleFault);
    await expect(late).rejects.toMatchObject({ expectedRevision: 1, revision: 2 });
    expect((await openScene(id)).document.lights.m).toBeUndefined();
  });

  it('that do not fit are refused by field and change nothing', async () => {
    const { id } = await freshScene();
    const edits = [
      create('lights', 'l', testLamp(1)),
      create('lights', 'm', { ...testLamp(1), reachPx: -1 }),
    ];
    await expect(patchScene(id, 1, { transactionId: transactionId(), edits })).rejects.toMatchObject({
      field: 'lights.m.reachPx',
    });
    expect((await openScene(id)).revision).toBe(1);
  });

  it('survive the rewriting of the whole document', async () => {
    const { id } = await freshScene();
    let { document } = await openScene(id);
    for (let i = 0; i < PATCHES_KEPT + 5; i++) {
      const edits = [
        i === 0 ? create('lights', 'l', testLamp(0)) : change(document, 'lights', 'l', { x: i })!,
      ];
      document = applyEdits(document, edits);
      await patchScene(id, i + 1, { transactionId: transactionId(), edits });
    }
    const opened = await openScene(id);
    expect(opened.document).toEqual(document);
    const [row] = await withConnection((c) =>
      rowsOf<{ document_revision: number }>(c, sql`SELECT document_revision FROM scene WHERE id = ${id}`),
    );
    expect(row.document_revision).toBeGreaterThan(PATCHES_KEPT);
  });

  it('sent at once by many are taken one by one, each revision once', async () => {
    const { id } = await freshScene();
    const results = await Promise.allSettled(
      Array.from({ length: 8 }, (_, i) =>
        patchScene(id, 1, {
          transactionId: transactionId(),
          edits: [create('lights', `l${i}`, testLamp(i))],
        }),
      ),
    );
    expect(results.filter((r) => r.status === 'fulfilled').length).toBe(1);
    expect((await openScene(id)).revision).toBe(2);
  });

  it('that delete what was changed since are refused: who deletes has seen all of it', async () => {
    const { id, document } = await freshScene();
    const first = [create('lights', 'l', testLamp(1))];
    await patchScene(id, 1, { transactionId: transactionId(), edits: first });
    const seen = applyEdits(document, first);
    const gone = remove(seen, 'lights', 'l');
    const moved = [change(seen, 'lights', 'l', { x: 40 })!];
    await patchScene(id, 2, { transactionId: transactionId(), edits: moved });
    // At the right revision, as from someone who took the other change over without looking.
    await expect(patchScene(id, 3, { transactionId: transactionId(), edits: [gone] })).rejects.toBeInstanceOf(
      StaleFault,
    );
    const edits = [remove(applyEdits(seen, moved), 'lights', 'l')];
    expect(await patchScene(id, 3, { transactionId: transactionId(), edits })).toBe(4);
    expect((await openScene(id)).document.lights).toEqual({});
  });
});
