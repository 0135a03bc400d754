/**
 * Strokes laid over what a recipe gives. Height strokes act on the height as it is when their turn comes, so that
 * smoothing and flattening still mean something after the recipe changed; facings and masks are kept beside it, as
 * values with the share to which they count. Erasing brings the planes back to what they were below the layer.
 */
import { NORMAL_BYTE_TO_VALUE } from '../../light/terms/facing';
import { blurred } from '../../raster/blur';
import { heightOfStep } from '../../raster/height-picture';
import type { FacingPaint } from '../normals';
import { commonRect, grownRect, isEmptyRect, liesIn, NO_RECT, type Rect } from '../../raster/rect';
import type { Wrap } from '../../raster/wrap';
import { coverPolygon, coverWhere } from './coverage';
import type { PlacedStroke } from './stroke';
import { sweep } from './sweep';

/** A mask's painted value and the share to which it counts. */
export interface MaskPaint {
  value: Float32Array;
  share: Float32Array;
}

export interface Planes {
  heights: Float32Array;
  facing: FacingPaint | null;
  rim: MaskPaint | null;
  glow: MaskPaint | null;
}

/** What the strokes are laid on. */
export interface PaintGround {
  width: number;
  height: number;
  inside: Uint8Array;
  /** The frames of a sheet, or the whole; no stroke reaches across them. */
  frames: readonly Rect[];
  wrap: Wrap;
  pixelArt: boolean;
  /** A label for each part. */
  parts(): Uint16Array;
  /** The number of each pixel's colour. */
  colours(): Uint8Array;
}

/** A smoothing brush smooths by this share of its diameter, within bounds. */
const SMOOTH_SHARE = 1 / 8;
const SMOOTH_LEAST_PX = 0.8;
const SMOOTH_MOST_PX = 12;

export function copiedPlanes({ heights, facing, rim, glow }: Planes): Planes {
  return {
    heights: heights.slice(),
    facing: facing && { nx: facing.nx.slice(), ny: facing.ny.slice(), share: facing.share.slice() },
    rim: rim && { value: rim.value.slice(), share: rim.share.slice() },
    glow: glow && { value: glow.value.slice(), share: glow.share.slice() },
  };
}

/** Lays the strokes of one layer, first to last, over the planes. */
export function paintLayer(ground: PaintGround, planes: Planes, strokes: readonly PlacedStroke[]): void {
  const below = strokes.some(({ kind }) => kind === 'erase') ? copiedPlanes(planes) : null;
  const coverage = new Float32Array(ground.width * ground.height);
  for (const stroke of strokes) {
    const rect = cover(ground, coverage, stroke);
    applyCovered(ground, stroke, coverage, rect, planes, planes, below);
    clear(coverage, ground.width, rect);
  }
}

function clear(coverage: Float32Array, width: number, { left, top, right, bottom }: Rect): void {
  for (let y = top; y < bottom; y++) coverage.fill(0, y * width + left, y * width + right);
}

/** Fills a cleared coverage plane with all of a stroke. */
export function cover(ground: PaintGround, coverage: Float32Array, stroke: PlacedStroke): Rect {
  const { width, height, inside } = ground;
  if (stroke.pasted) {
    coverage.fill(stroke.opacity);
    return { left: 0, top: 0, right: width, bottom: height };
  }
  if (stroke.area === 'line') return sweep(coverage, ground, stroke);
  const frame = frameUnder(ground, stroke);
  if (!frame) return NO_RECT;
  if (stroke.area === 'polygon') return coverPolygon(coverage, width, frame, stroke);
  const i = pixelUnder(ground, stroke);
  if (i < 0) return NO_RECT;
  const alike = stroke.area === 'part' ? ground.parts() : ground.colours();
  return coverWhere(coverage, width, frame, stroke.opacity, (j) => alike[j] === alike[i] && inside[j] === 1);
}

/** The frame in which a stroke begins; a picture that is one frame is meant wherever it begins. */
function frameUnder({ frames }: PaintGround, { points }: PlacedStroke): Rect | undefined {
  if (frames.length === 1) return frames[0];
  return frames.find((frame) => liesIn(frame, points[0], points[1]));
}

