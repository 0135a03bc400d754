import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { Reader } from './reader';

const folder = mkdtempSync(join(tmpdir(), 'oilwick-reader-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A thread that answers each question by a piece of code. */
function readerOf(name: string, answer: string): Reader {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(
    file,
    `import { parentPort } from 'node:worker_threads';
     parentPort.on('message', ({ id, bytes }) => { ${answer} });`,
  );
  return new Reader(file);
}

const bytes = (...values: number[]) => Uint8Array.from(values);

describe('a reader', () => {
  it('gives each question its answer, in whatever order they come', async () => {
    const reader = readerOf(
      'late',
      'setTimeout(() => parentPort.postMessage({ id, read: bytes[0] }), 50 * bytes[0]);',
    );
    const all = await Promise.all([2, 0, 1].map((value) => reader.read('picture', bytes(value))));
    expect(all.map((result) => 'read' in result && result.read)).toEqual([2, 0, 1]);
  });

  it('fails what waits for a thread that ends, and reads what comes after on another', async () => {
    const reader = readerOf(
      'ends',
      'if (bytes[0] === 7) process.exit(3); else if (bytes[0] === 1) parentPort.postMessage({ id, read: 1 });',
    );
    const waits = reader.read('picture', bytes(0));
    const ends = reader.read('picture', bytes(7));
    expect([await waits, await ends]).toMatchObject([
      { fault: { message: 'Reading it came to no end.', isInput: true } },
      { fault: { isInput: true } },
    ]);
    expect(await reader.read('picture', bytes(1))).toMatchObject({ read: 1 });
  });

  it('says when a thread takes more memory than it may', async () => {
    const reader = readerOf(
      'hungry',
      'const all = []; for (;;) all.push(new Array(1e6).fill(Math.random()));',
    );
    expect(await reader.read('picture', bytes(1))).toMatchObject({
      fault: { message: 'It takes too much memory to read.' },
    });
  });
});
