/** Maps as files: which, how deep, which way up, under which names. */
import { array, boolean, number, object, string, type InferType } from 'yup';
import { textDigest } from '../digest';
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { HEIGHT_STEPS_PER_PX, HEIGHT_ZERO, heightSteps } from '../raster/height-picture';
import { alphaOf, type Image } from '../raster/image';
import { writePng, type Deflate } from '../raster/png-write';
import { jobText, type ReliefJob } from '../relief/job';
import { reliefMaps, RELIEF_VERSION, type ReliefMaps, type WantedMaps } from '../relief/relief-of';
import { INSIDE_ALPHA } from '../relief/silhouette';
import type { ReliefSource } from '../relief/source';
import type { Files } from './zip';

export const MAP_KINDS = ['normals', 'height', 'rim', 'occlusion', 'glow'] as const;
export type MapKind = (typeof MAP_KINDS)[number];

const MAP_WORDS: Record<MapKind, string> = {
  normals: 'Normals',
  height: 'Height',
  rim: 'Rim',
  occlusion: 'Occlusion',
  glow: 'Glow',
};

const suffix = (kind: MapKind, usual: string) =>
  string().defined().max(LIMITS.suffixLength).default(usual).meta({ word: MAP_WORDS[kind] });

const USUAL_NAMES = '*_?';
const NEEDS_ART = 'The names need a * for the name of the art.';

/** What a person chooses of maps, with what holds where nothing is chosen. */
export const MAP_OPTIONS = object({
  maps: array()
    .of(string().oneOf(MAP_KINDS).required())
    .required()
    .min(1)
    .default((): MapKind[] => ['normals'])
    .meta({
      ...{ word: 'Maps', about: `Which maps: ${MAP_KINDS.join(', ')}` },
      choices: MAP_WORDS,
    }),
  yUp: boolean()
    .required()
    .default(true)
    .meta({
      ...{ word: 'Green', about: 'Whether green points up, else down' },
      choices: { true: 'Y up', false: 'Y down' },
    }),
  depth: number<8 | 16>()
    .oneOf([8, 16])
    .required()
    .default(8)
    .meta({
      ...{ word: 'Depth', about: 'Bits a channel of normal maps' },
      choices: { 8: '8 bit', 16: '16 bit' },
    }),
  alpha: boolean()
    .required()
    .default(true)
    .meta({
      ...{ word: 'Alpha', about: "Whether normals carry the art's alpha" },
      choices: { true: "The art's", false: 'None' },
    }),
  padding: string()
    .oneOf(['outward', 'flat'] as const)
    .required()
    .default('outward')
    .meta({
      ...{ word: 'Padding', about: 'Beyond the silhouette facings are carried on for two px, or flat' },
      choices: { outward: 'Extended', flat: 'Flat' },
    }),
  names: string()
    .required(NEEDS_ART)
    .default(USUAL_NAMES)
    .meta({ word: 'Names', about: "* is the art's name, ? the map's suffix; a slash makes a folder" }),
  suffixes: object({
    normals: suffix('normals', 'n'),
    height: suffix('height', 'h'),
    rim: suffix('rim', 'rim'),
    occlusion: suffix('occlusion', 'occlusion'),
    glow: suffix('glow', 'glow'),
  }).meta({ word: 'Suffixes', membersOf: 'maps', about: 'What ? stands for in the names, of each map' }),
});

export type MapOptions = InferType<typeof MAP_OPTIONS>;

export interface OutputOptions extends Omit<MapOptions, 'maps'> {
  maps: readonly MapKind[];
}

export const USUAL_OUTPUT: OutputOptions = MAP_OPTIONS.getDefault();

