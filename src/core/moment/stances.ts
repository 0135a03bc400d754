/** How things would stand elsewhere so as to be drawn as they are: what hanging and taking down, moving and copying need. */
import { applyTo, determinant, inverse } from '../geometry/affine';
import { atan2, RADIANS_PER_DEGREE } from '../geometry/exact';
import type { SceneDocument } from '../scene/document';
import { parallaxShift, Standing, type Placed } from './standing';

/** What can hang on others. */
export const HANGERS = ['lights', 'lamps', 'sprites'] as const;
export type HangerCollection = (typeof HANGERS)[number];

/** How a thing stands. */
export interface Stance {
  x: number;
  y: number;
  turnDeg?: number;
  scaleX?: number;
  scaleY?: number;
  flipX?: boolean;
}

/**
 * How a thing would stand on its plane so as to be drawn as it is, whatever carries it; null where it is drawn nowhere. A
 * carrier that is scaled more one way than the other counts by the mean of both.
 */
export function stanceOnPlane(
  scene: SceneDocument,
  collection: HangerCollection,
  id: string,
  seconds: number,
): Stance | null {
  const thing = scene[collection][id];
  const plane = scene.planes[thing.planeId];
  const ground = new Standing(scene, seconds).anchor(thing);
  if (!plane || !ground) return null;
  const [x, y] = applyTo(ground, thing.x, thing.y);
  const [dx, dy] = parallaxShift(scene, plane);
  const place = { x: x - dx, y: y - dy };
  if (collection === 'lights') return place;
  const area = determinant(ground);
  const isMirrored = area < 0;
  // The map of a mirrored carrier begins with its flip, which the axis across goes through.
  const [cosine, sine] = isMirrored ? [-ground.a, -ground.b] : [ground.a, ground.b];
  const groundDeg = atan2(sine, cosine) / RADIANS_PER_DEGREE;
  const { turnDeg, flipX } = scene[collection][id];
  const turned = {
    turnDeg: isMirrored ? groundDeg - turnDeg : groundDeg + turnDeg,
    flipX: flipX !== isMirrored,
  };
  if (collection === 'lamps') return { ...place, ...turned };
  const { scaleX, scaleY } = scene.sprites[id];
  const scale = Math.sqrt(Math.abs(area));
  return { ...place, ...turned, scaleX: scaleX * scale, scaleY: scaleY * scale };
}

/** A shift of the scene as one of the ground that a thing stands on. */
export function shiftOnGround(
  scene: SceneDocument,
  thing: Placed,
  seconds: number,
  dx: number,
  dy: number,
): [number, number] {
  const ground = thing.hangsOn === null ? null : new Standing(scene, seconds).anchor(thing);
  const back = ground && inverse(ground);
  return back ? [back.a * dx + back.c * dy, back.b * dx + back.d * dy] : [dx, dy];
}
