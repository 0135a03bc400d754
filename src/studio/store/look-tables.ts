/** Lookup tables of colours: brought in, and looks written as one. */
import { InputFault, wordsOf } from '@/core/faults';
import { plainName } from '@/core/handoff/file-names';
import { lookCube } from '@/core/handoff/look-cube';
import { LIMITS } from '@/core/limits';
import type { Passing } from '@/core/moment/passing';
import { inOrder } from '@/core/scene/document';
import { changes, create, type Edit } from '@/core/scene/edits';
import { orderBetween } from '@/core/scene/order';
import { newTable } from '@/core/scene/records/colour-table';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { deleteEdits } from './delete-edits';
import { download } from './download';
import { api } from './server-api';
import { freshId, type Studio } from './studio';

/** What a table comes as. */
export const TABLE_FILES = '.cube,image/png';

/**
 * Brings a file in as a lookup table of the project.
 * @param isTaken whether colours of the scene go through it from now on
 * @throws where it cannot be read, naming the file and the line
 */
export async function bringTable(studio: Studio, file: File, isTaken: boolean): Promise<void> {
  if (file.size > LIMITS.tableBytes)
    throw new InputFault(`${file.name} is larger than ${LIMITS.tableBytes / 1024 / 1024} MB.`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { format, title } = await studio.workers.run((remote) => remote.tableFacts(bytes, file.name));
  const keep = format === 'picture' ? api.keepPicture : api.keepTable;
  const { sha256: fileSha } = await keep(bytes);
  const { scene } = studio;
  const there = Object.entries(scene.tables).find(([, table]) => table.fileSha === fileSha);
  const id = there?.[0] ?? freshId();
  const name = title || file.name.replace(/\.[a-z0-9]{2,4}$/i, '').slice(0, LIMITS.nameLength);
  const last = inOrder(scene.tables).at(-1)?.[1].order ?? null;
  const edits: Edit[] = [
    ...(there
      ? []
      : [create('tables', id, newTable({ name, order: orderBetween(last, null), fileSha, format }))]),
    ...(isTaken ? changes(scene, 'settings', SETTINGS_ID, { tableId: id }) : []),
  ];
  if (edits.length > 0) studio.scenes.transact({ label: `Bring in the table “${name}”`, edits });
}

/** Brings a table in, or says why it cannot be. */
export async function tryTable(studio: Studio, file: File, isTaken: boolean): Promise<void> {
  try {
    await bringTable(studio, file, isTaken);
  } catch (thrown) {
    studio.say(`Not taken: ${wordsOf(thrown)}`);
  }
}

/** Colours of the scene go through a table from now on. @param tableId null for none */
export function takeTable(studio: Studio, tableId: string | null): void {
  const { scene } = studio;
  if (tableId !== null && !scene.tables[tableId]) return;
  studio.scenes.transact({
    label: tableId === null ? 'Take no table' : `Take the table “${scene.tables[tableId].name}”`,
    edits: changes(scene, 'settings', SETTINGS_ID, { tableId }),
  });
}

export function deleteTable(studio: Studio, tableId: string): void {
  studio.scenes.transact({
    label: 'Delete a table',
    edits: deleteEdits(studio, [{ collection: 'tables', id: tableId }]),
  });
}

/** Gives what a finish does to colours, at the hour of the playhead, to the person as a `.cube` file. */
export function writeLookTable(studio: Studio, finish: Passing['finish'], title: string): void {
  const scene = studio.shown();
  const { clockHours } = studio.live.getState();
  const text = lookCube({ scene, tables: studio.pictures.tables.source, clockHours, finish, title });
  download(`${plainName(title, 'look')}.cube`, new TextEncoder().encode(text), 'text/plain');
}
