/** One art worker and what waits for it. One that fails fails what waits, and the next piece of work gets another. */
import { wrap, type Remote } from 'comlink';
import type { ArtWorker } from '@/workers/art-worker';

interface Running {
  worker: Worker;
  remote: Remote<ArtWorker>;
}

export class ArtSeat {
  /** Pieces of work that were given to it and are not done. */
  waiting = 0;
  private running: Running | null;

  /**
   * @param start makes a worker
   * @param prepare what each worker is told first
   */
  constructor(
    private readonly start: () => Worker,
    private readonly prepare: (remote: Remote<ArtWorker>) => void,
  ) {
    this.running = this.begun();
  }

  get remote(): Remote<ArtWorker> {
    return (this.running ??= this.begun()).remote;
  }

  stop(): void {
    this.running?.worker.terminate();
    this.running = null;
  }

  private begun(): Running {
    const worker = this.start();
    const waiting = new Set<(fault: Error) => void>();
    worker.onerror = ({ message }) => {
      worker.terminate();
      if (this.running?.worker === worker) this.running = null;
      const fault = new Error(`The worker for pictures has failed: ${message || 'it cannot be started.'}`);
      for (const fail of waiting) fail(fault);
    };
    const remote = failingWith(wrap<ArtWorker>(worker), waiting);
    this.prepare(remote);
    return { worker, remote };
  }
}

/**
 * The same, but for calls that can be failed: a worker that has failed never answers them by itself.
 * @param waiting gets what fails each call that waits
 */
function failingWith(remote: Remote<ArtWorker>, waiting: Set<(fault: Error) => void>): Remote<ArtWorker> {
  return new Proxy(remote, {
    get(target, name) {
      const call = Reflect.get(target, name) as (...given: unknown[]) => Promise<unknown>;
      return (...given: unknown[]) =>
        new Promise((resolve, reject) => {
          waiting.add(reject);
          call(...given)
            .then(resolve, reject)
            .finally(() => waiting.delete(reject));
        });
    },
  });
}
