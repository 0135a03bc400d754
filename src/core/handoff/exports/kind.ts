/**
 * What an export is: a function of a scene, its pictures and options to files. A kind is one record in one file, listed in
 * all-exports.ts; the bench, the worker and the command line list that table and add nothing to it.
 */
import { ValidationError, type ObjectSchema } from 'yup';
import { InputFault } from '../../faults';
import type { Deflate } from '../../raster/png-write';
import type { SceneDocument } from '../../scene/document';
import type { Files } from '../zip';

export interface ExportSource {
  /** The scene's own name. */
  name: string;
  scene: SceneDocument;
  /** The files that the scene needs, by sha-256; see `filesNeeded`. */
  pictures: ReadonlyMap<string, Uint8Array>;
}

export interface ExportHost {
  deflate: Deflate;
  /** Called before each piece of work; throws to stop. */
  progress(done: number, all: number): void;
}

export interface ExportKind<Options extends object = object> {
  /** What it is called, in a word or two. */
  word: string;
  about: string;
  /** What is in it, by the names of files and folders. */
  contents: readonly (readonly [file: string, what: string])[];
  /** Every option with its default and what it means. */
  options: ObjectSchema<Options>;
  /** @returns files by their paths */
  files(source: ExportSource, options: Options, host: ExportHost): Promise<Files>;
}

/**
 * Options of an export, those that were left out by their defaults.
 * @param given values, or texts as they come from a command line; lists are parted by commas
 * @throws InputFault naming the option that there is not, or that does not fit
 */
export function exportOptions<O extends object>(
  { word, options }: ExportKind<O>,
  given: Readonly<Record<string, unknown>>,
): O {
  const read: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(given)) {
    const field = (options.fields as unknown as Record<string, { type: string } | undefined>)[name];
    if (!field)
      throw new InputFault(
        `${word} has no option "${name}"; there are ${Object.keys(options.fields).join(', ') || 'none'}.`,
        name,
      );
    read[name] = field.type === 'array' && typeof value === 'string' ? value.split(',') : value;
  }
  try {
    return options.validateSync(read) as O;
  } catch (cause) {
    if (!(cause instanceof ValidationError)) throw cause;
    throw new InputFault(`${word}: ${cause.message}.`, cause.path ?? null, { cause });
  }
}
