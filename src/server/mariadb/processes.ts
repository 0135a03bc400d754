/** Processes of the machine: whether they live, and which of them serve a folder. */
import { readdir, readFile, realpath } from 'node:fs/promises';

export function isAlive(pid: number): boolean {
  if (pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** The arguments of a process; none where it is gone or not ours to see. */
export async function argumentsOf(pid: number | string): Promise<string[]> {
  const text = await readFile(`/proc/${pid}/cmdline`, 'utf8').catch(() => '');
  return text.split('\0').filter((part) => part !== '');
}

/** Process ids of database servers that run on a data folder. */
export async function serversOn(data: string): Promise<number[]> {
  const folder = await realpath(data).catch(() => data);
  const found: number[] = [];
  for (const entry of await readdir('/proc').catch((): string[] => [])) {
    if (!/^\d+$/.test(entry)) continue;
    const [program = '', ...rest] = await argumentsOf(entry);
    const given = rest.find((part) => part.startsWith('--datadir='))?.slice('--datadir='.length);
    if (!/(mariadbd|mysqld)$/.test(program) || given === undefined) continue;
    if ((await realpath(given).catch(() => given)) === folder) found.push(Number(entry));
  }
  return found;
}
