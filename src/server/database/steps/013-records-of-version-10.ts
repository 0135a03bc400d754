/** Brings the rows of records that version 10 of the scene document changed to it. */
import type { PoolConnection } from 'mysql2/promise';
import { upgradeRecords } from './upgrade-records';

export function recordsOfVersion10(connection: PoolConnection): Promise<void> {
  return upgradeRecords(connection, {
    scene_record: ['settings', 'sprites', 'lights', 'lamps'],
    project_record: [],
  });
}
