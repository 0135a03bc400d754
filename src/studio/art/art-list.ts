/** The artworks as the contact sheet of the Art bench lists them: searched, in or out of the bin, with where they are used. */
import { framesIn } from '@/core/art/frames';
import type { Artwork, SceneDocument } from '@/core/scene/document';

export interface ArtRow {
  id: string;
  artwork: Artwork;
  frames: number;
  /** Sprites of this scene that show it. */
  uses: number;
}

export function countWords(frames: number): string {
  return frames === 1 ? '1 frame' : `${frames} frames`;
}

/** Artworks whose name or tags have all the words that are searched for, by name. */
export function artRows(
  { artworks, sprites }: Pick<SceneDocument, 'artworks' | 'sprites'>,
  search: string,
  showBin: boolean,
): ArtRow[] {
  const uses = new Map<string, number>();
  for (const { artworkId } of Object.values(sprites))
    if (artworkId !== null) uses.set(artworkId, (uses.get(artworkId) ?? 0) + 1);
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return Object.entries(artworks)
    .filter(([, { name, tags, binned }]) => {
      const text = [name, ...tags].join(' ').toLowerCase();
      return binned === showBin && words.every((word) => text.includes(word));
    })
    .map(([id, artwork]) => ({
      id,
      artwork,
      frames: framesIn(artwork).length,
      uses: uses.get(id) ?? 0,
    }))
    .sort((a, b) => a.artwork.name.localeCompare(b.artwork.name, undefined, { numeric: true }));
}
