/** Deletes what the scenes of a project share: an artwork goes to the bin first; what is used elsewhere is asked about. */
import { change } from '@/core/scene/edits';
import { deleteEdits } from './delete-edits';
import type { Studio } from './studio';
import { usersOf } from './users-of';

/** Puts artworks into the bin, with all that is made of them where it is, and says where that is. */
export async function binArtworks(studio: Studio, ids: readonly string[]): Promise<void> {
  const edits = ids.flatMap((id) => change(studio.scene, 'artworks', id, { binned: true }) ?? []);
  studio.scenes.transact({
    label: ids.length === 1 ? 'Bin an artwork' : `Bin ${ids.length} artworks`,
    edits,
  });
  const shown = await Promise.all(ids.map((id) => usersOf(studio, 'artworks', id)));
  const scenes = [...new Set(shown.flatMap(({ scenes }) => scenes))];
  const here = shown.reduce((sum, { here }) => sum + here, 0);
  const where = [...(here > 0 ? ['this scene'] : []), ...scenes].join(', ');
  const what = ids.length === 1 ? `${studio.scene.artworks[ids[0]]?.name ?? 'It'} is` : `${ids.length} are`;
  if (where !== '')
    studio.say(`${what} in the bin, and still shown in ${where}. Restore it on the Art bench, under Bin.`);
}

/** Deletes all artworks in the bin, after asking, with the places where they are still shown. */
export async function emptyBin(studio: Studio): Promise<void> {
  const binned = () => Object.entries(studio.scene.artworks).filter(([, artwork]) => artwork.binned);
  const used = await Promise.all(
    binned().map(async ([id, { name }]) => {
      const { here, scenes } = await usersOf(studio, 'artworks', id);
      return { name, scenes: [...(here > 0 ? ['this scene'] : []), ...scenes] };
    }),
  );
  const tells = { count: used.length, used: used.filter(({ scenes }) => scenes.length > 0) };
  if (used.length === 0 || (await studio.ask('bin', tells)) === 'keep') return;
  const picked = binned().map(([id]) => ({ collection: 'artworks' as const, id }));
  studio.scenes.transact({ label: 'Empty the bin', edits: deleteEdits(studio, picked) });
}

/** Deletes a luminaire, after asking where other scenes use it. @returns whether it was deleted */
export async function deleteLuminaire(studio: Studio, id: string): Promise<boolean> {
  const { name } = studio.scene.luminaires[id];
  const { scenes } = await usersOf(studio, 'luminaires', id);
  if (scenes.length > 0 && (await studio.ask('deletion', { name, scenes })) === 'keep') return false;
  // Somebody else may have deleted it meanwhile.
  if (!studio.scene.luminaires[id]) return false;
  studio.scenes.transact({
    label: 'Delete a luminaire',
    edits: deleteEdits(studio, [{ collection: 'luminaires', id }]),
  });
  return true;
}
