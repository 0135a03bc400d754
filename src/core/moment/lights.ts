/** The lights that burn: those of the scene, and those of placed lamps. */
import { applyTo, type Affine } from '../geometry/affine';
import { hexInLightSpace, type Rgb } from '../raster/colour';
import {
  compare,
  settingsOf,
  type FallCurve,
  type Fixture,
  type LightLook,
  type SceneDocument,
  type Wick,
} from '../scene/document';
import { wickAt } from '../time/wick';
import { circuitMask } from './circuits';
import { lightPartsOf, partId } from './lamps';
import {
  CURVE_EASED,
  CURVE_EVEN,
  CURVE_NATURAL,
  CURVE_STRAIGHT,
  type MomentLight,
  type MomentOccluder,
} from './moment';
import type { FoundOccluders } from './occluders';
import type { Passing } from './passing';
import { carriersOf, groundMap, isShown, lampAffine } from './standing';

/** The curves of the document as the numbers of a Moment. */
export const CURVE_NUMBERS: Record<FallCurve, number> = {
  straight: CURVE_STRAIGHT,
  eased: CURVE_EASED,
  natural: CURVE_NATURAL,
  even: CURVE_EVEN,
};

/** A light with all that says how it burns. */
interface Burning {
  id: string;
  /** What its wick takes its phase from: the lights of one lamp burn in step. */
  phaseId: string;
  fixture: Fixture;
  look: LightLook;
  wick: Wick | null;
  /** Multiplies its level. */
  share: number;
  map: Affine | null;
  x: number;
  y: number;
}

export function lightsOf(
  scene: SceneDocument,
  planeIndex: ReadonlyMap<string, number>,
  found: FoundOccluders,
  seconds: number,
  passing: Passing,
): MomentLight[] {
  const out: MomentLight[] = [];
  for (const burning of burningLights(scene, seconds, passing)) {
    const light = resolved(scene, burning, planeIndex, seconds);
    if (!light) continue;
    const { fixture, look, wick } = burning;
    if (look.shadows) {
      const carriers = fixture.blockedByCarrier ? [] : carriersOf(scene, fixture.hangsOn);
      // By its widest reach, so that a trembling one is not stopped by others at every frame.
      const widest = Math.max(1, look.corePx, look.reachPx * Math.max(1, wick?.reachHigh ?? 1));
      found.occluders.forEach((occluder, index) => {
        if (occluder.plane < light.spanFar || occluder.plane > light.spanNear) return;
        const { spriteId } = found.sources[index];
        if (spriteId !== null && carriers.includes(spriteId)) return;
        if (isWithin(occluder, light.x, light.y, widest)) light.occluders.push(index);
      });
    }
    out.push(light);
  }
  return out;
}

function isWithin({ box }: MomentOccluder, x: number, y: number, reachPx: number): boolean {
  return (
    box.left <= x + reachPx && box.right >= x - reachPx && box.top <= y + reachPx && box.bottom >= y - reachPx
  );
}

/** By id, so that their order in the document changes no bit. */
function burningLights(scene: SceneDocument, seconds: number, passing: Passing): Burning[] {
  const out: Burning[] = [];
  const isOn = (id: string, fixture: Fixture) =>
    isShown(scene, fixture) && !passing.muted.has(id) && (passing.solo.size === 0 || passing.solo.has(id));
  for (const [id, light] of Object.entries(scene.lights)) {
    if (!isOn(id, light)) continue;
    const wick = light.wickId === null ? null : (scene.wicks[light.wickId] ?? null);
    const map = groundMap(scene, light, seconds);
    out.push({ id, phaseId: id, fixture: light, look: light, wick, share: 1, map, x: light.x, y: light.y });
  }
  for (const [id, lamp] of Object.entries(scene.lamps)) {
    if (!isOn(id, lamp)) continue;
    const map = lampAffine(scene, lamp, seconds);
    for (const part of lightPartsOf(scene, lamp)) {
      const { wick, x, y } = part;
      out.push({
        id: partId(id, part),
        phaseId: id,
        fixture: lamp,
        look: part,
        wick,
        share: lamp.level,
        map,
        x,
        y,
      });
    }
  }
  return out.sort((a, b) => compare(a.id, b.id));
}

function resolved(
  scene: SceneDocument,
  { phaseId, fixture, look, wick, share, map, x, y }: Burning,
  planeIndex: ReadonlyMap<string, number>,
  seconds: number,
): MomentLight | null {
  const alive = wick ? wickAt(wick, phaseId, seconds) : { level: 1, reach: 1 };
  const level = look.level * share * alive.level;
  if (level <= 0 || !map) return null;
  const [atX, atY] = applyTo(map, x, y);
  const { far, near } = spanOf(fixture, planeIndex);
  return {
    x: atX,
    y: atY,
    rgb: hexInLightSpace(look.colour, settingsOf(scene).lightSpace).map((v) => v * level) as Rgb,
    corePx: look.corePx,
    reachPx: Math.max(1, look.corePx, look.reachPx * alive.reach),
    curve: CURVE_NUMBERS[look.curve],
    steepness: look.steepness,
    heightPx: look.heightPx,
    air: look.air,
    relief: look.relief,
    plane: planeIndex.get(fixture.planeId)!,
    spanFar: far,
    spanNear: near,
    feeds: circuitMask(scene, fixture.circuitIds),
    occluders: [],
  };
}

/** The indices of the planes that a light reaches. An end whose plane is gone is open. */
function spanOf(
  { spanFarId, spanNearId }: Fixture,
  planeIndex: ReadonlyMap<string, number>,
): { far: number; near: number } {
  const far = (spanFarId === null ? undefined : planeIndex.get(spanFarId)) ?? 0;
  const near = (spanNearId === null ? undefined : planeIndex.get(spanNearId)) ?? planeIndex.size - 1;
  return { far: Math.min(far, near), near: Math.max(far, near) };
}
