/** Texts as the bytes of files. */

export function textFile(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

export function jsonFile(value: unknown): Uint8Array {
  return textFile(`${JSON.stringify(value, null, 2)}\n`);
}
