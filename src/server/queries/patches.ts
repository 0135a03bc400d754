/**
 * Patches: edits of a scene's own records and of those that its project shares, taken all at once. What others changed since is
 * kept where the fields differ; where they do not the later patch wins and its answer says what it wrote over. The time of a
 * patch depends on what it changes, not on how much there is.
 */
import { InputFault } from '@/core/faults';
import { areDistinct, checkCount, checkDeleted, checkDistinct, checkRecord } from '@/core/scene/read-scene';
import { isOfProject, type CollectionName } from '@/core/scene/records/all-records';
import type { Known, PatchAnswer, Person, RefusedEdit } from '@/core/scene/changes';
import { outcomeOf, type Outcome, type Overwritten, type SentEdit } from '@/core/scene/patches';
import { transaction } from '../database/pool';
import { rowOf, run, sql, type Connection } from '../database/sql';
import { NotFoundFault, RefusedFault, StaleFault } from '../faults';
import { changesSince } from './changes';
import { faultsOfFiles } from './files';
import { lockRecords, ofProject, ofScene, readRecords, writeRecords, type Counts } from './records';

export interface Patch {
  transactionId: string;
  edits: SentEdit[];
  author?: Person | null;
}

interface Locked {
  id: string;
  projectId: string;
  revision: number;
  sceneCounts: Counts;
  projectCounts: Counts;
  changeNumber: number;
}

/**
 * Takes a patch. A transaction that was taken already answers its old revision, so that a retry after a lost answer is no
 * second change; it is looked up before anything else.
 * @param known what its author knew when it was made
 * @throws StaleFault where the scene never was at that revision, RefusedFault with all edits that do not fit
 */
export async function patchScene(id: string, known: Known, patch: Patch): Promise<PatchAnswer> {
  return transaction(async (connection) => {
    const { locked, taken } = await lockScene(connection, id, patch);
    if (taken)
      return {
        revision: taken.revision,
        changeNumber: taken.change_number,
        since: await changesSince(connection, scopeOf(locked), known, taken.revision),
        overwritten: JSON.parse(taken.overwritten) as Overwritten[],
        gone: JSON.parse(taken.gone) as number[],
      };
    if (known.revision > locked.revision) throw new StaleFault(known.revision, locked.revision);
    return take(connection, locked, known, patch);
  });
}

const scopeOf = ({ id, projectId }: Locked) => ({ sceneId: id, projectId });

async function take(
  connection: Connection,
  locked: Locked,
  known: Known,
  { transactionId, edits, author = null }: Patch,
): Promise<PatchAnswer> {
  const { id, projectId } = locked;
  const names = [...new Map(edits.map((edit) => [`${edit.collection}/${edit.id}`, edit])).values()];
  const [own, shared] = [ofScene(id), ofProject(projectId)];
  const there = new Map([
    ...(await lockRecords(
      connection,
      own,
      names.filter(({ collection }) => !isOfProject(collection)),
    )),
    ...(await lockRecords(
      connection,
      shared,
      // In the order of their ids, so that two patches never wait for each other.
      names
        .filter(({ collection }) => isOfProject(collection))
        .sort((a, b) => (a.collection + a.id < b.collection + b.id ? -1 : 1)),
    )),
  ]);
  const outcome = outcomeOf(edits, (collection, recordId) => there.get(`${collection}/${recordId}`));
  const changed = [...outcome.changed.values()];
  await refuseUnfit(connection, locked, edits, there, outcome);
  await writeRecords(
    connection,
    own,
    changed.filter(({ collection }) => !isOfProject(collection)),
  );
  await writeRecords(
    connection,
    shared,
    changed.filter(({ collection }) => isOfProject(collection)),
  );
  const gone = new Set(outcome.gone);
  const taken = edits.filter((_, place) => !gone.has(place));
  const revision = locked.revision + 1;
  const forProject = taken.filter(({ collection }) => isOfProject(collection));
  const changeNumber = forProject.length > 0 ? locked.changeNumber + 1 : null;
  const overwritten = JSON.stringify(outcome.overwritten);
  await run(
    connection,
    sql`
    INSERT INTO scene_revision (scene_id, revision, change_number, transaction_id, author_id, author_name, edits, overwritten, gone)
    VALUES (${id}, ${revision}, ${changeNumber}, ${transactionId}, ${author?.id ?? null}, ${author?.name ?? null}, ${JSON.stringify(taken)}, ${overwritten}, ${JSON.stringify(outcome.gone)})`,
  );
  await run(
    connection,
    sql`
    UPDATE scene SET revision = ${revision}, counts = ${JSON.stringify(locked.sceneCounts)}, updated_at = CURRENT_TIMESTAMP(3)
    WHERE id = ${id}`,
  );
  if (changeNumber !== null)
    await noteProjectChange(connection, {
      ...{ projectId, sceneId: id, transactionId, author, edits: forProject },
      ...{ overwritten: outcome.overwritten, counts: locked.projectCounts, changeNumber },
    });
  // Mostly nothing came between, and then nothing is asked.
  const isUpToDate = known.revision === locked.revision && known.changeNumber >= locked.changeNumber;
  const since = isUpToDate ? [] : await changesSince(connection, scopeOf(locked), known, revision);
  return { revision, changeNumber, since, overwritten: outcome.overwritten, gone: outcome.gone };
}

interface SceneRow {
  revision: number;
  project_id: string;
  counts: string;
  change_number: number;
}

interface TakenRow {
  revision: number;
  change_number: number | null;
  overwritten: string;
  gone: string;
}

/**
 * Locks the scene of a patch, and its project where the patch changes what is shared: in this order, so that no patch waits for
 * another one that waits for it.
 * @returns the revision that the patch made, too, where it was taken already
 */
