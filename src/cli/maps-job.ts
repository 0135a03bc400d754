/** The maps of one picture, on whatever thread it runs. */
import { readFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import { deflate as zlibDeflate } from 'node:zlib';
import { mapFiles, type OutputOptions } from '@/core/handoff/maps';
import { decodePng } from '@/core/raster/png';
import { chooseRecipe } from '@/core/relief/choose-recipe';
import { plainJob } from '@/core/relief/job';
import type { Recipe } from '@/core/relief/recipe';
import { plainSource } from '@/core/relief/source';
import { writeFiles } from './files';

export interface MapsJob {
  /** Path of the picture, as it was given. */
  art: string;
  /** What stands for the picture in the names of its maps. */
  name: string;
  folder: string;
  recipe: Recipe | null;
  output: OutputOptions;
}

export interface MapsDone {
  maps: string[];
  /** What was seen and what was made of it, where the recipe was chosen by looking. */
  seen: string | null;
  chosen: string | null;
  milliseconds: number;
}

const deflate = promisify(zlibDeflate);

/** @throws InputFault where the picture is no good */
export async function runMapsJob({ art, name, folder, recipe, output }: MapsJob): Promise<MapsDone> {
  const start = performance.now();
  const { image } = decodePng(await readFile(art));
  const chosen = recipe ? null : chooseRecipe(image);
  const used = recipe ?? chosen!.recipe;
  const files = await mapFiles(name, plainSource(image, used), plainJob('', used), output, deflate);
  const maps = await writeFiles(folder, files);
  const milliseconds = Math.round(performance.now() - start);
  return { maps, seen: chosen?.seen ?? null, chosen: chosen?.chosen ?? null, milliseconds };
}
