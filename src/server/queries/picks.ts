/** What those who have a scene open have picked. */
import type { PickedName } from '@/core/scene/changes';
import { withConnection } from '../database/pool';
import { run, sql } from '../database/sql';

/** Notes it for somebody who is there; of anybody else nothing is kept. */
export async function keepPicks(
  sceneId: string,
  personId: string,
  picked: readonly PickedName[],
): Promise<void> {
  await withConnection((connection) =>
    run(
      connection,
      sql`
      UPDATE presence SET picked = ${JSON.stringify(picked)} WHERE scene_id = ${sceneId} AND client_id = ${personId}`,
    ),
  );
}
