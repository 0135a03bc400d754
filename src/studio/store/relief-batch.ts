/**
 * Recipes applied to many artworks, and the maps of many saved. Each relief is made before it is kept: what fails is
 * named and left as it was, what was made is one step that can be undone.
 */
import { del, get, set } from 'idb-keyval';
import { InputFault } from '@/core/faults';
import { packFiles, type Files } from '@/core/handoff/zip';
import type { OutputOptions } from '@/core/handoff/maps';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { plainJob } from '@/core/relief/job';
import type { Edit } from '@/core/scene/edits';
import { reliefJobOf } from '@/core/scene/relief-job';
import { download } from './download';
import { OTHER_WORK, Stopped, type WorkItem } from './long-work';
import { reliefEdit } from './relief-edits';
import type { Studio } from './studio';

interface Made {
  id: string;
  recipe: Recipe;
}

/** A run that is not over; a null recipe is chosen by looking at each artwork. */
interface Unfinished {
  title: string;
  recipe: Recipe | null;
  left: string[];
  /** What was made and is laid into the scene when all is, or when the run is cancelled: one step. */
  made: Made[];
}

const keyOf = (studio: Studio) => `oilwick-batch-${studio.info.id}`;
const NOTE_EVERY = 3;

/**
 * @param recipe to be applied to all; null chooses one by looking at each
 * @throws InputFault while another is applied, here or in another tab
 */
export async function applyRecipe(
  studio: Studio,
  title: string,
  artworkIds: readonly string[],
  recipe: Recipe | null,
): Promise<void> {
  const isMine = await alone(studio, () =>
    runBatch(studio, { title, recipe, left: [...artworkIds], made: [] }),
  );
  if (!isMine) throw new InputFault(OTHER_WORK);
}

/** Goes on with what a reload interrupted, unless another tab is at it. */
export async function resumeBatch(studio: Studio): Promise<void> {
  await alone(studio, async () => {
    const unfinished = await get<Unfinished>(keyOf(studio));
    if (unfinished) await runBatch(studio, unfinished);
  });
}

/** One run at a time in a project, over all tabs: there is one note of what is left. @returns whether it was its turn */
function alone(studio: Studio, run: () => Promise<void>): Promise<boolean> {
  return navigator.locks.request(keyOf(studio), { ifAvailable: true }, async (lock) => {
    if (lock === null || studio.work.isBusy) return false;
    await run();
    return true;
  });
}

async function runBatch(studio: Studio, { title, recipe, left: ids, made }: Unfinished): Promise<void> {
  const left = new Set(ids.filter((id) => studio.scene.artworks[id]));
  const note = () => set(keyOf(studio), { title, recipe, left: [...left], made } satisfies Unfinished);
  await note();
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
        if (made.length % NOTE_EVERY === 0) void note();
      },
    );
  } finally {
    const edits = made.flatMap(({ id, recipe: own }): Edit[] => {
      const edit = studio.scene.artworks[id]
        ? reliefEdit(studio.scene, id, { recipe: readRecipe(own) })
        : null;
      return edit ? [edit] : [];
    });
    studio.scenes.transact({ label: title, edits });
    await del(keyOf(studio));
  }
}

async function chosenFor(studio: Studio, id: string): Promise<Recipe> {
  const { imageSha } = studio.scene.artworks[id];
  return (await studio.workers.run((remote) => remote.chooseRecipe(imageSha))).recipe;
}

/** @throws where the relief cannot be made */
async function checkMade(studio: Studio, id: string, recipe: Recipe): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork) throw new InputFault('The artwork is gone.');
  const job = reliefJobOf(studio.scene, id) ?? plainJob(artwork.imageSha, recipe);
  const made = await studio.workers.relief({ ...job, recipe }, `batch ${id}`);
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
      const job = reliefJobOf(studio.scene, id);
      if (!job) throw new InputFault('There is no relief yet.');
      return studio.workers.run((remote) => remote.files(fileName(name), job, options));
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
