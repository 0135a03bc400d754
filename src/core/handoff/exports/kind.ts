/**
 * What an export is: a function of a scene, its files and options to files. A kind is one record in one file, listed in
 * all-exports.ts; the bench, the worker and the command line list that table and add nothing to it.
 */
import { ValidationError, type ObjectSchema } from 'yup';
import { InputFault } from '../../faults';
import type { Deflate } from '../../raster/png-write';
import type { SceneDocument } from '../../scene/document';
import type { Bundle } from '../bundle';
import type { RenderPool } from '../render-pool';
import type { Files } from '../zip';

export interface ExportSource {
  /** The scene's own name. */
  name: string;
  scene: SceneDocument;
  /** The files that the scene needs, by sha-256; see `filesNeeded`. */
  files: ReadonlyMap<string, Uint8Array>;
}

export interface ExportHost {
  deflate: Deflate;
  /** Called before each piece of work; throws to stop. */
  progress(done: number, all: number): void;
  /** Makes ready to draw a scene. @param pixels how many will be drawn, about: few are not worth threads */
  draw(bundle: Bundle, pixels: number): Promise<Drawing>;
}

/** What draws, until it is closed. */
export interface Drawing {
  pool: RenderPool;
  close(): Promise<void>;
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

/** The part of a schema that tells how a value of it is written as a text. */
interface Described {
  type: string;
  spec: { nullable: boolean };
  fields?: Readonly<Record<string, Described>>;
}

/** How values of such types are read where they come as a text; others are read by their schema. */
const FROM_TEXT: Readonly<Record<string, ((text: string) => unknown) | undefined>> = {
  array: (text) => (text.trim() === '' ? [] : text.split(',')),
  object: (text) =>
    Object.fromEntries(text.split(',').map((pair) => [pair.split('=', 1)[0], pair.replace(/^[^=]*=?/, '')])),
};

/** @param path what the names stand under, with a dot at its end, or empty */
function readGiven(
  word: string,
  fields: Readonly<Record<string, Described>>,
  given: Readonly<Record<string, unknown>>,
  path = '',
): Record<string, unknown> {
  const read: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(given)) {
    const field = Object.hasOwn(fields, name) ? fields[name] : undefined;
    if (!field)
      throw new InputFault(
        `${word} has no option "${path}${name}"; there are ${Object.keys(fields).join(', ') || 'none'}.`,
        path + name,
      );
    const isNothing = value === '' && field.spec.nullable;
    const fromText = typeof value === 'string' ? FROM_TEXT[field.type] : undefined;
    const plain = isNothing ? null : fromText ? fromText(value as string) : value;
    const isNested = field.fields && typeof plain === 'object' && plain !== null;
    read[name] = isNested
      ? readGiven(word, field.fields!, plain as Record<string, unknown>, `${path}${name}.`)
      : plain;
  }
  return read;
}

/**
 * Options of an export, those that were left out by their defaults.
 * @param given values, or texts as they come from a command line; lists are parted by commas, and named values come as
 *   `height=h,rim=r`; nothing is no value where there may be none
 * @throws InputFault naming the option that there is not, or that does not fit
 */
export function exportOptions<O extends object>(
  { word, options }: ExportKind<O>,
  given: Readonly<Record<string, unknown>>,
): O {
  const read = readGiven(word, options.fields as unknown as Record<string, Described>, given);
  try {
    return options.validateSync(read) as O;
  } catch (cause) {
    if (!(cause instanceof ValidationError)) throw cause;
    throw new InputFault(`${word}: ${cause.message}.`, cause.path ?? null, { cause });
  }
}
