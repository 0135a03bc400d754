/** Revisions of a scene: the list, names, pictures, earlier documents, and scenes made of them. */
import { beforeAll, describe, expect, it } from 'vitest';
import { create, change } from '@/core/scene/edits';
import { patchScene } from './queries/patches';
import { keepScenePicture } from './queries/scene-pictures';
import { nameRevision, revisionPicture, revisionsOf } from './queries/revision-marks';
import { branchScene, documentAt, openScene } from './queries/scenes';
import { testDatabase } from './testing/database';
import { at, freshScene, testLamp, transactionId } from './testing/samples';

testDatabase();

describe('the revisions of a scene', () => {
  let scene: Awaited<ReturnType<typeof freshScene>>;
  const author = { id: 'ada', name: 'Ada' };

  beforeAll(async () => {
    scene = await freshScene();
    const { id } = scene;
    const lamp = create('lights', 'l', testLamp(1));
    await patchScene(id, at(1), { transactionId: transactionId(), edits: [lamp], author });
    const { document } = await openScene(id);
    const moved = change(document, 'lights', 'l', { x: 90 })!;
    await patchScene(id, at(2), { transactionId: transactionId(), edits: [moved] });
  });

  it('are listed newest first, with who made them and what they changed', async () => {
    const list = await revisionsOf(scene.id, null);
    expect(list.map(({ revision, author: who, changed }) => [revision, who, changed])).toEqual([
      [3, null, { lights: 1 }],
      [2, author, { lights: 1 }],
      [1, null, {}],
    ]);
    expect(Number.isFinite(Date.parse(list[0].madeAt))).toBe(true);
    expect((await revisionsOf(scene.id, 3)).map(({ revision }) => revision)).toEqual([2, 1]);
    await expect(revisionsOf('none', null)).rejects.toThrow(/no scene none/);
  });

  it('are named, and the name is taken away again', async () => {
    await nameRevision(scene.id, 2, 'Before the move');
    const names = async () => (await revisionsOf(scene.id, null)).map(({ name }) => name);
    expect(await names()).toEqual([null, 'Before the move', null]);
    await nameRevision(scene.id, 2, null);
    expect(await names()).toEqual([null, null, null]);
    await expect(nameRevision(scene.id, 9, 'Later')).rejects.toThrow(/no revision 9/);
  });

  it('have the picture that was kept while they were the newest', async () => {
    await keepScenePicture(scene.id, new Uint8Array([1, 2, 3]));
    const list = await revisionsOf(scene.id, null);
    expect(list.map(({ hasPicture }) => hasPicture)).toEqual([true, false, false]);
    expect([...(await revisionPicture(scene.id, 3))]).toEqual([1, 2, 3]);
    await expect(revisionPicture(scene.id, 2)).rejects.toThrow(/no picture of revision 2/);
  });

  it('are had again as they were, and begin scenes of their own', async () => {
    expect((await documentAt(scene.id, 2)).lights.l.x).toBe(1);
    expect((await documentAt(scene.id, 1)).lights).toEqual({});
    const branchId = await branchScene(scene.id, 2, 'Branch');
    const branch = await openScene(branchId);
    expect(branch).toMatchObject({ name: 'Branch', revision: 1, projectId: scene.projectId });
    expect(branch.document.lights.l.x).toBe(1);
    const moved = change(branch.document, 'lights', 'l', { x: 7 })!;
    await patchScene(branchId, at(1), { transactionId: transactionId(), edits: [moved] });
    expect((await openScene(scene.id)).document.lights.l.x).toBe(90);
    expect((await documentAt(branchId, 1)).lights.l.x).toBe(1);
    await expect(branchScene(scene.id, 44, 'Branch')).rejects.toThrow(/Revision 44/);
  });
});
