/** Has what people send read on threads, so that everybody else is answered meanwhile. */
import { Worker } from 'node:worker_threads';
import { InputFault } from '@/core/faults';
import {
  READINGS,
  type ReadingFault,
  type ReadingKind,
  type ReadingQuestion,
  type ReadingResult,
  type Readings,
} from './readings';

/** The memory that JavaScript may take on a thread, MB, and the time of one reading, ms. */
const MEMORY_MB = 1024;
const LONGEST_MS = 120_000;
/** A thread is ended after this long without work, ms. */
const IDLE_MS = 30_000;

/** What Node says of a thread that has no memory left. */
const OUT_OF_MEMORY = 'ERR_WORKER_OUT_OF_MEMORY';

/** One thread. It reads one thing after another, so that what takes too much fails alone. */
export class Reader {
  private worker: Worker | null = null;
  private idle: ReturnType<typeof setTimeout> | null = null;
  /** Settled when all that was asked before is read. */
  private last: Promise<unknown> = Promise.resolve();

  /**
   * @param program the thread, as a module that Node runs
   * @param longestMs what takes longer is given up
   */
  constructor(
    private readonly program: string,
    private readonly longestMs = LONGEST_MS,
  ) {}

  /** @returns what was read of the bytes, or why it was not */
  read(question: ReadingQuestion): Promise<ReadingResult> {
    const result = this.last.then(() => this.readNow(question));
    this.last = result;
    return result;
  }

  private readNow(question: ReadingQuestion): Promise<ReadingResult> {
    if (this.idle) clearTimeout(this.idle);
    const worker = (this.worker ??= this.start());
    return new Promise((resolve) => {
      const settle = (result: ReadingResult) => {
        clearTimeout(timer);
        worker.off('message', settle).off('error', broken).off('exit', ended);
        this.idle = setTimeout(() => this.stop(worker), IDLE_MS).unref();
        resolve(result);
      };
      const fail = (message: string, isInput: boolean) => {
        this.stop(worker);
        settle({ fault: { message, isInput, field: null } });
      };
      const broken = (fault: Error & { code?: string }) =>
        fault.code === OUT_OF_MEMORY
          ? fail('It takes too much memory to read.', true)
          : fail(`The thread that reads has failed: ${fault.message}`, false);
      const ended = (code: number) => fail(`The thread that reads has ended (${code}).`, false);
      const timer = setTimeout(
        () => fail(`It takes longer than ${this.longestMs / 1000} s to read.`, true),
        this.longestMs,
      );
      worker.on('message', settle).on('error', broken).on('exit', ended);
      worker.postMessage(question);
    });
  }

  private start(): Worker {
    const worker = new Worker(this.program, { resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } });
    // One that ends while nothing is read is not asked again.
    worker.on('error', () => this.stop(worker)).on('exit', () => this.stop(worker));
    worker.unref();
    return worker;
  }

  private stop(worker: Worker): void {
    void worker.terminate();
    if (this.worker === worker) this.worker = null;
  }
}

/** Kept on the global object, so that every bundle of the server shares them: a thread for each kind. */
const shared = globalThis as typeof globalThis & { oilwickReaders?: Record<ReadingKind, Reader> };

/** Has this process read on threads from now on. */
export function readOnThreads(program: string): void {
  shared.oilwickReaders = {
    picture: new Reader(program),
    table: new Reader(program),
    bundle: new Reader(program),
  };
}

/** Reads what somebody sent. @throws InputFault where it does not fit, or takes too long or too much memory to read */
export async function readSent<K extends ReadingKind>(kind: K, bytes: Uint8Array): Promise<Readings[K]> {
  if (!shared.oilwickReaders) return READINGS[kind](bytes);
  const result = await shared.oilwickReaders[kind].read({ kind, bytes });
  if ('fault' in result) throw errorOf(result.fault);
  return result.read as Readings[K];
}

/** Faults come from the thread as data: its classes are not those of the route. */
function errorOf({ message, isInput, field }: ReadingFault): Error {
  return isInput ? new InputFault(message, field) : new Error(message);
}
