/**
 * Patches: edits of a scene's own records and of those that its project shares, taken all at once. What others changed since is
 * kept where the fields differ; where they do not the later patch wins and its answer says what it wrote over. The time of a
 * patch depends on what it changes, not on how much there is.
 */
import { isOfProject } from '@/core/scene/records/all-records';
import type { Known, PatchAnswer, Person } from '@/core/scene/changes';
import type { Fields } from '@/core/scene/edits';
import { outcomeOf, type Overwritten, type SentEdit } from '@/core/scene/patches';
import { readThenWrite, type Written } from '../database/pool';
import { batch, rowOf, sql, type Connection, type Query } from '../database/sql';
import { NotFoundFault, StaleFault } from '../faults';
import { changesSince } from './changes';
import { lockedRecords, lockQueries, ofProject, ofScene, writeQueries, type Counts } from './records';
import { refuseUnfit } from './unfit';

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
  const names = [...new Map(patch.edits.map((edit) => [`${edit.collection}/${edit.id}`, edit])).values()];
  const own = names.filter(({ collection }) => !isOfProject(collection));
  const shared = names.filter(({ collection }) => isOfProject(collection));
  const reads = [
    sql`
    SELECT revision, project_id, counts,
      (SELECT change_number FROM project WHERE project.id = scene.project_id) AS change_number
    FROM scene WHERE id = ${id} FOR UPDATE`,
    // Asked when the scene is locked: the same patch may have been on its way while this one waited.
    sql`
    SELECT revision, change_number, overwritten, gone FROM scene_revision
    WHERE scene_id = ${id} AND transaction_id = ${patch.transactionId}`,
    ...lockQueries(ofScene(id), own),
  ];
  return readThenWrite(reads, async ([[scene], [before], ...records], connection) => {
    if (!scene) throw new NotFoundFault(`There is no scene ${id}.`);
    const locked = lockedScene(id, scene as SceneRow);
    const taken = before as TakenRow | undefined;
    if (taken) return { result: await answerBefore(connection, locked, known, taken), writes: [] };
    if (known.revision > locked.revision) throw new StaleFault(known.revision, locked.revision);
    const there = lockedRecords(records);
    if (shared.length > 0) {
      const { project, records: theirs } = await lockShared(connection, locked.projectId, shared);
      Object.assign(locked, { projectCounts: project.counts, changeNumber: project.changeNumber });
      for (const [key, record] of theirs) there.set(key, record);
    }
    return take(connection, locked, known, patch, there);
  });
}

const scopeOf = ({ id, projectId }: Locked) => ({ sceneId: id, projectId });

/** What was answered to a patch that was taken before. */
async function answerBefore(
  connection: Connection,
  locked: Locked,
  known: Known,
  { revision, change_number, overwritten, gone }: TakenRow,
): Promise<PatchAnswer> {
  return {
    revision,
    changeNumber: change_number,
    since: await changesSince(connection, scopeOf(locked), known, revision),
    overwritten: JSON.parse(overwritten) as Overwritten[],
    gone: JSON.parse(gone) as number[],
  };
}

/**
 * Locks a project and some of the records that its scenes share: after the scene, and in the order of their ids, so that no two
 * patches wait for each other.
 */
async function lockShared(connection: Connection, projectId: string, names: readonly SentEdit[]) {
  const ordered = names.toSorted((a, b) => (a.collection + a.id < b.collection + b.id ? -1 : 1));
  const [[project], ...records] = await batch(connection, [
    projectLock(projectId),
    ...lockQueries(ofProject(projectId), ordered),
  ]);
  return { project: lockedProject(projectId, project), records: lockedRecords(records) };
}

