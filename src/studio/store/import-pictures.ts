/**
 * Dropped files become artworks, or maps of artworks by the suffix of their names, or new art of the same name: each
 * checked, kept on the server, given a first recipe; bad ones named, the others go on.
 */
import { figureSize } from '@/core/art/frames';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { broughtName } from '@/core/relief/suffixes';
import { type Artwork, newArtwork } from '@/core/scene/records/artwork';
import { newRelief } from '@/core/scene/records/relief';
import { change, create, type Edit } from '@/core/scene/edits';
import type { PaintedLayer } from '@/core/handoff/open-raster';
import type { FirstLook, OpenedFile } from '@/workers/art-worker';
import { ahead } from './ahead';
import { bringTable } from './look-tables';
import { attachMap } from './attach-maps';
import { api } from './server-api';
import { freshId, type Studio } from './studio';

export interface ImportReport {
  /** Artworks that are new. */
  artworkIds: string[];
  /** What they seem to be, by their ids. */
  looks: Map<string, Pick<FirstLook, 'pixelArt' | 'sheet' | 'seen' | 'chosen'>>;
  /** Artworks whose art was exchanged. */
  replacedIds: string[];
  /** The layers of layered paintings that became artworks, from the lowest up. */
  layers: BroughtLayer[];
  /** What was attached to what, a line each. */
  attached: string[];
  /** A line each: file name and reason. */
  refused: string[];
}

/** A layer of a painting and the artwork that it became. */
export interface BroughtLayer {
  painting: string;
  artworkId: string;
  name: string;
  x: number;
  y: number;
  opacity: number;
  hidden: boolean;
}

/** A picture on its way in. */
interface Incoming {
  name: string;
  file: string;
  bytes: Uint8Array<ArrayBuffer>;
  /** Where a layer lies on its painting. */
  place: { x: number; y: number } | null;
  layer: Pick<PaintedLayer, 'name' | 'opacity' | 'hidden'> | null;
  /** The frames of what was an animation. */
  sheet: OpenedFile['sheet'];
}

/** @returns what became of the files; where it was stopped what had come in by then stays, as one step */
export async function importPictures(studio: Studio, files: readonly File[]): Promise<ImportReport> {
  let isStopped = false;
  const progress = (done: number, all: number) =>
    studio.desk.setState({ bringing: { done, all, stop: () => (isStopped = true) } });
  progress(0, files.length);
  try {
    return await bringIn(studio, files, progress, () => isStopped);
  } finally {
    studio.desk.setState({ bringing: null });
  }
}

async function bringIn(
  studio: Studio,
  files: readonly File[],
  progress: (done: number, all: number) => void,
  isStopped: () => boolean,
): Promise<ImportReport> {
  const report: ImportReport = {
    ...{ artworkIds: [], replacedIds: [], layers: [], attached: [], refused: [] },
    looks: new Map(),
  };
  const isTable = ({ name }: File) => /\.cube$/i.test(name);
  await bringTables(studio, files.filter(isTable), report);
  const incoming = await opened(
    studio,
    files.filter((file) => !isTable(file)),
    report,
    isStopped,
  );
  const names = new Set([
    ...Object.values(studio.scene.artworks).map(({ name }) => name),
    ...incoming.map(({ name }) => name),
  ]);
  const { suffixes } = studio.exportOptions.getState().maps;
  const broughtOf = ({ name }: Incoming) => broughtName(name, (art) => names.has(art), suffixes);
  const isMap = (one: Incoming) => broughtOf(one) !== null;
  // Art first, so that maps of the same drop find it.
  const art = incoming.filter((one) => !isMap(one));
  const ordered = [...art, ...incoming.filter(isMap)];
  const lookedAt = ahead(art, studio.workers.width + 1, (one) => firstLook(studio, one));
  const edits: Edit[] = [];
  const places = new Map<string, { x: number; y: number }>();
  const added = new Map<string, Artwork>();
  for (const [index, one] of ordered.entries()) {
    if (isStopped()) break;
    progress(index, ordered.length);
    try {
      const brought = broughtOf(one);
      if (brought) {
        keepArt(studio, edits, report);
        const line = await attachMap(studio, brought, one.bytes, one.place, places);
        report.attached.push(line);
      } else await bringArt(studio, one, await lookedAt(one), edits, report, added);
      if (one.place) places.set(one.name, one.place);
    } catch (thrown) {
      report.refused.push(`${one.file}: ${wordsOf(thrown)}`);
    }
  }
  keepArt(studio, edits, report);
  return report;
}

