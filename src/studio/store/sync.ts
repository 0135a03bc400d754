/**
 * Sends what is kept to the server in patches, one after another, says truthfully how far it got, and takes in what others
 * change. It holds the scene as the server has it; what is shown is that with everything on top that is not saved yet. So what
 * others change comes in without a question, and what both changed stays as the later one made it. A patch that was not answered
 * is sent again under the same id.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { SceneDocument } from '@/core/scene/document';
import type { Change, Known, PatchAnswer, RefusedEdit } from '@/core/scene/changes';
import { squashed, type Edit } from '@/core/scene/edits';
import { carriedOut, type Overwritten, type SentEdit } from '@/core/scene/patches';

export type SyncState = { kind: 'saved' } | { kind: 'saving' } | { kind: 'unsaved'; why: string };

/** Edits that are sent together, with the id under which they are sent: both are made at once. */
export interface Batch {
  transactionId: string;
  edits: Edit[];
  /** It was sent, and may have arrived: it is not changed any more. */
  wasSent: boolean;
}

export type SendResult =
  | ({ kind: 'kept' } & Omit<PatchAnswer, 'overwritten'>)
  /** The server knows less than was known here: its database was set back. */
  | { kind: 'ahead' }
  | { kind: 'refused'; why: string; refused: RefusedEdit[] }
  | { kind: 'away'; why: string };

/** An edit that the server does not take, and why. */
export interface AsideEdit {
  edit: Edit;
  why: string;
}

export interface SyncOptions {
  send(batch: Batch, known: Known): Promise<SendResult>;
  /** The scene as the server has it. */
  load(): Promise<{ document: SceneDocument; known: Known }>;
  document: SceneDocument;
  known: Known;
  /** What an earlier visit did not get to send, and what could not be saved. */
  unsent?: readonly Batch[];
  aside?: readonly AsideEdit[];
  /** Shows the scene with what is not saved on top. */
  show(scene: SceneDocument): void;
  /** Tells of a change by others, before it is shown. */
  heard(change: Change): void;
  /** Keeps the unsent in the browser. @returns when it lies there */
  keep(): Promise<void>;
  newId(): string;
  /** Runs work later, ms; its result takes it back. */
  later(work: () => void, ms: number): () => void;
}

/** A change is sent this long after it, so that those of one movement go together. */
export const SEND_DELAY_MS = 350;
/** After this long without an answer it is said. */
export const PATIENCE_MS = 5000;
const RETRY_MS = [800, 1500, 3000, 6000, 10_000];
/** Of one's own values so many are remembered, to say what others wrote over. */
const OWN_VALUES = 5000;
/** Longer ones, as the points of a stroke, are not: characters of JSON. */
const OWN_LENGTH = 400;

export class SceneSync {
  readonly api: StoreApi<{ sync: SyncState; aside: readonly AsideEdit[] }>;
  /** The scene as the server has it at what is known. */
  private base: SceneDocument;
  private known: Known;
  private batches: Batch[];
  private isSending = false;
  private isClosed = false;
  private failures = 0;
  private cancelTimer: (() => void) | null = null;
  /** What was set here and saved, by record and field. */
  private readonly own = new Map<string, string>();

  constructor(private readonly options: SyncOptions) {
    this.base = options.document;
    this.known = options.known;
    this.batches = (options.unsent ?? []).map((batch) => ({ ...batch }));
    const { aside = [] } = options;
    this.api = createStore(() => ({ sync: { kind: 'saved' } as SyncState, aside }));
    if (this.hasUnsent) this.schedule(0);
  }

  get hasUnsent(): boolean {
    return this.batches.length > 0;
  }

  /** Up to where the scene is known. */
  get knownUpTo(): Known {
    return this.known;
  }

  /** What is to be kept in the browser, so that nothing is lost with the page. */
  get waiting(): readonly Batch[] {
    return this.batches;
  }

  /** All edits that the server has not acknowledged. */
  get unsent(): Edit[] {
    return this.batches.flatMap(({ edits }) => edits);
  }

  /** The scene as the server has it, with everything on top that is not saved. */
  get shown(): SceneDocument {
    return carriedOut(this.base, [...this.aside.map(({ edit }) => edit), ...this.unsent]);
  }

