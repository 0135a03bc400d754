/** What a visit leaves in the browser: the unsent edits and the history, by scene. */
import { del, get, set } from 'idb-keyval';
import type { Edit } from '@/core/scene/edits';
import type { UndoEntry } from './scene-store';
import type { Batch } from './sync';

export interface Journal {
  revision: number;
  inFlight: Batch | null;
  pending: Edit[];
  undo: UndoEntry[];
  redo: UndoEntry[];
}

const WRITE_DELAY_MS = 150;
const keyOf = (sceneId: string) => `scene-journal-${sceneId}`;

export async function readJournal(sceneId: string): Promise<Journal | null> {
  try {
    return (await get<Journal>(keyOf(sceneId))) ?? null;
  } catch {
    // Without the browser's store work goes on; only what an earlier visit left is not there.
    return null;
  }
}

/** Writes a scene's journal a moment after its last change, and at once when the page is left. */
export class JournalWriter {
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly sceneId: string,
    private readonly read: () => Journal,
  ) {}

  changed(): void {
    this.timer ??= setTimeout(() => this.write(), WRITE_DELAY_MS);
  }

  write(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    void set(keyOf(this.sceneId), this.read()).catch(() => undefined);
  }

  async forget(): Promise<void> {
    await del(keyOf(this.sceneId));
  }
}
