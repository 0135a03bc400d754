/** What a patch takes at the database, against a commit of one small row in the same run. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { change, type Edit } from '../src/core/scene/edits';
import { newScene } from '../src/core/scene/new-scene';
import { newSprite } from '../src/core/scene/records/sprite';
import { strokeWith } from '../src/core/relief/testing/strokes';
import { migrate } from '../src/server/database/migrate';
import { DatabaseNodes } from '../src/server/database/nodes';
import { pool, transaction, withConnection } from '../src/server/database/pool';
import { run, sql } from '../src/server/database/sql';
import { startOwnMariadb } from '../src/server/mariadb/own-mariadb';
import { makeProject } from '../src/server/queries/projects';
import { patchScene } from '../src/server/queries/patches';
import { makeScene, openScene, openSceneText } from '../src/server/queries/scenes';

const ROUNDS = 31;
const NO_CHANGES = { changeNumber: Number.MAX_SAFE_INTEGER };
/** Points of a stroke of about 50 KB. */
const STROKE_POINTS = 7_500;

const median = (values: number[]) => values.toSorted((a, b) => a - b)[values.length >> 1];

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

let ids = 0;
const transactionId = () => `benchmark-${++ids}`;

/** A project with strokes of so many megabytes, and a scene in it with so many sprites. */
async function sceneOf(sprites: number, strokeMegabytes: number): Promise<string> {
  const document = newScene();
  for (let i = 0; i < sprites; i++)
    document.sprites[`s${i}`] = newSprite({
      ...{ name: '', planeId: 'plane-near', order: 'a', artworkId: null, x: i, y: 0 },
    });
  const points = Array.from({ length: 3 * STROKE_POINTS }, (_, i) => (i % 400) + 0.5);
  for (let i = 0; i < strokeMegabytes * 20; i++)
    document.strokes[`k${i}`] = { ...strokeWith({ points }), artworkId: 'a', layerId: 'l', order: 'a' };
  return makeScene(await makeProject('Benchmark'), 'Scene', document);
}

/** @returns for each size the ratio of a patch of one field to a commit, and what moving everything at once takes */
export async function measurePatches() {
  const folder = await mkdtemp(join(tmpdir(), 'oilwick-benchmark-'));
  const mariadb = await startOwnMariadb(folder);
  process.env.OILWICK_DATABASE_URL = mariadb.url;
  const own = new DatabaseNodes(mariadb.url);
  try {
    await migrate(own, 'src/server/database/migrations');
    await withConnection(
      (connection) => run(connection, sql`CREATE TABLE commit_limit (id INT PRIMARY KEY, value INT)`),
      own,
    );
    const results = [];
    for (const [sprites, megabytes] of [
      [100, 0],
      [1000, 0],
      [10_000, 0],
      [10_000, 50],
    ]) {
      const id = await sceneOf(sprites, megabytes);
      const { document } = await openScene(id);
      const [patches, commits]: number[][] = [[], []];
      let revision = 1;
      for (let round = 0; round < ROUNDS; round++) {
        commits.push(
          await timed(() =>
            transaction((connection) =>
              run(connection, sql`REPLACE INTO commit_limit (id, value) VALUES (1, ${round})`),
            ),
          ),
        );
        const edit: Edit = { ...change(document, 'sprites', 's0', { y: 1e5 })!, after: { y: round } };
        patches.push(
          await timed(() =>
            patchScene(
              id,
              { revision, ...NO_CHANGES },
              {
                transactionId: transactionId(),
                edits: [{ ...edit, before: { y: round === 0 ? 0 : round - 1 } }],
              },
            ),
          ),
        );
        revision++;
      }
      const all = Object.keys(document.sprites).map((one) => ({
        ...change(document, 'sprites', one, { x: -1 })!,
      }));
      const moved = await timed(() =>
        patchScene(id, { revision, ...NO_CHANGES }, { transactionId: transactionId(), edits: all }),
      );
      const opened = await timed(() => openSceneText(id));
      results.push({
        sprites,
        strokesMB: megabytes,
        ratio: Number((median(patches) / median(commits)).toFixed(2)),
        patchMs: Number(median(patches).toFixed(2)),
        commitMs: Number(median(commits).toFixed(2)),
        moveAllMs: Math.round(moved),
        openMs: Math.round(opened),
      });
    }
    return results;
  } finally {
    await pool().end();
    await own.end();
    await mariadb.stop();
    await rm(folder, { recursive: true, force: true });
  }
}
