import { basename } from 'node:path';
import { promisify } from 'node:util';
import { deflate as zlibDeflate } from 'node:zlib';
import type { SchemaDescription } from 'yup';
import { InputFault } from '@/core/faults';
import { EXPORT_NAMES, exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { exportOptions } from '@/core/handoff/exports/kind';
import { openBundle } from './bundle-file';
import { writeFiles } from './files';
import { renderThreads } from './render-threads';
import { threadsFor } from './threads';

export interface ExportCall {
  as: string;
  out: string;
  json: boolean;
  /** Threads that draw. */
  jobs?: number;
}

/** The exports there are, with their options. */
export function exportList(): string {
  return EXPORT_NAMES.map((name) => {
    const { about, options } = exportNamed(name);
    const rows = Object.entries(options.describe().fields).map(([field, description]) => {
      const { meta, default: preset } = description as SchemaDescription;
      return `  --${dashed(field)}  ${meta?.about ?? ''} (${inWords(preset)})\n`;
    });
    return `${name}\n  ${about}\n${rows.join('')}`;
  }).join('\n');
}

/** A default as it would be given. */
function inWords(preset: unknown): string {
  if (preset === null || (Array.isArray(preset) && preset.length === 0)) return 'nothing';
  if (typeof preset !== 'object' || preset === null || Array.isArray(preset)) return String(preset);
  return Object.entries(preset)
    .map((pair) => pair.join('='))
    .join(',');
}

/** @param words what follows the known options, as `--depth 16` */
export async function exportCommand(
  file: string,
  { as, out, json, jobs }: ExportCall,
  words: readonly string[],
): Promise<void> {
  const name = EXPORT_NAMES.find((known) => known === as) as ExportName | undefined;
  if (!name) throw new InputFault(`There is no export "${as}"; there are ${EXPORT_NAMES.join(', ')}.`);
  const kind = exportNamed(name);
  const options = exportOptions(kind, optionsIn(words));
  const { scene, files: kept } = await openBundle(file);
  const isTerminal = process.stderr.isTTY;
  const files = await kind.files(
    { name: basename(file).replace(/\.zip$/i, ''), scene, files: kept },
    options,
    {
      deflate: promisify(zlibDeflate),
      progress: (done, all) => isTerminal && process.stderr.write(`\r${done} of ${all} `),
      draw: (bundle, pixels) => renderThreads(bundle, jobs ?? threadsFor(pixels)),
    },
  );
  if (isTerminal) process.stderr.write('\r');
  for (const path of await writeFiles(out, files))
    process.stdout.write(`${json ? JSON.stringify({ file: path }) : path}\n`);
}

/** `--y-up false` as { yUp: 'false' }. @throws InputFault where an option has no value */
function optionsIn(words: readonly string[]): Record<string, string> {
  const options: Record<string, string> = {};
  for (let i = 0; i < words.length; i += 2) {
    const [option, value] = [words[i], words[i + 1]];
    if (!option.startsWith('--') || value === undefined)
      throw new InputFault(`Options come as --name value; got "${words.slice(i).join(' ')}".`);
    options[option.slice(2).replace(/-(.)/g, (_, letter: string) => letter.toUpperCase())] = value;
  }
  return options;
}

function dashed(field: string): string {
  return field.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}
