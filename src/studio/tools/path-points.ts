/** Points of the path of what is picked: taken hold of, added, taken away, made smooth. */
import { applyTo, type Affine } from '@/core/geometry/affine';
import { distanceToSegment, mappedPoints } from '@/core/geometry/outline';
import { flattened } from '@/core/geometry/smooth';
import type { MotionPath } from '@/core/scene/records/motion';
import {
  moverOf,
  movingThings,
  pathEdits,
  pathMap,
  pickedMover,
  worksOnPaths,
  type MoverName,
} from '../store/motion-edits';
import type { Studio } from '../store/studio';
import type { SceneDocument } from '@/core/scene/document';
import type { Overlay } from '../surface/overlay';
import type { PointWork } from './point-work';
import { withoutPoint, withPoint, withSmooth } from './outline-edits';
import { snapPoint, tidyPoint } from './snap';

export interface PathPointHandle {
  kind: 'path point';
  label: string;
  x: number;
  y: number;
  mover: MoverName;
  point: number;
  back: Affine;
}

function pathHandles(scene: SceneDocument, mover: MoverName, seconds: number): PathPointHandle[] {
  const path = moverOf(scene, mover)?.path;
  const place = path && pathMap(scene, mover, seconds);
  if (!place) return [];
  return Array.from({ length: path.points.length / 2 }, (_, point) => {
    const [x, y] = applyTo(place.map, path.points[2 * point], path.points[2 * point + 1]);
    return { kind: 'path point', label: 'Move a point of the path', x, y, mover, point, back: place.back };
  });
}

/** A path as an outline, and back, so that both are changed by the same hands. */
const asOutline = ({ points, smooth }: MotionPath) => ({ outlines: [points], smooth: [smooth] });
const asPath = (
  before: MotionPath,
  { outlines: [points], smooth }: ReturnType<typeof asOutline>,
): Partial<MotionPath> => ({
  points,
  smooth: smooth[0] ?? [],
  restSeconds: restsAfter(before, points),
});

/** The rests of a path that has gained or lost one point. */
function restsAfter({ points, restSeconds }: MotionPath, after: readonly number[]): number[] {
  if (restSeconds.length === 0 || points.length === after.length) return restSeconds;
  const count = Math.min(points.length, after.length) / 2;
  let k = 0;
  while (k < count && points[2 * k] === after[2 * k] && points[2 * k + 1] === after[2 * k + 1]) k++;
  return after.length > points.length ? restSeconds.toSpliced(k, 0, 0) : restSeconds.toSpliced(k, 1);
}

function setPath(studio: Studio, mover: MoverName, label: string, fields: Partial<MotionPath>): void {
  studio.scenes.transact({ label, edits: pathEdits(studio.scene, [mover], fields) });
}

function smoothPathPoint(studio: Studio, { mover, point }: PathPointHandle): void {
  const path = moverOf(studio.scene, mover)!.path!;
  setPath(studio, mover, 'Smooth or corner', asPath(path, withSmooth(asOutline(path), 0, point)));
}

/** Whether a place lies on the path of a thing, as near as counts. */
function isOnPath(
  studio: Studio,
  mover: MoverName,
  { x, y, nearPx }: { x: number; y: number; nearPx: number },
): boolean {
  const { scene } = studio;
  const path = moverOf(scene, mover)?.path;
  const place = path && pathMap(scene, mover, studio.live.getState().seconds);
  if (!place) return false;
  const closed = path.ends === 'closed';
  const flat = mappedPoints(flattened(path.points, path.smooth, closed), place.map);
  if (closed) flat.push(flat[0], flat[1]);
  for (let i = 2; i < flat.length; i += 2)
    if (distanceToSegment(x, y, flat[i - 2], flat[i - 1], flat[i], flat[i + 1]) <= nearPx / 2) return true;
  return false;
}

/** On a point takes it away; elsewhere adds one on the nearest side. @returns whether there is a path at all */
function doubleOnPath(
  studio: Studio,
  mover: MoverName,
  event: { x: number; y: number },
  handle: PathPointHandle | null,
): boolean {
  const { scene } = studio;
  const path = moverOf(scene, mover)?.path;
  const place = path && pathMap(scene, mover, studio.live.getState().seconds);
  if (!place) return false;
  if (handle) {
    const left = withoutPoint(asOutline(path), 0, handle.point, 2);
    if (left) setPath(studio, mover, 'Delete a point', asPath(path, left));
    else studio.say('A path needs two points; take the whole path away instead.');
    return true;
  }
  const [u, v] = applyTo(place.back, event.x, event.y).map(Math.round);
  setPath(
    studio,
    mover,
    'Add a point',
    asPath(path, withPoint(asOutline(path), path.ends === 'closed', u, v)),
  );
  return true;
}

/** The paths of all that goes along one, that of what is picked with its points. */
function drawPaths(overlay: Overlay, studio: Studio): void {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  const { selection } = studio.scenes.state;
  const { context } = overlay;
  for (const mover of movingThings(scene)) {
    const path = moverOf(scene, mover)?.path;
    const place = path && pathMap(scene, mover, seconds);
    if (!place) continue;
    const isPicked = selection.some(
      ({ collection, id }) => collection === mover.collection && id === mover.id,
    );
    const closed = path.ends === 'closed';
    const flat = flattened(path.points, path.smooth, closed);
    const points = Array.from({ length: flat.length / 2 }, (_, i) =>
      applyTo(place.map, flat[2 * i], flat[2 * i + 1]),
    );
    context.globalAlpha = isPicked ? 1 : 0.55;
    overlay.path(points, closed, isPicked);
  }
  context.globalAlpha = 1;
  for (const { x, y } of handlesOfPath(studio)) overlay.pointMark(x, y, true);
}

function handlesOfPath(studio: Studio): PathPointHandle[] {
  const mover = pickedMover(studio);
  return mover ? pathHandles(studio.scene, mover, studio.live.getState().seconds) : [];
}

/** The path of the one thing that is picked; those of all others are drawn with it. */
export const pathWork: PointWork<PathPointHandle> = {
  isAtHand: worksOnPaths,
  handles: handlesOfPath,
  under(studio, event) {
    // What goes along it stays picked, and is moved with it.
    const mover = pickedMover(studio);
    return mover && isOnPath(studio, mover, event) ? mover : null;
  },
  moved(studio, base, { mover, point, back }, to) {
    const [x, y] = tidyPoint(...applyTo(back, ...snapPoint(studio, to)));
    const { points } = moverOf(base, mover)!.path!;
    const moved = points.map((v, i) => (i === 2 * point ? x : i === 2 * point + 1 ? y : v));
    const [edit = null] = pathEdits(base, [mover], { points: moved });
    return { edit, words: `${x}, ${y}` };
  },
  shift: smoothPathPoint,
  double(studio, event, handle) {
    const mover = pickedMover(studio);
    return mover !== null && doubleOnPath(studio, mover, event, handle);
  },
  draw: drawPaths,
  hint: (studio) =>
    pickedMover(studio)
      ? 'Drag a point of the path, Shift-click smooths it; a double click takes one away or adds one'
      : 'Click what is to move',
};
