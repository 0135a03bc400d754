import { mkdir, readFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { InputFault, wordsOf } from '@/core/faults';
import {
  checkNames,
  mapName,
  MAP_KINDS,
  USUAL_OUTPUT,
  type MapKind,
  type OutputOptions,
} from '@/core/handoff/maps';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import type { MapsDone, MapsJob } from './maps-job';
import { runMapsJobs, usualThreads } from './threads';

export interface ReliefOptions {
  out: string;
  recipe?: string;
  suffix: string;
  yDown: boolean;
  depth: 8 | 16;
  also: MapKind[];
  flatPadding: boolean;
  alpha: boolean;
  jobs?: number;
  json: boolean;
}

/** `height,rim` as a list of maps. @throws InputFault naming the one that there is not */
export function mapList(text: string): MapKind[] {
  return text.split(',').map((word) => {
    const kind = MAP_KINDS.find((known) => known === word.trim());
    if (!kind || kind === 'normals')
      throw new InputFault(`--also takes ${MAP_KINDS.slice(1).join(', ')}; got "${word}".`);
    return kind;
  });
}

/** @returns the exit code; a broken file is named and does not stop the others */
export async function reliefCommand(art: readonly string[], options: ReliefOptions): Promise<number> {
  const recipe = options.recipe === undefined ? null : await recipeFrom(options.recipe);
  const output = outputOf(options);
  await mkdir(options.out, { recursive: true });
  const { jobs, faults } = jobsFor(art, options.out, recipe, output);
  const tell = reporter(art, options.json);
  for (const [file, fault] of faults) tell.failed(file, fault);
  const threads = options.jobs ?? usualThreads();
  await runMapsJobs(jobs, threads, (index, answer) => {
    const file = jobs[index].art;
    if ('fault' in answer) tell.failed(file, answer.fault);
    else tell.made(file, answer.done);
  });
  return tell.end();
}

function outputOf({ suffix, yDown, depth, also, flatPadding, alpha }: ReliefOptions): OutputOptions {
  const output: OutputOptions = {
    ...USUAL_OUTPUT,
    maps: ['normals', ...also],
    depth,
    yUp: !yDown,
    alpha,
    padding: flatPadding ? 'flat' : 'outward',
    names: '*?',
    suffixes: { normals: suffix, height: '_h', rim: '_rim', occlusion: '_occlusion', glow: '_glow' },
  };
  checkNames(output);
  return output;
}

/** A job for each picture; two whose maps would have one name are told apart before anything is written. */
function jobsFor(
  art: readonly string[],
  folder: string,
  recipe: Recipe | null,
  output: OutputOptions,
): { jobs: MapsJob[]; faults: [string, string][] } {
  const jobs: MapsJob[] = [];
  const faults: [string, string][] = [];
  const targets = new Map<string, string>();
  for (const file of art) {
    const name = basename(file).replace(/\.png$/i, '');
    const own = output.maps.map((kind) => join(folder, `${mapName(output, name, kind)}.png`));
    const taken = own.map((target) => targets.get(target)).find((other) => other !== undefined);
    if (taken !== undefined) {
      faults.push([file, `would be written over the map of ${taken}; use another folder`]);
      continue;
    }
    for (const target of own) targets.set(target, file);
    jobs.push({ art: file, name, folder, recipe, output });
  }
  return { jobs, faults };
}

/**
 * Progress on standard error where that is a terminal, a line of JSON for each picture where it is asked for: in the order of the
 * pictures, whichever is made first.
 */
function reporter(arts: readonly string[], asJson: boolean) {
  const all = arts.length;
  let made = 0;
  let failed = 0;
  let told = 0;
  const waiting = new Map<string, object[]>();
  const isTerminal = process.stderr.isTTY;
  const progress = () => isTerminal && process.stderr.write(`\r${made + failed} of ${all} `);
  const json = (art: string, value: object) => {
    if (!asJson) return;
    waiting.set(art, [...(waiting.get(art) ?? []), value]);
    for (;;) {
      const next = waiting.get(arts[told])?.shift();
      if (!next) return;
      process.stdout.write(`${JSON.stringify(next)}\n`);
      told++;
    }
  };
  return {
    made(art: string, done: MapsDone) {
      made++;
      json(art, { art, ...done });
      if (done.chosen && !asJson)
        process.stderr.write(`${isTerminal ? '\r' : ''}${art}: ${done.seen}: ${done.chosen}\n`);
      progress();
    },
    failed(art: string, fault: string) {
      failed++;
      json(art, { art, fault });
      process.stderr.write(`${isTerminal ? '\r' : ''}${art}: ${fault}\n`);
      progress();
    },
    end(): number {
      if (isTerminal) process.stderr.write(`\r${made} of ${all} made\n`);
      return failed === 0 ? 0 : 1;
    },
  };
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
