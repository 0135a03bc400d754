/** Work that follows a moving control: begun when the control rests for a moment, forgotten when a newer one came. */
import { wordsOf } from '@/core/faults';

/** A control moves faster than a large picture is searched. */
const REST_MS = 60;

export type Outcome<T> = { found: T; fault: null } | { found: null; fault: string };

export class LatestWork<T> {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private newest = 0;

  /** @param done hears what came of the work, unless it was overtaken */
  begin(work: () => Promise<T>, done: (outcome: Outcome<T>) => void): void {
    this.stop();
    const number = this.newest;
    this.timer = setTimeout(() => {
      work()
        .then(
          (found): Outcome<T> => ({ found, fault: null }),
          (thrown: unknown): Outcome<T> => ({ found: null, fault: wordsOf(thrown) }),
        )
        .then((outcome) => {
          if (number === this.newest) done(outcome);
        });
    }, REST_MS);
  }

  /** Forgets what was begun. */
  stop(): void {
    clearTimeout(this.timer);
    this.newest++;
  }
}
