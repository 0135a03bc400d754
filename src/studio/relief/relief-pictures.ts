/**
 * What the Relief bench shows of an artwork: the relief as it is kept, as a control or a brush makes it at the moment,
 * as it was before, without strokes, as it was imported; and its masks, made when a view asks for them.
 */
import { wordsOf } from '@/core/faults';
import type { PicturePixels } from '@/core/moment/moment';
import { sameItems } from '@/core/same-items';
import { plainJob, type ReliefJob } from '@/core/relief/job';
import type { Artwork } from '@/core/scene/records/artwork';
import { reliefJobOf } from '@/core/scene/relief-job';
import type { ReliefAnswer } from '@/workers/relief-answer';
import type { ReliefPatch } from '@/workers/relief-desk';
import type { ReliefSide, ReliefView } from '../store/relief-bench';
import type { Studio } from '../store/studio';
import { viewedPixels, type ViewedMaps } from './relief-view';

interface Shape {
  normal: Uint8Array | null;
  heights: Float32Array | null;
  /** Share of each pixel that glows. */
  glow: Uint8Array | null;
}

const NO_SHAPE: Shape = { normal: null, heights: null, glow: null };
const NO_MASKS = { rim: null, occlusion: null, glow: null };

/** What the relief of an artwork is made of; null where it has none, or borrows in a circle: its fault says so. */
export function jobShown(studio: Studio, artworkId: string): ReliefJob | null {
  try {
    return reliefJobOf(studio.scene, artworkId);
  } catch {
    return null;
  }
}

export class ReliefPictures {
  /** A relief that is not kept yet, while a control moves. */
  private live: ReliefAnswer | null = null;
  private before: Shape | null = null;
  private lastKept: Shape | null = null;
  private readonly others = new Map<string, Shape>();
  private masks: { text: string; maps: Omit<ViewedMaps, 'heights'> } | null = null;
  private asked: string | null = null;
  private readonly shown = new Map<string, { inputs: readonly unknown[]; pixels: PicturePixels }>();
  private artworkId: string | null = null;

  constructor(
    private readonly studio: Studio,
    /** Called when something that was asked for has come. */
    private readonly arrived: () => void,
  ) {}

  choose(artworkId: string | null): void {
    if (artworkId === this.artworkId) return;
    this.artworkId = artworkId;
    this.live = null;
    this.before = null;
    this.lastKept = null;
    this.others.clear();
    this.masks = null;
    this.shown.clear();
  }

  /** A relief that is not kept; null goes back to the kept one. */
  preview(answer: ReliefAnswer | null): void {
    this.live = answer;
  }

  /** Hears that the kept relief may be another. */
  keptChanged(): void {
    const kept = this.kept();
    if (kept.normal === this.lastKept?.normal) return;
    if (this.lastKept?.normal) this.before = this.lastKept;
    this.lastKept = kept;
    this.live = null;
  }

  /** Writes a patch into a copy of what is kept; a preview or the kept relief takes its place again. */
  patch({ rect, normals, heights }: ReliefPatch, width: number): void {
    if (!this.live) {
      const { normal, heights: kept, glow } = this.kept();
      if (!normal || !kept) return;
      this.live = { normals: normal.slice(), heights: kept.slice(), glow, remarks: [], took: 0 };
    }
    const { normals: normal, heights: own } = this.live;
    const w = rect.right - rect.left;
    for (let y = rect.top; y < rect.bottom; y++) {
      const from = (y - rect.top) * w;
      const to = y * width + rect.left;
      normal.set(normals.subarray(4 * from, 4 * (from + w)), 4 * to);
      own.set(heights.subarray(from, from + w), to);
    }
  }

  get heights(): Float32Array | null {
    return this.now().heights;
  }

  /** x and y of the unit normal at a place, in scene axes; null beyond the art. */
  facingAt({ widthPx, heightPx }: Artwork, x: number, y: number): [number, number] | null {
    const { normal } = this.now();
    if (!normal || x < 0 || y < 0 || x >= widthPx || y >= heightPx) return null;
    const p = 4 * (Math.floor(y) * widthPx + Math.floor(x));
    const nx = normal[p] / 127.5 - 1;
    const ny = 1 - normal[p + 1] / 127.5;
    const nz = normal[p + 2] / 127.5 - 1;
    const length = Math.hypot(nx, ny, nz) || 1;
    return [nx / length, ny / length];
  }

