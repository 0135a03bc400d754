/** Whether what a patch comes to fits: each record by itself, and all of its kind together. */
import { InputFault } from '@/core/faults';
import type { RefusedEdit } from '@/core/scene/changes';
import type { Outcome, SentEdit } from '@/core/scene/patches';
import {
  areDistinct,
  checkCount,
  checkDeleted,
  checkDistinct,
  checkRecord,
  checkSum,
  sumOf,
} from '@/core/scene/read-scene';
import { isOfProject, type CollectionName } from '@/core/scene/records/all-records';
import type { Connection } from '../database/sql';
import { RefusedFault } from '../faults';
import { faultsOfFiles } from './files';
import { ofScene, readRecords, sumName, type Counts } from './records';

/** A scene, and how many records it and its project have. */
interface Counted {
  id: string;
  sceneCounts: Counts;
  projectCounts: Counts;
}

/** Checks what a patch changed and brings the counts up to date. @throws RefusedFault with each edit that does not fit */
export async function refuseUnfit(
  connection: Connection,
  { id, sceneCounts, projectCounts }: Counted,
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
  await sumUp(connection, id, sceneCounts, edits);
  for (const [key, { collection, id: recordId, record }] of changed) {
    const counts = isOfProject(collection) ? projectCounts : sceneCounts;
    check(key, () => {
      if (record === null) checkDeleted(collection);
      else checkRecord(collection, recordId, record);
      count(counts, collection, there.get(key) ?? null, record);
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

/** Brings counts up to date with one record. @throws InputFault where there would be more than there may be */
function count(
  counts: Counts,
  collection: CollectionName,
  before: object | null,
  after: object | null,
): void {
  const more = Number(after !== null) - Number(before !== null);
  const number = (counts[collection] ?? 0) + more;
  if (more > 0) checkCount(collection, number);
  counts[collection] = number;
  const own = (record: object | null) => sumOf(collection, record ? { record } : {});
  const added = own(after);
  if (added === null) return;
  const name = sumName(collection);
  const sum = (counts[name] ?? 0) + added - own(before)!;
  if (sum > (counts[name] ?? 0)) checkSum(collection, sum);
  counts[name] = sum;
}

/** Sums that were not kept yet when the scene was made. */
async function sumUp(
  connection: Connection,
  sceneId: string,
  counts: Counts,
  edits: readonly SentEdit[],
): Promise<void> {
  for (const collection of new Set(edits.map((edit) => edit.collection))) {
    if (counts[sumName(collection)] !== undefined || sumOf(collection, {}) === null) continue;
    const records = await readRecords(connection, ofScene(sceneId), [collection]);
    counts[sumName(collection)] = sumOf(collection, records[collection] ?? {})!;
  }
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
