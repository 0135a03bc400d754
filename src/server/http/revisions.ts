/** Revisions in addresses. */
import { InputFault } from '@/core/faults';

export interface RevisionContext {
  params: Promise<{ id: string; revision: string }>;
}

const MOST = 4_294_967_295;

/** @throws InputFault where it is no number of a revision */
export function revisionOf(text: string): number {
  const revision = /^\d{1,10}$/.test(text) ? Number(text) : 0;
  if (revision < 1 || revision > MOST)
    throw new InputFault(`A revision is a whole number from 1; got ${text.slice(0, 20)}.`);
  return revision;
}
