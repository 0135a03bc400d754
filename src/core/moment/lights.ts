/** The lights that burn: those of the scene, and those of placed lamps. */
import type { Affine, Box } from '../geometry/affine';
import { sameItems } from '../same-items';
import { hexInLightSpace, hexToLinear, linearInLightSpace, type Rgb } from '../raster/colour';
import { compare, type SceneDocument } from '../scene/document';
import type { Fixture } from '../scene/records/fixture';
import type { FallCurve, LightLook } from '../scene/records/light-look';
import type { Wick } from '../scene/records/wick';
import { STEADY, wickAt, widestSway } from '../time/wick';
import { partId } from './part-names';
import { lightPartsOf } from '../scene/lamp-parts';
import { LIGHT_KIND_RECORDS } from './light-kinds/all-kinds';
import { grownBox, type LightKindRecord } from './light-kinds/shape';
import { LightParts } from './light-parts';
import {
  CURVE_DRAWN,
  CURVE_EASED,
  CURVE_EVEN,
  CURVE_NATURAL,
  CURVE_STRAIGHT,
  type MomentLight,
} from './moment';
import type { FoundOccluders, OccluderSource } from './occluders';
import type { MomentStage, PlaneStack } from './stage';
import { carriersOf } from './standing';
import { TableMemory } from './tables';

/** The curves of the document as the numbers of a Moment. */
export const CURVE_NUMBERS: Record<FallCurve, number> = {
  straight: CURVE_STRAIGHT,
  eased: CURVE_EASED,
  natural: CURVE_NATURAL,
  even: CURVE_EVEN,
  drawn: CURVE_DRAWN,
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
  map: Affine;
  x: number;
  y: number;
}

interface Known {
  of: readonly unknown[];
  light: MomentLight | null;
}

/** The shapes that standing sprites throw in a light, by their numbers; see casts.ts. */
export type CastFinder = (light: MomentLight) => number[];

const NONE: readonly number[] = [];

export class LightMaker {
  private readonly parts = new LightParts();
  private readonly tables = new TableMemory();
  /** The last light of each fixture's part: while nothing of it changed it is the same object, which renderers keep by. */
  private readonly known = new WeakMap<Fixture, Map<string, Known>>();

  /**
   * @param castsIn asked for suns that throw shapes, in the order of the lights
   * @returns the lights that burn, by id, and their ids
   */
  lights(
    stage: MomentStage,
    found: FoundOccluders,
    castsIn: CastFinder,
  ): { lights: MomentLight[]; lightIds: string[] } {
    const lights: MomentLight[] = [];
    const lightIds: string[] = [];
    for (const burning of burningLights(stage)) {
      const light = this.light(stage, burning, found, castsIn);
      if (!light) continue;
      lights.push(light);
      lightIds.push(burning.id);
    }
    return { lights, lightIds };
  }

  private light(
    stage: MomentStage,
    burning: Burning,
    found: FoundOccluders,
    castsIn: CastFinder,
  ): MomentLight | null {
    const { id, fixture, look } = burning;
    const of = inputsOf(stage, burning);
    let parts = this.known.get(fixture);
    if (!parts) this.known.set(fixture, (parts = new Map()));
    const last = parts.get(id);
    const isSame = last !== undefined && sameItems(last.of, of);
    let light = isSame ? last.light : this.resolved(stage, burning);
    if (light) {
      const stops = look.shadows && light.ambient === 'no' ? stopping(stage, burning, light, found) : NONE;
      const casts = light.throwsShapes ? castsIn(light) : NONE;
      if (!sameItems(light.occluders, stops) || !sameItems(light.casts, casts))
        light = { ...light, occluders: stops, casts };
    }
    if (!isSame || light !== last.light) parts.set(id, { of, light });
    return light;
  }

  private resolved(stage: MomentStage, { phaseId, fixture, look, wick, share, map, x, y }: Burning) {
    const kind: LightKindRecord = LIGHT_KIND_RECORDS[look.kind];
    const alive = wick && !look.still ? wickAt(wick, phaseId, stage.seconds) : STEADY;
    const level = look.level * share * alive.level;
    if (level <= 0 && !kind.darkens(look)) return null;
    const shape = kind.shape(
      this.parts.placed(stage, look, map, x + alive.swayX, y + alive.swayY, alive.reach),
    );
    if (!shape) return null;
    const { space, planeStack: planeOrder, circuits } = stage;
    const { far, near } = spanOf(fixture, planeOrder);
    const isAmbient = shape.ambient !== 'no';
    const shadow = hexInLightSpace(look.shadowColour, space);
    const colour = alive.colour
      ? linearInLightSpace(alive.colour(hexToLinear(look.colour)), space)
      : hexInLightSpace(look.colour, space);
    // Field by field: spread objects of so many fields are slow to make, and there may be thousands.
    const light: MomentLight = {
      figure: shape.figure,
      ambient: shape.ambient,
      x: shape.x,
      y: shape.y,
      corePx: shape.corePx,
      reachPx: shape.reachPx,
      cone: shape.cone,
      area: shape.area,
      gobo: shape.gobo,
      source: shape.source,
      size: shape.size,
      box: shape.box,
      blend: isAmbient ? 'add' : look.blend,
      rim: look.rim && !isAmbient,
      rgb: colour.map((v) => v * level) as Rgb,
      stops: look.stops.length === 0 ? null : this.tables.colours(look, level, space, alive.colour),
      squash: look.squash,
      curve: CURVE_NUMBERS[look.curve],
      drawn: look.curve === 'drawn' ? this.tables.curve(look) : null,
      steepness: look.steepness,
      bands: look.bands,
      dither: look.dither,
      blockPx: look.blockPx,
      air: look.rim ? 0 : look.air,
      wrap: look.wrap,
      relief: look.relief,
      shadowLet: shadow.map((v) => 1 + (v - 1) * look.shadowOpacity) as Rgb,
      plane: planeOrder.index.get(fixture.planeId)!,
      spanFar: far,
      spanNear: near,
      feeds: circuits.mask(fixture.circuitIds),
      occluders: NONE,
      throwsShapes: kind.throwsShapes && look.shadows,
      casts: NONE,
    };
    return light;
  }
}

