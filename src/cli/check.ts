import { snagsIn } from '@/core/checks/snags/all-snags';
import { openBundle } from './bundle-file';

/** @returns the exit code: 1 where a snag is a fault */
export async function checkCommand(file: string, { json }: { json: boolean }): Promise<number> {
  const { scene } = await openBundle(file);
  const snags = snagsIn(scene);
  if (json) {
    const rows = snags.map(({ snag, isFault, records, words }) => ({
      ...{ kind: 'snag', snag, isFault, words },
      records: records.map(({ collection, id }) => `${collection}/${id}`),
    }));
    process.stdout.write(`${JSON.stringify(rows)}\n`);
  } else for (const { words } of snags) process.stdout.write(`${words}\n`);
  return snags.some(({ isFault }) => isFault) ? 1 : 0;
}
