/** Patches that are too long for one request come in pieces, which wait here for the last one. */
import { InputFault } from '@/core/faults';
import type { SentEdit } from '@/core/scene/patches';
import { withConnection } from '../database/pool';
import { rowsOf, run, sql } from '../database/sql';
import type { Patch } from './patches';
import { expectScene } from './scenes';

/** Pieces whose last one never came are given up after this, hours. */
const KEPT_HOURS = 24;

/** @throws NotFoundFault where there is no such scene */
export async function keepPiece(
  sceneId: string,
  { transactionId, edits }: Patch,
  place: number,
): Promise<void> {
  await expectScene(sceneId);
  await withConnection(async (connection) => {
    const text = JSON.stringify(edits);
    await run(
      connection,
      sql`
      INSERT INTO patch_piece (scene_id, transaction_id, place, edits) VALUES (${sceneId}, ${transactionId}, ${place}, ${text})
      ON DUPLICATE KEY UPDATE edits = ${text}`,
    );
    await run(
      connection,
      sql`DELETE FROM patch_piece WHERE created_at < CURRENT_TIMESTAMP(3) - INTERVAL ${KEPT_HOURS} HOUR LIMIT 100`,
    );
  });
}

/**
 * A patch whose last piece is given, with the others before it.
 * @throws InputFault where one of them is missing
 */
export async function wholePatch(sceneId: string, last: Patch, of: number): Promise<Patch> {
  return withConnection(async (connection) => {
    const rows = await rowsOf<{ place: number; edits: string }>(
      connection,
      sql`
      SELECT place, edits FROM patch_piece WHERE scene_id = ${sceneId} AND transaction_id = ${last.transactionId}
        AND place < ${of - 1} ORDER BY place`,
    );
    if (rows.length !== of - 1)
      throw new InputFault(`Of ${of} pieces of the patch ${of - 1 - rows.length} are missing.`, 'piece');
    const edits = rows.flatMap((row) => JSON.parse(row.edits) as SentEdit[]);
    return { ...last, edits: [...edits, ...last.edits] };
  });
}

/** To be called when a patch was taken. */
export async function forgetPieces(sceneId: string, transactionId: string): Promise<void> {
  await withConnection((connection) =>
    run(
      connection,
      sql`DELETE FROM patch_piece WHERE scene_id = ${sceneId} AND transaction_id = ${transactionId}`,
    ),
  );
}
