/** What is drawn on each plane, in order: sprites, and the flames of lamps. */
import { Remembered } from '../remembered';
import { compare, type SceneDocument } from '../scene/document';
import type { Lamp } from '../scene/records/lamp';
import type { Sprite } from '../scene/records/sprite';

export type Drawn =
  { kind: 'sprite'; id: string; record: Sprite } | { kind: 'lamp'; id: string; record: Lamp };

/** The rows of planes, by plane. A row is never changed: another one takes its place. */
export type Rows = ReadonlyMap<string, readonly Drawn[]>;

export const NOTHING_DRAWN: readonly Drawn[] = [];

type Things = Pick<SceneDocument, 'sprites' | 'lamps'>;

interface Known {
  sprites: SceneDocument['sprites'];
  lamps: SceneDocument['lamps'];
  rows: Map<string, Drawn[]>;
  /** Where each thing stands in its plane's row. */
  places: Map<string, number>;
}

/** Rows by the records' keys, ties by id. */
export function drawnRows({ sprites, lamps }: Things): Rows {
  return sorted(sprites, lamps).rows;
}

/**
 * Keeps the last rows: a drag changes a few records of thousands and none of their keys, and then only those are exchanged.
 */
export class RowKeeper {
  private last: Known | null = null;

  of({ sprites, lamps }: Things): Rows {
    const { last } = this;
    if (last?.sprites === sprites && last.lamps === lamps) return last.rows;
    this.last = (last && exchanged(last, sprites, lamps)) ?? sorted(sprites, lamps);
    return this.last.rows;
  }
}

/** Remembers what was made of rows in which nothing moves by itself. */
export class RowMemory<T> {
  private readonly kept = new Remembered<readonly Drawn[], T>();
  private readonly still = new Remembered<readonly Drawn[], boolean>();

  /** @param of what it is made of, beside the row */
  recall(
    row: readonly Drawn[],
    artworks: SceneDocument['artworks'],
    of: readonly unknown[],
    make: () => T,
  ): T {
    const isStill = this.still.recall(row, [artworks], () => standsStill(row, artworks));
    return isStill ? this.kept.recall(row, of, make) : make();
  }
}

/** Whether everything in a row stands still by itself: nothing moves, hangs, plays, glows with a light or is a lamp. */
function standsStill(row: readonly Drawn[], artworks: SceneDocument['artworks']): boolean {
  return row.every(
    ({ kind, record }) =>
      kind === 'sprite' &&
      record.hangsOn === null &&
      record.glowsWithId === null &&
      record.turning === null &&
      record.path === null &&
      !(record.playing && record.artworkId !== null && (artworks[record.artworkId]?.frames.length ?? 0) > 1),
  );
}

function sorted(sprites: Known['sprites'], lamps: Known['lamps']): Known {
  const rows = new Map<string, Drawn[]>();
  const put = (thing: Drawn) => {
    const row = rows.get(thing.record.planeId);
    if (row) row.push(thing);
    else rows.set(thing.record.planeId, [thing]);
  };
  for (const [id, record] of Object.entries(sprites)) put({ kind: 'sprite', id, record });
  for (const [id, record] of Object.entries(lamps)) put({ kind: 'lamp', id, record });
  const places = new Map<string, number>();
  for (const row of rows.values()) {
    row.sort((a, b) => compare(a.record.order, b.record.order) || compare(a.id, b.id));
    row.forEach(({ kind, id }, i) => places.set(`${kind} ${id}`, i));
  }
  return { sprites, lamps, rows, places };
}

/** The last rows with some records exchanged for others of the same keys; null where they do not hold any more. */
function exchanged(known: Known, sprites: Known['sprites'], lamps: Known['lamps']): Known | null {
  const rows = new Map(known.rows);
  const fresh = new Set<string>();
  let count = 0;
  const exchange = <T extends Sprite | Lamp>(
    kind: Drawn['kind'],
    records: Record<string, T>,
    before: Record<string, T>,
  ): boolean => {
    for (const id in records) {
      count++;
      const [record, old] = [records[id], before[id]];
      if (record === old) continue;
      if (!old || old.order !== record.order || old.planeId !== record.planeId) return false;
      if (!fresh.has(record.planeId)) {
        fresh.add(record.planeId);
        rows.set(record.planeId, [...rows.get(record.planeId)!]);
      }
      const at = known.places.get(`${kind} ${id}`)!;
      const row = rows.get(record.planeId)!;
      row[at] = { ...row[at], record } as Drawn;
    }
    return true;
  };
  if (!exchange('sprite', sprites, known.sprites) || !exchange('lamp', lamps, known.lamps)) return null;
  return count === known.places.size ? { sprites, lamps, rows, places: known.places } : null;
}