  /** Edits that the server does not take. */
  get aside(): readonly AsideEdit[] {
    return this.api.getState().aside;
  }

  add(edits: readonly Edit[]): void {
    const last = this.batches.at(-1);
    if (last && !last.wasSent) last.edits.push(...edits);
    else this.batches.push({ transactionId: this.options.newId(), edits: [...edits], wasSent: false });
    void this.options.keep();
    if (this.state.kind === 'saved') this.set({ kind: 'saving' });
    // A timer that runs is left alone: changes that keep coming must not put the sending off for ever.
    if (!this.isSending && this.failures === 0 && !this.cancelTimer) this.schedule(SEND_DELAY_MS);
  }

  /** Tries at once, as when the network is back or the page is left. */
  flush(): void {
    if (this.hasUnsent && !this.isSending) this.schedule(0);
  }

  /** Tries once more, and then nothing is begun; what is unsent lies in the browser. */
  close(): void {
    if (this.hasUnsent) void this.sendNext();
    this.isClosed = true;
    this.cancelTimer?.();
    this.cancelTimer = null;
  }

  /** Takes back what cannot be saved. */
  undoAside(): void {
    this.api.setState({ aside: [] });
    this.show();
    void this.options.keep();
  }

  /** Tries once more to save what could not be. */
  sendAside(): void {
    const { aside } = this;
    this.api.setState({ aside: [] });
    this.add(aside.map(({ edit }) => edit));
  }

  /** Whether this value was set here, so that somebody who is told of its end knows it. */
  isOwn({ collection, id, field, value }: Overwritten): boolean {
    const fields = field === null ? Object.entries(value as object) : [[field, value] as const];
    return fields.some(([name, one]) => this.own.get(`${collection}/${id}/${name}`) === JSON.stringify(one));
  }

  /** Takes in what the server tells of. */
  receive(changes: readonly Change[]): void {
    if (this.isClosed) return;
    for (const change of changes) this.receiveOne(change);
    this.show();
    void this.options.keep();
  }

  /** Opens the scene anew. */
  async reload(): Promise<void> {
    try {
      const { document, known } = await this.options.load();
      this.base = document;
      this.known = known;
      this.show();
    } catch {
      this.retryLater('The server does not answer.');
    }
  }

  private show(): void {
    if (!this.isClosed) this.options.show(this.shown);
  }

  private receiveOne(change: Change): void {
    const { revision, changeNumber, transactionId, edits } = change;
    const isNew =
      revision === null ? (changeNumber ?? 0) > this.known.changeNumber : revision > this.known.revision;
    if (!isNew) return;
    const [first] = this.batches;
    if (first?.wasSent && first.transactionId === transactionId) {
      this.acknowledge(edits, revision, changeNumber);
      return;
    }
    this.options.heard(change);
    this.forgetOwn(edits);
    this.base = carriedOut(this.base, edits);
    this.advance(revision, changeNumber);
  }

  private advance(revision: number | null, changeNumber: number | null): void {
    this.known = {
      revision: Math.max(this.known.revision, revision ?? 0),
      changeNumber: Math.max(this.known.changeNumber, changeNumber ?? 0),
    };
  }

  /** The server took the first batch. @param taken as much of it as it took */
  private acknowledge(
    taken: readonly SentEdit[],
    revision: number | null,
    changeNumber: number | null,
  ): void {
    const [{ edits }] = this.batches;
    this.batches.shift();
    this.failures = 0;
    // What was taken before the scene was opened is in it already.
    if ((revision ?? Infinity) > this.known.revision) this.base = carriedOut(this.base, taken);
    this.advance(revision, changeNumber);
    this.rememberOwn(edits);
  }

  private rememberOwn(edits: readonly Edit[]): void {
    for (const { collection, id, after } of edits)
      for (const [field, value] of Object.entries(after ?? {})) {
        const key = `${collection}/${id}/${field}`;
        const text = JSON.stringify(value);
        this.own.delete(key);
        if (text !== undefined && text.length <= OWN_LENGTH) this.own.set(key, text);
      }
    for (const key of this.own.keys()) {
      if (this.own.size <= OWN_VALUES) break;
      this.own.delete(key);
    }
  }

  private forgetOwn(edits: readonly SentEdit[]): void {
    for (const { collection, id, after } of edits)
      for (const field of Object.keys(after ?? {})) this.own.delete(`${collection}/${id}/${field}`);
  }

