/** Dropped files become artworks: each checked, kept on the server, given a first recipe; bad ones named, the others go on. */
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { newArtwork } from '@/core/scene/defaults';
import { create, type Edit } from '@/core/scene/edits';
import { api } from './server-api';
import { freshId, type Studio } from './studio';

export interface ImportReport {
  artworkIds: string[];
  /** A line each: file name and reason. */
  refused: string[];
}

export async function importPictures(
  studio: Studio,
  files: readonly File[],
  progress: (done: number) => void = () => {},
): Promise<ImportReport> {
  const edits: Edit[] = [];
  const artworkIds: string[] = [];
  const refused: string[] = [];
  for (const [index, file] of files.entries()) {
    progress(index);
    try {
      if (file.size > LIMITS.pictureBytes)
        throw new Error(`The file is larger than ${LIMITS.pictureBytes / 1024 / 1024} MB.`);
      const bytes = new Uint8Array(await file.arrayBuffer());
      const { widthPx, heightPx, pixelArt, recipe } = await studio.workers.remote.firstLook(bytes);
      const { sha256 } = await api.keepPicture(bytes);
      const id = freshId();
      const name = file.name.replace(/\.png$/i, '').slice(0, LIMITS.nameLength);
      edits.push(
        create('artworks', id, newArtwork({ name, imageSha: sha256, widthPx, heightPx, pixelArt })),
        create('reliefs', id, { recipe }),
      );
      artworkIds.push(id);
    } catch (thrown) {
      refused.push(`${file.name}: ${wordsOf(thrown)}`);
    }
  }
  progress(files.length);
  const label = artworkIds.length === 1 ? 'Bring in a picture' : `Bring in ${artworkIds.length} pictures`;
  studio.scenes.transact({ label, edits });
  return { artworkIds, refused };
}
