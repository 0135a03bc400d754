/**
 * Pictures of artworks in the browser: decoded and given relief in the workers; and the lookup tables of finishes. What is
 * asked for and not there yet comes later; listeners hear of it. Reliefs follow by themselves what they are made of.
 */
import { LRUCache } from 'lru-cache';
import { wordsOf } from '@/core/faults';
import type { Image } from '@/core/raster/image';
import type { PicturePixels } from '@/core/moment/moment';
import { glowShares, type ReliefJob } from '@/core/relief/job';
import type { Remark } from '@/core/relief/remarks';
import type { SceneDocument } from '@/core/scene/document';
import { sameItems } from '@/core/same-items';
import { hasRimLights } from '@/core/scene/looks';
import { reliefJobOf, strokesByArtwork } from '@/core/scene/relief-job';
import type { ReliefAnswer } from '@/workers/relief-answer';
import { TableStore, type ReadTable } from './table-store';

/** The workers' work as the pictures need it. */
export interface ArtWork {
  decode(sha256: string): Promise<Image>;
  /** A relief; null where a newer request of the lane overtook it. */
  relief(job: ReliefJob, lane: string): Promise<ReliefAnswer | null>;
  benchRelief(job: ReliefJob, lane: string): Promise<ReliefAnswer | null>;
  /** The mask of what rim lights give to. */
  rim(job: ReliefJob): Promise<Uint8Array | null>;
  table: ReadTable;
}

interface Entry {
  /** The records that the picture is made of; while they are the same objects it is the same picture. */
  stamp: readonly unknown[];
  imageSha: string;
  glowSha: string | null;
  pixels: PicturePixels | null;
  heights: Float32Array | null;
  remarks: readonly Remark[];
  fault: string | null;
  /** Everything that was asked for is there, or failed. */
  isDone: boolean;
}

type Records = Pick<SceneDocument, 'artworks' | 'reliefs' | 'strokes'> &
  Partial<Pick<SceneDocument, 'tables'>>;
type Lights = Pick<SceneDocument, 'lights' | 'luminaires' | 'lamps'>;

/** Art is shown without its relief when that is not there so long after the art is. */
const BARE_AFTER_MS = 150;
const NO_REMARKS: readonly Remark[] = [];

/** Decoded files that are kept beside those that artworks show: maps and masks that reliefs are made of, and art to come back to. */
const KEPT_IMAGES = 512;

export class PictureStore {
  private readonly entries = new Map<string, Entry>();
  private readonly images = new LRUCache<string, Promise<Image>>({ max: KEPT_IMAGES });
  private readonly listeners = new Set<() => void>();
  private last: Records | null = null;
  private strokes = new Map<string, [string, SceneDocument['strokes'][string]][]>();
  /** The artwork on the Relief bench, which is made by the worker that has it at hand. */
  private benchId: string | null = null;
  private lights: Lights | null = null;
  /** Whether a light of the scene gives to rims: their masks are made from then on. */
  private wantsRims = false;

  /** The lookup tables of the scene. */
  readonly tables: TableStore;

  constructor(private readonly work: ArtWork) {
    this.tables = new TableStore(
      (sha256, file) => work.table(sha256, file),
      () => this.tell(),
    );
  }

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  setBench(artworkId: string | null): void {
    this.benchId = artworkId;
  }

  /** Brings the pictures in line with a scene: new artworks are loaded, changed reliefs made anew. */
  follow(scene: Records & Partial<Lights>): void {
    const { last } = this;
    if (scene.tables) this.tables.follow(scene.tables);
    this.followRims(scene);
    if (
      last &&
      last.artworks === scene.artworks &&
      last.reliefs === scene.reliefs &&
      last.strokes === scene.strokes
    )
      return;
    if (last?.strokes !== scene.strokes) this.strokes = strokesByArtwork(scene.strokes);
    this.last = scene;
    // What is looked at comes first.
    const ids = Object.keys(scene.artworks).sort(
      (a, b) => Number(b === this.benchId) - Number(a === this.benchId),
    );
    for (const id of ids) this.followOne(scene, id);
    for (const id of [...this.entries.keys()]) if (!scene.artworks[id]) this.entries.delete(id);
  }

  private followRims(scene: Records & Partial<Lights>): void {
    const { lights, luminaires, lamps } = scene;
    if (!lights || !luminaires || !lamps || this.wantsRims) return;
    const next = { lights, luminaires, lamps };
    if (this.lights && sameItems(Object.values(this.lights), Object.values(next))) return;
    this.lights = next;
    this.wantsRims = hasRimLights(next);
    if (!this.wantsRims) return;
    for (const [id, entry] of this.entries) {
      if (!entry.isDone) continue;
      entry.isDone = false;
      void this.addRim(scene, id, entry).then(() => this.done(id, entry));
    }
  }

  /** Brings the mask of an artwork's rims to its pixels; without one rim lights give it nothing. */
  private async addRim(scene: Records, id: string, entry: Entry): Promise<void> {
    const job = reliefJobOf(scene, id, this.strokes);
    if (!job || !entry.pixels) return;
    try {
      const rim = await this.work.rim(job);
      entry.pixels = { ...entry.pixels, rim };
    } catch (thrown) {
      entry.fault = wordsOf(thrown);
    }
  }

  /** Pixels of an artwork, or null while they are not there. */
  readonly source = (artworkId: string): PicturePixels | null => this.entries.get(artworkId)?.pixels ?? null;