/** Everything that a light is resolved from: what stops it is asked anew. */
function inputsOf(stage: MomentStage, { look, map, x, y, share, wick }: Burning): unknown[] {
  const { scene, settings, space, planeStack: planeOrder, pictureIndex, seconds } = stage;
  const { gobo } = look;
  const goboArt = gobo ? scene.artworks[gobo.artworkId] : null;
  const plays = gobo?.playing && (goboArt?.frames.length ?? 0) > 1;
  const lives = !look.still && (plays || wick) ? seconds : 0;
  return [
    ...[look, map.a, map.b, map.c, map.d, map.e, map.f, x, y, share, wick, lives],
    ...[space, planeOrder, scene.circuits, goboArt, gobo && pictureIndex, gobo && settings.pixelArt],
  ];
}

/** The occluders that may stop a light. */
function stopping(
  { scene }: MomentStage,
  { fixture, wick }: Burning,
  light: MomentLight,
  { occluders, sources }: FoundOccluders,
): number[] {
  const carriers = fixture.blockedByCarrier ? [] : carriersOf(scene, fixture.hangsOn);
  // By its widest reach, so that a trembling one is not stopped by others at every frame.
  const widest = light.reachPx * Math.max(0, (wick?.reachHigh ?? 1) - 1) + (wick ? widestSway(wick) : 0);
  const near = light.source.parallel
    ? null
    : grownBox(withPlace(light.box, light.source), widest + light.size);
  const out: number[] = [];
  occluders.forEach((occluder, index) => {
    const source = sources[index];
    if (!isNamed(fixture, source, occluder.plane, light)) return;
    if (source.spriteId !== null && carriers.includes(source.spriteId)) return;
    if (!near || overlaps(occluder.box, near)) out.push(index);
  });
  return out;
}

/** Whether a light is stopped by an occluder at all: by its planes and sets, or by its span. */
function isNamed(
  { stoppedBy }: Fixture,
  { planeId, setIds }: OccluderSource,
  plane: number,
  { spanFar, spanNear }: MomentLight,
): boolean {
  if (!stoppedBy) return plane >= spanFar && plane <= spanNear;
  return stoppedBy.planeIds.includes(planeId) || setIds.some((id) => stoppedBy.setIds.includes(id));
}

function withPlace({ left, top, right, bottom }: Box, { x, y }: { x: number; y: number }): Box {
  return {
    left: Math.min(left, x),
    top: Math.min(top, y),
    right: Math.max(right, x),
    bottom: Math.max(bottom, y),
  };
}

function overlaps(a: Box, b: Box): boolean {
  return a.left <= b.right && a.right >= b.left && a.top <= b.bottom && a.bottom >= b.top;
}

/** By id, so that their order in the document changes no bit. */
function burningLights({ scene, standing, passing }: MomentStage): Burning[] {
  const out: Burning[] = [];
  const isOn = (id: string, fixture: Fixture) =>
    standing.shows(fixture) && !passing.muted.has(id) && (passing.solo.size === 0 || passing.solo.has(id));
  for (const [id, light] of Object.entries(scene.lights)) {
    if (!isOn(id, light)) continue;
    const map = (light.still ? standing.atRest : standing).ground(light);
    if (!map) continue;
    out.push({
      id,
      phaseId: id,
      fixture: light,
      look: light,
      wick: wickOf(scene, light),
      share: 1,
      map,
      x: light.x,
      y: light.y,
    });
  }
  for (const [id, lamp] of Object.entries(scene.lamps)) {
    if (!isOn(id, lamp)) continue;
    for (const part of lightPartsOf(scene, lamp)) {
      const map = (part.still ? standing.atRest : standing).lamp(lamp);
      if (!map) continue;
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

function wickOf({ wicks }: SceneDocument, { wickId }: { wickId: string | null }): Wick | null {
  return wickId === null ? null : (wicks[wickId] ?? null);
}

/** The indices of the planes that a light reaches. An end whose plane is gone is open. */
function spanOf(
  { spanFarId, spanNearId }: Fixture,
  { index, ids }: PlaneStack,
): { far: number; near: number } {
  const far = (spanFarId === null ? undefined : index.get(spanFarId)) ?? 0;
  const near = (spanNearId === null ? undefined : index.get(spanNearId)) ?? ids.length - 1;
  return { far: Math.min(far, near), near: Math.max(far, near) };
}
