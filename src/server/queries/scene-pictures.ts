/** The small picture of a scene that the front page shows. */
import { NotFoundFault } from '../faults';
import { withConnection } from '../database/pool';
import { rowOf, run, sql, type Connection } from '../database/sql';
import { keepRevisionPicture } from './revision-marks';

export async function keepScenePicture(id: string, bytes: Uint8Array): Promise<void> {
  await withConnection((connection) => keepScenePictureOn(connection, id, bytes));
}

export async function keepScenePictureOn(
  connection: Connection,
  id: string,
  bytes: Uint8Array,
): Promise<void> {
  const picture = Buffer.from(bytes);
  const changed = await run(
    connection,
    sql`UPDATE scene SET picture = ${picture}, picture_revision = revision WHERE id = ${id}`,
  );
  // Nothing is changed either where the same picture stands already.
  if (changed === 0 && !(await rowOf(connection, sql`SELECT id FROM scene WHERE id = ${id}`))) {
    throw new NotFoundFault(`There is no scene ${id}.`);
  }
  await keepRevisionPicture(connection, id, picture);
}

export async function scenePicture(id: string): Promise<Buffer> {
  const row = await withConnection((connection) =>
    rowOf<{ picture: Buffer | null }>(connection, sql`SELECT picture FROM scene WHERE id = ${id}`),
  );
  if (!row?.picture) throw new NotFoundFault(`There is no picture of scene ${id}.`);
  return row.picture;
}
