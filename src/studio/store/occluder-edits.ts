/** Occluders of the stage: joined to one, taken over from an artwork, read from SVG. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { unitedOutlines } from '@/core/geometry/outline';
import { flattenedOutlines } from '@/core/geometry/smooth';
import { artOf, frameNumber, parallaxShift } from '@/core/moment/standing';
import { outlinesAt } from '@/core/moment/occluder-edges';
import { newOccluder } from '@/core/scene/defaults';
import { change, create, remove, type Edit } from '@/core/scene/edits';
import type { Occluder } from '@/core/scene/document';
import { occluderMap } from '../stage/hits';
import { freshId, type Studio } from './studio';

/** How near ends of two lines are one. */
const SAME_END_PX = 1.5;

/** Joins picked occluders of one kind: closed ones to what lies in any of them, lines where their ends meet. */
export function joinOccluders(studio: Studio): void {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  const ids = studio.pickedOf('occluders');
  const [firstId, ...restIds] = ids;
  const first = scene.occluders[firstId];
  if (restIds.some((id) => scene.occluders[id].kind !== first.kind))
    return studio.say('Closed outlines and lines do not join: pick occluders of one kind.');
  const map = occluderMap(scene, first, seconds);
  const back = map && inverse(map);
  if (!back) return;
  // All in px of the first one.
  const local = ids.map((id) => {
    const occluder = scene.occluders[id];
    const own = occluderMap(scene, occluder, seconds);
    const flat = flattenedOutlines(occluder.outlines, occluder.smooth, occluder.kind === 'closed');
    return flat.map((points) =>
      mapped(points, (x, y) => (own ? applyTo(back, ...applyTo(own, x, y)) : [x, y])),
    );
  });
  const outlines = first.kind === 'closed' ? unitedOutlines(local) : joinedLines(local.flat());
  studio.scenes.transact({
    label: 'Join occluders',
    edits: [
      change(scene, 'occluders', firstId, { outlines, smooth: [] })!,
      ...restIds.map((id) => remove(scene, 'occluders', id)),
    ],
    selection: [{ collection: 'occluders', id: firstId }],
  });
}

function mapped(points: readonly number[], to: (x: number, y: number) => [number, number]): number[] {
  const out: number[] = [];
  for (let i = 0; i < points.length; i += 2) out.push(...to(points[i], points[i + 1]));
  return out.map((v) => Math.round(v * 100) / 100);
}

/** Lines with their ends put together where they meet. */
function joinedLines(lines: readonly number[][]): number[][] {
  const out: number[][] = [];
  for (const line of lines) {
    let current = [...line];
    for (let i = 0; i < out.length;) {
      const both = together(out[i], current);
      if (both) {
        current = both;
        out.splice(i, 1);
        i = 0;
      } else i++;
    }
    out.push(current);
  }
  return out;
}

function together(a: readonly number[], b: readonly number[]): number[] | null {
  for (const [first, second] of [
    [a, b],
    [a, turned(b)],
    [turned(a), b],
    [b, a],
  ]) {
    const [x, y] = first.slice(-2);
    if (Math.abs(x - second[0]) <= SAME_END_PX && Math.abs(y - second[1]) <= SAME_END_PX)
      return [...first, ...second.slice(2)];
  }
  return null;
}

function turned(points: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = points.length - 2; i >= 0; i -= 2) out.push(points[i], points[i + 1]);
  return out;
}

/** Gives a sprite occluders of its own, as its artwork's are in the frame that shows. */
export function ownOccluders(studio: Studio, spriteId: string): void {
  const { scene } = studio;
  const sprite = scene.sprites[spriteId];
  const artwork = artOf(scene, sprite);
  if (!artwork) return;
  const frame = frameNumber(sprite, artwork, studio.live.getState().seconds);
  const made = artwork.occluders.map((occluder): Occluder => {
    const { outlines, smooth } = outlinesAt(artwork, occluder, frame);
    const { name, kind, ownShade } = occluder;
    return newOccluder({ name, planeId: sprite.planeId, spriteId, kind, outlines, smooth, ownShade });
  });
  const edits: (Edit | null)[] = [
    change(scene, 'sprites', spriteId, { ownOccluders: true }),
    ...made.map((occluder) => create('occluders', freshId(), occluder)),
  ];
  studio.scenes.transact({ label: 'Outlines of its own', edits: edits.filter((edit) => edit !== null) });
}

/** A sprite's occluders are its artwork's again. */
export function followArtwork(studio: Studio, spriteId: string): void {
  const { scene } = studio;
  const own = Object.keys(scene.occluders).filter((id) => scene.occluders[id].spriteId === spriteId);
  const edits = [
    change(scene, 'sprites', spriteId, { ownOccluders: false }),
    ...own.map((id) => remove(scene, 'occluders', id)),
  ];
  studio.scenes.transact({ label: 'Outlines as the artwork', edits: edits.filter((edit) => edit !== null) });
}

/** Puts the shapes of an SVG file on the current plane, its corner at the gate's. */
export function putSvg(
  studio: Studio,
  fileName: string,
  { closed, open }: { closed: number[][]; open: number[][] },
): void {
  const { scene } = studio;
  const planeId = studio.planeId();
  const plane = scene.planes[planeId];
  if (!plane) return;
  const { gateX, gateY } = scene.settings.scene;
  const [dx, dy] = parallaxShift(scene, plane);
  const name = fileName.replace(/\.svg$/i, '');
  const placed = (outlines: number[][]) =>
    outlines.map((points) => mapped(points, (x, y) => [x + gateX - dx, y + gateY - dy]));
  const made = [
    ...(closed.length > 0 ? [newOccluder({ name, planeId, kind: 'closed', outlines: placed(closed) })] : []),
    ...(open.length > 0 ? [newOccluder({ name, planeId, kind: 'line', outlines: placed(open) })] : []),
  ].map((occluder) => ({ id: freshId(), occluder }));
  studio.scenes.transact({
    label: 'Read outlines',
    edits: made.map(({ id, occluder }) => create('occluders', id, occluder)),
    selection: made.map(({ id }) => ({ collection: 'occluders', id })),
  });
}