  heightsOf(artworkId: string): Float32Array | null {
    return this.entries.get(artworkId)?.heights ?? null;
  }

  remarksOf(artworkId: string): readonly Remark[] {
    return this.entries.get(artworkId)?.remarks ?? NO_REMARKS;
  }

  faultOf(artworkId: string): string | null {
    return this.entries.get(artworkId)?.fault ?? null;
  }

  /** Makes what failed once more: a server that was away may be there again. */
  retry(artworkId: string): void {
    this.entries.delete(artworkId);
    if (this.last?.artworks[artworkId]) this.followOne(this.last, artworkId);
    this.tell();
  }

  /** Makes all that failed once more, as when the network is back. */
  retryAll(): void {
    for (const [id, { fault }] of [...this.entries]) if (fault !== null) this.retry(id);
    this.tables.retryAll();
  }

  isDone(artworkId: string): boolean {
    return this.entries.get(artworkId)?.isDone ?? false;
  }

  /** Whether pixels and relief of every artwork that was asked for are there, and every table. */
  get isComplete(): boolean {
    return this.tables.isComplete && [...this.entries.values()].every((entry) => entry.isDone);
  }

  /** Settled as soon as everything that was asked for is there, or failed. */
  whenAllDone(): Promise<void> {
    if (this.isComplete) return Promise.resolve();
    return new Promise((resolve) => {
      const leave = this.subscribe(() => {
        if (!this.isComplete) return;
        leave();
        resolve();
      });
    });
  }

  imageOf(sha256: string): Promise<Image> {
    let image = this.images.get(sha256);
    if (!image) {
      image = this.work.decode(sha256);
      // A failed fetch is tried again when it is asked for again.
      image.catch(() => this.images.delete(sha256));
      this.images.set(sha256, image);
    }
    return image;
  }

  private followOne(scene: Records, id: string): void {
    const artwork = scene.artworks[id];
    const last = this.entries.get(id);
    const stamp = this.stampOf(scene, id);
    if (last && sameItems(last.stamp, stamp)) return;
    const sameArt = last && last.imageSha === artwork.imageSha && last.glowSha === artwork.glowSha;
    const entry: Entry = {
      stamp,
      imageSha: artwork.imageSha,
      glowSha: artwork.glowSha,
      pixels: sameArt ? last.pixels : null,
      heights: sameArt ? last.heights : null,
      remarks: sameArt ? last.remarks : NO_REMARKS,
      fault: null,
      isDone: false,
    };
    this.entries.set(id, entry);
    void this.make(scene, id, entry);
  }

  private stampOf({ artworks, reliefs }: Records, id: string): unknown[] {
    const stamp: unknown[] = [];
    const seen = new Set<string>();
    for (let at: string | null = id; at !== null && !seen.has(at); at = reliefs[at]?.borrowedId ?? null) {
      seen.add(at);
      const artwork = artworks[at];
      // A name or a pivot does not make another picture.
      stamp.push(artwork?.imageSha, artwork?.glowSha, artwork?.cells, artwork?.frames, reliefs[at]);
      for (const [, stroke] of this.strokes.get(at) ?? []) stamp.push(stroke);
    }
    return stamp;
  }

  private async make(scene: Records, id: string, entry: Entry): Promise<void> {
    const isCurrent = () => this.entries.get(id) === entry;
    try {
      const job = reliefJobOf(scene, id, this.strokes);
      const image = await this.imageOf(entry.imageSha);
      const bare: PicturePixels = {
        width: image.width,
        height: image.height,
        rgba: image.data,
        normal: null,
        glow: null,
        rim: null,
      };
      if (!isCurrent()) return;
      if (job === null) {
        if (entry.glowSha !== null) bare.glow = glowShares(await this.imageOf(entry.glowSha), image);
        entry.pixels = bare;
      } else {
        const relief = await this.reliefOf(job, id, entry, bare);
        if (!isCurrent() || !relief) return;
        entry.pixels = { ...bare, normal: relief.normals, glow: relief.glow };
        entry.heights = relief.heights;
        entry.remarks = relief.remarks;
        if (this.wantsRims) {
          this.tell();
          await this.addRim(scene, id, entry);
        }
      }
    } catch (thrown) {
      entry.fault = wordsOf(thrown);
      if (entry.pixels === null) await this.showBare(entry);
    }
    this.done(id, entry);
  }

  /** The relief of an artwork, which is shown without it where it takes its time. */
  private async reliefOf(
    job: ReliefJob,
    id: string,
    entry: Entry,
    bare: PicturePixels,
  ): Promise<ReliefAnswer | null> {
    const waited = setTimeout(() => {
      if (entry.pixels !== null || this.entries.get(id) !== entry) return;
      entry.pixels = bare;
      this.tell();
    }, BARE_AFTER_MS);
    try {
      return await (id === this.benchId ? this.work.benchRelief(job, id) : this.work.relief(job, id));
    } finally {
      clearTimeout(waited);
    }
  }

  private done(id: string, entry: Entry): void {
    entry.isDone = true;
    if (this.entries.get(id) === entry) this.tell();
  }

  /** Art whose relief failed is still shown. */
  private async showBare(entry: Entry): Promise<void> {
    try {
      const { width, height, data } = await this.imageOf(entry.imageSha);
      entry.pixels = { width, height, rgba: data, normal: null, glow: null, rim: null };
    } catch {
      // The picture itself is missing; the fault that is kept says so.
    }
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}
