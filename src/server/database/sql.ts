/**
 * The only door to SQL: a tagged template whose values become placeholders. A plain string is no query, so nothing
 * can be pasted into one.
 */
import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import type { PoolConnection } from 'mysql2/promise';

export type SqlValue = string | number | Buffer | null;

/** Tables whose name a query may choose: a closed list, so that no name ever comes from outside. */
export type RecordTable = 'artwork' | 'relief' | 'stroke' | 'shelf_recipe' | 'shelf_luminaire';

class TableName {
  constructor(readonly name: RecordTable) {}
}

/** The name of a table as a part of a query, not as a value of it. */
export function table(name: RecordTable): TableName {
  return new TableName(name);
}

export interface Query {
  readonly text: string;
  readonly values: SqlValue[];
}

export function sql(parts: TemplateStringsArray, ...given: (SqlValue | TableName)[]): Query {
  const values: SqlValue[] = [];
  const text = parts.reduce((all, part, i) => {
    const last = given[i - 1];
    if (last instanceof TableName) return `${all}${last.name}${part}`;
    values.push(last);
    return `${all}?${part}`;
  });
  return { text, values };
}

/** What can run a query: a pool's connection, in or out of a transaction. */
export type Connection = Pick<PoolConnection, 'execute'>;

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