  private get state(): SyncState {
    return this.api.getState().sync;
  }

  private set(sync: SyncState): void {
    this.api.setState({ sync });
  }

  private schedule(ms: number): void {
    this.cancelTimer?.();
    if (this.isClosed) return;
    this.cancelTimer = this.options.later(() => {
      this.cancelTimer = null;
      void this.sendNext();
    }, ms);
  }

  private async sendNext(): Promise<void> {
    if (this.isSending) return;
    const batch = this.readyBatch();
    if (!batch) {
      void this.options.keep();
      this.set({ kind: 'saved' });
      return;
    }
    this.isSending = true;
    // It lies in the browser under its id before it is sent: a page that goes meanwhile sends it again, and it counts once.
    await this.options.keep();
    if (this.state.kind !== 'unsaved') this.set({ kind: 'saving' });
    const patience = this.options.later(
      () => this.set({ kind: 'unsaved', why: `The server has not answered for ${PATIENCE_MS / 1000} s.` }),
      PATIENCE_MS,
    );
    let result: SendResult;
    try {
      result = await this.options.send(batch, this.known);
    } catch (cause) {
      result = { kind: 'away', why: String(cause) };
    }
    patience();
    this.isSending = false;
    await this.settle(batch, result);
  }

  /** The first batch, drawn together; what comes to nothing is not sent. */
  private readyBatch(): Batch | null {
    for (;;) {
      const [batch] = this.batches;
      if (!batch) return null;
      if (batch.wasSent && batch.edits.length > 0) return batch;
      batch.edits = squashed(batch.edits);
      batch.wasSent = true;
      if (batch.edits.length > 0) return batch;
      this.batches.shift();
    }
  }

  private async settle(batch: Batch, result: SendResult): Promise<void> {
    switch (result.kind) {
      case 'kept':
        this.settleKept(batch, result);
        break;
      case 'away':
        this.retryLater(result.why);
        return;
      case 'refused':
        this.settleRefused(batch, result);
        break;
      case 'ahead':
        await this.reload();
    }
    void this.options.keep();
    if (this.hasUnsent) {
      this.set({ kind: 'saving' });
      this.schedule(0);
    } else this.set({ kind: 'saved' });
  }

  private settleKept(batch: Batch, result: SendResult & { kind: 'kept' }): void {
    const { revision, changeNumber, since, gone } = result;
    const wasThere = revision <= this.known.revision;
    // The server may have told of it already, in its place among the changes of others.
    if (this.batches[0] !== batch) return;
    for (const change of since ?? []) this.receiveOne(change);
    if (this.batches[0] === batch) {
      const left = new Set(gone);
      const taken = batch.edits.filter((_, place) => !left.has(place));
      this.acknowledge(taken, since === null ? null : revision, changeNumber);
    }
    if (since === null) void this.reload();
    else if (since.length > 0 || gone.length > 0 || wasThere) this.show();
  }

  /** What does not fit is set aside, with all else that was done to the same records in one go; the rest goes on. */
  private settleRefused(batch: Batch, { why, refused }: SendResult & { kind: 'refused' }): void {
    const at = this.batches.indexOf(batch);
    const reasons = new Map(
      refused.map(({ edit, why: reason }): [string, string] => [keyOf(batch.edits[edit]), reason]),
    );
    const isRefused = (edit: Edit) => reasons.size === 0 || reasons.has(keyOf(edit));
    const aside = batch.edits.filter(isRefused);
    const more = aside.map((edit) => ({ edit, why: reasons.get(keyOf(edit)) ?? why }));
    this.api.setState({ aside: [...this.aside, ...more] });
    // It was not taken: what is left goes out under another id.
    const left = batch.edits.filter((edit) => !isRefused(edit));
    this.batches.splice(
      at,
      1,
      ...(left.length > 0 ? [{ transactionId: this.options.newId(), edits: left, wasSent: false }] : []),
    );
  }

  private retryLater(why: string): void {
    this.set({ kind: 'unsaved', why });
    const ms = RETRY_MS[Math.min(this.failures, RETRY_MS.length - 1)];
    this.failures++;
    this.schedule(ms);
  }
}

function keyOf({ collection, id }: Edit): string {
  return `${collection}/${id}`;
}
