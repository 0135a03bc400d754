/**
 * Recipes applied to many artworks, and the maps of many saved. Each relief is made before it is kept: what fails is
 * named and left as it was, what was made is one step that can be undone.
 */
import { del, get, set } from 'idb-keyval';
import { InputFault } from '@/core/faults';
import { packFiles, type Files } from '@/core/handoff/zip';
import type { OutputOptions } from '@/core/handoff/maps';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { plainOrder } from '@/core/relief/order';
import type { Edit } from '@/core/scene/edits';
import { reliefOrderOf } from '@/core/scene/relief-order';
import { download } from './download';
import { Stopped, type WorkItem } from './long-work';
import { reliefEdit } from './relief-edits';
import type { Studio } from './studio';

/** What is left of a run; a null recipe is chosen by looking at each artwork. */
interface Unfinished {
  title: string;
  recipe: Recipe | null;
  left: string[];
}

const keyOf = (studio: Studio) => `oilwick-batch-${studio.info.id}`;

/** @param recipe to be applied to all; null chooses one by looking at each */
export async function applyRecipe(
  studio: Studio,
  title: string,
  artworkIds: readonly string[],
  recipe: Recipe | null,
): Promise<void> {
  const left = new Set(artworkIds.filter((id) => studio.scene.artworks[id]));
  const note = () => set(keyOf(studio), { title, recipe, left: [...left] } satisfies Unfinished);
  await note();
  const made: { id: string; recipe: Recipe }[] = [];
  const keep = () => {
    const edits = made.splice(0).flatMap(({ id, recipe: own }): Edit[] => {
      const edit = studio.scene.artworks[id] ? reliefEdit(studio.scene, id, { recipe: own }) : null;
      return edit ? [edit] : [];
    });
    studio.scenes.transact({ label: title, edits });
  };
  // A reload in the middle keeps what was made so far; the rest goes on after it.
  const leaving = () => keep();
  window.addEventListener('pagehide', leaving);
  try {
    await studio.work.run(
      title,
      itemsOf(studio, [...left]),
      studio.workers.width,
      async ({ id }) => {
        const own = recipe ?? (await chosenFor(studio, id));
        await checkMade(studio, id, own);
        return own;
      },
      ({ id }, own) => {
        left.delete(id);
        made.push({ id, recipe: own });
        if (left.size % NOTE_EVERY === 0) void note();
      },
    );
  } finally {
    window.removeEventListener('pagehide', leaving);
    keep();
    await del(keyOf(studio));
  }
}

const NOTE_EVERY = 5;

/** Goes on with what a reload interrupted. */
export async function resumeBatch(studio: Studio): Promise<void> {
  const unfinished = await get<Unfinished>(keyOf(studio));
  if (!unfinished) return;
  const recipe = unfinished.recipe && readRecipe(unfinished.recipe);
  await applyRecipe(studio, unfinished.title, unfinished.left, recipe);
}

async function chosenFor(studio: Studio, id: string): Promise<Recipe> {
  const { imageSha } = studio.scene.artworks[id];
  return (await studio.workers.run((remote) => remote.chooseRecipe(imageSha))).recipe;
}

/** @throws where the relief cannot be made */
async function checkMade(studio: Studio, id: string, recipe: Recipe): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork) throw new InputFault('The artwork is gone.');
  const order = reliefOrderOf(studio.scene, id) ?? plainOrder(artwork.imageSha, recipe);
  const made = await studio.workers.relief({ ...order, recipe }, `batch ${id}`);
  if (!made) throw new Stopped();
}

/** Saves the maps of artworks: one as its files, several as an archive. */
export async function saveMaps(
  studio: Studio,
  artworkIds: readonly string[],
  options: OutputOptions,
): Promise<void> {
  const files: Files = {};
  const names = new Map<string, string>();
  const finished = await studio.work.run(
    artworkIds.length === 1 ? 'Saving maps' : `Saving maps of ${artworkIds.length} artworks`,
    itemsOf(studio, artworkIds),
    studio.workers.width,
    async ({ id, name }) => {
      const order = reliefOrderOf(studio.scene, id);
      if (!order) throw new InputFault('There is no relief yet.');
      return studio.workers.run((remote) => remote.files(fileName(name), order, options));
    },
    ({ name }, own) => {
      for (const [path, bytes] of Object.entries(own)) {
        const other = names.get(path);
        if (other !== undefined)
          throw new InputFault(`${path} would be written twice, for "${other}" too; rename one of them.`);
        names.set(path, name);
        files[path] = bytes;
      }
    },
  );
  const paths = Object.keys(files);
  if (!finished || paths.length === 0) return;
  if (paths.length === 1) {
    download(paths[0].split('/').at(-1)!, files[paths[0]], 'image/png');
    return;
  }
  download(`${fileName(studio.info.projectName)} maps.zip`, packFiles(files), 'application/zip');
}

/** A name that every system takes. */
export function fileName(name: string): string {
  return name.replace(/[\\/:*?"<>|\0]+/g, '-').trim() || 'art';
}

function itemsOf(studio: Studio, ids: readonly string[]): WorkItem[] {
  return ids.map((id) => ({ id, name: studio.scene.artworks[id]?.name ?? id }));
}
