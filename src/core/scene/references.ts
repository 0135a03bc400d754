/** How records name each other: what a record needs, and records under other ids. */
import {
  compare,
  type CollectionName,
  type Collections,
  type Hanging,
  type LightLook,
  type ProjectCollection,
  type ProjectRecords,
  type SceneDocument,
} from './document';

type Some = Partial<Collections>;
type SceneShowing = 'sprites' | 'planes' | 'lights' | 'lamps';

/** A new id for a record, or the same one where it keeps its own. */
export type Renaming = (collection: CollectionName, id: string) => string;

/** Records under new ids, and everything that they name. */
export function renamedRecords<T extends Some>(records: T, rename: Renaming): T {
  const hanging = (hangsOn: Hanging | null) =>
    hangsOn && { ...hangsOn, spriteId: rename('sprites', hangsOn.spriteId) };
  const orNull = (collection: CollectionName, id: string | null) =>
    id === null ? null : rename(collection, id);
  const all = (collection: CollectionName, ids: readonly string[]) => ids.map((id) => rename(collection, id));
  const fixture = <F extends Collections['lights'][string] | Collections['lamps'][string]>(record: F): F => ({
    ...record,
    planeId: rename('planes', record.planeId),
    hangsOn: hanging(record.hangsOn),
    setIds: all('sets', record.setIds),
    circuitIds: all('circuits', record.circuitIds),
    spanFarId: orNull('planes', record.spanFarId),
    spanNearId: orNull('planes', record.spanNearId),
    stoppedBy: record.stoppedBy && {
      planeIds: all('planes', record.stoppedBy.planeIds),
      setIds: all('sets', record.stoppedBy.setIds),
    },
  });
  const gobo = <L extends LightLook>(look: L): L =>
    look.gobo
      ? { ...look, gobo: { ...look.gobo, artworkId: rename('artworks', look.gobo.artworkId) } }
      : look;
  const change: { [C in CollectionName]?: (record: Collections[C][string]) => Collections[C][string] } = {
    planes: (plane) => ({
      ...plane,
      circuitIds: all('circuits', plane.circuitIds),
      tiles: plane.tiles && { ...plane.tiles, artworkId: rename('artworks', plane.tiles.artworkId) },
    }),
    sprites: (sprite) => ({
      ...sprite,
      planeId: rename('planes', sprite.planeId),
      artworkId: orNull('artworks', sprite.artworkId),
      hangsOn: hanging(sprite.hangsOn),
      setIds: all('sets', sprite.setIds),
      circuitIds: sprite.circuitIds && all('circuits', sprite.circuitIds),
    }),
    lights: (light) => ({ ...gobo(fixture(light)), wickId: orNull('wicks', light.wickId) }),
    lamps: (lamp) => ({ ...fixture(lamp), luminaireId: rename('luminaires', lamp.luminaireId) }),
    occluders: (occluder) => ({
      ...occluder,
      planeId: rename('planes', occluder.planeId),
      spriteId: orNull('sprites', occluder.spriteId),
      setIds: all('sets', occluder.setIds),
    }),
    chunks: (chunk) => ({ ...chunk, planeId: rename('planes', chunk.planeId) }),
    artworks: (artwork) => ({
      ...artwork,
      lamps: artwork.lamps.map((lamp) => ({ ...lamp, luminaireId: rename('luminaires', lamp.luminaireId) })),
    }),
    reliefs: (relief) => ({ ...relief, borrowedId: orNull('artworks', relief.borrowedId) }),
    strokes: (stroke) => ({ ...stroke, artworkId: rename('artworks', stroke.artworkId) }),
    luminaires: (luminaire) => ({
      ...luminaire,
      lights: luminaire.lights.map(gobo),
      flames: luminaire.flames.map((flame) => ({ ...flame, artworkId: rename('artworks', flame.artworkId) })),
    }),
  };
  const out: Record<string, Record<string, unknown>> = {};
  for (const [collection, own] of Object.entries(records) as [CollectionName, Record<string, never>][]) {
    // A relief goes by the id of its artwork.
    const named = collection === 'reliefs' ? 'artworks' : collection;
    out[collection] = Object.fromEntries(
      Object.entries(own).map(([id, record]) => [rename(named, id), change[collection]?.(record) ?? record]),
    );
  }
  return out as T;
}

/** Artworks and luminaires that scene records show, gobos with them. */
export function shownBy({ sprites, planes, lights, lamps }: Pick<Some, SceneShowing>): {
  artworkIds: string[];
  luminaireIds: string[];
} {
  const artworkIds = [
    ...Object.values(sprites ?? {}).map(({ artworkId }) => artworkId),
    ...Object.values(planes ?? {}).map(({ tiles }) => tiles?.artworkId ?? null),
    ...Object.values(lights ?? {}).map(({ gobo }) => gobo?.artworkId ?? null),
  ].filter((id): id is string => id !== null);
  return { artworkIds, luminaireIds: Object.values(lamps ?? {}).map(({ luminaireId }) => luminaireId) };
}

/**
 * The project's records that scene records need: the artworks that they show with their reliefs and strokes, those that
 * lend a relief, the luminaires that lamps follow or artworks bring along, and the artworks of their flames.
 */
export function neededRecords(
  project: Pick<SceneDocument, Exclude<ProjectCollection, 'recipes'>>,
  scene: Pick<Some, SceneShowing>,
): Omit<ProjectRecords, 'recipes'> {
  const { artworkIds, luminaireIds } = shownBy(scene);
  const artworks = new Set(artworkIds);
  const luminaires = new Set(luminaireIds);
  // A set grows while it is walked, and the walk reaches what was added.
  for (let size = -1; size !== artworks.size + luminaires.size;) {
    size = artworks.size + luminaires.size;
    for (const id of artworks) {
      const lender = project.reliefs[id]?.borrowedId;
      if (lender) artworks.add(lender);
      for (const { luminaireId } of project.artworks[id]?.lamps ?? []) luminaires.add(luminaireId);
    }
    for (const id of luminaires) {
      for (const { artworkId } of project.luminaires[id]?.flames ?? []) artworks.add(artworkId);
      for (const { gobo } of project.luminaires[id]?.lights ?? []) if (gobo) artworks.add(gobo.artworkId);
    }
  }
  return {
    artworks: only(project.artworks, (id) => artworks.has(id)),
    reliefs: only(project.reliefs, (id) => artworks.has(id)),
    strokes: only(project.strokes, (_, { artworkId }) => artworks.has(artworkId)),
    luminaires: only(project.luminaires, (id) => luminaires.has(id)),
  };
}

/** The records that a test holds for, by id. */
function only<T>(records: Record<string, T>, holds: (id: string, record: T) => boolean): Record<string, T> {
  return Object.fromEntries(
    Object.keys(records)
      .sort(compare)
      .flatMap((id) => (holds(id, records[id]) ? [[id, records[id]]] : [])),
  );
}
