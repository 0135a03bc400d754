/**
 * A clip: things copied out of a scene with everything that they need, ready to be put into another scene, of this
 * project or of another one. Files are named by their hash; they are there already where the server is the same.
 */
import { compare, inOrder, type SceneDocument } from './document';
import type { CollectionName, Collections } from './records/all-records';
import { create, sameValue, type Edit } from './edits';
import { orderAfter, orderBetween } from './order';
import { eachReference, neededRecords, renamedRecords, withCompanions, type RecordName } from './references';

export const CLIP_FORMAT = 'oilwick-clip';
export const CLIP_VERSION = 1;

/** Collections whose records are copied as they were picked. */
const THINGS = ['planes', 'sprites', 'lights', 'lamps', 'occluders', 'chunks'] as const;
/** Collections whose records come along because something names them. */
const NEEDED = ['wicks', 'sets', 'circuits', 'artworks', 'reliefs', 'strokes', 'luminaires'] as const;
function isThing(collection: string): boolean {
  return (THINGS as readonly string[]).includes(collection);
}

type ClipCollection = (typeof THINGS)[number] | (typeof NEEDED)[number];

export interface Clip {
  format: typeof CLIP_FORMAT;
  version: typeof CLIP_VERSION;
  sceneId: string;
  /** The planes that things stand on, for those that are not copied themselves. */
  planeNames: Record<string, string>;
  records: Pick<Collections, ClipCollection>;
}

/** How a thing stands on its plane, for things whose carrier stays behind; null where it stands nowhere. */
type StanceOnPlane = (
  collection: 'sprites' | 'lights' | 'lamps',
  id: string,
) => { x: number; y: number } | null;

/** @returns null where nothing that is picked can be copied */
export function clipOf(
  scene: SceneDocument,
  sceneId: string,
  picked: readonly RecordName[],
  stanceOnPlane: StanceOnPlane,
): Clip | null {
  const taken = withCompanions(scene, picked);
  if (taken.every(({ collection }) => !isThing(collection))) return null;
  const own = <C extends CollectionName>(collection: C, keep: ReadonlySet<string>): Collections[C] =>
    Object.fromEntries(Object.entries(scene[collection]).filter(([id]) => keep.has(id))) as Collections[C];
  const copied = <C extends CollectionName>(collection: C) =>
    own(collection, new Set(taken.flatMap((name) => (name.collection === collection ? name.id : []))));
  const records = {
    planes: copied('planes'),
    sprites: copied('sprites'),
    lights: copied('lights'),
    lamps: copied('lamps'),
    occluders: copied('occluders'),
    chunks: copied('chunks'),
  };
  for (const collection of ['sprites', 'lights', 'lamps'] as const) {
    const all = records[collection] as Record<string, Collections['lights'][string]>;
    for (const [id, record] of Object.entries(all)) {
      if (record.hangsOn === null || records.sprites[record.hangsOn.spriteId]) continue;
      all[id] = { ...record, hangsOn: null, ...stanceOnPlane(collection, id) };
    }
  }
  for (const [id, occluder] of Object.entries(records.occluders))
    if (occluder.spriteId !== null && !records.sprites[occluder.spriteId]) delete records.occluders[id];
  const named = { wicks: new Set<string>(), sets: new Set<string>(), circuits: new Set<string>() };
  const planeNames: Record<string, string> = {};
  for (const [collection, all] of Object.entries(records) as [CollectionName, object][])
    for (const record of Object.values(all))
      eachReference(collection, record, ({ to }, id) => {
        if (to in named) named[to as keyof typeof named].add(id);
        if (to === 'planes' && scene.planes[id]) planeNames[id] = scene.planes[id].name;
      });
  return {
    format: CLIP_FORMAT,
    version: CLIP_VERSION,
    sceneId,
    planeNames,
    records: {
      ...records,
      wicks: own('wicks', named.wicks),
      sets: own('sets', named.sets),
      circuits: own('circuits', named.circuits),
      ...neededRecords(scene, records),
    },
  };
}

export interface PasteOptions {
  newId: () => string;
  /** Where things go whose plane is not here. */
  planeId: string;
  /** By how much everything is moved. */
  shift: readonly [number, number];
}

export interface Pasted {
  edits: Edit[];
  /** What was put in, as it is picked: planes alone where planes were copied, else all things. */
  picked: RecordName[];
}

