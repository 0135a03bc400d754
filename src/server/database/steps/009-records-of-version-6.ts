/** Brings the rows of records that version 6 of the scene document changed to it. */
import type { PoolConnection } from 'mysql2/promise';
import { upgradeRecords } from './upgrade-records';

export function recordsOfVersion6(connection: PoolConnection): Promise<void> {
  return upgradeRecords(connection, {
    scene_record: ['planes', 'lights', 'lamps'],
    project_record: ['luminaires'],
  });
}
