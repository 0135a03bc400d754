/** The lights that burn, as renderers read them. */
import type { Box } from '../geometry/affine';
import { sameItems } from '../same-items';
import { linearInLightSpace, type LightSpace, type Rgb } from '../raster/colour';
import type { Fixture } from '../scene/records/fixture';
import type { FallCurve, LightLook } from '../scene/records/light-look';
import { STEADY, widestSway, type WickOutput } from '../time/wick';
import { BurningLights, type Burning, type Followed } from './burning';
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
import type { MomentStage } from './stage';
import { carriersOf } from './standing';
import { ColourMemory, TableMemory } from './tables';

/** The curves of the document as the numbers of a Moment. */
export const CURVE_NUMBERS: Record<FallCurve, number> = {
  straight: CURVE_STRAIGHT,
  eased: CURVE_EASED,
  natural: CURVE_NATURAL,
  even: CURVE_EVEN,
  drawn: CURVE_DRAWN,
};

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
  private readonly decoded = new ColourMemory();
  private readonly burning = new BurningLights();
  private lastSeconds = NaN;
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
    for (const burning of this.burning.of(stage)) {
      const light = this.light(stage, burning, found, castsIn);
      if (!light) continue;
      lights.push(light);
      lightIds.push(burning.id);
    }
    this.lastSeconds = stage.seconds;
    return { lights, lightIds };
  }

  private light(
    stage: MomentStage,
    burning: Burning,
    found: FoundOccluders,
    castsIn: CastFinder,
  ): MomentLight | null {
    const { id, fixture } = burning;
    // What lives is another at every second: only while time stands still it may be the same.
    if (stage.seconds !== this.lastSeconds && lives(stage, burning))
      return this.stopped(stage, burning, this.resolved(stage, burning), found, castsIn);
    let parts = this.known.get(fixture);
    if (!parts) this.known.set(fixture, (parts = new Map()));
    const last = parts.get(id);
    const of = inputsOf(stage, burning);
    const isSame = last !== undefined && sameItems(last.of, of);
    const light = this.stopped(
      stage,
      burning,
      isSame ? last.light : this.resolved(stage, burning),
      found,
      castsIn,
    );
    if (!isSame || light !== last.light) parts.set(id, { of, light });
    return light;
  }

  /** A light with what stops it, and the shapes that are thrown in it. */
  private stopped(
    stage: MomentStage,
    burning: Burning,
    light: MomentLight | null,
    found: FoundOccluders,
    castsIn: CastFinder,
  ): MomentLight | null {
    const { look } = burning;
    if (light) {
      const stops = look.shadows && light.ambient === 'no' ? stopping(stage, burning, light, found) : NONE;
      const casts = light.throwsShapes ? castsIn(light) : NONE;
      if (!sameItems(light.occluders, stops) || !sameItems(light.casts, casts))
        return { ...light, occluders: stops, casts };
    }
    return light;
  }

  private resolved(stage: MomentStage, burning: Burning) {
    const { look, burn, share, follows, map, x, y } = burning;
    if (follows?.strength === 0) return null;
    const kind: LightKindRecord = LIGHT_KIND_RECORDS[look.kind];
    const alive = burn ? burn(stage.seconds) : STEADY;
    const level = (follows?.level ?? look.level) * (follows?.strength ?? 1) * share * alive.level;
    if (level <= 0 && !kind.darkens(look)) return null;
    const shape = kind.shape(
      this.parts.placed(stage, look, map, x + alive.swayX, y + alive.swayY, alive.reach, follows),
    );
    if (!shape) return null;
    const { space } = stage;
    const { far, near, plane, feeds } = burning.wiring;
    const isAmbient = shape.ambient !== 'no';
    const { own, shadowLet } = burning.paint;
    const isOwn = alive.colour === null && !follows?.colour;
    const colour = isOwn ? own : this.colourOf(look, follows, alive, space);
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
      groundSource: shape.groundSource,
      size: shape.size,
      box: shape.box,
      blend: isAmbient ? 'add' : look.blend,
      rim: look.rim && !isAmbient,
      rgb: [colour[0] * level, colour[1] * level, colour[2] * level],
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
      shadowLet,
      plane,
      spanFar: far,
      spanNear: near,
      feeds,
      occluders: NONE,
      throwsShapes: kind.throwsShapes && look.shadows,
      casts: NONE,
    };
    return light;
  }

  /** A light's colour in the light space as its wick, or the day, makes it. */
  private colourOf(
    look: LightLook,
    follows: Followed | null,
    { colour }: WickOutput,
    space: LightSpace,
  ): Rgb {
    const own = follows?.colour ?? this.decoded.of(look.colour, 'linear');
    return linearInLightSpace(colour ? colour(own) : own, space);
  }
}

/** Whether a light changes by itself where it stands. */
function lives({ scene }: MomentStage, { burn, look: { still, gobo } }: Burning): boolean {
  if (burn) return true;
  if (still) return false;
  return gobo !== null && gobo.playing && (scene.artworks[gobo.artworkId]?.frames.length ?? 0) > 1;
}

/** Everything that a light is resolved from: what stops it is asked anew. */
function inputsOf(stage: MomentStage, burning: Burning): unknown[] {
  const { look, map, x, y, share, wick, follows } = burning;
  const { scene, settings, space, planeStack: planeOrder, pictureIndex, seconds } = stage;
  const { gobo } = look;
  const goboArt = gobo ? scene.artworks[gobo.artworkId] : null;
  const sky = follows && [...follows.toward, follows.strength, follows.level, ...(follows.colour ?? [null])];
  return [
    ...(sky ?? []),
    ...[
      look,
      map.a,
      map.b,
      map.c,
      map.d,
      map.e,
      map.f,
      x,
      y,
      share,
      wick,
      lives(stage, burning) ? seconds : 0,
    ],
    ...[space, planeOrder, scene.circuits, goboArt, gobo && pictureIndex, gobo && settings.pixelArt],
    settings.viewTiltDeg,
  ];
}

/** The occluders that may stop a light. */
function stopping(
  { scene, settings }: MomentStage,
  { fixture, wick, follows }: Burning,
  light: MomentLight,
  found: FoundOccluders,
): readonly number[] {
  const { occluders, sources } = found;
  if (occluders.length === 0) return NONE;
  const carriers = fixture.blockedByCarrier ? [] : carriersOf(scene, fixture.hangsOn);
  // By its widest reach, so that a trembling one is not stopped by others at every frame.
  const widest = light.reachPx * Math.max(0, (wick?.reachHigh ?? 1) - 1) + (wick ? widestSway(wick) : 0);
  const near = light.source.parallel
    ? null
    : grownBox(withPlace(light.box, light.source), widest + light.size);
  // Seen from the side there is no ground on which what has a stature could throw its shadow.
  const hasGround = !follows || settings.viewTiltDeg > 0;
  const out: number[] = [];
  const look = (index: number) => {
    const occluder = occluders[index];
    if (!hasGround && occluder.staturePx !== null) return;
    const source = sources[index];
    if (!isNamed(fixture, source, occluder.plane, light)) return;
    if (source.spriteId !== null && carriers.includes(source.spriteId)) return;
    if (!near || overlaps(occluder.box, near)) out.push(index);
  };
  const within = near && found.near(near);
  if (within) within.forEach(look);
  else occluders.forEach((_, index) => look(index));
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