/** The inside pixel under the stroke's first point, or -1. */
function pixelUnder({ width, height, inside }: PaintGround, { points }: PlacedStroke): number {
  const x = Math.floor(points[0] ?? -1);
  const y = Math.floor(points[1] ?? -1);
  if (x < 0 || y < 0 || x >= width || y >= height) return -1;
  return inside[y * width + x] ? y * width + x : -1;
}

/**
 * Applies a stroke where it covers.
 * @param from the planes as they were before the stroke
 * @param to where the result goes; may be the same
 * @param below the planes below the stroke's layer, for erasing
 */
export function applyCovered(
  ground: PaintGround,
  stroke: PlacedStroke,
  coverage: Float32Array,
  rect: Rect,
  from: Planes,
  to: Planes,
  below: Planes | null,
): void {
  if (isEmptyRect(rect)) return;
  const each = (visit: (i: number, c: number) => void) => eachCovered(ground, coverage, rect, visit);
  switch (stroke.kind) {
    case 'raise':
    case 'lower': {
      const by = stroke.kind === 'raise' ? stroke.heightPx : -stroke.heightPx;
      each((i, c) => (to.heights[i] = from.heights[i] + c * by));
      return;
    }
    case 'smooth':
      return smoothCovered(ground, stroke, coverage, rect, from.heights, to.heights);
    case 'flatten': {
      const start = pixelUnder(ground, stroke);
      if (start < 0) return;
      const level = from.heights[start];
      each((i, c) => (to.heights[i] = from.heights[i] + c * (level - from.heights[i])));
      return;
    }
    case 'face':
      return faceCovered(
        each,
        from,
        to,
        () => stroke.faceX,
        () => stroke.faceY,
        null,
      );
    case 'rim':
    case 'glow':
      return maskCovered(each, from, to, stroke.kind, stroke.level);
    case 'erase':
      return eraseCovered(each, from, to, below);
    case 'paste-height':
      return pasteHeights(ground, stroke, each, from, to);
    case 'paste-face':
      return pasteFacings(ground, stroke, each, from, to);
  }
}

type Each = (visit: (i: number, c: number) => void) => void;

function eachCovered(
  { width, inside }: PaintGround,
  coverage: Float32Array,
  { left, top, right, bottom }: Rect,
  visit: (i: number, c: number) => void,
): void {
  for (let y = top; y < bottom; y++) {
    for (let i = y * width + left, end = y * width + right; i < end; i++)
      if (coverage[i] > 0 && inside[i]) visit(i, coverage[i]);
  }
}

function smoothCovered(
  ground: PaintGround,
  { sizePx }: PlacedStroke,
  coverage: Float32Array,
  rect: Rect,
  from: Float32Array,
  to: Float32Array,
): void {
  const sigma = Math.min(SMOOTH_MOST_PX, Math.max(SMOOTH_LEAST_PX, sizePx * SMOOTH_SHARE));
  const { width, wrap } = ground;
  for (const frame of ground.frames) {
    const own = commonRect(rect, frame);
    if (isEmptyRect(own)) continue;
    // Three boxes reach a little over three deviations; around a seamless border they look at the other side.
    const grown = grownRect(own, 4 * sigma + 2);
    const held = commonRect(grown, frame);
    const wide = {
      left: wrap.x ? grown.left : held.left,
      right: wrap.x ? grown.right : held.right,
      top: wrap.y ? grown.top : held.top,
      bottom: wrap.y ? grown.bottom : held.bottom,
    };
    const w = wide.right - wide.left;
    const h = wide.bottom - wide.top;
    const plane = new Float32Array(w * h);
    const inside = new Uint8Array(w * h);
    for (let y = 0, j = 0; y < h; y++) {
      const row = within(wide.top + y, frame.top, frame.bottom) * width;
      for (let x = 0; x < w; x++, j++) {
        const i = row + within(wide.left + x, frame.left, frame.right);
        plane[j] = from[i];
        inside[j] = ground.inside[i];
      }
    }
    const smooth = blurred(plane, inside, w, h, sigma);
    eachCovered(ground, coverage, own, (i, c) => {
      const x = i % width;
      const j = ((i - x) / width - wide.top) * w + x - wide.left;
      to[i] = from[i] + c * (smooth[j] - from[i]);
    });
  }
}

