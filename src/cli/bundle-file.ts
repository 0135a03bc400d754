import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { InputFault, wordsOf } from '@/core/faults';
import { readBundle, type Bundle } from '@/core/handoff/bundle';

/** @throws InputFault naming the file */
export async function openBundle(file: string): Promise<Bundle> {
  try {
    return await readBundle(await readFile(file), (bytes) =>
      createHash('sha256').update(bytes).digest('hex'),
    );
  } catch (cause) {
    throw new InputFault(`${file}: ${wordsOf(cause)}`, null, { cause });
  }
}