async function take(
  connection: Connection,
  locked: Locked,
  known: Known,
  { transactionId, edits, author = null }: Patch,
  there: ReadonlyMap<string, Fields>,
): Promise<Written<PatchAnswer>> {
  const { id, projectId } = locked;
  const outcome = outcomeOf(edits, (collection, recordId) => there.get(`${collection}/${recordId}`));
  await refuseUnfit(connection, locked, edits, there, outcome);
  const changed = [...outcome.changed.values()];
  const gone = new Set(outcome.gone);
  const taken = edits.filter((_, place) => !gone.has(place));
  const revision = locked.revision + 1;
  const forProject = taken.filter(({ collection }) => isOfProject(collection));
  const changeNumber = forProject.length > 0 ? locked.changeNumber + 1 : null;
  const writes = [
    ...writeQueries(
      ofScene(id),
      changed.filter(({ collection }) => !isOfProject(collection)),
    ),
    ...writeQueries(
      ofProject(projectId),
      changed.filter(({ collection }) => isOfProject(collection)),
    ),
    sql`
    INSERT INTO scene_revision (scene_id, revision, change_number, transaction_id, author_id, author_name, edits, overwritten, gone)
    VALUES (${id}, ${revision}, ${changeNumber}, ${transactionId}, ${author?.id ?? null}, ${author?.name ?? null},
      ${JSON.stringify(taken)}, ${JSON.stringify(outcome.overwritten)}, ${JSON.stringify(outcome.gone)})`,
    sql`
    UPDATE scene SET revision = ${revision}, counts = ${JSON.stringify(locked.sceneCounts)}, updated_at = CURRENT_TIMESTAMP(3)
    WHERE id = ${id}`,
    ...(changeNumber === null
      ? []
      : projectChangeQueries({
          ...{ projectId, sceneId: id, transactionId, author, edits: forProject },
          ...{ overwritten: outcome.overwritten, counts: locked.projectCounts, changeNumber },
        })),
  ];
  // Mostly nothing came between, and then nothing is asked.
  const isUpToDate = known.revision === locked.revision && known.changeNumber >= locked.changeNumber;
  const since = isUpToDate ? [] : await changesSince(connection, scopeOf(locked), known, revision);
  const { overwritten } = outcome;
  return { result: { revision, changeNumber, since, overwritten, gone: outcome.gone }, writes };
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

function lockedScene(id: string, { revision, project_id, counts, change_number }: SceneRow): Locked {
  return {
    ...{ id, revision, projectId: project_id, changeNumber: change_number },
    ...{ sceneCounts: JSON.parse(counts) as Counts, projectCounts: {} },
  };
}

/** Locks a project for a change of its shared records. */
export async function lockProject(connection: Connection, projectId: string): Promise<LockedProject> {
  return lockedProject(projectId, await rowOf(connection, projectLock(projectId)));
}

interface LockedProject {
  counts: Counts;
  changeNumber: number;
}

const projectLock = (projectId: string) =>
  sql`SELECT change_number, counts FROM project WHERE id = ${projectId} FOR UPDATE`;

function lockedProject(projectId: string, row: unknown): LockedProject {
  if (!row) throw new NotFoundFault(`There is no project ${projectId}.`);
  const { counts, change_number: changeNumber } = row as { counts: string; change_number: number };
  return { counts: JSON.parse(counts) as Counts, changeNumber };
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

/** Queries that note what became of a project's shared records, for its other scenes. */
export function projectChangeQueries(change: ProjectChange): Query[] {
  const { projectId, sceneId, transactionId, author, edits, counts, changeNumber } = change;
  const overwritten = change.overwritten.filter(({ collection }) => isOfProject(collection));
  return [
    sql`
    INSERT INTO project_change
      (project_id, change_number, scene_id, transaction_id, author_id, author_name, edits, overwritten)
    VALUES (${projectId}, ${changeNumber}, ${sceneId}, ${transactionId}, ${author?.id ?? null}, ${author?.name ?? null},
      ${JSON.stringify(edits)}, ${JSON.stringify(overwritten)})`,
    sql`
    UPDATE project SET change_number = ${changeNumber}, counts = ${JSON.stringify(counts)}, updated_at = CURRENT_TIMESTAMP(3)
    WHERE id = ${projectId}`,
  ];
}
