/**
 * The tools of the Relief bench. Each press makes a small drawing that answers move, up and cancel; what it comes to is
 * one edit. Places are px of the art.
 */
import { LIMITS } from '@/core/limits';
import { reliefJobOf } from '@/core/scene/relief-job';
import type { Stroke, StrokeKind } from '@/core/relief/strokes/stroke';
import { wordsOf } from '@/core/faults';
import type { ReliefPatch } from '@/workers/relief-desk';
import type { ReliefTool } from '../store/relief-bench';
import { addPartStroke, layerPlace, strokeEdits } from '../store/relief-edits';
import type { Studio } from '../store/studio';

export interface ReliefPoint {
  x: number;
  y: number;
  pressure: number;
  shift: boolean;
}

/** A press that is still going on. */
export interface ReliefDrawing {
  /** Flat x, y, pressure: what the overlay draws. */
  readonly points: readonly number[];
  readonly kind: 'brush' | 'parts' | 'polygon';
  move(point: ReliefPoint): void;
  up(): void;
  cancel(): void;
}

const BRUSHES = ['raise', 'lower', 'smooth', 'flatten', 'face', 'rim', 'glow', 'erase'] as const;

export function isBrush(tool: ReliefTool): tool is (typeof BRUSHES)[number] {
  return (BRUSHES as readonly string[]).includes(tool);
}

const BRUSH_LABELS: Record<(typeof BRUSHES)[number], string> = {
  raise: 'Raise',
  lower: 'Lower',
  smooth: 'Smooth',
  flatten: 'Flatten',
  face: 'Paint normals',
  rim: 'Paint the rim',
  glow: 'Paint the glow',
  erase: 'Erase',
};

/** A stroke by the settings of the bench, without points. */
export function strokeOf(studio: Studio, kind: StrokeKind): Stroke {
  const { sizePx, hardness, opacity, heightPx, faceX, faceY, level } = studio.reliefBench.getState();
  return {
    kind,
    area: 'line',
    points: [],
    sizePx,
    hardness,
    opacity,
    heightPx,
    faceX,
    faceY,
    level,
    pictureSha: null,
  };
}

/** Points nearer together than this share of the brush add nothing. */
const STEP_SHARE = 0.08;
const LEAST_STEP_PX = 0.4;

export class BrushDrawing implements ReliefDrawing {
  readonly kind = 'brush';
  readonly points: number[] = [];
  private readonly stroke: Stroke;
  private waiting: number[] = [];
  /** Numbers of `points` that the relief shows already. */
  private shownCount = 0;
  private isAsking = false;
  private isOver = false;
  private done: Stroke | null = null;
  private readonly begun: Promise<void>;

  /**
   * @param last where the stroke before ended, for straight lines
   * @param show called with each part of the relief that changed
   */
  constructor(
    private readonly studio: Studio,
    private readonly artworkId: string,
    kind: (typeof BRUSHES)[number],
    private readonly isPixelArt: boolean,
    start: ReliefPoint,
    last: { x: number; y: number } | null,
    private readonly show: (patch: ReliefPatch) => void,
  ) {
    this.stroke = strokeOf(studio, kind);
    this.begun = this.studio.strokeTurns.begin(() => this.begin());
    if (start.shift && last) this.add(last.x, last.y, start.pressure);
    this.move(start, true);
  }

  /** The end of the stroke that the relief does not show yet. */
  get tail(): readonly number[] {
    return this.points.slice(Math.max(0, this.shownCount - 3));
  }

  move({ x, y, pressure }: ReliefPoint, isFirst = false): void {
    const n = this.points.length;
    const [px, py] = this.placeOf(x, y);
    const away = n < 3 ? Infinity : Math.hypot(px - this.points[n - 3], py - this.points[n - 2]);
    const least = this.isPixelArt ? 0.99 : Math.max(LEAST_STEP_PX, this.stroke.sizePx * STEP_SHARE);
    if (!isFirst && away < least) return;
    if (n / 3 >= LIMITS.strokePoints) return;
    this.add(px, py, pressure);
  }