/** @throws InputFault where the names would not tell art or maps apart, or lead out of their folder */
export function checkNames(options: Pick<OutputOptions, 'names' | 'maps' | 'suffixes'>): void {
  const { names, maps } = options;
  if (!names.includes('*')) throw new InputFault(NEEDS_ART, 'names');
  if (maps.length > 1 && !names.includes('?'))
    throw new InputFault('With several maps the names need a ? for the suffix of the map.', 'names');
  const kinds = new Map<string, MapKind>();
  for (const kind of maps) {
    const name = mapName(options, 'art', kind);
    if (/(^|[/\\])\.\.?([/\\]|$)|^[/\\]|[:"<>|\0]/.test(name))
      throw new InputFault(`"${name}.png" is no name within a folder.`, 'names');
    const other = kinds.get(name.toLowerCase());
    if (other)
      throw new InputFault(
        `${MAP_WORDS[other]} and ${MAP_WORDS[kind].toLowerCase()} would have the same name, "${name}.png".`,
        'suffixes',
      );
    kinds.set(name.toLowerCase(), kind);
  }
}

/** The file of a map, without its ending. */
export function mapName(
  { names, suffixes }: Pick<OutputOptions, 'names' | 'suffixes'>,
  art: string,
  kind: MapKind,
): string {
  return names.replaceAll('?', suffixes[kind]).replaceAll('*', art);
}

export function wantedFor({ maps, depth }: Pick<OutputOptions, 'maps' | 'depth'>): WantedMaps {
  return {
    depth: maps.includes('normals') ? depth : 8,
    rim: maps.includes('rim'),
    occlusion: maps.includes('occlusion'),
    glow: maps.includes('glow'),
  };
}

/**
 * The files of one artwork.
 * @param art its name, as it is to stand in the names of the files
 * @param job what the maps were made by, for the text chunk
 */
export async function mapFiles(
  art: string,
  source: ReliefSource,
  job: ReliefJob,
  options: OutputOptions,
  deflate: Deflate,
): Promise<Files> {
  checkNames(options);
  return filesOf(
    art,
    source.image,
    reliefMaps(source, wantedFor(options)),
    sourceHash(job),
    options,
    deflate,
  );
}

/** The files of maps that were made already. */
export async function filesOf(
  art: string,
  image: Image,
  maps: ReliefMaps,
  hash: string,
  options: OutputOptions,
  deflate: Deflate,
): Promise<Files> {
  const files: Files = {};
  for (const kind of options.maps)
    files[`${mapName(options, art, kind)}.png`] = await mapFile(kind, image, maps, hash, options, deflate);
  return files;
}

async function mapFile(
  kind: MapKind,
  image: Image,
  maps: ReliefMaps,
  hash: string,
  options: Omit<OutputOptions, 'maps' | 'names'>,
  deflate: Deflate,
): Promise<Uint8Array> {
  const { width, height } = maps;
  const text = { Relief: `Oilwick relief, algorithm ${RELIEF_VERSION}`, Recipe: hash };
  switch (kind) {
    case 'normals':
      return writePng(
        { width, height, channels: options.alpha ? 4 : 3, data: normalValues(image, maps, options) },
        { Orientation: options.yUp ? 'Y up' : 'Y down', ...text },
        deflate,
      );
    case 'height':
      return writePng(
        { width, height, channels: 1, data: heightSteps(maps.heights) },
        { Height: `${HEIGHT_ZERO} is 0, ${HEIGHT_STEPS_PER_PX} steps are 1 px`, ...text },
        deflate,
      );
    case 'rim':
    case 'occlusion':
    case 'glow':
      return writePng({ width, height, channels: 1, data: maps[kind]! }, text, deflate);
  }
}

function normalValues(
  image: Image,
  { normals, normals16 }: ReliefMaps,
  { yUp, alpha, padding }: Pick<OutputOptions, 'yUp' | 'alpha' | 'padding'>,
): Uint8Array | Uint16Array {
  const from = normals16 ?? normals;
  const top = normals16 ? 65535 : 255;
  const middle = normals16 ? 32768 : 128;
  const channels = alpha ? 4 : 3;
  const coverage = alphaOf(image);
  const out = normals16
    ? new Uint16Array(coverage.length * channels)
    : new Uint8Array(coverage.length * channels);
  for (let i = 0, to = 0; i < coverage.length; i++, to += channels) {
    const isFlat = padding === 'flat' && coverage[i] < INSIDE_ALPHA;
    out[to] = isFlat ? middle : from[4 * i];
    const green = isFlat ? middle : from[4 * i + 1];
    out[to + 1] = yUp ? green : top - green;
    out[to + 2] = isFlat ? top : from[4 * i + 2];
    if (alpha) out[to + 3] = normals16 ? coverage[i] * 257 : coverage[i];
  }
  return out;
}

/** Sixteen hexadecimal digits that change when anything does that a relief is made of. */
export function sourceHash(job: ReliefJob): string {
  return textDigest(jobText(job));
}
