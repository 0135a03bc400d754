/**
 * The bundle: a scene with all it needs in one archive. `scene.json` is the document with those artworks that the
 * scene uses; `art/` holds the picture files byte for byte; `normals/`, `heights/`, `rims/`, `occlusions/` and
 * `glows/` are what its reliefs come to, `brought/` holds masks, maps and corrections that they are made of;
 * `tables/` the lookup tables of its finish, byte for byte; `occluders.json` has the outlines in scene px. It opens again without loss: reliefs are made anew from their
 * recipes, to the same pixels.
 */
import { InputFault } from '../faults';
import type { ColourTable, TableSource } from '../finish/colour-table';
import { readTableFile } from '../finish/table-file';
import type { TableFormat } from '../finish/table-formats';
import { checkJsonDepth } from '../json-depth';
import { LIMITS } from '../limits';
import type { PicturePixels, PictureSource } from '../moment/moment';
import { hasRimLights } from '../scene/looks';
import { decodePng, pngSize } from '../raster/png';
import type { Image } from '../raster/image';
import { writePng, type Deflate } from '../raster/png-write';
import { glowShares, glowsOf, picturesOf, sourceOf, type ReliefJob } from '../relief/job';
import { reliefMaps } from '../relief/relief-of';
import type { SceneDocument } from '../scene/document';
import { neededRecords } from '../scene/references';
import { reliefJobOf } from '../scene/relief-job';
import { jsonSchema } from '../scene/json-schema';
import { readScene } from '../scene/read-scene';
import { conventions } from './conventions';
import { decodedPictures } from './decoded-pictures';
import { fileNames } from './file-names';
import { mapFiles, type OutputOptions, USUAL_OUTPUT } from './maps';
import { occluderFile } from './occluder-file';
import { jsonFile, textFile } from './text-files';
import { packFiles, unpackFiles, type Files } from './zip';

export interface Bundle {
  scene: SceneDocument;
  /** Pictures and lookup tables by the sha-256 of their bytes. */
  files: ReadonlyMap<string, Uint8Array>;
}

/** Called before each artwork; throws to stop. */
export type BundleProgress = (done: number, all: number) => void;

/**
 * @param kept the files that the scene needs, by sha-256; see `filesNeeded`
 * @param deflate the host's
 */
export async function writeBundle(
  name: string,
  scene: SceneDocument,
  kept: ReadonlyMap<string, Uint8Array>,
  deflate: Deflate,
  progress: BundleProgress = () => {},
): Promise<Uint8Array> {
  const own = ownScene(scene);
  const names = fileNames(own.artworks, 'art');
  const files: Files = {
    'scene.json': jsonFile(own),
    'scene.schema.json': jsonFile(jsonSchema()),
    'occluders.json': jsonFile(occluderFile(own)),
    'CONVENTIONS.md': textFile(conventions(name, own, names)),
  };
  const tableNames = fileNames(own.tables, 'table');
  for (const [id, { fileSha, format }] of Object.entries(own.tables))
    files[`tables/${tableNames[id]}.${TABLE_ENDINGS[format]}`] = keptFile(kept, fileSha, 'tables', id);
  const ids = Object.keys(own.artworks);
  for (const [index, id] of ids.entries()) {
    progress(index, ids.length);
    const { imageSha, glowSha } = own.artworks[id];
    files[`art/${names[id]}.png`] = keptFile(kept, imageSha, 'artworks', id);
    if (glowSha) files[`brought/${glowSha}.png`] = keptFile(kept, glowSha, 'artworks', id);
    const job = reliefJobOf(own, id);
    if (!job) {
      if (glowSha) files[`glows/${names[id]}.png`] = await glowFile(glowSha, imageSha, kept, deflate);
      continue;
    }
    for (const sha of broughtBy(job)) files[`brought/${sha}.png`] = keptFile(kept, sha, 'artworks', id);
    const source = sourceOf(job, decodedPictures(kept));
    Object.assign(
      files,
      await mapFiles(names[id], source, job, { ...BUNDLED_MAPS, maps: bundledKinds(job) }, deflate),
    );
  }
  progress(ids.length, ids.length);
  return packFiles(files);
}