  /** Pixels for one side of the view, or null while they are not there. */
  pixels(view: ReliefView, side: ReliefSide): PicturePixels | null {
    const kept = this.artworkId === null ? null : this.studio.pictures.source(this.artworkId);
    if (!kept) return null;
    const shape = this.shapeOf(side);
    const masks = ['rim', 'occlusion', 'glow'].includes(view) ? this.masksNow() : NO_MASKS;
    const inputs = [kept.rgba, shape.normal, shape.heights, shape.glow, masks];
    const key = `${view} ${side}`;
    const last = this.shown.get(key);
    if (last && sameItems(last.inputs, inputs)) return last.pixels;
    const base: PicturePixels = { ...kept, normal: shape.normal, glow: shape.glow };
    const pixels = viewedPixels(view, base, { heights: shape.heights, ...masks });
    this.shown.set(key, { inputs, pixels });
    return pixels;
  }

  /** Views that are not the lit one are pictures of their own, and are made anew after a patch. */
  forgetDrawn(): void {
    for (const key of this.shown.keys()) if (!key.startsWith('lit')) this.shown.delete(key);
  }

  private kept(): Shape {
    if (this.artworkId === null) return NO_SHAPE;
    const pixels = this.studio.pictures.source(this.artworkId);
    return {
      normal: pixels?.normal ?? null,
      heights: this.studio.pictures.heightsOf(this.artworkId),
      glow: pixels?.glow ?? null,
    };
  }

  private now(): Shape {
    if (!this.live) return this.kept();
    const { normals: normal, heights, glow } = this.live;
    // A quick relief, made while a control moves, has no glow of its own.
    return { normal, heights, glow: glow ?? this.kept().glow };
  }

  private shapeOf(side: ReliefSide): Shape {
    switch (side) {
      case 'now':
        return this.now();
      case 'before':
        return this.before ?? this.now();
      case 'none':
        return NO_SHAPE;
      case 'generated':
      case 'imported':
        return this.other(side) ?? NO_SHAPE;
    }
  }

  /** A relief of the same artwork that is made for the comparison. */
  private other(side: 'generated' | 'imported'): Shape | null {
    const job = this.jobFor(side);
    if (!job) return null;
    const text = JSON.stringify(job);
    const there = this.others.get(text);
    if (there) return there;
    this.ask(text, async () => {
      const answer = await this.studio.workers.relief(job, `${side} side`);
      if (!answer) return;
      const { normals: normal, heights, glow } = answer;
      this.others.set(text, { normal, heights, glow });
    });
    return null;
  }

  private jobFor(side: 'generated' | 'imported'): ReliefJob | null {
    const job = this.job();
    if (!job) return null;
    if (side === 'generated') return { ...job, layers: [], normals: null, heights: null, borrowed: null };
    if (!job.normals) return null;
    return { ...plainJob(job.imageSha, job.recipe), normals: { ...job.normals, use: 'facings' } };
  }

  private job(): ReliefJob | null {
    return this.artworkId === null ? null : jobShown(this.studio, this.artworkId);
  }

  private masksNow(): Omit<ViewedMaps, 'heights'> {
    const job = this.job();
    if (!job) return NO_MASKS;
    const text = JSON.stringify(job);
    if (this.masks?.text === text) return this.masks.maps;
    this.ask(`masks ${text}`, async () => {
      const maps = await this.studio.workers.live.maps(job, { rim: true, occlusion: true, glow: true });
      this.masks = { text, maps: { rim: maps.rim, occlusion: maps.occlusion, glow: maps.glow } };
    });
    // What was there stands until the new comes.
    return this.masks?.maps ?? NO_MASKS;
  }

  private ask(key: string, work: () => Promise<void>): void {
    if (this.asked === key) return;
    this.asked = key;
    work()
      .catch((thrown: unknown) => this.studio.say(wordsOf(thrown)))
      .finally(() => {
        if (this.asked === key) this.asked = null;
        this.arrived();
      });
  }
}
