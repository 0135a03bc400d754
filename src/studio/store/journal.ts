/**
 * What a visit leaves in the browser: the unsent edits, those that cannot be saved, and the history. Every tab has a journal of
 * its own; what a tab left that is gone is taken over by the next one that opens the scene.
 */
import { del, get, keys, set } from 'idb-keyval';
import type { Known } from '@/core/scene/changes';
import type { Edit } from '@/core/scene/edits';
import type { UndoEntry } from './scene-store';
import type { AsideEdit, Batch } from './sync';

/** What must never be lost. */
export interface Unsent {
  known: Known;
  batches: Batch[];
  aside: AsideEdit[];
}

export interface History {
  undo: UndoEntry[];
  redo: UndoEntry[];
}

interface KeptHistory extends History {
  savedAt: number;
}

/** What was kept of a scene before tabs had journals of their own. */
interface FormerJournal {
  revision: number;
  inFlight: { transactionId: string; edits: Edit[] } | null;
  pending: Edit[];
}

const HISTORY_DELAY_MS = 300;
const HISTORY_STEPS = 500;
/** A page that is loaded again waits this long for itself to be gone. */
const SAME_TAB_MS = 2000;
const TAB_KEY = 'oilwick-tab';

const unsentKey = (sceneId: string, tabId: string) => `scene-unsent/${sceneId}/${tabId}`;
const historyKey = (sceneId: string, tabId: string) => `scene-history/${sceneId}/${tabId}`;
const formerKey = (sceneId: string) => `scene-journal-${sceneId}`;
const lockName = (tabId: string) => `oilwick-tab-${tabId}`;

export class TabJournal {
  /** What is being written, and what is to be written behind it. */
  private writing: Promise<void> | null = null;
  private waiting: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private isClosed = false;
  /** What other tabs left and was read here. */
  private taken: string[] = [];

  private constructor(
    private readonly sceneId: string,
    private readonly tabId: string,
    private readonly release: () => void,
  ) {}

  /** The journal of this tab, and what this and other tabs left that are gone. */
  static async open(
    sceneId: string,
  ): Promise<{ journal: TabJournal; left: Unsent[]; history: History | null }> {
    const { tabId, release } = await ownTab();
    const journal = new TabJournal(sceneId, tabId, release);
    try {
      const found = [...(await leftBefore(sceneId)), ...(await leftBehind(sceneId, tabId))];
      journal.taken = found.map(({ key }) => key).filter((key) => key !== unsentKey(sceneId, tabId));
      const left = found.map(({ unsent }) => unsent);
      return { journal, left, history: await lastHistory(sceneId, tabId) };
    } catch {
      // Without the browser's store work goes on; only what an earlier visit left is not there.
      return { journal, left: [], history: null };
    }
  }

  /**
   * Writes the unsent; of many calls in a row the last one counts.
   * @param read called when it is written
   * @returns when what stands now lies in the browser, or cannot
   */
  keepUnsent(read: () => Unsent): Promise<void> {
    if (this.isClosed) return Promise.resolve();
    if (this.waiting) return this.waiting;
    if (!this.writing) {
      this.writing = this.write(read).finally(() => (this.writing = null));
      return this.writing;
    }
    this.waiting = this.writing.then(() => {
      this.waiting = null;
      return this.keepUnsent(read);
    });
    return this.waiting;
  }

  /** Writes the history a moment later. */
  keepHistory(read: () => History): void {
    if (this.isClosed) return;
    this.timer ??= setTimeout(() => this.writeHistory(read), HISTORY_DELAY_MS);
  }

