/** Only one start at a time works on a data folder. The system lets go of the lock with the process that holds it. */
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';

const FLOCK = '/usr/bin/flock';
const WAIT_SECONDS = 120;

/**
 * Waits for its turn.
 * @returns to be called when the start is through
 * @throws Error where another start does not come to its end
 */
export async function startLock(file: string): Promise<() => void> {
  // Where there is no such program two starts at once are not told apart.
  if (!existsSync(FLOCK)) return () => {};
  const holder = spawn(FLOCK, ['--wait', String(WAIT_SECONDS), file, 'sh', '-c', 'echo held; exec cat'], {
    // It ends with our end of its input, however we end.
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  await new Promise<void>((resolve, reject) => {
    holder.stdout.once('data', () => resolve());
    holder.once('error', reject);
    holder.once('exit', () => reject(new Error('Another start on the same data does not come to its end.')));
  });
  return () => holder.stdin.end();
}