async function lockScene(
  connection: Connection,
  id: string,
  { transactionId, edits }: Patch,
): Promise<{ locked: Locked; taken: TakenRow | null }> {
  const scene = await rowOf<SceneRow>(
    connection,
    sql`
    SELECT revision, project_id, counts,
      (SELECT change_number FROM project WHERE project.id = scene.project_id) AS change_number
    FROM scene WHERE id = ${id} FOR UPDATE`,
  );
  if (!scene) throw new NotFoundFault(`There is no scene ${id}.`);
  const locked: Locked = {
    id,
    projectId: scene.project_id,
    revision: scene.revision,
    sceneCounts: JSON.parse(scene.counts) as Counts,
    projectCounts: {},
    changeNumber: scene.change_number,
  };
  // Asked only now: the same patch may have been on its way while this one waited.
  const taken = await rowOf<TakenRow>(
    connection,
    sql`
    SELECT revision, change_number, overwritten, gone FROM scene_revision
    WHERE scene_id = ${id} AND transaction_id = ${transactionId}`,
  );
  if (taken) return { locked, taken };
  if (!edits.some(({ collection }) => isOfProject(collection))) return { locked, taken: null };
  const project = await lockProject(connection, scene.project_id);
  return {
    locked: { ...locked, projectCounts: project.counts, changeNumber: project.changeNumber },
    taken: null,
  };
}

/** Locks a project for a change of its shared records. */
export async function lockProject(
  connection: Connection,
  projectId: string,
): Promise<{ counts: Counts; changeNumber: number }> {
  const row = await rowOf<{ change_number: number; counts: string }>(
    connection,
    sql`SELECT change_number, counts FROM project WHERE id = ${projectId} FOR UPDATE`,
  );
  if (!row) throw new NotFoundFault(`There is no project ${projectId}.`);
  return { counts: JSON.parse(row.counts) as Counts, changeNumber: row.change_number };
}

interface ProjectChange {
  projectId: string;
  /** The scene by which it was made; null was made beside them all. */
  sceneId: string | null;
  transactionId: string;
  author: Person | null;
  edits: readonly SentEdit[];
  overwritten: readonly Overwritten[];
  counts: Counts;
  changeNumber: number;
}

/** Notes what became of a project's shared records, for its other scenes. */
export async function noteProjectChange(connection: Connection, change: ProjectChange): Promise<void> {
  const { projectId, sceneId, transactionId, author, edits, counts, changeNumber } = change;
  const overwritten = change.overwritten.filter(({ collection }) => isOfProject(collection));
  await run(
    connection,
    sql`
    INSERT INTO project_change
      (project_id, change_number, scene_id, transaction_id, author_id, author_name, edits, overwritten)
    VALUES (${projectId}, ${changeNumber}, ${sceneId}, ${transactionId}, ${author?.id ?? null}, ${author?.name ?? null},
      ${JSON.stringify(edits)}, ${JSON.stringify(overwritten)})`,
  );
  await run(
    connection,
    sql`
    UPDATE project SET change_number = ${changeNumber}, counts = ${JSON.stringify(counts)}, updated_at = CURRENT_TIMESTAMP(3)
    WHERE id = ${projectId}`,
  );
}

/** Checks what a patch changed and brings the counts up to date. @throws RefusedFault with each edit that does not fit */
async function refuseUnfit(
  connection: Connection,
  { id, sceneCounts, projectCounts }: Locked,
  edits: readonly SentEdit[],
  there: ReadonlyMap<string, object>,
  { changed }: Outcome,
): Promise<void> {
  const refused = new Map<string, InputFault>();
  const check = (key: string, work: () => void) => {
    try {
      work();
    } catch (thrown) {
      if (!(thrown instanceof InputFault)) throw thrown;
      refused.set(key, thrown);
    }
  };
  for (const [key, { collection, id: recordId, record }] of changed) {
    const counts = isOfProject(collection) ? projectCounts : sceneCounts;
    const more = Number(record !== null) - Number(there.has(key));
    check(key, () => {
      if (record === null) checkDeleted(collection);
      else checkRecord(collection, recordId, record);
      const count = (counts[collection] ?? 0) + more;
      if (more > 0) checkCount(collection, count);
      counts[collection] = count;
    });
  }
  for (const collection of new Set(edits.map((edit) => edit.collection)))
    if (areDistinct(collection)) await checkDistinctOnes(connection, id, collection, changed, check);
  const fit = [...changed.values()].filter(
    ({ collection, id: recordId }) => !refused.has(`${collection}/${recordId}`),
  );
  for (const [key, fault] of await faultsOfFiles(connection, fit)) refused.set(key, fault);
  if (refused.size === 0) return;
  const faults = edits.flatMap(({ collection, id: recordId }, edit): RefusedEdit[] => {
    const fault = refused.get(`${collection}/${recordId}`);
    return fault ? [{ edit, why: fault.message, field: fault.field }] : [];
  });
  throw new RefusedFault(faults);
}

/** Of records that must differ in a field the others are asked for, too. */
async function checkDistinctOnes(
  connection: Connection,
  sceneId: string,
  collection: CollectionName,
  changed: Outcome['changed'],
  check: (key: string, work: () => void) => void,
): Promise<void> {
  const there = (await readRecords(connection, ofScene(sceneId), [collection]))[collection] ?? {};
  const own = [...changed.values()].filter((one) => one.collection === collection);
  for (const { id } of own) delete there[id];
  for (const { id, record } of own) {
    if (record === null) continue;
    check(`${collection}/${id}`, () => {
      checkDistinct(collection, { ...there, [id]: record });
      there[id] = record;
    });
  }
}
