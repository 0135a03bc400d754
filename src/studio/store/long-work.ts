/**
 * Work on many artworks: how far it is, what failed and why, and a way to stop it. What is left of a run that applies a
 * recipe is kept in the browser, so that a reload does not end it.
 */
import { createStore } from 'zustand/vanilla';
import { InputFault, wordsOf } from '@/core/faults';

export interface WorkFailure {
  name: string;
  why: string;
}

export interface WorkState {
  /** What is being done, in words; null when nothing is. */
  title: string | null;
  done: number;
  all: number;
  /** What could not be done in the last run; stands until it is put away. */
  failures: readonly WorkFailure[];
  failedTitle: string | null;
}

const NOTHING: WorkState = { title: null, done: 0, all: 0, failures: [], failedTitle: null };

export const OTHER_WORK = 'Other work on many artworks is still going on.';

export interface WorkItem {
  id: string;
  name: string;
}

/** Thrown out of work that was cancelled. */
export class Stopped extends Error {
  constructor() {
    super('The work was cancelled.');
  }
}

export class LongWork {
  readonly api = createStore<WorkState>(() => NOTHING);
  private stopping = false;

  get isBusy(): boolean {
    return this.api.getState().title !== null;
  }

  stop(): void {
    this.stopping = true;
  }

  putAway(): void {
    this.api.setState({ failures: [], failedTitle: null });
  }

  /**
   * Does something with each item, a few at a time. A failure is noted and the others go on.
   * @param each called in the order of the items; what it gives back is given to `ended`
   * @returns whether it ran to its end
   */
  async run<T>(
    title: string,
    items: readonly WorkItem[],
    width: number,
    each: (item: WorkItem) => Promise<T>,
    ended: (item: WorkItem, result: T) => void,
  ): Promise<boolean> {
    if (this.isBusy) throw new InputFault(OTHER_WORK);
    this.stopping = false;
    this.api.setState({ title, done: 0, all: items.length, failures: [], failedTitle: null });
    let next = 0;
    const lane = async () => {
      while (next < items.length && !this.stopping) {
        const item = items[next++];
        try {
          ended(item, await each(item));
        } catch (thrown) {
          if (thrown instanceof Stopped) return;
          const failure = { name: item.name, why: wordsOf(thrown) };
          this.api.setState(({ failures }) => ({ failures: [...failures, failure], failedTitle: title }));
        }
        this.api.setState(({ done }) => ({ done: done + 1 }));
      }
    };
    await Promise.all(Array.from({ length: Math.max(1, width) }, lane));
    this.api.setState({ title: null });
    return !this.stopping;
  }
}
