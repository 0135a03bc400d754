/** Brings the rows of records that version 11 of the scene document changed to it. */
import type { PoolConnection } from 'mysql2/promise';
import { upgradeRecords } from './upgrade-records';

export function recordsOfVersion11(connection: PoolConnection): Promise<void> {
  return upgradeRecords(connection, {
    scene_record: ['settings', 'cues', 'planes'],
    project_record: [],
  });
}
