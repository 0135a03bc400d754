/**
 * Lookup tables in the browser: fetched and read on a worker as soon as the scene names them. One that is not there yet, or
 * cannot be read, changes no colour; listeners hear when it is there.
 */
import { wordsOf } from '@/core/faults';
import type { ColourTable } from '@/core/finish/colour-table';
import type { TableRecord } from '@/core/scene/records/colour-table';
import type { SceneDocument } from '@/core/scene/document';

/** Fetches and reads the file of a table. @param file what errors call it */
export type ReadTable = (sha256: string, file: string) => Promise<ColourTable>;

interface Entry {
  fileSha: string;
  table: ColourTable | null;
  fault: string | null;
}

export class TableStore {
  private readonly entries = new Map<string, Entry>();
  private last: SceneDocument['tables'] | null = null;

  /** @param tell called when a table has come, or failed */
  constructor(
    private readonly read: ReadTable,
    private readonly tell: () => void,
  ) {}

  /** Brings the tables in line with a scene. */
  follow(tables: SceneDocument['tables']): void {
    if (tables === this.last) return;
    this.last = tables;
    for (const id of [...this.entries.keys()]) if (!tables[id]) this.entries.delete(id);
    for (const [id, record] of Object.entries(tables))
      if (this.entries.get(id)?.fileSha !== record.fileSha) void this.load(id, record);
  }

  /** A table by the id of its record; null while it is not there. */
  readonly source = (tableId: string): ColourTable | null => this.entries.get(tableId)?.table ?? null;

  /** Why a table cannot be read; null where it can, or is still on its way. */
  faultOf(tableId: string): string | null {
    return this.entries.get(tableId)?.fault ?? null;
  }

  /** All that are there, by the ids of their records. */
  all(): Record<string, ColourTable> {
    return Object.fromEntries([...this.entries].flatMap(([id, { table }]) => (table ? [[id, table]] : [])));
  }

  /** Reads what failed once more. */
  retryAll(): void {
    for (const [id, { fault }] of [...this.entries]) {
      const record = this.last?.[id];
      if (fault !== null && record) void this.load(id, record);
    }
  }

  /** Whether every table is there, or failed. */
  get isComplete(): boolean {
    return [...this.entries.values()].every(({ table, fault }) => table !== null || fault !== null);
  }

  private async load(id: string, { fileSha, name }: TableRecord): Promise<void> {
    const entry: Entry = { fileSha, table: null, fault: null };
    this.entries.set(id, entry);
    try {
      entry.table = await this.read(fileSha, name);
    } catch (thrown) {
      entry.fault = wordsOf(thrown);
    }
    if (this.entries.get(id) === entry) this.tell();
  }
}
