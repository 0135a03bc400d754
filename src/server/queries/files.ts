/** The files that records name, held against those that are stored. */
import { InputFault } from '@/core/faults';
import { filesNamedBy } from '@/core/scene/references';
import type { Connection } from '../database/sql';
import { missingBlobs } from './blobs';
import type { ChangedRecord } from './records';

/** What is wrong with records that name files which were not stored, by collection and id. */
export async function faultsOfFiles(
  connection: Connection,
  records: readonly ChangedRecord[],
): Promise<Map<string, InputFault>> {
  const named = records.flatMap(({ collection, id, record }) =>
    record === null ? [] : [{ collection, id, files: filesNamedBy(collection, record) }],
  );
  const missing = new Set(
    await missingBlobs(
      connection,
      named.flatMap(({ files }) => files),
    ),
  );
  const faults = new Map<string, InputFault>();
  for (const { collection, id, files } of named) {
    const file = files.find((one) => missing.has(one));
    const key = `${collection}/${id}`;
    if (file) faults.set(key, new InputFault(`The file ${file} that ${key} names was not uploaded.`, key));
  }
  return faults;
}

/** @throws InputFault where a file that a record names was not stored */
export async function expectFiles(connection: Connection, records: readonly ChangedRecord[]): Promise<void> {
  const [fault] = (await faultsOfFiles(connection, records)).values();
  if (fault) throw fault;
}