  up(): void {
    this.isOver = true;
    const stroke: Stroke = { ...this.stroke, points: this.points.map((v) => Math.round(v * 1000) / 1000) };
    this.done = stroke;
    const label = BRUSH_LABELS[stroke.kind as (typeof BRUSHES)[number]];
    this.studio.strokeTurns.endsWith(this.begun.then(() => this.flush()).then(() => this.settle(label)));
  }

  cancel(): void {
    this.isOver = true;
    this.studio.strokeTurns.endsWith(this.begun.then(() => this.studio.workers.live.endStroke(null)));
  }

  /** The worker keeps the stroke as made before the document asks for it. */
  private async settle(label: string): Promise<void> {
    const { studio, artworkId } = this;
    if (!this.done || !studio.scene.artworks[artworkId]) return;
    studio.scenes.transact({ label, edits: strokeEdits(studio, artworkId, this.done) });
    try {
      await studio.workers.live.endStroke(reliefJobOf(studio.scene, artworkId));
    } catch (thrown) {
      studio.say(wordsOf(thrown));
    }
  }

  private placeOf(x: number, y: number): [number, number] {
    // A brush on pixel art stands on whole pixels.
    return this.isPixelArt ? [Math.floor(x) + 0.5, Math.floor(y) + 0.5] : [x, y];
  }

  private add(x: number, y: number, pressure: number): void {
    this.points.push(x, y, pressure);
    this.waiting.push(x, y, pressure);
    void this.begun.then(() => this.flush());
  }

  private async begin(): Promise<void> {
    const { studio, artworkId, stroke } = this;
    try {
      const job = reliefJobOf(studio.scene, artworkId);
      if (job) await studio.workers.live.beginStroke(job, layerPlace(studio, artworkId), stroke);
    } catch (thrown) {
      studio.say(wordsOf(thrown));
    }
  }

  /** Sends what was drawn since the last answer, one message at a time, so that none pile up. */
  private async flush(): Promise<void> {
    if (this.isAsking || this.waiting.length === 0) return;
    this.isAsking = true;
    const points = this.waiting;
    this.waiting = [];
    try {
      const patch = await this.studio.workers.live.extendStroke(points);
      this.shownCount += points.length;
      if (patch && !this.isOver) this.show(patch);
    } catch (thrown) {
      this.studio.say(wordsOf(thrown));
    }
    this.isAsking = false;
    if (this.waiting.length > 0) await this.flush();
  }
}

/** Joins and splits parts along a drawn line. */
export class PartDrawing implements ReliefDrawing {
  readonly kind = 'parts';
  readonly points: number[];

  constructor(
    private readonly studio: Studio,
    private readonly artworkId: string,
    private readonly way: 'join' | 'split',
    start: ReliefPoint,
  ) {
    this.points = [start.x, start.y, 1];
  }

  move({ x, y, shift }: ReliefPoint): void {
    // With Shift the line is straight from where it began.
    if (shift) this.points.length = 3;
    this.points.push(x, y, 1);
  }

  up(): void {
    const points = this.points.filter((_, k) => k % 3 !== 2).map((v) => Math.round(v * 100) / 100);
    if (points.length < 4) return;
    addPartStroke(this.studio, this.artworkId, { kind: this.way, points });
  }

  cancel(): void {
    this.points.length = 0;
  }
}

/** Gives a part or a colour under a point, or a polygon, one facing. */
export function fill(studio: Studio, artworkId: string, points: number[]): void {
  const { fillArea } = studio.reliefBench.getState();
  const stroke: Stroke = { ...strokeOf(studio, 'face'), area: fillArea, points };
  const edits = strokeEdits(studio, artworkId, stroke);
  studio.scenes.transact({ label: `Fill a ${fillArea}`, edits });
}
