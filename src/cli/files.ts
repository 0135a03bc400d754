import { mkdir, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Files } from '@/core/handoff/zip';

/**
 * Writes files into a folder. A run that is killed leaves a file that was there, whole, and never half of a new one.
 * @returns their paths
 */
export async function writeFiles(folder: string, files: Files): Promise<string[]> {
  const paths: string[] = [];
  for (const [path, bytes] of Object.entries(files)) {
    const target = join(folder, path);
    await mkdir(dirname(target), { recursive: true });
    await writeFile(`${target}.part`, bytes);
    await rename(`${target}.part`, target);
    paths.push(target);
  }
  return paths;
}