const BUNDLED_MAPS: OutputOptions = {
  ...USUAL_OUTPUT,
  names: '?/*',
  suffixes: { normals: 'normals', height: 'heights', rim: 'rims', occlusion: 'occlusions', glow: 'glows' },
};

async function glowFile(
  glowSha: string,
  imageSha: string,
  pictures: ReadonlyMap<string, Uint8Array>,
  deflate: Deflate,
): Promise<Uint8Array> {
  const art = decodedPictures(pictures).image(imageSha);
  const { width, height } = art;
  return writePng({ width, height, channels: 1, data: glowOf(glowSha, art, pictures) }, {}, deflate);
}

function bundledKinds(job: ReliefJob): OutputOptions['maps'] {
  return ['normals', 'height', 'rim', 'occlusion', ...(glowsOf(job) ? (['glow'] as const) : [])];
}

/** Pictures that a relief is made of beside the art and its glow. */
function broughtBy(job: ReliefJob): string[] {
  const { images, heights } = picturesOf(job);
  return [...images, ...heights].filter((sha) => sha !== job.imageSha && sha !== job.glowSha);
}

/** The scene with only what it needs of its project. */
function ownScene(scene: SceneDocument): SceneDocument {
  return { ...scene, ...neededRecords(scene, scene) };
}

/** The files that a scene's bundle needs, by sha-256. */
export function filesNeeded(scene: SceneDocument): string[] {
  const own = ownScene(scene);
  const needed = new Set<string>();
  for (const [id, { imageSha, glowSha }] of Object.entries(own.artworks)) {
    needed.add(imageSha);
    if (glowSha) needed.add(glowSha);
    const job = reliefJobOf(own, id);
    if (job) for (const sha of broughtBy(job)) needed.add(sha);
  }
  for (const { fileSha } of Object.values(own.tables)) needed.add(fileSha);
  return [...needed];
}

function keptFile(
  kept: ReadonlyMap<string, Uint8Array>,
  sha: string,
  collection: 'artworks' | 'tables',
  id: string,
): Uint8Array {
  const bytes = kept.get(sha);
  const what = collection === 'artworks' ? 'picture of artwork' : 'file of lookup table';
  if (!bytes) throw new InputFault(`The ${what} ${id} is missing.`, `${collection}.${id}`);
  return bytes;
}

/** Entries with pictures that a scene is made of; the others are made of them. */
const PICTURE_PATH = /^(art|glows|brought)\/.*\.png$/;
const TABLE_PATH = /^tables\/.*\.(cube|png)$/;
const TABLE_ENDINGS: Readonly<Record<TableFormat, string>> = { cube: 'cube', picture: 'png' };

function mostOfEntry(path: string): number {
  if (path === 'scene.json') return LIMITS.sceneBytes;
  if (TABLE_PATH.test(path)) return LIMITS.tableBytes;
  return PICTURE_PATH.test(path) ? LIMITS.pictureBytes : 0;
}

/**
 * Reads a bundle. The picture files of artworks are found by their names in the archive and given back by the hash
 * that the document holds; whether bytes and hash agree is checked by `sha256`.
 * @param sha256 the host's hash of bytes, as hex
 * @throws InputFault naming the entry that is missing, damaged or changed
 */
