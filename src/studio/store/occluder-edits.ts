/** Occluders of the stage: joined to one, and read from SVG. */
import { composed, inverse } from '@/core/geometry/affine';
import { joinedLines } from '@/core/geometry/lines';
import { mappedPoints } from '@/core/geometry/outline';
import { unitedOutlines } from '@/core/geometry/sound-outlines';
import { flattenedOutlines } from '@/core/geometry/smooth';
import { parallaxShift } from '@/core/moment/standing';
import { newOccluder } from '@/core/scene/records/occluder';
import { change, create, remove } from '@/core/scene/edits';
import { occluderMap } from './outline-places';
import { freshId, type Studio } from './studio';

/** Joins picked occluders of one kind: closed ones to what lies in any of them, lines where their ends meet. */
export function joinOccluders(studio: Studio): void {
  const { scene } = studio;
  const { seconds } = studio.live.getState();
  const ids = studio.pickedOf('occluders');
  const [firstId, ...restIds] = ids;
  const first = scene.occluders[firstId];
  if (restIds.some((id) => scene.occluders[id].kind !== first.kind))
    return studio.say('Closed outlines and lines cannot be joined: pick occluders of one kind.');
  const map = occluderMap(scene, first, seconds);
  const back = map && inverse(map);
  if (!back) return;
  // All in px of the first one.
  const local = ids.map((id) => {
    const occluder = scene.occluders[id];
    const own = occluderMap(scene, occluder, seconds);
    const flat = flattenedOutlines(occluder.outlines, occluder.smooth, occluder.kind === 'closed');
    return flat.map((points) => (own ? mappedPoints(points, composed(back, own)) : [...points]));
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
  const place = { a: 1, b: 0, c: 0, d: 1, e: gateX - dx, f: gateY - dy };
  const placed = (outlines: number[][]) => outlines.map((points) => mappedPoints(points, place));
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
