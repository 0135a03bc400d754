/** A patch as it comes over the wire, checked in form; whether it fits the scene is found where it is applied. */
import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { COLLECTION_NAMES, type CollectionName } from '@/core/scene/records/all-records';
import type { Edit, Fields } from '@/core/scene/edits';
import { PreconditionMissingFault } from '../faults';
import type { Patch } from '../queries/scenes';

const TRANSACTION_ID = /^[a-z0-9-]{8,64}$/;

export function patchOf(body: Record<string, unknown>): Patch {
  const { transactionId, edits } = body;
  if (typeof transactionId !== 'string' || !TRANSACTION_ID.test(transactionId)) {
    throw new InputFault('transactionId must be 8 to 64 of a-z, 0-9 and -.', 'transactionId');
  }
  if (!Array.isArray(edits) || edits.length === 0 || edits.length > LIMITS.edits) {
    throw new InputFault(`edits must be a list of 1 to ${LIMITS.edits}.`, 'edits');
  }
  return { transactionId, edits: edits.map(editOf) };
}

function editOf(value: unknown, index: number): Edit {
  const path = `edits.${index}`;
  if (typeof value !== 'object' || value === null) throw new InputFault(`${path} must be an edit.`, path);
  const { collection, id, before, after } = value as Record<string, unknown>;
  if (!COLLECTION_NAMES.includes(collection as CollectionName)) {
    throw new InputFault(`${path}.collection is not known.`, `${path}.collection`);
  }
  if (typeof id !== 'string' || id === '__proto__')
    throw new InputFault(`${path}.id must be an id.`, `${path}.id`);
  if (before === null && after === null) throw new InputFault(`${path} changes nothing.`, path);
  return {
    collection: collection as CollectionName,
    id,
    before: fieldsOf(before, `${path}.before`),
    after: fieldsOf(after, `${path}.after`),
  };
}

function fieldsOf(value: unknown, path: string): Fields | null {
  if (value === null) return null;
  if (typeof value !== 'object' || Array.isArray(value))
    throw new InputFault(`${path} must be fields or null.`, path);
  return value as Fields;
}

/** The revision that a request was made for, from `If-Match: "r17"`. */
export function expectedRevision(request: Request): number {
  const header = request.headers.get('if-match');
  if (header === null)
    throw new PreconditionMissingFault('Send the revision that the change was made for as If-Match.');
  const match = /^"r(\d+)"$/.exec(header);
  if (!match) throw new InputFault(`If-Match is written like "r17"; got ${header}.`, 'if-match');
  return Number(match[1]);
}

export function etag(revision: number): string {
  return `"r${revision}"`;
}