/** A column or row around the border of a frame. */
function within(v: number, low: number, high: number): number {
  if (v >= low && v < high) return v;
  const size = high - low;
  return low + ((((v - low) % size) + size) % size);
}

function faceCovered(
  each: Each,
  from: Planes,
  to: Planes,
  faceX: (i: number) => number,
  faceY: (i: number) => number,
  share: ((i: number) => number) | null,
): void {
  const size = to.heights.length;
  to.facing ??= { nx: new Float32Array(size), ny: new Float32Array(size), share: new Float32Array(size) };
  const { facing } = to;
  const old = from.facing;
  each((i, c) => {
    const amount = share ? c * share(i) : c;
    const was = old ? old.share[i] : 0;
    const now = was + amount * (1 - was);
    if (now === 0) return;
    const t = amount / now;
    facing.nx[i] = (old ? old.nx[i] : 0) * (1 - t) + t * faceX(i);
    facing.ny[i] = (old ? old.ny[i] : 0) * (1 - t) + t * faceY(i);
    facing.share[i] = now;
  });
}

function maskCovered(each: Each, from: Planes, to: Planes, kind: 'rim' | 'glow', level: number): void {
  const size = to.heights.length;
  const paint = (to[kind] ??= { value: new Float32Array(size), share: new Float32Array(size) });
  const old = from[kind];
  each((i, c) => {
    const was = old ? old.share[i] : 0;
    const now = was + c * (1 - was);
    if (now === 0) return;
    paint.value[i] = (old ? old.value[i] : 0) * (1 - c / now) + (c / now) * level;
    paint.share[i] = now;
  });
}

function eraseCovered(each: Each, from: Planes, to: Planes, below: Planes | null): void {
  if (!below) return;
  const back = (own: Float32Array, old: Float32Array | undefined, out: Float32Array) =>
    each((i, c) => (out[i] = own[i] + c * ((old ? old[i] : 0) - own[i])));
  back(from.heights, below.heights, to.heights);
  if (from.facing && to.facing) back(from.facing.share, below.facing?.share, to.facing.share);
  for (const kind of ['rim', 'glow'] as const) {
    const [own, out] = [from[kind], to[kind]];
    if (own && out) back(own.share, below[kind]?.share, out.share);
  }
}

/** Where a pixel's centre lies in the art's own px. */
function artPlace({ width }: PaintGround, stroke: PlacedStroke, i: number): [number, number] {
  const x = i % width;
  const y = (i - x) / width;
  return [
    Math.floor((x + 0.5) * stroke.artPx + stroke.originX),
    Math.floor((y + 0.5) * stroke.artPx + stroke.originY),
  ];
}

function pasteHeights(ground: PaintGround, stroke: PlacedStroke, each: Each, from: Planes, to: Planes): void {
  if (!stroke.pasted || !('heights' in stroke.pasted)) return;
  const { width, height, values } = stroke.pasted.heights;
  each((i, c) => {
    const [x, y] = artPlace(ground, stroke, i);
    const by = x < width && y < height ? heightOfStep(values[y * width + x]) / stroke.artPx : 0;
    to.heights[i] = from.heights[i] + c * by;
  });
}

function pasteFacings(ground: PaintGround, stroke: PlacedStroke, each: Each, from: Planes, to: Planes): void {
  if (!stroke.pasted || !('facings' in stroke.pasted)) return;
  const { width, height, data } = stroke.pasted.facings;
  const at = (i: number) => {
    const [x, y] = artPlace(ground, stroke, i);
    return x < width && y < height ? 4 * (y * width + x) : -1;
  };
  faceCovered(
    each,
    from,
    to,
    (i) => NORMAL_BYTE_TO_VALUE[data[at(i)]],
    // The file's green points up.
    (i) => -NORMAL_BYTE_TO_VALUE[data[at(i) + 1]],
    (i) => (at(i) < 0 ? 0 : data[at(i) + 3] / 255),
  );
}
