/** A Moment as JSON, and its digest: by it two machines find out whether they see the same. */
import { textDigest } from '../digest';
import type { Moment } from './moment';

/** Typed arrays become arrays, and what is endless the text "Infinity" or "-Infinity", which JSON has no number for. */
function plain(_: string, value: unknown): unknown {
  if (ArrayBuffer.isView(value)) return Array.from(value as unknown as ArrayLike<number>);
  return value === Infinity || value === -Infinity ? String(value) : value;
}

/** @param indent spaces of each level; without it one line */
export function momentJson(moment: Moment, indent?: number): string {
  return JSON.stringify(moment, plain, indent);
}

/** Sixteen hexadecimal digits; numbers count to their last bit. */
export function momentDigest(moment: Moment): string {
  return textDigest(momentJson(moment));
}
