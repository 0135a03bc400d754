/**
 * Reliefs in the making on one worker. The ground of the last few, and the planes that strokes made of it, are kept,
 * so that a stroke, its undoing, or another view of the same relief need not begin from the art.
 */
import { isEmptyRect, type Rect } from '@/core/raster/rect';
import { enlargedPlane } from '@/core/relief/frames';
import type { PartDone } from '@/core/relief/frame-heights';
import { paintGroundOf, type ReliefGround } from '@/core/relief/ground';
import { groundOf, paintedPlanes } from '@/core/relief/make-ground';
import { normalsOf, updateNormals, type Surface } from '@/core/relief/normals';
import { groundText, type ReliefJob } from '@/core/relief/job';
import { refreshSurface, surfaceOf } from '@/core/relief/relief-of';
import type { ReliefSource } from '@/core/relief/source';
import { LiveStroke } from '@/core/relief/strokes/live-stroke';
import { Workings } from '@/core/relief/workings';
import { StrokesAbove } from './strokes-above';
import type { Planes } from '@/core/relief/strokes/painted';
import { placed, type Stroke } from '@/core/relief/strokes/stroke';

/** A relief before it is brought to the art's own size. */
export interface MadeRelief {
  source: ReliefSource;
  ground: ReliefGround;
  planes: Planes;
  normals: Uint8Array;
}

/** What changed of a relief, in px of the art. */
export interface ReliefPatch {
  rect: Rect;
  /** RGBA bytes of the rectangle. */
  normals: Uint8Array;
  heights: Float32Array;
}

const KEPT_GROUNDS = 3;

/** Where among the layers of a job a stroke goes: so many lie below its layer, and so many up to it. */
export interface LayerPlace {
  below: number;
  upTo: number;
}

interface Painting {
  live: LiveStroke;
  made: MadeRelief;
  above: StrokesAbove | null;
  normals: Uint8Array;
  surface: Surface;
}

export class ReliefDesk {
  private readonly grounds = new Map<string, ReliefGround>();
  private readonly workings = new Workings();
  private last: { text: string; made: MadeRelief } | null = null;
  private painting: Painting | null = null;

  make(job: ReliefJob, source: ReliefSource, partDone: PartDone): MadeRelief {
    const text = JSON.stringify(job);
    if (this.last?.text === text) return { ...this.last.made, source };
    const ground = this.ground(job, source, partDone);
    const planes = paintedPlanes(source, ground);
    partDone('strokes');
    const made = { source, ground, planes, normals: normalsOf(surfaceOf(ground, planes)) };
    partDone('normals');
    this.last = { text, made };
    return made;
  }

  /** Begins a stroke on a layer of a job. */
  begin(job: ReliefJob, source: ReliefSource, place: LayerPlace, stroke: Stroke): void {
    const made = this.make(job, source, () => {});
    const { ground } = made;
    const through = (count: number) =>
      paintedPlanes({ ...source, layers: source.layers.slice(0, count) }, ground);
    const isTop = place.upTo >= source.layers.length;
    const from = isTop ? made.planes : through(place.upTo);
    const below = stroke.kind === 'erase' ? through(place.below) : null;
    const own = placed({ ...stroke, points: [] }, null, 0, 0, ground.times * source.artPx);
    const live = new LiveStroke(paintGroundOf(ground), own, from, below);
    const above = isTop ? null : new StrokesAbove(source, ground, from, place.upTo);
    const surface = surfaceOf(ground, above?.shown ?? live.planes);
    this.painting = { live, made, above, normals: made.normals.slice(), surface };
  }

  /** Adds points, in px of the art. */
  extend(points: readonly number[]): ReliefPatch | null {
    if (!this.painting) return null;
    const { live, made, above, normals, surface } = this.painting;
    const { times } = made.ground;
    const rect = live.extend(points.map((v, k) => (k % 3 === 2 ? v : v / times)));
    if (isEmptyRect(rect)) return null;
    above?.lay(live.planes, rect, made.ground.image.width);
    const planes = above?.shown ?? live.planes;
    refreshSurface(surface, made.ground, planes, rect);
    updateNormals(surface, rect, normals);
    return patchOf(made.ground, planes, normals, rect);
  }

  /** Ends the stroke; on the top layer it stands at once for the job that has it as its last. */
  end(job: ReliefJob | null): void {
    if (!this.painting) return;
    const { live, made, above, normals, surface } = this.painting;
    this.painting = null;
    if (!job || above) return;
    const rect = live.finish();
    const { planes } = live;
    refreshSurface(surface, made.ground, planes, rect);
    if (!isEmptyRect(rect)) updateNormals(surface, rect, normals);
    this.last = { text: JSON.stringify(job), made: { ...made, planes, normals } };
  }

  private ground(job: ReliefJob, source: ReliefSource, partDone: PartDone): ReliefGround {
    const text = groundText(job);
    const ground = this.grounds.get(text) ?? groundOf(source, partDone, this.workings.remember);
    this.grounds.delete(text);
    this.grounds.set(text, ground);
    for (const oldest of this.grounds.keys()) {
      if (this.grounds.size <= KEPT_GROUNDS) break;
      this.grounds.delete(oldest);
    }
    return ground;
  }
}

function patchOf(
  { image, times }: ReliefGround,
  planes: Planes,
  normals: Uint8Array,
  rect: Rect,
): ReliefPatch {
  const w = rect.right - rect.left;
  const h = rect.bottom - rect.top;
  const ownNormals = new Uint8Array(4 * w * h);
  const heights = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const from = (rect.top + y) * image.width + rect.left;
    ownNormals.set(normals.subarray(4 * from, 4 * (from + w)), 4 * y * w);
    for (let x = 0; x < w; x++) heights[y * w + x] = planes.heights[from + x] * times;
  }
  if (times === 1) return { rect, normals: ownNormals, heights };
  return {
    rect: {
      left: rect.left * times,
      top: rect.top * times,
      right: rect.right * times,
      bottom: rect.bottom * times,
    },
    normals: enlargedPlane(ownNormals, w, h, times, 4),
    heights: enlargedPlane(heights, w, h, times),
  };
}
