import { describe, expect, it } from 'vitest';
import { ArtSeat } from './art-seat';

/** A worker that answers each call with its name, or nothing at all. */
class TestWorker extends EventTarget {
  onerror = (_: { message: string }) => {};
  isEnded = false;
  constructor(private readonly answers: boolean) {
    super();
  }
  postMessage({ id, path }: { id: string; path: string[] }): void {
    if (!this.answers) return;
    const data = { id, type: 'RAW', value: path[0] };
    queueMicrotask(() => this.dispatchEvent(new MessageEvent('message', { data })));
  }
  start(): void {}
  terminate(): void {
    this.isEnded = true;
  }
}

describe('a worker that fails', () => {
  it('fails what waits for it, and the next piece of work has another', async () => {
    const made = [new TestWorker(false), new TestWorker(true)];
    let told = 0;
    const seat = new ArtSeat(
      () => made[told] as unknown as Worker,
      () => void told++,
    );
    const waits = seat.remote.decode('abc');
    made[0].onerror({ message: 'out of memory' });
    await expect(waits).rejects.toThrow('The worker for pictures has failed: out of memory');
    expect(made[0].isEnded).toBe(true);
    expect(await seat.remote.decode('abc')).toBe('decode');
    expect(told).toBe(2);
  });
});
