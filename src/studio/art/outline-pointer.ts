/** The outline tool of the Art bench: picks walls on the picture, and pulls points of the chosen occluder. */
import { flattened, flattenedOutlines } from '@/core/geometry/smooth';
import type { Artwork, ArtworkOccluder } from '@/core/scene/records/artwork';
import { frameOf } from '@/core/art/frames';
import { withoutPoint, withPoint, withSmooth } from '../tools/outline-edits';
import type { ArtBenchState, DrawnOutline } from '../store/art-bench';
import {
  changeOutlines,
  FEWEST_POINTS,
  findOutlines,
  keepDrawn,
  outlinesOf,
} from '../store/artwork-outlines';
import type { Studio } from '../store/studio';
import type { ArtMarks } from './art-marks';

interface Host {
  studio: Studio;
  artworkId: string;
  artwork: Artwork;
  bench: ArtBenchState;
  frameNumber: number;
}

export interface PointDrag {
  kind: 'point';
  occluder: ArtworkOccluder;
  outline: number;
  point: number;
  outlines: number[][];
}

function chosenOf({ artwork, bench }: Host): ArtworkOccluder | null {
  return artwork.occluders.find(({ id }) => id === bench.occluderId) ?? null;
}

/** The point of the chosen occluder near a place of the figure. */
function pointNear(host: Host, x: number, y: number, nearPx: number): PointDrag | null {
  const occluder = chosenOf(host);
  if (!occluder) return null;
  const { outlines } = outlinesOf(occluder, host.frameNumber);
  for (const [outline, points] of outlines.entries()) {
    for (let i = 0; i < points.length; i += 2) {
      if (Math.abs(points[i] - x) <= nearPx && Math.abs(points[i + 1] - y) <= nearPx)
        return { kind: 'point', occluder, outline, point: i / 2, outlines };
    }
  }
  return null;
}

/** @returns the drag that begins, or null where the press did what it does at once */
export function pressOutline(
  host: Host,
  event: PointerEvent,
  [x, y]: readonly [number, number],
  picturePlace: readonly [number, number],
  nearPx: number,
): PointDrag | null {
  if (host.bench.drawn) {
    penPress(host, host.bench.drawn, x, y, event.shiftKey, nearPx);
    return null;
  }
  const near = pointNear(host, x, y, nearPx);
  if (near && event.shiftKey) {
    const outlines = outlinesOf(near.occluder, host.frameNumber);
    keep(host, 'Smooth or corner', near.occluder, withSmooth(outlines, near.outline, near.point));
    return null;
  }
  if (near) return near;
  pickWall(host, picturePlace);
  return null;
}

/** One more point of what is drawn; on its first one, or twice on its last, it is finished. */
function penPress(
  { studio, artworkId, frameNumber }: Host,
  drawn: DrawnOutline,
  x: number,
  y: number,
  isSmooth: boolean,
  nearPx: number,
): void {
  const { kind, points, smooth } = drawn;
  const isAt = (i: number) => Math.abs(points[i] - x) <= nearPx && Math.abs(points[i + 1] - y) <= nearPx;
  const isEnough = points.length >= 2 * FEWEST_POINTS[kind];
  const closes = kind === 'closed' ? isAt(0) : isAt(points.length - 2);
  if (isEnough && closes) return keepDrawn(studio, artworkId, frameNumber);
  const number = points.length / 2;
  studio.artBench.setState({
    drawn: { kind, points: [...points, x, y], smooth: isSmooth ? [...smooth, number] : smooth },
  });
}

export function dragPoint(drag: PointDrag, x: number, y: number): void {
  drag.outlines = drag.outlines.map((points, o) =>
    o === drag.outline ? points.toSpliced(2 * drag.point, 2, x, y) : points,
  );
}

export function keepPoint(host: Host, drag: PointDrag): void {
  const { smooth } = outlinesOf(drag.occluder, host.frameNumber);
  keep(host, 'Move a point', drag.occluder, { outlines: drag.outlines, smooth });
}

/** On a point takes it away, elsewhere adds one on the nearest side. */
export function doublePress(host: Host, [x, y]: readonly [number, number], nearPx: number): void {
  const occluder = chosenOf(host);
  if (!occluder) return;
  const outlines = outlinesOf(occluder, host.frameNumber);
  if (outlines.outlines.length === 0) return;
  const isClosed = occluder.kind === 'closed';
  const near = pointNear(host, x, y, nearPx);
  const next = near
    ? withoutPoint(outlines, near.outline, near.point, isClosed ? 3 : 2)
    : withPoint(outlines, isClosed, x, y);
  keep(host, near ? 'Take a point away' : 'Add a point', occluder, next ?? { outlines: [], smooth: [] });
}

function keep(
  { studio, artworkId, frameNumber }: Host,
  label: string,
  occluder: ArtworkOccluder,
  { outlines, smooth }: Pick<ArtworkOccluder, 'outlines' | 'smooth'>,
): void {
  changeOutlines(studio, label, artworkId, occluder.id, frameNumber, { outlines, smooth });
}

/** The colour or the region under the pointer becomes wall, or is none any more. */
function pickWall({ studio, artworkId, bench }: Host, [px, py]: readonly [number, number]): void {
  const { outlineRule: rule } = bench;
  const pixels = studio.pictures.source(artworkId);
  const [x, y] = [Math.floor(px), Math.floor(py)];
  if (rule.way === 'alpha' || !pixels || x < 0 || y < 0 || x >= pixels.width || y >= pixels.height) return;
  const i = 4 * (y * pixels.width + x);
  if (rule.way === 'regions') {
    const seeds = [...rule.seeds, [x, y] as const];
    return findOutlines(studio, artworkId, { ...rule, seeds });
  }
  const [r, g, b] = pixels.rgba.subarray(i, i + 3);
  const rest = rule.colours.filter((colour) => colour[0] !== r || colour[1] !== g || colour[2] !== b);
  const colours = rest.length < rule.colours.length ? rest : [...rest, [r, g, b] as const];
  findOutlines(studio, artworkId, { ...rule, colours });
}

/** What was found in the frame that is shown, and all occluders of the artwork; points of the chosen one. */
export function drawOutlines(
  marks: ArtMarks,
  artwork: Artwork,
  bench: ArtBenchState,
  frame: number,
  [dx, dy]: readonly [number, number],
  drag: PointDrag | null,
): void {
  const { colours } = marks;
  const found = bench.found?.frames?.[frame];
  for (const points of found ?? []) marks.outline(points, dx, dy, true, colours.held, [4, 3]);
  if (bench.drawn) {
    const { points, smooth } = bench.drawn;
    marks.outline(flattened(points, smooth, false), dx, dy, false, colours.picked);
    marks.points(points, dx, dy, colours.picked);
  }
  for (const occluder of artwork.occluders) {
    const isChosen = occluder.id === bench.occluderId;
    const { outlines, smooth } = outlinesOf(occluder, frame);
    const shown = drag?.occluder.id === occluder.id ? drag.outlines : outlines;
    const isClosed = occluder.kind === 'closed';
    for (const points of flattenedOutlines(shown, smooth, isClosed))
      marks.outline(points, dx, dy, isClosed, isChosen ? colours.picked : colours.line);
    if (isChosen) for (const points of shown) marks.points(points, dx, dy, colours.picked);
  }
}

/** Where a place of the figure lies in the picture. */
export function picturePlace(artwork: Artwork, frame: number, x: number, y: number): [number, number] {
  const { left, top, shiftX, shiftY } = frameOf(artwork, frame);
  return [x - shiftX + left, y - shiftY + top];
}
