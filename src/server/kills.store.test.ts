/** Several writers on several scenes of one project, while the database is killed now and then. */
import { describe, expect, it } from 'vitest';
import { encodePng } from '@/core/raster/png';
import { create } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { outcomeOf, type SentEdit } from '@/core/scene/patches';
import { isOfProject } from '@/core/scene/records/all-records';
import { newArtwork } from '@/core/scene/records/artwork';
import { hash2 } from '@/core/time/noise';
import { withConnection } from './database/pool';
import { rowsOf, sql } from './database/sql';
import { keepBlob } from './queries/blobs';
import { patchScene } from './queries/patches';
import { readRecords, ofProject, type Records } from './queries/records';
import { recordsAt } from './queries/revisions';
import { makeScene, openScene } from './queries/scenes';
import { at, freshScene, killAndReopen, testDatabase, testLamp, transactionId } from './testing';

const KILLS = Number(process.env.OILWICK_KILLS ?? 2);
const WRITERS = 4;
const TIMEOUT_MS = 60_000 + 10_000 * KILLS;

const database = testDatabase();

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** An edit by chance: of a light of the scene, of an artwork that all share, or of both. */
function randomEdits(dice: (sides: number) => number): SentEdit[] {
  const light = `l${dice(6)}`;
  const artwork = `a${dice(4)}`;
  const value = dice(1000);
  switch (dice(6)) {
    case 0:
      return [create('lights', light, testLamp(value))];
    case 1:
      return [{ collection: 'lights', id: light, seen: '0'.repeat(16), after: null }];
    case 2:
      return [{ collection: 'lights', id: light, before: { x: 0 }, after: { x: value } }];
    case 3:
      return [
        { collection: 'artworks', id: artwork, before: { name: '' }, after: { name: `Name ${value}` } },
      ];
    case 4:
      return [
        { collection: 'artworks', id: artwork, before: { rateHz: 0 }, after: { rateHz: 1 + (value % 30) } },
      ];
    default:
      return [
        { collection: 'artworks', id: artwork, before: { tags: [] }, after: { tags: [`t${value}`] } },
        { collection: 'lights', id: light, before: { y: 0 }, after: { y: value } },
      ];
  }
}

/** Carries edits out over records, as far as they are the project's or the scene's. */
function carryOut(records: Records, edits: readonly SentEdit[], ofProjects: boolean): void {
  const own = edits.filter(({ collection }) => isOfProject(collection) === ofProjects);
  for (const { collection, id, record } of outcomeOf(own, (c, i) => records[c]?.[i]).changed.values()) {
    if (record === null) delete records[collection]![id];
    else (records[collection] ??= {})[id] = record;
  }
}

describe('the work of many', () => {
  it(
    'is all there after kills of the database: each patch that was answered once, and in one order',
    async () => {
      const { projectId, id } = await freshScene();
      const scenes = [id];
      for (const name of ['Second', 'Third']) scenes.push(await makeScene(projectId, name, newScene()));
      const imageSha = await keepBlob(
        encodePng({ width: 1, height: 1, data: Uint8Array.of(9, 9, 9, 255) }),
        'image/png',
      );
      const art = newArtwork({ name: 'Art', imageSha, widthPx: 1, heightPx: 1, pixelArt: true });
      await patchScene(id, at(1), {
        transactionId: transactionId(),
        edits: [0, 1, 2, 3].map((i) => create('artworks', `a${i}`, art)),
      });
      const start = structuredClone(await withConnection((c) => readRecords(c, ofProject(projectId))));
      const [{ change_number: startNumber }] = await withConnection((c) =>
        rowsOf<{ change_number: number }>(c, sql`SELECT change_number FROM project WHERE id = ${projectId}`),
      );
      const answered = new Map<string, { sceneId: string; revision: number }>();
      let isOver = false;
      const writer = async (seed: number) => {
        let cell = 0;
        const dice = (sides: number) => hash2(seed, cell++) % sides;
        while (!isOver) {
          const sceneId = scenes[dice(scenes.length)];
          const patch = { transactionId: transactionId(), edits: randomEdits(dice) };
          // Sent until it is answered, as a page does.
          for (;;) {
            try {
              const { revision } = await patchScene(sceneId, at(1), patch);
              answered.set(patch.transactionId, { sceneId, revision });
              break;
            } catch {
              await pause(20);
            }
          }
        }
      };
      const writers = Array.from({ length: WRITERS }, (_, i) => writer(i + 1));
      for (let kill = 0; kill < KILLS; kill++) {
        const before = answered.size;
        while (answered.size < before + 30) await pause(20);
        await pause(hash2(7, kill) % 300);
        await killAndReopen(database);
      }
      const before = answered.size;
      while (answered.size < before + 30) await pause(20);
      isOver = true;
      await Promise.all(writers);

      for (const sceneId of scenes) {
        const rows = await withConnection((c) =>
          rowsOf<{ revision: number; transaction_id: string }>(
            c,
            sql`SELECT revision, transaction_id FROM scene_revision WHERE scene_id = ${sceneId} ORDER BY revision`,
          ),
        );
        expect(rows.map(({ revision }) => revision)).toEqual(rows.map((_, i) => i + 2));
        const mine = [...answered].filter(([, one]) => one.sceneId === sceneId);
        const revisions = new Map(rows.map((row) => [row.transaction_id, row.revision]));
        for (const [transaction, { revision }] of mine) expect(revisions.get(transaction)).toBe(revision);
        const opened = await openScene(sceneId);
        expect(opened.revision).toBe(rows.length + 1);
        const again = await recordsAt(sceneId, opened.revision);
        expect(opened.document.lights).toEqual(again.lights ?? {});
      }
      const changes = await withConnection((c) =>
        rowsOf<{ edits: string }>(
          c,
          sql`SELECT edits FROM project_change WHERE project_id = ${projectId} AND change_number > ${startNumber} ORDER BY change_number`,
        ),
      );
      for (const { edits } of changes) carryOut(start, JSON.parse(edits) as SentEdit[], true);
      expect((await openScene(id)).document.artworks).toEqual(start.artworks);
    },
    TIMEOUT_MS,
  );
});
