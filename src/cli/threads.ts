/** Jobs on worker threads of this same program, a fixed number at a time. */
import { fileURLToPath } from 'node:url';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';
import { wordsOf } from '@/core/faults';
import { runMapsJob, type MapsDone, type MapsJob } from './maps-job';

type Answer = { done: MapsDone } | { fault: string };

/** On a worker thread: answers jobs until there are no more. @returns whether this is one */
export function serveJobs(): boolean {
  if (isMainThread || !parentPort) return false;
  const port = parentPort;
  port.on('message', (job: MapsJob) => {
    runMapsJob(job)
      .then((done): Answer => ({ done }))
      .catch((thrown: unknown): Answer => ({ fault: wordsOf(thrown) }))
      .then((answer) => port.postMessage(answer));
  });
  return true;
}

/**
 * Runs jobs, each on the next free thread, and tells of each as it ends.
 * @param threads how many at once; with one the jobs run here
 */
export async function runJobs(
  jobs: readonly MapsJob[],
  threads: number,
  ended: (index: number, answer: Answer) => void,
): Promise<void> {
  let next = 0;
  const take = () => (next < jobs.length ? next++ : null);
  if (threads <= 1 || jobs.length === 1) {
    for (let index = take(); index !== null; index = take()) ended(index, await runHere(jobs[index]));
    return;
  }
  const lanes = Array.from({ length: Math.min(threads, jobs.length) }, async () => {
    let worker: Worker | null = null;
    for (let index = take(); index !== null; index = take()) {
      worker ??= new Worker(fileURLToPath(import.meta.url));
      const answer = await ask(worker, jobs[index]);
      ended(index, answer);
      // A thread that ended, as for want of memory, took only its own job with it.
      if ('fault' in answer && answer.fault.startsWith(THREAD_ENDED)) worker = null;
    }
    await worker?.terminate();
  });
  await Promise.all(lanes);
}

const THREAD_ENDED = 'The thread ended';

async function runHere(job: MapsJob): Promise<Answer> {
  try {
    return { done: await runMapsJob(job) };
  } catch (thrown) {
    return { fault: wordsOf(thrown) };
  }
}

function ask(worker: Worker, job: MapsJob): Promise<Answer> {
  return new Promise((resolve) => {
    const finish = (answer: Answer) => {
      worker.off('message', finish);
      worker.off('error', failed);
      worker.off('exit', exited);
      resolve(answer);
    };
    const failed = (cause: Error) => finish({ fault: `${THREAD_ENDED}: ${cause.message}` });
    const exited = (code: number) => finish({ fault: `${THREAD_ENDED} with code ${code}` });
    worker.on('message', finish);
    worker.on('error', failed);
    worker.on('exit', exited);
    worker.postMessage(job);
  });
}
