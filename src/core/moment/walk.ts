/**
 * A figure on its rounds: where it walks just now, and the scene as it is then. It only lasts while looking; a walk that is to
 * stay is kept as the figure's path.
 */
import { atan2, RADIANS_PER_DEGREE } from '../geometry/exact';
import { applyTo, inverse } from '../geometry/affine';
import type { SceneDocument } from '../scene/document';
import { SETTINGS_ID } from '../scene/records/settings';
import type { Light } from '../scene/records/light';
import type { Lamp } from '../scene/records/lamp';
import type { Hanging } from '../scene/records/sprite';
import { lightPartsOf } from '../scene/lamp-parts';
import { Standing } from './standing';

export interface Walk {
  spriteId: string;
  /** Where its pivot is, px of its plane. */
  x: number;
  y: number;
  flipX: boolean;
  /** The scene place that its lamps are turned to; null leaves them. */
  aim: readonly [number, number] | null;
  /** Where the gate is meanwhile; null leaves it. */
  gate: readonly [number, number] | null;
}

/** The scene with a figure where it walks: off its path, its lamps turned, the gate with it. */
export function walked(scene: SceneDocument, walk: Walk, seconds: number): SceneDocument {
  const { spriteId, x, y, flipX, aim, gate } = walk;
  const sprite = scene.sprites[spriteId];
  if (!sprite) return scene;
  const settings = scene.settings[SETTINGS_ID];
  const there: SceneDocument = {
    ...scene,
    sprites: { ...scene.sprites, [spriteId]: { ...sprite, x, y, flipX, path: null } },
    ...(gate && { settings: { [SETTINGS_ID]: { ...settings, gateX: gate[0], gateY: gate[1] } } }),
  };
  return aim ? aimed(there, spriteId, aim, seconds) : there;
}

/** Turns what hangs on a sprite and shines in one direction to a place of the scene. */
function aimed(
  scene: SceneDocument,
  spriteId: string,
  [aimX, aimY]: readonly [number, number],
  seconds: number,
): SceneDocument {
  const standing = new Standing(scene, seconds);
  /** The bearing from a thing's place to the aim, as its own ground counts it; null where it stands nowhere. */
  const bearingOf = (thing: Light | Lamp): number | null => {
    const ground = standing.anchor(thing);
    const back = ground && inverse(ground);
    if (!back) return null;
    const [x, y] = applyTo(back, aimX, aimY);
    return atan2(y - thing.y, x - thing.x) / RADIANS_PER_DEGREE;
  };
  const hangs = ({ hangsOn }: { hangsOn: Hanging | null }) => hangsOn?.spriteId === spriteId;
  const lights = Object.entries(scene.lights).flatMap(([id, light]): [string, Light][] => {
    const bearing = hangs(light) && light.kind === 'spot' ? bearingOf(light) : null;
    return bearing === null ? [] : [[id, { ...light, bearingDeg: bearing, turning: null }]];
  });
  const lamps = Object.entries(scene.lamps).flatMap(([id, lamp]): [string, Lamp][] => {
    const spot = hangs(lamp) ? lightPartsOf(scene, lamp).find(({ kind }) => kind === 'spot') : undefined;
    const bearing = spot ? bearingOf(lamp) : null;
    if (!spot || bearing === null) return [];
    const own = lamp.flipX ? 180 - spot.bearingDeg : spot.bearingDeg;
    return [[id, { ...lamp, turnDeg: bearing - own, turning: null }]];
  });
  if (lights.length + lamps.length === 0) return scene;
  return {
    ...scene,
    lights: { ...scene.lights, ...Object.fromEntries(lights) },
    lamps: { ...scene.lamps, ...Object.fromEntries(lamps) },
  };
}
