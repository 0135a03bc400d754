/**
 * The only door to SQL: a tagged template whose values become placeholders. A plain string is no query, so nothing
 * can be pasted into one.
 */
import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';

export type SqlValue = string | number | Buffer | null;

/** Tables whose name a query may choose: a closed list, so that no name ever comes from outside. */
export type RecordTable = 'scene_record' | 'project_record';

class TableName {
  constructor(readonly name: RecordTable) {}
}

/** Lists of values, each in brackets. */
class Tuples {
  constructor(readonly rows: readonly (readonly SqlValue[])[]) {}
}

/** The name of a table as a part of a query, not as a value of it. */
export function table(name: RecordTable): TableName {
  return new TableName(name);
}

/** Rows of values for `VALUES` and `IN`; `(a, b), (c, d)`. There is at least one. */
export function tuples(rows: readonly (readonly SqlValue[])[]): Tuples {
  return new Tuples(rows);
}

export interface Query {
  readonly text: string;
  readonly values: SqlValue[];
}

export function sql(parts: TemplateStringsArray, ...given: (SqlValue | TableName | Tuples)[]): Query {
  const values: SqlValue[] = [];
  const text = parts.reduce((all, part, i) => {
    const last = given[i - 1];
    if (last instanceof TableName) return `${all}${last.name}${part}`;
    if (last instanceof Tuples) {
      for (const row of last.rows) values.push(...row);
      return all + last.rows.map((row) => `(${row.map(() => '?').join(', ')})`).join(', ') + part;
    }
    values.push(last);
    return `${all}?${part}`;
  });
  return { text, values };
}

/** What can run a query: a pool's connection, in or out of a transaction. */
export type Connection = Pick<PoolConnection, 'execute' | 'query'>;

export async function rowsOf<Row>(connection: Connection, query: Query): Promise<Row[]> {
  const [rows] = await connection.execute<RowDataPacket[]>(query.text, query.values);
  return rows as Row[];
}

export async function rowOf<Row>(connection: Connection, query: Query): Promise<Row | null> {
  return (await rowsOf<Row>(connection, query))[0] ?? null;
}

/** @returns how many rows were changed */
export async function run(connection: Connection, query: Query): Promise<number> {
  const [result] = await connection.execute<ResultSetHeader>(query.text, query.values);
  return result.affectedRows;
}

/** Characters that go to the database at once; far below what it takes. */
const MOST_SENT = 64 * 1024 * 1024;

/**
 * Runs queries one after another, and goes to the database once for as many of them as it takes; a node of a cluster gets
 * them one by one (see nodes.ts).
 * @returns the rows of each; of what is no SELECT there are none
 */
export async function batch(connection: Connection, queries: readonly Query[]): Promise<unknown[][]> {
  const all: unknown[][] = [];
  if (!takesSeveral(connection)) {
    for (const { text, values } of queries) {
      const [result] = await connection.query(text, values);
      all.push(Array.isArray(result) ? result : []);
    }
    return all;
  }
  for (const some of bySize(queries, sizeOf, MOST_SENT)) {
    const [results] = await connection.query(
      some.map(({ text }) => text).join(';\n'),
      some.flatMap(({ values }) => values),
    );
    // Of a single query there is a single result.
    for (const result of some.length === 1 ? [results] : (results as unknown[]))
      all.push(Array.isArray(result) ? result : []);
  }
  return all;
}

function takesSeveral(connection: Connection): boolean {
  const { connection: own } = connection as { connection?: { config?: { multipleStatements?: boolean } } };
  return own?.config?.multipleStatements ?? false;
}

function sizeOf({ text, values }: Query): number {
  return values.reduce<number>(
    (sum, value) => sum + (typeof value === 'string' ? value.length : 16),
    text.length,
  );
}

/** Parts a list so that none of the parts is larger than may be, unless a single item is. */
export function* bySize<T>(
  items: readonly T[],
  size: (item: T) => number,
  most: number,
): Generator<readonly T[]> {
  let start = 0;
  let sum = 0;
  for (const [i, item] of items.entries()) {
    const own = size(item);
    if (i > start && sum + own > most) {
      yield items.slice(start, i);
      [start, sum] = [i, 0];
    }
    sum += own;
  }
  if (start < items.length) yield items.slice(start);
}

/** Most rows of one statement. */
const MOST_ROWS = 256;

/**
 * Parts a list into runs whose lengths are powers of two, so that statements of many rows come in a few shapes: each is prepared
 * once.
 */
export function* runsOf<T>(items: readonly T[]): Generator<readonly T[]> {
  let length = MOST_ROWS;
  for (let at = 0; at < items.length; at += length) {
    while (length > items.length - at) length /= 2;
    yield items.slice(at, at + length);
  }
}
