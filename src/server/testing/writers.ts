/**
 * Several writers on several scenes of one project, who send every patch until it is answered, and the proof that what was
 * answered is there: once, in one order, and with the values that it set.
 */
import assert from 'node:assert/strict';
import { encodePng } from '@/core/raster/png';
import { create } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { outcomeOf, type SentEdit } from '@/core/scene/patches';
import { isOfProject } from '@/core/scene/records/all-records';
import { newArtwork } from '@/core/scene/records/artwork';
import { hash2 } from '@/core/time/noise';
import { withConnection } from '../database/pool';
import { rowsOf, sql } from '../database/sql';
import { keepBlob } from '../queries/blobs';
import { patchScene, type Patch } from '../queries/patches';
import { readRecords, ofProject, type Records } from '../queries/records';
import { recordsAt } from '../queries/revisions';
import { makeScene, openScene } from '../queries/scenes';
import { at, freshScene, testLamp, transactionId } from './samples';

/** Between two tries of one patch, ms. */
const AGAIN_MS = 20;

export interface SharedWork {
  projectId: string;
  scenes: string[];
  /** The shared records before the writers began, and the number of the project's last change. */
  start: Records;
  startNumber: number;
}

/** Three scenes of one project that share four artworks. */
export async function sharedWork(): Promise<SharedWork> {
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
  const [row] = await withConnection((c) =>
    rowsOf<{ change_number: number }>(c, sql`SELECT change_number FROM project WHERE id = ${projectId}`),
  );
  return { projectId, scenes, start, startNumber: row.change_number };
}

/** Sends a patch. @returns the revision that it made @throws where there is no answer */
export type Send = (sceneId: string, patch: Patch) => Promise<number>;

/** A patch that was answered: of which scene, as which revision, and when, ms since the start of the program. */
export interface Answered {
  sceneId: string;
  revision: number;
  at: number;
}

export class Writers {
  readonly answered = new Map<string, Answered>();
  private readonly running: Promise<void>[];
  private isOver = false;

  /** @param sends one for each writer: how it reaches the store */
  constructor(
    private readonly work: SharedWork,
    sends: readonly Send[],
  ) {
    this.running = sends.map((send, i) => this.write(send, i + 1));
  }

  /** Waits for so many answers more. @throws where they do not come in time */
  async answers(count: number, ms = 60_000): Promise<void> {
    const [from, end] = [this.answered.size, performance.now() + ms];
    while (this.answered.size < from + count) {
      assert(performance.now() < end, `${this.answered.size - from} of ${count} answers in ${ms} ms`);
      await pause(AGAIN_MS);
    }
  }

  async stop(): Promise<void> {
    this.isOver = true;
    await Promise.all(this.running);
  }

  private async write(send: Send, seed: number): Promise<void> {
    let cell = 0;
    const dice = (sides: number) => hash2(seed, cell++) % sides;
    const { scenes } = this.work;
    while (!this.isOver) {
      const sceneId = scenes[dice(scenes.length)];
      const patch = { transactionId: transactionId(), edits: randomEdits(dice) };
      // Sent until it is answered, as a page does.
      for (;;) {
        try {
          const revision = await send(sceneId, patch);
          this.answered.set(patch.transactionId, { sceneId, revision, at: performance.now() });
          break;
        } catch {
          await pause(AGAIN_MS);
        }
      }
    }
  }
}

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

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

/** Carries edits of shared records out over them. */
function carryOut(records: Records, edits: readonly SentEdit[]): void {
  const own = edits.filter(({ collection }) => isOfProject(collection));
  for (const { collection, id, record } of outcomeOf(own, (c, i) => records[c]?.[i]).changed.values()) {
    if (record === null) delete records[collection]![id];
    else (records[collection] ??= {})[id] = record;
  }
}

/** @throws AssertionError where an answered patch is not there once at its revision, or the records are not what the patches make */
export async function proveAllThere(
  { projectId, scenes, start, startNumber }: SharedWork,
  answered: ReadonlyMap<string, Answered>,
): Promise<void> {
  for (const sceneId of scenes) {
    const rows = await withConnection((c) =>
      rowsOf<{ revision: number; transaction_id: string }>(
        c,
        sql`SELECT revision, transaction_id FROM scene_revision WHERE scene_id = ${sceneId} ORDER BY revision`,
      ),
    );
    assert.deepEqual(
      rows.map(({ revision }) => revision),
      rows.map((_, i) => i + 2),
    );
    const revisions = new Map(rows.map((row) => [row.transaction_id, row.revision]));
    for (const [transaction, one] of answered)
      if (one.sceneId === sceneId) assert.equal(revisions.get(transaction), one.revision);
    const opened = await openScene(sceneId);
    assert.equal(opened.revision, rows.length + 1);
    const again = await recordsAt(sceneId, opened.revision);
    assert.deepEqual(opened.document.lights, again.lights ?? {});
  }
  const changes = await withConnection((c) =>
    rowsOf<{ edits: string }>(
      c,
      sql`SELECT edits FROM project_change WHERE project_id = ${projectId} AND change_number > ${startNumber} ORDER BY change_number`,
    ),
  );
  const records = structuredClone(start);
  for (const { edits } of changes) carryOut(records, JSON.parse(edits) as SentEdit[]);
  assert.deepEqual((await openScene(scenes[0])).document.artworks, records.artworks);
}
