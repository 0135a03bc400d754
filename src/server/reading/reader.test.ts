import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { Reader } from './reader';

const folder = mkdtempSync(join(tmpdir(), 'oilwick-reader-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A thread that answers each question by a piece of code, which sees the first byte as `value`. */
function readerOf(name: string, answer: string, longestMs?: number): Reader {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(
    file,
    `import { parentPort } from 'node:worker_threads';
     const say = (read) => parentPort.postMessage({ read });
     parentPort.on('message', ({ bytes: [value] }) => { ${answer} });`,
  );
  return new Reader(file, longestMs);
}

const ask = (reader: Reader, value: number) =>
  reader.read({ kind: 'picture', bytes: Uint8Array.from([value]) });

describe('a reader', () => {
  it('reads one thing after another, and gives each its answer', async () => {
    const reader = readerOf('late', 'setTimeout(() => say(value), 30 * (3 - value));');
    expect(await Promise.all([0, 1, 2].map((value) => ask(reader, value)))).toEqual([
      { read: 0 },
      { read: 1 },
      { read: 2 },
    ]);
  });

  it('fails with a thread that ends only what it was reading', async () => {
    const reader = readerOf('ends', 'if (value === 7) process.exit(3); else say(value);');
    expect(await Promise.all([1, 7, 2].map((value) => ask(reader, value)))).toMatchObject([
      { read: 1 },
      { fault: { message: 'The thread that reads has ended (3).', isInput: false } },
      { read: 2 },
    ]);
  });

  it('gives up what takes too long, and reads on', async () => {
    const reader = readerOf('slow', 'if (value === 7) for (;;); else say(value);', 500);
    expect(await Promise.all([7, 2].map((value) => ask(reader, value)))).toMatchObject([
      { fault: { message: 'It takes longer than 0.5 s to read.', isInput: true } },
      { read: 2 },
    ]);
  });

  it('says when something takes more memory than it may', async () => {
    const reader = readerOf(
      'hungry',
      'const all = []; for (;;) all.push(new Array(1e6).fill(Math.random()));',
    );
    expect(await ask(reader, 1)).toMatchObject({
      fault: { message: 'It takes too much memory to read.', isInput: true },
    });
  });

  it('says of a thread that cannot be started that it failed, and blames nobody', async () => {
    const reader = new Reader(join(folder, 'is-not-there.mjs'));
    expect(await ask(reader, 1)).toMatchObject({ fault: { isInput: false } });
  });
});
