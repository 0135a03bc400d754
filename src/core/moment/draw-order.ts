/** What is drawn on each plane, in order: sprites, and the flames of lamps. */
import { sameItems } from '../same-items';
import { compare, type Lamp, type SceneDocument, type Sprite } from '../scene/document';

export type Drawn =
  { kind: 'sprite'; id: string; record: Sprite } | { kind: 'lamp'; id: string; record: Lamp };

/** Whether everything in a row stands still by itself: nothing hangs, plays or is a lamp. Rows are never changed. */
function isStillRow(row: readonly Drawn[], artworks: SceneDocument['artworks']): boolean {
  const known = stillRows.get(row);
  if (known?.artworks === artworks) return known.still;
  const still = row.every(
    ({ kind, record }) =>
      kind === 'sprite' &&
      record.hangsOn === null &&
      !(record.playing && record.artworkId !== null && (artworks[record.artworkId]?.frames.length ?? 0) > 1),
  );
  stillRows.set(row, { artworks, still });
  return still;
}

const stillRows = new WeakMap<readonly Drawn[], { artworks: SceneDocument['artworks']; still: boolean }>();

/** Remembers what was made of rows that stand still, until one of the things that it was made of is another one. */
export class RowMemory<T> {
  private readonly kept = new WeakMap<readonly Drawn[], { of: readonly unknown[]; made: T }>();

  /** @param of what it is made of, beside the row */
  recall(
    row: readonly Drawn[],
    artworks: SceneDocument['artworks'],
    of: readonly unknown[],
    make: () => T,
  ): T {
    if (!isStillRow(row, artworks)) return make();
    const known = this.kept.get(row);
    if (known && sameItems(known.of, of)) return known.made;
    const made = make();
    this.kept.set(row, { of, made });
    return made;
  }
}

export type DrawOrder = ReadonlyMap<string, readonly Drawn[]>;

interface Known {
  sprites: SceneDocument['sprites'];
  lamps: SceneDocument['lamps'];
  order: Map<string, Drawn[]>;
  /** Where each thing stands in its plane's row. */
  places: Map<string, number>;
}

let last: Known | null = null;

/**
 * Drawing order by the records' keys, ties by id. The last answer is kept: a drag changes a few records of thousands and
 * none of their keys, and then only those are exchanged.
 */
export function drawOrder(scene: Pick<SceneDocument, 'sprites' | 'lamps'>): DrawOrder {
  const { sprites, lamps } = scene;
  if (last?.sprites === sprites && last.lamps === lamps) return last.order;
  last = (last && exchanged(last, sprites, lamps)) ?? sorted(sprites, lamps);
  return last.order;
}

function sorted(sprites: Known['sprites'], lamps: Known['lamps']): Known {
  const order = new Map<string, Drawn[]>();
  const put = (thing: Drawn) => {
    const row = order.get(thing.record.planeId);
    if (row) row.push(thing);
    else order.set(thing.record.planeId, [thing]);
  };
  for (const [id, record] of Object.entries(sprites)) put({ kind: 'sprite', id, record });
  for (const [id, record] of Object.entries(lamps)) put({ kind: 'lamp', id, record });
  const places = new Map<string, number>();
  for (const row of order.values()) {
    row.sort((a, b) => compare(a.record.order, b.record.order) || compare(a.id, b.id));
    row.forEach(({ id }, i) => places.set(id, i));
  }
  return { sprites, lamps, order, places };
}

/** The last order with some records exchanged for others of the same keys; null where it does not hold any more. */
function exchanged(known: Known, sprites: Known['sprites'], lamps: Known['lamps']): Known | null {
  const order = new Map(known.order);
  const fresh = new Set<string>();
  let count = 0;
  const exchange = <T extends Sprite | Lamp>(
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
        order.set(record.planeId, [...order.get(record.planeId)!]);
      }
      const at = known.places.get(id)!;
      const row = order.get(record.planeId)!;
      row[at] = { ...row[at], record } as Drawn;
    }
    return true;
  };
  if (!exchange(sprites, known.sprites) || !exchange(lamps, known.lamps)) return null;
  return count === known.places.size ? { sprites, lamps, order, places: known.places } : null;
}
