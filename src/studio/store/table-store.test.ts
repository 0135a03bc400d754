import { describe, expect, it } from 'vitest';
import type { ColourTable } from '@/core/finish/colour-table';
import { newTable } from '@/core/scene/records/colour-table';
import { TableStore } from './table-store';

const record = (fileSha: string) => newTable({ name: 'Rust', order: 'a', fileSha, format: 'cube' });
const table = (key: string): ColourTable => ({
  ...{ key, dimensions: 1, size: 2, low: [0, 0, 0], high: [1, 1, 1] },
  values: new Float32Array(6),
});
const settle = () => new Promise((resolve) => setTimeout(resolve));

function setUp() {
  const asked: string[] = [];
  let heard = 0;
  let isAway = false;
  const store = new TableStore(
    async (sha) => {
      asked.push(sha);
      if (isAway) throw new Error('The server does not answer.');
      return table(sha);
    },
    () => heard++,
  );
  return { store, asked, heard: () => heard, setAway: (is: boolean) => (isAway = is) };
}

describe('lookup tables', () => {
  it('are read once for each file, and told of when they are there', async () => {
    const { store, asked, heard } = setUp();
    store.follow({ t: record('one') });
    expect([store.source('t'), store.isComplete]).toEqual([null, false]);
    await settle();
    expect([store.source('t')?.key, store.isComplete, heard()]).toEqual(['one', true, 1]);
    store.follow({ t: { ...record('one'), name: 'Another name' } });
    await settle();
    expect(asked).toEqual(['one']);
    expect(Object.keys(store.all())).toEqual(['t']);
  });

  it('that go, or become another file, are not given any more', async () => {
    const { store } = setUp();
    store.follow({ t: record('one'), u: record('two') });
    await settle();
    store.follow({ t: record('three') });
    expect([store.source('t'), store.source('u')]).toEqual([null, null]);
    await settle();
    expect(store.source('t')?.key).toBe('three');
  });

  it('that fail say why, hold nothing up, and are read again when they may be there', async () => {
    const { store, setAway } = setUp();
    setAway(true);
    store.follow({ t: record('one') });
    await settle();
    expect([store.faultOf('t'), store.isComplete]).toEqual(['The server does not answer.', true]);
    setAway(false);
    store.retryAll();
    await settle();
    expect([store.faultOf('t'), store.source('t')?.key]).toEqual([null, 'one']);
  });
});
