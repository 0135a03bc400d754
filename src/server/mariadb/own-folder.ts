/** Folders that only their owner can enter: what lies in them lets in whoever can reach it. */
import { chmod, lstat, mkdir } from 'node:fs/promises';
import { DatabaseFault } from '../faults';

/** Makes a folder that nobody else can enter, or makes sure that one that is there is such. @throws DatabaseFault where it is not */
export async function ownFolder(path: string): Promise<void> {
  await mkdir(path, { mode: 0o700 }).catch((thrown: unknown) => {
    if ((thrown as { code?: string }).code !== 'EEXIST') throw thrown;
  });
  const found = await lstat(path);
  if (!found.isDirectory())
    throw new DatabaseFault(`${path} must be a folder, and not a link. Take it away, and start again.`);
  const owner = process.getuid?.();
  if (owner !== undefined && found.uid !== owner)
    throw new DatabaseFault(
      `${path} belongs to somebody else (user ${found.uid}): whoever it is could enter the database.`,
    );
  if ((found.mode & 0o077) !== 0) await chmod(path, 0o700);
}