/** Lookup tables that came with the pictures: the project has them then, and nothing uses them yet. */
async function bringTables(studio: Studio, files: readonly File[], report: ImportReport): Promise<void> {
  for (const file of files) {
    try {
      await bringTable(studio, file, false);
      report.attached.push(`${file.name} as a lookup table`);
    } catch (thrown) {
      report.refused.push(wordsOf(thrown));
    }
  }
}

/** Lays what was brought in so far into the scene, as one step. */
function keepArt(studio: Studio, edits: Edit[], { artworkIds }: ImportReport): void {
  if (edits.length === 0) return;
  const label = artworkIds.length === 1 ? 'Import a picture' : `Import ${artworkIds.length} pictures`;
  studio.scenes.transact({ label, edits: edits.splice(0) });
}

/** The pictures in the files: PNG files themselves, and the layers of layered paintings. */
async function opened(
  studio: Studio,
  files: readonly File[],
  report: ImportReport,
  isStopped: () => boolean,
): Promise<Incoming[]> {
  const incoming: Incoming[] = [];
  for (const file of files) {
    if (isStopped()) break;
    try {
      if (file.size > LIMITS.pictureBytes)
        throw new Error(`The file is larger than ${LIMITS.pictureBytes / 1024 / 1024} MB.`);
      const bytes = new Uint8Array(await file.arrayBuffer());
      if (!/\.ora$/i.test(file.name)) {
        const name = plainName(file.name);
        const { bytes: png, sheet } = await studio.workers.run((remote) => remote.opened(bytes, name));
        incoming.push({ name, file: file.name, bytes: new Uint8Array(png), place: null, layer: null, sheet });
        continue;
      }
      const { layers } = await studio.workers.run((remote) => remote.layers(bytes));
      for (const { name, x, y, opacity, hidden, bytes: png } of layers) {
        incoming.push({
          name: layerName(file.name, name, studio.exportOptions.getState().maps.suffixes),
          file: `${file.name}, layer ${name}`,
          bytes: new Uint8Array(png),
          place: { x, y },
          layer: { name, opacity, hidden },
          sheet: null,
        });
      }
    } catch (thrown) {
      report.refused.push(`${file.name}: ${wordsOf(thrown)}`);
    }
  }
  return incoming;
}

function plainName(file: string): string {
  return file.replace(/\.[a-z0-9]{2,4}$/i, '').slice(0, LIMITS.nameLength);
}

/** `figure_n.ora` with a layer `arm` has the normals of `figure.ora`'s `arm`. */
function layerName(file: string, layer: string, suffixes: Parameters<typeof broughtName>[2]): string {
  const base = plainName(file);
  const brought = broughtName(base, () => true, suffixes);
  const name = brought ? `${brought.art} ${layer}${base.slice(brought.art.length)}` : `${base} ${layer}`;
  return name.slice(0, LIMITS.nameLength);
}

interface LookedAt {
  look: FirstLook;
  sha256: string;
}

/** Checks a picture, chooses its recipe and keeps it on the server. */
async function firstLook(studio: Studio, { bytes }: Incoming): Promise<LookedAt> {
  const look = await studio.workers.run((remote) => remote.firstLook(bytes));
  const { sha256 } = await api.keepPicture(bytes);
  return { look, sha256 };
}

