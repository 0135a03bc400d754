/** What a step from one version of the scene document to the next is: one file, with its fixture in ../fixtures/. */
export type Json = Record<string, unknown>;

export interface VersionStep {
  /** Collections that the version brought. */
  added: readonly string[];
  /** What becomes of each record, by collection; fields that are there already stay. */
  records: Readonly<Record<string, (record: Json) => Json>>;
  /** What else becomes of the document. */
  document?: (document: Json) => Json;
}

export function isRecord(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

export function eachRecord(records: unknown, change: (record: Json) => Json): unknown {
  if (!isRecord(records)) return records;
  return Object.fromEntries(
    Object.entries(records).map(([id, record]) => [id, isRecord(record) ? change(record) : record]),
  );
}

/** A lamp with each of the parts that it overrides changed. */
export function eachOverride(lamp: Json, change: (own: Json) => Json): Json {
  return { ...lamp, overrides: eachRecord(lamp.overrides, change) };
}

export function eachOf(records: unknown, change: (record: Json) => Json): unknown {
  return Array.isArray(records)
    ? records.map((record: unknown) => (isRecord(record) ? change(record) : record))
    : records;
}