/** The edits that put a clip into a scene. What is there already, and the same, is used and not put in twice. */
export function pasteEdits(
  scene: SceneDocument,
  clip: Clip,
  { newId, planeId, shift }: PasteOptions,
): Pasted {
  const { records } = clip;
  const names = new Map<string, string>();
  const isNew = new Set<string>();
  const give = (collection: CollectionName, id: string, there: string | null) => {
    names.set(`${collection}/${id}`, there ?? newId());
    if (there === null) isNew.add(`${collection}/${id}`);
  };
  for (const collection of THINGS)
    for (const id of Object.keys(records[collection])) give(collection, id, null);
  for (const [id, name] of Object.entries(clip.planeNames)) {
    if (records.planes[id]) continue;
    const byName = inOrder(scene.planes).find(([, plane]) => plane.name === name)?.[0];
    give('planes', id, scene.planes[id] ? id : (byName ?? planeId));
  }
  for (const collection of ['sets', 'circuits'] as const)
    for (const [id, { name }] of Object.entries(records[collection]))
      give(collection, id, scene[collection][id]?.name === name ? id : byName(scene[collection], name));
  for (const [id, wick] of Object.entries(records.wicks))
    give('wicks', id, sameValue(scene.wicks[id], wick) ? id : null);
  for (const [id, luminaire] of Object.entries(records.luminaires))
    give('luminaires', id, sameValue(scene.luminaires[id], luminaire) ? id : null);
  for (const [id, artwork] of Object.entries(records.artworks)) {
    const same = scene.artworks[id]?.imageSha === artwork.imageSha ? id : null;
    give('artworks', id, same ?? sameArt(scene, artwork));
  }
  for (const [id, stroke] of Object.entries(records.strokes)) {
    const artIsNew = isNew.has(`artworks/${stroke.artworkId}`);
    if (artIsNew) give('strokes', id, null);
  }
  const rename = (collection: CollectionName, id: string) => names.get(`${collection}/${id}`) ?? id;
  const renamed = renamedRecords(records, rename);
  const edits: Edit[] = [];
  const picked: RecordName[] = [];
  const hasPlanes = Object.keys(records.planes).length > 0;
  const orders = new Orders(scene);
  for (const collection of [...NEEDED, ...THINGS]) {
    const source = collection === 'reliefs' ? 'artworks' : collection;
    const rows = Object.entries(records[collection]) as [string, { order?: string }][];
    // In the order in which they lay on each other.
    rows.sort(([i, a], [j, b]) => compare(a.order ?? '', b.order ?? '') || compare(i, j));
    for (const [id] of rows) {
      if (!isNew.has(`${source}/${id}`)) continue;
      const fresh = rename(source, id);
      const record = { ...(renamed[collection] as Record<string, object>)[fresh] } as Record<string, unknown>;
      place(collection, record, shift, records, id);
      if ('order' in record) record.order = orders.next(collection, record);
      edits.push(create(collection, fresh, record as never));
      if (isThing(collection) && collection !== 'chunks' && (!hasPlanes || collection === 'planes'))
        picked.push({ collection, id: fresh });
    }
  }
  return {
    edits,
    picked: picked.filter(({ collection, id }) => collection !== 'occluders' || standsFree(edits, id)),
  };
}

function byName(records: Record<string, { name: string }>, name: string): string | null {
  return (
    Object.keys(records)
      .sort(compare)
      .find((id) => records[id].name === name) ?? null
  );
}

/** An artwork of the same name and picture that the project has under another id. */
function sameArt(
  scene: SceneDocument,
  { name, imageSha }: { name: string; imageSha: string },
): string | null {
  return (
    Object.keys(scene.artworks)
      .sort(compare)
      .find((id) => scene.artworks[id].name === name && scene.artworks[id].imageSha === imageSha) ?? null
  );
}

/** Moves what does not go with something else. */
function place(
  collection: string,
  record: Record<string, unknown>,
  [dx, dy]: readonly [number, number],
  { planes }: Clip['records'],
  id: string,
): void {
  if (dx === 0 && dy === 0) return;
  if (collection === 'occluders' && record.spriteId === null)
    record.outlines = (record.outlines as number[][]).map((points) =>
      points.map((v, i) => v + (i % 2 === 0 ? dx : dy)),
    );
  else if (['sprites', 'lights', 'lamps'].includes(collection) && record.hangsOn === null) {
    record.x = (record.x as number) + dx;
    record.y = (record.y as number) + dy;
  } else if (collection === 'planes' && planes[id].tiles) {
    const tiles = planes[id].tiles;
    record.tiles = { ...(record.tiles as object), x: tiles.x + dx, y: tiles.y + dy };
  }
}

/** Keys behind the last of each collection; new planes stand before all others. */
class Orders {
  private readonly last = new Map<string, string>();

  constructor(private readonly scene: SceneDocument) {}

  next(collection: string, record: Record<string, unknown>): string {
    const row =
      collection === 'sprites' || collection === 'lamps' ? `drawn ${String(record.planeId)}` : collection;
    let last = this.last.get(row);
    if (last === undefined) {
      const { sprites, lamps } = this.scene;
      const there =
        row === collection
          ? Object.values(this.scene[collection as 'planes'])
          : [...Object.values(sprites), ...Object.values(lamps)].filter(
              ({ planeId }) => planeId === record.planeId,
            );
      last = there.length > 0 ? there.reduce((max, { order }) => (order > max ? order : max), '') : '';
    }
    const order = last === '' ? orderBetween(null, null) : orderAfter([last]);
    this.last.set(row, order);
    return order;
  }
}

function standsFree(edits: readonly Edit[], id: string): boolean {
  return edits.some((edit) => edit.id === id && edit.after?.spriteId === null);
}
