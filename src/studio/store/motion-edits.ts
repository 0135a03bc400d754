/** What moves by itself: edits of its turning and its path, and where its path lies. */
import { affineOf, applyTo, composed, inverse, type Affine } from '@/core/geometry/affine';
import { Standing, type Moving } from '@/core/moment/standing';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { change, type Edit } from '@/core/scene/edits';
import { NEW_TURNING, newPath, type MotionPath, type Turning } from '@/core/scene/records/motion';
import type { Picked } from './scene-store';
import type { Studio } from './studio';

export const MOVERS = ['sprites', 'lights', 'lamps'] as const;
export type MoverCollection = (typeof MOVERS)[number];

export interface MoverName {
  collection: MoverCollection;
  id: string;
}

export function isMover(picked: Picked): picked is Picked & MoverName {
  return (MOVERS as readonly string[]).includes(picked.collection);
}

export function moverOf(
  scene: SceneDocument,
  { collection, id }: MoverName,
): (Moving & { name: string }) | undefined {
  return scene[collection][id];
}

/** Everything that moves by itself, by its name. */
export function movingThings(scene: SceneDocument): MoverName[] {
  return MOVERS.flatMap((collection) =>
    inOrder<Moving & { name: string; order: string }>(scene[collection]).flatMap(([id, { turning, path }]) =>
      turning || path ? [{ collection, id }] : [],
    ),
  );
}

/** Edits that change the turning of some things; a field of one that does not turn yet makes it do so. Null is still. */
export function turningEdits(
  scene: SceneDocument,
  movers: readonly MoverName[],
  fields: Partial<Turning> | null,
): Edit[] {
  return movers.flatMap((mover) => {
    const own = moverOf(scene, mover)?.turning ?? NEW_TURNING;
    const turning = fields && { ...own, ...fields };
    return change(scene, mover.collection as 'lights', mover.id, { turning }) ?? [];
  });
}

/** Edits that change the paths of those that have one; null takes them away. */
export function pathEdits(
  scene: SceneDocument,
  movers: readonly MoverName[],
  fields: Partial<MotionPath> | null,
): Edit[] {
  return movers.flatMap((mover) => {
    const own = moverOf(scene, mover)?.path;
    if (!own) return [];
    return (
      change(scene, mover.collection as 'lights', mover.id, { path: fields && { ...own, ...fields } }) ?? []
    );
  });
}

/** The map from px of a thing's path to the scene, and back; null where it stands nowhere. */
export function pathMap(
  scene: SceneDocument,
  mover: MoverName,
  seconds: number,
): { map: Affine; back: Affine } | null {
  const thing = moverOf(scene, mover);
  const anchor = thing && new Standing(scene, seconds).anchor(thing);
  if (!anchor) return null;
  const { x, y } = thing;
  const map = composed(anchor, affineOf({ ...UNTURNED, x, y }, 0, 0));
  const back = inverse(map);
  return back && { map, back };
}

const UNTURNED = { turnDeg: 0, scaleX: 1, scaleY: 1, flipX: false, flipY: false };

/** The one thing that is picked, where it can move. */
export function pickedMover(studio: Studio): MoverName | null {
  const { selection } = studio.scenes.state;
  const [picked] = selection;
  return selection.length === 1 && isMover(picked) ? picked : null;
}

/** Whether paths are worked on: they are drawn, and their points are taken hold of. */
export function worksOnPaths(studio: Studio): boolean {
  const { bench, timePart } = studio.desk.getState();
  return bench === 'time' && timePart === 'motion';
}

/** Gives what is picked a path that was drawn, in scene px; a path that it has keeps all else. */
export function drawPath(
  studio: Studio,
  points: readonly (readonly [number, number])[],
  smooth: readonly number[],
): void {
  const mover = pickedMover(studio);
  const { scene } = studio;
  const place = mover && pathMap(scene, mover, studio.live.getState().seconds);
  if (!mover || !place) return studio.say('Pick a sprite, a light or a lamp first: the path is for that.');
  const own = points.flatMap(([x, y]) => applyTo(place.back, x, y).map((v) => Math.round(v * 10) / 10));
  const last = moverOf(scene, mover)!.path;
  const path = { ...(last ?? newPath({ points: own })), points: own, smooth: [...smooth] };
  const edit = change(scene, mover.collection as 'lights', mover.id, { path });
  studio.scenes.transact({ label: 'Draw a path', edits: edit ? [edit] : [] });
}
