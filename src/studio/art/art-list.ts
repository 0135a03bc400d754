/** The artworks as the contact sheet of the Art bench lists them: searched, in or out of the bin, with where they are used. */
import { isFound } from '../store/art-search';
import { framesIn } from '@/core/art/frames';
import type { SceneDocument } from '@/core/scene/document';
import type { Artwork } from '@/core/scene/records/artwork';
import type { Picked } from '../store/scene-store';

export interface ArtRow {
  id: string;
  artwork: Artwork;
  frames: number;
  /** Sprites, tile planes and lamps of this scene that show it. */
  uses: number;
}

export function countWords(frames: number): string {
  return frames === 1 ? '1 frame' : `${frames} frames`;
}

type UsingRecords = Pick<SceneDocument, 'artworks' | 'sprites' | 'planes' | 'lamps' | 'luminaires'>;

/** The artworks that things of a scene show, one by one. */
function usedIds({ sprites, planes, lamps, luminaires }: UsingRecords): string[] {
  return [
    ...Object.values(sprites).flatMap(({ artworkId }) => artworkId ?? []),
    ...Object.values(planes).flatMap(({ tiles }) => tiles?.artworkId ?? []),
    ...Object.values(lamps).flatMap(({ luminaireId }) =>
      (luminaires[luminaireId]?.flames ?? []).map(({ artworkId }) => artworkId),
    ),
  ];
}

export interface ArtUser extends Picked {
  name: string;
}

/** What of a scene shows an artwork. */
export function usersOf(scene: UsingRecords, artworkId: string): ArtUser[] {
  const { sprites, planes, lamps, luminaires } = scene;
  const named = <T extends { name: string }>(
    collection: 'sprites' | 'planes' | 'lamps',
    records: Record<string, T>,
    uses: (record: T) => boolean,
  ) =>
    Object.entries(records).flatMap(([id, record]) =>
      uses(record) ? [{ collection, id, name: record.name }] : [],
    );
  return [
    ...named('sprites', sprites, (sprite) => sprite.artworkId === artworkId),
    ...named('planes', planes, ({ tiles }) => tiles?.artworkId === artworkId),
    ...named('lamps', lamps, ({ luminaireId }) =>
      (luminaires[luminaireId]?.flames ?? []).some((flame) => flame.artworkId === artworkId),
    ),
  ];
}

/** Artworks that are found, by name. */
export function artRows(scene: UsingRecords, search: string, showBin: boolean): ArtRow[] {
  const uses = new Map<string, number>();
  for (const id of usedIds(scene)) uses.set(id, (uses.get(id) ?? 0) + 1);
  return Object.entries(scene.artworks)
    .filter(([, artwork]) => artwork.binned === showBin && isFound(artwork, search))
    .map(([id, artwork]) => ({
      id,
      artwork,
      frames: framesIn(artwork).length,
      uses: uses.get(id) ?? 0,
    }))
    .sort((a, b) => a.artwork.name.localeCompare(b.artwork.name, undefined, { numeric: true }));
}
