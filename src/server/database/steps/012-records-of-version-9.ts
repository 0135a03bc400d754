/** Brings the rows of records that version 9 of the scene document changed to it. */
import type { PoolConnection } from 'mysql2/promise';
import { upgradeRecords } from './upgrade-records';

export function recordsOfVersion9(connection: PoolConnection): Promise<void> {
  return upgradeRecords(connection, {
    scene_record: ['settings', 'washes'],
    project_record: ['luminaires'],
  });
}
