/** Every error as problem+json (RFC 9457), from one table. */
import { InputFault, wordsOf } from '@/core/faults';
import {
  DatabaseFault,
  NoRoomFault,
  NotFoundFault,
  PreconditionMissingFault,
  RefusedFault,
  StaleFault,
  TooLargeFault,
  WrongTypeFault,
} from '../faults';
import { isAway, logFault } from '../log';

interface Kind {
  fault: abstract new (...args: never[]) => Error;
  status: number;
  title: string;
}

const KINDS: Kind[] = [
  { fault: InputFault, status: 422, title: 'Does not fit' },
  { fault: NotFoundFault, status: 404, title: 'Not found' },
  { fault: StaleFault, status: 412, title: 'Revision not known' },
  { fault: PreconditionMissingFault, status: 428, title: 'If-Match is missing' },
  { fault: TooLargeFault, status: 413, title: 'Too large' },
  { fault: WrongTypeFault, status: 415, title: 'Wrong type' },
  { fault: NoRoomFault, status: 507, title: 'Disk full' },
  { fault: DatabaseFault, status: 503, title: 'Database away' },
];

export function problem(
  status: number,
  title: string,
  detail: string,
  more: Record<string, unknown> = {},
): Response {
  return Response.json(
    { type: 'about:blank', title, status, detail, ...more },
    { status, headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' } },
  );
}

/** What was thrown as a response. Unknown faults are logged by code and stack: a driver's error holds whole statements. */
export function problemOf(thrown: unknown): Response {
  const kind =
    KINDS.find(({ fault }) => thrown instanceof fault) ?? (isAway(thrown) ? KINDS.at(-1) : undefined);
  if (!kind) {
    logFault(thrown, 'a request failed');
    return problem(500, 'Fault', 'Something went wrong on the server. What you did is kept in the browser.');
  }
  const more: Record<string, unknown> = {};
  if (thrown instanceof InputFault && thrown.field !== null) more.field = thrown.field;
  if (thrown instanceof RefusedFault) more.refused = thrown.refused;
  if (thrown instanceof StaleFault)
    Object.assign(more, { expectedRevision: thrown.expectedRevision, revision: thrown.revision });
  return problem(
    kind.status,
    kind.title,
    thrown instanceof DatabaseFault || kind.fault !== DatabaseFault
      ? wordsOf(thrown)
      : 'The database does not answer.',
    more,
  );
}

/** A route handler whose faults become problems. */
export function handler<Context>(
  work: (request: Request, context: Context) => Promise<Response>,
): (request: Request, context: Context) => Promise<Response> {
  return async (request, context) => {
    try {
      return await work(request, context);
    } catch (thrown) {
      return problemOf(thrown);
    }
  };
}
