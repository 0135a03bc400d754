import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { InputFault, wordsOf } from '@/core/faults';
import { normalFile } from '@/core/handoff/maps';
import { decodePng } from '@/core/raster/png';
import { chooseRecipe } from '@/core/relief/choose-recipe';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { pictureRelief } from '@/core/relief/relief-of';

export interface ReliefOptions {
  out: string;
  recipe?: string;
  suffix: string;
  yDown: boolean;
  json: boolean;
}

/** @returns the exit code; a broken file is named and does not stop the others */
export async function reliefCommand(art: readonly string[], options: ReliefOptions): Promise<number> {
  const recipe = options.recipe === undefined ? null : await recipeFrom(options.recipe);
  await mkdir(options.out, { recursive: true });
  const written = new Map<string, string>();
  let failed = 0;
  for (const [index, file] of art.entries()) {
    if (process.stderr.isTTY) process.stderr.write(`\r${index + 1} of ${art.length} `);
    const start = performance.now();
    try {
      const target = join(options.out, `${basename(file).replace(/\.png$/i, '')}${options.suffix}.png`);
      const other = written.get(target);
      if (other !== undefined)
        throw new InputFault(`would be written over the map of ${other}; use another folder`);
      const seen = await makeOne(file, target, recipe, !options.yDown);
      written.set(target, file);
      const milliseconds = Math.round(performance.now() - start);
      if (options.json)
        process.stdout.write(`${JSON.stringify({ art: file, map: target, seen, milliseconds })}\n`);
    } catch (thrown) {
      failed++;
      if (options.json) process.stdout.write(`${JSON.stringify({ art: file, fault: wordsOf(thrown) })}\n`);
      process.stderr.write(`${process.stderr.isTTY ? '\r' : ''}${file}: ${wordsOf(thrown)}\n`);
    }
  }
  if (process.stderr.isTTY) process.stderr.write(`\r${art.length - failed} of ${art.length} made\n`);
  return failed === 0 ? 0 : 1;
}

async function makeOne(
  file: string,
  target: string,
  recipe: Recipe | null,
  yUp: boolean,
): Promise<string | null> {
  const { image } = decodePng(await readFile(file));
  const chosen = recipe ? null : chooseRecipe(image);
  const relief = pictureRelief(image, recipe ?? chosen!.recipe);
  await writeFile(target, normalFile(image, relief, yUp));
  return chosen?.seen ?? null;
}

async function recipeFrom(file: string): Promise<Recipe> {
  const text = await readFile(file, 'utf8');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (cause) {
    throw new InputFault(`${file} is not JSON (${wordsOf(cause)}).`, null, { cause });
  }
  try {
    return readRecipe(value);
  } catch (cause) {
    throw new InputFault(`${file}: ${wordsOf(cause)}`, null, { cause });
  }
}