export async function readBundle(
  bytes: Uint8Array,
  sha256: (bytes: Uint8Array) => string | Promise<string>,
): Promise<Bundle> {
  const files = unpackFiles(bytes, mostOfEntry);
  if (!files['scene.json']) throw new InputFault('The archive has no scene.json; is it a bundle?');
  const scene = readScene(jsonOf(files['scene.json']));
  const byHash = new Map<string, Uint8Array>();
  for (const [path, content] of Object.entries(files)) {
    if (PICTURE_PATH.test(path) || TABLE_PATH.test(path)) byHash.set(await sha256(content), content);
  }
  const pictures = new Map<string, Uint8Array>();
  for (const [id, { name, imageSha, glowSha }] of Object.entries(scene.artworks)) {
    const job = reliefJobOf(scene, id);
    for (const sha of [imageSha, glowSha, ...(job ? broughtBy(job) : [])]) {
      if (sha === null) continue;
      const content = byHash.get(sha);
      if (!content)
        throw new InputFault(
          `The picture of "${name}" is missing from the archive, or was changed.`,
          `artworks.${id}`,
        );
      pictures.set(sha, content);
    }
  }
  checkPixels(pictures);
  const tables = new Map<string, Uint8Array>();
  for (const [id, { name, fileSha }] of Object.entries(scene.tables)) {
    const content = byHash.get(fileSha);
    if (!content)
      throw new InputFault(
        `The lookup table "${name}" is missing from the archive, or was changed.`,
        `tables.${id}`,
      );
    readTableFile(content, fileSha, name);
    tables.set(fileSha, content);
  }
  return { scene, files: new Map([...pictures, ...tables]) };
}

function jsonOf(bytes: Uint8Array): unknown {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (cause) {
    throw new InputFault('scene.json is not JSON.', 'scene.json', { cause });
  }
  checkJsonDepth(text, LIMITS.jsonDepth, 'scene.json');
  try {
    return JSON.parse(text);
  } catch (cause) {
    throw new InputFault('scene.json is not JSON.', 'scene.json', { cause });
  }
}

/** Small files may hold large pictures: their sizes are added up before any is unpacked. */
function checkPixels(pictures: ReadonlyMap<string, Uint8Array>): void {
  let pixels = 0;
  for (const bytes of pictures.values()) {
    const { width, height } = pngSize(bytes);
    pixels += width * height;
  }
  if (pixels > LIMITS.bundlePixels)
    throw new InputFault(
      `The pictures of the bundle have ${Math.round(pixels / 1e6)} million pixels; at most ${Math.round(LIMITS.bundlePixels / 1e6)} are taken.`,
    );
}

/** The pixels of a bundle's artworks, reliefs made by their recipes; for renderers without a browser. */
export function bundlePictures({ scene, files }: Bundle): PictureSource {
  const made = new Map<string, PicturePixels | null>();
  return (key) => {
    if (!made.has(key)) made.set(key, picturePixels(scene, key, files));
    return made.get(key)!;
  };
}

/** The lookup tables of a bundle. */
export function bundleTables({ scene, files }: Bundle): TableSource {
  const read = new Map<string, ColourTable | null>();
  return (tableId) => {
    if (!read.has(tableId)) {
      const record = scene.tables[tableId];
      const bytes = record && files.get(record.fileSha);
      read.set(tableId, bytes ? readTableFile(bytes, record.fileSha, record.name).table : null);
    }
    return read.get(tableId)!;
  };
}

/** The glow of an artwork without a relief. */
function glowOf(sha: string, art: Image, pictures: ReadonlyMap<string, Uint8Array>): Uint8Array {
  return glowShares(decodedPictures(pictures).image(sha), art);
}

function picturePixels(
  scene: SceneDocument,
  id: string,
  pictures: ReadonlyMap<string, Uint8Array>,
): PicturePixels | null {
  const artwork = scene.artworks[id];
  const file = artwork && pictures.get(artwork.imageSha);
  if (!file) return null;
  const job = reliefJobOf(scene, id);
  if (!job) {
    const { image } = decodePng(file);
    const { width, height, data: rgba } = image;
    const glow = artwork.glowSha === null ? null : glowOf(artwork.glowSha, image, pictures);
    return { width, height, rgba, normal: null, glow, rim: null };
  }
  const source = sourceOf(job, decodedPictures(pictures));
  const maps = reliefMaps(source, { glow: glowsOf(job), rim: hasRimLights(scene) });
  return {
    width: maps.width,
    height: maps.height,
    rgba: source.image.data,
    normal: maps.normals,
    glow: maps.glow,
    rim: maps.rim,
  };
}
