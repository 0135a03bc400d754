/** A patch as it comes over the wire, checked in form; whether it fits the scene is found where it is applied. */
import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { COLLECTION_NAMES, type CollectionName } from '@/core/scene/records/all-records';
import { ID } from '@/core/fields';
import type { Person } from '@/core/scene/changes';
import type { Fields } from '@/core/scene/edits';
import type { SentEdit } from '@/core/scene/patches';
import { PreconditionMissingFault } from '../faults';
import type { Patch } from '../queries/patches';

const TRANSACTION_ID = /^[a-z0-9-]{8,64}$/;
const DIGEST = /^[0-9a-f]{16}$/;

/** A patch, or one piece of a patch that comes in several. */
export interface SentPatch {
  patch: Patch;
  /** Which of how many it is; null is the whole patch. */
  piece: { place: number; of: number } | null;
  /** The last change of the project's shared records that its author knows. */
  changeNumber: number;
}

export function patchOf(body: Record<string, unknown>): SentPatch {
  const { transactionId, edits } = body;
  if (typeof transactionId !== 'string' || !TRANSACTION_ID.test(transactionId)) {
    throw new InputFault('transactionId must be 8 to 64 of a-z, 0-9 and -.', 'transactionId');
  }
  if (!Array.isArray(edits) || edits.length === 0 || edits.length > LIMITS.edits) {
    throw new InputFault(`edits must be a list of 1 to ${LIMITS.edits}.`, 'edits');
  }
  return {
    patch: { transactionId, edits: edits.map(editOf), author: authorOf(body.author) },
    piece: pieceOf(body.piece),
    changeNumber: changeNumberOf(body.changeNumber),
  };
}

function authorOf(value: unknown): Person | null {
  if (value === undefined || value === null) return null;
  const { id, name } = value as Record<string, unknown>;
  if (typeof id !== 'string' || !TRANSACTION_ID.test(id))
    throw new InputFault('author.id must be 8 to 64 of a-z, 0-9 and -.', 'author.id');
  if (typeof name !== 'string' || name.length > LIMITS.authorLength)
    throw new InputFault(`author.name must be a text of at most ${LIMITS.authorLength}.`, 'author.name');
  return { id, name };
}

/** Who does not ask for changes of the shared records knows them all. */
function changeNumberOf(value: unknown): number {
  if (value === undefined) return Number.MAX_SAFE_INTEGER;
  if (!Number.isInteger(value) || (value as number) < 0)
    throw new InputFault('changeNumber must be a whole number from 0.', 'changeNumber');
  return value as number;
}

function pieceOf(value: unknown): SentPatch['piece'] {
  if (value === undefined || value === null) return null;
  const { place, of } = value as Record<string, unknown>;
  const isWhole = (n: unknown): n is number => Number.isInteger(n) && (n as number) >= 0;
  if (!isWhole(place) || !isWhole(of) || place >= of || of > LIMITS.patchPieces)
    throw new InputFault(`piece must be a place below a number of at most ${LIMITS.patchPieces}.`, 'piece');
  return { place, of };
}

function editOf(value: unknown, index: number): SentEdit {
  const path = `edits.${index}`;
  if (typeof value !== 'object' || value === null) throw new InputFault(`${path} must be an edit.`, path);
  const { collection, id, before, after, seen } = value as Record<string, unknown>;
  if (!COLLECTION_NAMES.includes(collection as CollectionName)) {
    throw new InputFault(`${path}.collection is not known.`, `${path}.collection`);
  }
  if (typeof id !== 'string' || !ID.test(id)) throw new InputFault(`${path}.id must be an id.`, `${path}.id`);
  const name = { collection: collection as CollectionName, id };
  if (seen !== undefined) {
    if (typeof seen !== 'string' || !DIGEST.test(seen) || after !== null || before !== undefined)
      throw new InputFault(`${path}.seen must be a digest, of a delete without before.`, `${path}.seen`);
    return { ...name, seen, after };
  }
  if (before === null && after === null) throw new InputFault(`${path} changes nothing.`, path);
  return { ...name, before: fieldsOf(before, `${path}.before`), after: fieldsOf(after, `${path}.after`) };
}

function fieldsOf(value: unknown, path: string): Fields | null {
  if (value === null) return null;
  if (typeof value !== 'object' || Array.isArray(value))
    throw new InputFault(`${path} must be fields or null.`, path);
  if (JSON.stringify(value).length > LIMITS.recordLength)
    throw new InputFault(`${path} is longer than the ${LIMITS.recordLength} characters of one record.`, path);
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
