/** Has what people send read on a thread, so that everybody else is answered meanwhile. */
import { Worker } from 'node:worker_threads';
import { InputFault } from '@/core/faults';
import {
  READINGS,
  type ReadingAnswer,
  type ReadingKind,
  type ReadingQuestion,
  type ReadingResult,
  type Readings,
} from './readings';

/** The memory that JavaScript may take on the thread, MB, and the time of one reading, ms. */
const MEMORY_MB = 1024;
const LONGEST_MS = 120_000;
/** The thread is ended after this long without work, ms. */
const IDLE_MS = 30_000;

interface Waiting {
  settle(result: ReadingResult): void;
  timer: ReturnType<typeof setTimeout>;
}

export class Reader {
  private worker: Worker | null = null;
  private nextId = 1;
  private idle: ReturnType<typeof setTimeout> | null = null;
  private readonly waiting = new Map<number, Waiting>();

  /** @param program the thread, as a module that Node runs */
  constructor(private readonly program: string) {}

  /** @returns what was read of the bytes, or why it was not */
  read(kind: ReadingKind, bytes: Uint8Array): Promise<ReadingResult> {
    const worker = (this.worker ??= this.start());
    if (this.idle) clearTimeout(this.idle);
    this.idle = null;
    const id = this.nextId++;
    return new Promise((settle) => {
      const timer = setTimeout(
        () => this.end(`It takes longer than ${LONGEST_MS / 1000} s to read.`),
        LONGEST_MS,
      );
      this.waiting.set(id, { settle, timer });
      const question: ReadingQuestion = { id, kind, bytes };
      worker.postMessage(question);
    });
  }

  private start(): Worker {
    const worker = new Worker(this.program, { resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } });
    worker.on('message', (answer: ReadingAnswer) => this.settle(answer));
    worker.on('error', () => this.worker === worker && this.end('It takes too much memory to read.'));
    worker.on('exit', () => this.worker === worker && this.end('Reading it came to no end.'));
    worker.unref();
    return worker;
  }

  private settle(answer: ReadingAnswer): void {
    const waiting = this.waiting.get(answer.id);
    if (!waiting) return;
    this.waiting.delete(answer.id);
    clearTimeout(waiting.timer);
    if (this.waiting.size === 0) this.idle = setTimeout(() => void this.stop(), IDLE_MS).unref();
    waiting.settle(answer);
  }

  /** Ends the thread; all that waits for it fails. */
  private end(message: string): void {
    void this.stop();
    for (const { settle, timer } of this.waiting.values()) {
      clearTimeout(timer);
      settle({ fault: { message, isInput: true, field: null } });
    }
    this.waiting.clear();
  }

  private async stop(): Promise<void> {
    const { worker } = this;
    this.worker = null;
    await worker?.terminate();
  }
}

/** Kept on the global object, so that every bundle of the server shares one. */
const shared = globalThis as typeof globalThis & { oilwickReader?: Reader };

/** Has this process read on a thread from now on. */
export function readOnThread(program: string): void {
  shared.oilwickReader = new Reader(program);
}

/** Reads what somebody sent. @throws InputFault where it does not fit, or takes too long or too much memory to read */
export async function readSent<K extends ReadingKind>(kind: K, bytes: Uint8Array): Promise<Readings[K]> {
  if (!shared.oilwickReader) return READINGS[kind](bytes);
  const result = await shared.oilwickReader.read(kind, bytes);
  if ('read' in result) return result.read as Readings[K];
  const { message, isInput, field } = result.fault;
  throw isInput ? new InputFault(message, field) : new Error(message);
}
