/** One painted stroke at a time is with the worker: the next begins when the last is settled, however that ended. */
export class StrokeTurns {
  private last: Promise<void> = Promise.resolve();

  begin(work: () => Promise<void>): Promise<void> {
    return this.last.then(work);
  }

  endsWith(work: Promise<unknown>): void {
    this.last = work.then(
      () => undefined,
      () => undefined,
    );
  }
}
