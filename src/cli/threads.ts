/** Work on threads of this same program. */
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';
import { wordsOf } from '@/core/faults';
import type { MapsDone, MapsJob } from './maps-job';
import { runMapsJob } from './maps-job';
import { ThreadWork, type WorkDone, type WorkJob, type WorkName } from './thread-work';

type Answer<T> = { done: T } | { fault: string };

/** On a thread: answers until there is nothing more to do. @returns whether this is one */
export function serveJobs(): boolean {
  if (isMainThread || !parentPort) return false;
  const port = parentPort;
  const { works } = new ThreadWork();
  port.on('message', async ({ name, job }: { name: WorkName; job: never }) => {
    let answer: Answer<unknown>;
    try {
      answer = { done: await works[name](job) };
    } catch (thrown) {
      answer = { fault: wordsOf(thrown) };
    }
    port.postMessage(answer);
  });
  return true;
}

/** The thread ended, as for want of memory, and with it what it was to do. */
export class ThreadEnded extends Error {}

/** A thread, which does one thing after the other. */
export class WorkThread {
  private readonly worker = new Worker(fileURLToPath(import.meta.url));

  /** @throws Error in the words of the thread; ThreadEnded where there is none any more */
  ask<N extends WorkName>(name: N, job: WorkJob<N>): Promise<WorkDone<N>> {
    const { worker } = this;
    return new Promise((resolve, reject) => {
      const leave = () => {
        worker.off('message', answered);
        worker.off('error', failed);
        worker.off('exit', exited);
      };
      const answered = (answer: Answer<WorkDone<N>>) => {
        leave();
        if ('done' in answer) resolve(answer.done);
        else reject(new Error(answer.fault));
      };
      const ended = (words: string) => {
        leave();
        reject(new ThreadEnded(`The thread ended${words}`));
      };
      const failed = (cause: Error) => ended(`: ${cause.message}`);
      const exited = (code: number) => ended(` with code ${code}`);
      worker.on('message', answered);
      worker.on('error', failed);
      worker.on('exit', exited);
      worker.postMessage({ name, job });
    });
  }

  async close(): Promise<void> {
    await this.worker.terminate();
  }
}

/** How many threads there are where nothing else is said. */
export function usualThreads(): number {
  return availableParallelism();
}

/** A thread is worth its start, and what it has to learn anew, from so many output pixels on. */
const PIXELS_A_THREAD = 1_000_000;

/** How many threads draw so many pixels soonest. */
export function threadsFor(pixels: number): number {
  return Math.min(usualThreads(), Math.max(1, Math.floor(pixels / PIXELS_A_THREAD)));
}

/**
 * Makes maps, each picture on the next free thread, and tells of each as it ends.
 * @param threads how many at once; with one they are made here
 */
export async function runMapsJobs(
  jobs: readonly MapsJob[],
  threads: number,
  ended: (index: number, answer: Answer<MapsDone>) => void,
): Promise<void> {
  let next = 0;
  const lane = async (make: (job: MapsJob) => Promise<MapsDone>) => {
    while (next < jobs.length) {
      const index = next++;
      const answer = await make(jobs[index]).then(
        (done) => ({ done }),
        (thrown: unknown) => ({ fault: wordsOf(thrown) }),
      );
      ended(index, answer);
    }
  };
  if (threads <= 1 || jobs.length === 1) return lane(runMapsJob);
  await Promise.all(
    Array.from({ length: Math.min(threads, jobs.length) }, async () => {
      let thread: WorkThread | null = null;
      await lane(async (job) => {
        try {
          return await (thread ??= new WorkThread()).ask('maps', job);
        } catch (thrown) {
          // It took only its own job with it.
          if (thrown instanceof ThreadEnded) thread = null;
          throw thrown;
        }
      });
      await (thread as WorkThread | null)?.close();
    }),
  );
}
