/** What can go wrong on the server, by kind; `http/problem.ts` gives each its status. */
export class DatabaseFault extends Error {
  override name = 'DatabaseFault';
}

export class NotFoundFault extends Error {
  override name = 'NotFoundFault';
}

/** A patch made for another revision than the one that stands. */
export class StaleFault extends Error {
  override name = 'StaleFault';
  constructor(
    readonly expectedRevision: number,
    readonly revision: number,
  ) {
    super(`The scene is at revision ${revision}; the change was made for revision ${expectedRevision}.`);
  }
}

export class PreconditionMissingFault extends Error {
  override name = 'PreconditionMissingFault';
}

export class TooLargeFault extends Error {
  override name = 'TooLargeFault';
}

export class WrongTypeFault extends Error {
  override name = 'WrongTypeFault';
}
