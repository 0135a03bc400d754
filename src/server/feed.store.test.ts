import { afterEach, describe, expect, it } from 'vitest';
import { encodePng } from '@/core/raster/png';
import type { FeedEvent } from '@/core/scene/changes';
import { change, create } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { Feed } from './live/feed';
import { keepBlob } from './queries/blobs';
import { patchScene } from './queries/patches';
import { keepPicks } from './queries/picks';
import { makeScene, openScene } from './queries/scenes';
import { testDatabase } from './testing/database';
import { at, freshScene, testLamp, transactionId } from './testing/samples';

testDatabase();

/** Every process has a feed of its own. */
const processes = () => [new Feed(), new Feed()];

const leaving: (() => void)[] = [];
afterEach(() => leaving.splice(0).forEach((leave) => leave()));

async function listen(feed: Feed, sceneId: string, name: string) {
  const { revision, changeNumber } = await openScene(sceneId);
  const heard: FeedEvent[] = [];
  const leave = feed.listen({
    sceneId,
    known: { revision, changeNumber },
    person: { id: `person-${name}`, name },
    send: (event) => heard.push(event),
  });
  leaving.push(leave);
  const people = () => heard.flatMap((event) => (event.kind === 'people' ? [event.people] : [])).at(-1);
  const changes = () => heard.flatMap((event) => (event.kind === 'changes' ? event.changes : []));
  return { heard, changes, people, leave };
}

const until = async (isSo: () => boolean) => {
  for (let i = 0; i < 200 && !isSo(); i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(isSo()).toBe(true);
};

describe('a feed', () => {
  it('tells every process what is changed in a scene, each revision once and in order', async () => {
    const [one, other] = processes();
    const { id } = await freshScene();
    const ann = await listen(one, id, 'ann');
    const ben = await listen(other, id, 'ben');
    for (let i = 0; i < 6; i++)
      await patchScene(id, at(i + 1), {
        transactionId: transactionId(),
        edits: [create('lights', `l${i}`, testLamp(i))],
      });
    for (const { changes } of [ann, ben]) {
      await until(() => changes().length === 6);
      expect(changes().map(({ revision }) => revision)).toEqual([2, 3, 4, 5, 6, 7]);
      expect(changes()[5].edits[0]).toMatchObject({ collection: 'lights', id: 'l5' });
    }
  });

  it('tells other scenes of the project of its shared records, before what came upon them', async () => {
    const [one] = processes();
    const { id, projectId } = await freshScene();
    const other = await makeScene(projectId, 'Other', newScene());
    const ann = await listen(one, id, 'ann');
    const imageSha = await keepBlob(
      encodePng({ width: 1, height: 1, data: new Uint8Array(4).fill(9) }),
      'image/png',
    );
    const stone = newArtwork({ name: 'Stone', imageSha, widthPx: 1, heightPx: 1, pixelArt: true });
    await patchScene(other, at(1), {
      transactionId: 'from-the-other',
      edits: [create('artworks', 'stone', stone), create('lights', 'theirs', testLamp(1))],
    });
    const { document } = await openScene(id);
    await patchScene(id, at(1), {
      transactionId: 'from-this-one',
      edits: [change(document, 'artworks', 'stone', { name: 'Slab' })!],
    });
    await until(() => ann.changes().length === 2);
    // Of what the other scene did only the shared part comes here, and it comes first.
    expect(ann.changes().map(({ transactionId: by, edits }) => [by, edits.map((edit) => edit.id)])).toEqual([
      ['from-the-other', ['stone']],
      ['from-this-one', ['stone']],
    ]);
  });

  it('says who else is there, whichever process they are with, and that they left', async () => {
    const [one, other] = processes();
    const { id } = await freshScene();
    const ann = await listen(one, id, 'ann');
    const ben = await listen(other, id, 'ben');
    await until(() => ann.people()?.length === 1 && ben.people()?.length === 1);
    expect(ann.people()).toEqual([{ id: 'person-ben', name: 'ben', picked: [] }]);
    const picked = [{ collection: 'lights', id: 'l' }] as const;
    await keepPicks(id, 'person-ben', picked);
    await until(() => ann.people()?.[0]?.picked.length === 1);
    expect(ann.people()).toEqual([{ id: 'person-ben', name: 'ben', picked }]);
    ben.leave();
    await until(() => ann.people()?.length === 0);
  });
});
