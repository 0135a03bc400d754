/** Short digests of text and of plain data: to tell whether two are the same, not to keep secrets. */
import { hash2 } from './time/noise';

/** Sixteen hexadecimal digits of a text. */
export function textDigest(text: string): string {
  let low = 1;
  let high = 2;
  for (let i = 0; i < text.length; i++) {
    low = hash2(low, text.charCodeAt(i));
    high = hash2(high ^ low, text.charCodeAt(i) + i);
  }
  const hex = (n: number) => (n >>> 0).toString(16).padStart(8, '0');
  return hex(high) + hex(low);
}

/** Sixteen hexadecimal digits of JSON data; in which order fields were written makes no difference. */
export function dataDigest(value: unknown): string {
  return textDigest(JSON.stringify(value, sortedFields));
}

function sortedFields(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const fields = value as Record<string, unknown>;
  return Object.fromEntries(
    Object.keys(fields)
      .sort()
      .map((field) => [field, fields[field]]),
  );
}
