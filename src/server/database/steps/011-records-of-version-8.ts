/** Brings the rows of records that version 8 of the scene document changed to it. */
import type { PoolConnection } from 'mysql2/promise';
import { upgradeRecords } from './upgrade-records';

export function recordsOfVersion8(connection: PoolConnection): Promise<void> {
  return upgradeRecords(connection, {
    scene_record: ['settings', 'circuits', 'cues', 'planes', 'sprites', 'lights', 'lamps'],
    project_record: ['luminaires', 'reliefs'],
  });
}