  writeHistory(read: () => History): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    const { undo, redo } = read();
    const kept: KeptHistory = { undo: undo.slice(-HISTORY_STEPS), redo, savedAt: Date.now() };
    void set(historyKey(this.sceneId, this.tabId), kept).catch(() => undefined);
  }

  /** What was taken over lies with this tab now, and is not kept twice. */
  async takeOver(unsent: Unsent): Promise<void> {
    await this.keepUnsent(() => unsent);
    // Only what was read: another tab may have gone since, and what it left is for the next one.
    for (const key of this.taken.splice(0)) await del(key).catch(() => undefined);
  }

  close(): void {
    this.isClosed = true;
    if (this.timer) clearTimeout(this.timer);
    this.release();
  }

  private async write(read: () => Unsent): Promise<void> {
    const { known, batches, aside } = read();
    const key = unsentKey(this.sceneId, this.tabId);
    try {
      if (batches.length === 0 && aside.length === 0) await del(key);
      else await set(key, { known, batches, aside });
    } catch {
      // The browser keeps nothing; sending goes on.
    }
  }
}

/** The id of this tab, which nobody else has while it is open: a copied tab gets another one. */
async function ownTab(): Promise<{ tabId: string; release: () => void }> {
  const last = sessionStorage.getItem(TAB_KEY);
  if (last) {
    const release = await held(lockName(last), SAME_TAB_MS);
    if (release) return { tabId: last, release };
  }
  const tabId = crypto.randomUUID();
  sessionStorage.setItem(TAB_KEY, tabId);
  return { tabId, release: (await held(lockName(tabId), SAME_TAB_MS)) ?? (() => {}) };
}

/** Takes a lock that is let go of by its result, or with the page; null where somebody has it for all the time. */
function held(name: string, waitMs: number): Promise<(() => void) | null> {
  return new Promise((resolve) => {
    navigator.locks
      .request(
        name,
        { signal: AbortSignal.timeout(waitMs) },
        () => new Promise<void>((release) => resolve(release)),
      )
      .catch(() => resolve(null));
  });
}

async function leftKeys(prefix: string): Promise<[key: string, tabId: string][]> {
  return (await keys<string>())
    .filter((key) => typeof key === 'string' && key.startsWith(prefix))
    .map((key) => [key, key.slice(prefix.length)]);
}

async function isGone(tabId: string): Promise<boolean> {
  const { held: taken = [] } = await navigator.locks.query();
  return !taken.some(({ name }) => name === lockName(tabId));
}

async function leftBehind(sceneId: string, ownTabId: string): Promise<{ key: string; unsent: Unsent }[]> {
  const left: { key: string; unsent: Unsent }[] = [];
  for (const [key, tabId] of await leftKeys(unsentKey(sceneId, ''))) {
    if (tabId !== ownTabId && !(await isGone(tabId))) continue;
    const unsent = await get<Unsent>(key);
    if (unsent) left.push({ key, unsent });
  }
  return left;
}

/** What a program of before left. */
async function leftBefore(sceneId: string): Promise<{ key: string; unsent: Unsent }[]> {
  const key = formerKey(sceneId);
  const former = await get<FormerJournal>(key);
  if (!former) return [];
  const { revision, inFlight, pending } = former;
  const batches: Batch[] = [
    ...(inFlight ? [{ ...inFlight, wasSent: true }] : []),
    ...(pending.length > 0 ? [{ transactionId: crypto.randomUUID(), edits: pending, wasSent: false }] : []),
  ];
  return [{ key, unsent: { known: { revision, changeNumber: 0 }, batches, aside: [] } }];
}

/** The history of this tab, or where it has none the last one of those that are gone, which are forgotten then. */
async function lastHistory(sceneId: string, ownTabId: string): Promise<History | null> {
  let last = (await get<KeptHistory>(historyKey(sceneId, ownTabId))) ?? null;
  const isOwn = last !== null;
  for (const [key, tabId] of await leftKeys(historyKey(sceneId, ''))) {
    if (tabId === ownTabId || !(await isGone(tabId))) continue;
    const history = await get<KeptHistory>(key);
    if (history && !isOwn && (last === null || history.savedAt > last.savedAt)) last = history;
    await del(key);
  }
  if (last && !isOwn) await set(historyKey(sceneId, ownTabId), last);
  return last;
}