async function bringArt(
  studio: Studio,
  { name, file, place, layer, sheet }: Incoming,
  { look, sha256 }: LookedAt,
  edits: Edit[],
  report: ImportReport,
  added: Map<string, Artwork>,
): Promise<void> {
  const { widthPx, heightPx, pixelArt, recipe } = look;
  const there = Object.entries(studio.scene.artworks).find(([, artwork]) => artwork.name === name);
  if (there && !added.has(name)) {
    const [id, artwork] = there;
    if (artwork.imageSha === sha256) {
      report.replacedIds.push(id);
      return;
    }
    const sameSize = artwork.widthPx === widthPx && artwork.heightPx === heightPx;
    const answer = sameSize
      ? 'exchange'
      : await studio.ask('size', { name, from: artwork, to: { widthPx, heightPx } });
    if (answer === 'leave') throw new Error('Left as it was: the new picture has another size.');
    if (answer === 'exchange') {
      const isCutRightly = artwork.frames.every(
        ({ left, top, widthPx: w, heightPx: h }) => left + w <= widthPx && top + h <= heightPx,
      );
      const frames = isCutRightly ? {} : { frames: [], cells: null };
      const fields = { imageSha: sha256, widthPx, heightPx, ...frames, ...sheet };
      const edit = change(studio.scene, 'artworks', id, fields);
      if (edit) studio.scenes.transact({ label: `Exchange the art of ${name}`, edits: [edit] });
      report.replacedIds.push(id);
      return;
    }
  }
  const id = freshId();
  const fresh = newArtwork({ name, imageSha: sha256, widthPx, heightPx, pixelArt, ...sheet });
  const figure = figureSize(fresh);
  const artwork = { ...fresh, pivotX: figure.widthPx / 2, pivotY: figure.heightPx / 2 };
  edits.push(create('artworks', id, artwork), create('reliefs', id, newRelief({ recipe })));
  added.set(name, artwork);
  report.artworkIds.push(id);
  // What was an animation is cut already.
  report.looks.set(id, { ...look, sheet: sheet ? null : look.sheet });
  if (place && layer)
    report.layers.push({ painting: plainName(file.split(', layer ')[0]), artworkId: id, ...layer, ...place });
}

/** Says what became of an import: what asks for attention stays, what was chosen for new art goes by itself. */
export function tellReport(
  studio: Pick<Studio, 'say' | 'mention'>,
  { attached, refused, replacedIds, looks }: ImportReport,
): void {
  const lines = [];
  if (replacedIds.length > 0) lines.push(`Art exchanged: ${replacedIds.length}; recipes and strokes stay.`);
  if (attached.length > 0) lines.push(`Attached: ${attached.join('; ')}.`);
  if (refused.length > 0) lines.push(`Not taken: ${refused.join(' — ')}`);
  studio.say(lines.length === 0 ? null : lines.join(' '));
  studio.mention(reliefLine([...looks.values()]));
}

/** Of so many kinds of new art it is said what their reliefs are made by. */
const MOST_RELIEFS_SAID = 3;

/** What was chosen for the reliefs of new art, and for what reason, once for all that are alike; null without any. */
function reliefLine(looks: readonly Pick<FirstLook, 'seen' | 'chosen'>[]): string | null {
  const counts = new Map<string, number>();
  for (const { seen, chosen } of looks) {
    const line = `${chosen} (${seen})`;
    counts.set(line, (counts.get(line) ?? 0) + 1);
  }
  const told = [...counts].slice(0, MOST_RELIEFS_SAID);
  if (told.length === 0) return null;
  const isAll = told.length === counts.size;
  const words = told.map(([line, count]) => (looks.length === 1 ? line : `${count} × ${line}`)).join('; ');
  return `Relief chosen: ${words}${isAll ? '' : '; and others'}.`;
}
