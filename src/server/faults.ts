/** What can go wrong on the server, by kind; `http/problem.ts` gives each its status. */
import { InputFault } from '@/core/faults';
import type { RefusedEdit } from '@/core/scene/changes';

export class DatabaseFault extends Error {
  override name = 'DatabaseFault';
}

/** The disk has no room for what is to be written. */
export class NoRoomFault extends Error {
  override name = 'NoRoomFault';
}

export class NotFoundFault extends Error {
  override name = 'NotFoundFault';
}

/** A patch with edits that do not fit; nothing of it was kept. */
export class RefusedFault extends InputFault {
  override name = 'RefusedFault';
  constructor(readonly refused: readonly RefusedEdit[]) {
    super(refused[0].why, refused[0].field);
  }
}

/** A patch made for a revision that the scene was never at. */
export class StaleFault extends Error {
  override name = 'StaleFault';
  constructor(
    readonly expectedRevision: number,
    readonly revision: number,
  ) {
    super(`The scene is only at revision ${revision}; the change was made for revision ${expectedRevision}.`);
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
