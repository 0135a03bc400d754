/**
 * Sends what is kept to the server in patches, one after another, and says truthfully how far it got. A patch that
 * was not answered is sent again under the same id; a scene that was changed elsewhere is taken over where all that
 * is unsent still stands on it, else the person is asked.
 */
import { createStore } from 'zustand/vanilla';
import type { SceneDocument } from '@/core/scene/document';
import { applyEdits, firstStale, squashed, type Edit } from '@/core/scene/edits';

export type SyncState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  | { kind: 'unsaved'; why: string }
  | { kind: 'conflict'; revision: number };

export interface Batch {
  transactionId: string;
  edits: Edit[];
}

export type SendResult =
  | { kind: 'kept'; revision: number }
  | { kind: 'stale' }
  | { kind: 'refused'; why: string }
  | { kind: 'away'; why: string };

export interface SyncServer {
  send(batch: Batch, revision: number): Promise<SendResult>;
  load(): Promise<{ document: SceneDocument; revision: number }>;
}

export interface SyncOptions {
  server: SyncServer;
  revision: number;
  /** What an earlier visit did not get to send. */
  unsent?: { inFlight: Batch | null; pending: Edit[] };
  /** Puts the server's scene, with the unsent on top, in place. */
  adopt(scene: SceneDocument): void;
  /** Keeps the unsent in the browser; called on each change of it. */
  keep(): void;
  newId(): string;
  /** Runs work later, ms; its result takes it back. */
  later(work: () => void, ms: number): () => void;
}

/** A change is sent this long after it, so that those of one movement go together. */
export const SEND_DELAY_MS = 350;
const RETRY_MS = [800, 1500, 3000, 6000, 10_000];

export class SceneSync {
  readonly api = createStore<{ sync: SyncState }>(() => ({ sync: { kind: 'saved' } }));
  private revision: number;
  private inFlight: Batch | null;
  private pending: Edit[];
  private isSending = false;
  private failures = 0;
  private cancelTimer: (() => void) | null = null;

  constructor(private readonly options: SyncOptions) {
    this.revision = options.revision;
    this.inFlight = options.unsent?.inFlight ?? null;
    this.pending = [...(options.unsent?.pending ?? [])];
    if (this.hasUnsent) this.schedule(0);
  }

  get hasUnsent(): boolean {
    return this.inFlight !== null || this.pending.length > 0;
  }

  /** What is to be kept in the browser, so that nothing is lost with the page. */
  get snapshot(): { revision: number; inFlight: Batch | null; pending: Edit[] } {
    return { revision: this.revision, inFlight: this.inFlight, pending: this.pending };
  }

  /** All edits that the server has not acknowledged. */
  get unsent(): Edit[] {
    return [...(this.inFlight?.edits ?? []), ...this.pending];
  }

  add(edits: readonly Edit[]): void {
    this.pending.push(...edits);
    this.keep();
    if (this.state.kind === 'conflict') return;
    if (this.state.kind === 'saved') this.set({ kind: 'saving' });
    // A timer that runs is left alone: changes that keep coming must not put the sending off for ever.
    if (!this.isSending && this.failures === 0 && !this.cancelTimer) this.schedule(SEND_DELAY_MS);
  }

  /** Tries at once, as when the network is back or the page is left. */
  flush(): void {
    if (this.hasUnsent && !this.isSending && this.state.kind !== 'conflict') this.schedule(0);
  }

  /** After a conflict: drops what is unsent and takes the server's scene. */
  async takeTheirs(): Promise<void> {
    const { document, revision } = await this.options.server.load();
    this.inFlight = null;
    this.pending = [];
    this.revision = revision;
    this.options.adopt(document);
    this.keep();
    this.set({ kind: 'saved' });
  }

  private get state(): SyncState {
    return this.api.getState().sync;
  }

  private set(sync: SyncState): void {
    this.api.setState({ sync });
  }

  private keep(): void {
    this.options.keep();
  }

  private schedule(ms: number): void {
    this.cancelTimer?.();
    this.cancelTimer = this.options.later(() => {
      this.cancelTimer = null;
      void this.sendNext();
    }, ms);
  }

  private async sendNext(): Promise<void> {
    if (this.isSending || this.state.kind === 'conflict') return;
    if (!this.inFlight) {
      const edits = squashed(this.pending);
      this.pending = [];
      if (edits.length === 0) {
        this.keep();
        this.set({ kind: 'saved' });
        return;
      }
      this.inFlight = { transactionId: this.options.newId(), edits };
      this.keep();
    }
    this.isSending = true;
    if (this.state.kind !== 'unsaved') this.set({ kind: 'saving' });
    let result: SendResult;
    try {
      result = await this.options.server.send(this.inFlight, this.revision);
    } catch (cause) {
      result = { kind: 'away', why: String(cause) };
    }
    this.isSending = false;
    await this.settle(result);
  }

  private async settle(result: SendResult): Promise<void> {
    switch (result.kind) {
      case 'kept':
        this.failures = 0;
        this.revision = result.revision;
        this.inFlight = null;
        this.keep();
        if (this.pending.length > 0) {
          this.set({ kind: 'saving' });
          this.schedule(0);
        } else this.set({ kind: 'saved' });
        return;
      case 'away':
        this.set({ kind: 'unsaved', why: result.why });
        this.retryLater();
        return;
      case 'refused':
        // Back among the pending: undoing the change takes it away, and the rest is sent.
        this.pending = [...this.inFlight!.edits, ...this.pending];
        this.inFlight = null;
        this.keep();
        this.set({ kind: 'unsaved', why: result.why });
        return;
      case 'stale':
        await this.meetTheirs();
    }
  }

  private retryLater(): void {
    const ms = RETRY_MS[Math.min(this.failures, RETRY_MS.length - 1)];
    this.failures++;
    this.schedule(ms);
  }

  private async meetTheirs(): Promise<void> {
    let theirs: { document: SceneDocument; revision: number };
    try {
      theirs = await this.options.server.load();
    } catch {
      this.set({ kind: 'unsaved', why: 'The server does not answer.' });
      this.retryLater();
      return;
    }
    const edits = squashed(this.unsent);
    if (firstStale(theirs.document, edits)) {
      this.set({ kind: 'conflict', revision: theirs.revision });
      return;
    }
    this.revision = theirs.revision;
    this.inFlight = null;
    this.pending = edits;
    this.options.adopt(applyEdits(theirs.document, edits));
    this.keep();
    this.schedule(0);
  }
}
