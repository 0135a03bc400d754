/**
 * What a kind of light is: what its fields come to where it stands. A kind is one record in one file, listed in
 * all-kinds.ts; nothing else of the core knows a kind by its name.
 */
import { applyTo, type Affine, type Box } from '../../geometry/affine';
import { cos, RADIANS_PER_DEGREE, sin, tan } from '../../geometry/exact';
import type { SkyLight } from '../../time/sky';
import type { Followed } from '../../time/sky-fields';
import { groundSource } from '../ground';
import type { MomentArea, MomentCone, MomentGobo, MomentLight, MomentSource } from '../moment';

/** The part of a light that its kind decides. */
export type LightShape = Pick<
  MomentLight,
  | 'figure'
  | 'ambient'
  | 'x'
  | 'y'
  | 'corePx'
  | 'reachPx'
  | 'cone'
  | 'area'
  | 'gobo'
  | 'source'
  | 'groundSource'
  | 'size'
  | 'box'
>;

/** The fields of a light that kinds read; see core/scene/records/light-look.ts. */
export interface KindFields {
  replaces: boolean;
  corePx: number;
  reachPx: number;
  squash: number;
  heightPx: number;
  bearingDeg: number;
  altitudeDeg: number;
  follows: Followed;
  beamDeg: number;
  fieldDeg: number;
  outlines: readonly (readonly number[])[];
  featherPx: number;
  turnDeg: number;
  source: 'point' | 'parallel';
  sourceX: number;
  sourceY: number;
  sizePx: number;
  sizeDeg: number;
}

/** A light where it stands. */
export interface PlacedLight {
  fields: KindFields;
  /** From where its place is counted to the scene. */
  map: Affine;
  /** Its place there, and in the scene. */
  x: number;
  y: number;
  sceneX: number;
  sceneY: number;
  /** What it follows of the sky; null where it goes by its own bearing and altitude. */
  sky: SkyLight | null;
  viewTiltDeg: number;
  /** Multiplies its reach, by its wick. */
  reachShare: number;
  /** Its outlines in the scene and the box around them; null where they enclose nothing. */
  area(): { area: MomentArea; box: Box } | null;
  /** Its gobo, turned, and the box that it fills; null where it has none that can be shown. */
  gobo(turnDeg: number): { gobo: MomentGobo; box: Box } | null;
}

export interface LightKindRecord {
  /** Standing sprites throw their shape in it. */
  throwsShapes: boolean;
  /** Whether its light comes from one direction, so that it can follow the sun or the moon. */
  isParallel(fields: KindFields): boolean;
  /** Whether even at level 0 it changes the picture. */
  darkens(fields: KindFields): boolean;
  /** @returns null where it gives nothing at all */
  shape(light: PlacedLight): LightShape | null;
}

const EVERYWHERE: Box = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

/** What kinds without a figure of their own have in common. */
export function plainShape(
  { sceneX, sceneY, fields, viewTiltDeg }: PlacedLight,
  source: MomentSource,
): LightShape {
  return {
    figure: 'even',
    ambient: 'no',
    x: sceneX,
    y: sceneY,
    corePx: fields.corePx,
    reachPx: Math.max(1, fields.corePx, fields.reachPx),
    cone: null,
    area: null,
    gobo: null,
    source,
    groundSource: groundSource(source, viewTiltDeg),
    size: sizeOf(source, fields),
    box: EVERYWHERE,
  };
}

/** A figure round the light's place, cut to what its gobo fills. */
export function roundShape(light: PlacedLight, goboTurnDeg: number): LightShape {
  const { fields, sceneX: x, sceneY: y, reachShare } = light;
  const reachPx = Math.max(1, fields.corePx, fields.reachPx * reachShare);
  const gobo = light.gobo(goboTurnDeg);
  const across = reachPx / fields.squash;
  const box = { left: x - reachPx, top: y - across, right: x + reachPx, bottom: y + across };
  const shape = plainShape(light, ownPlace(light));
  shape.figure = 'round';
  shape.reachPx = reachPx;
  shape.gobo = gobo && gobo.gobo;
  shape.box = gobo ? overlapOf(box, gobo.box) : box;
  return shape;
}

/** A figure by the distance from outlines: their feather is how far it reaches. Null where they enclose nothing. */
export function areaShape(light: PlacedLight, source: MomentSource): LightShape | null {
  const found = light.area();
  if (!found) return null;
  const { featherPx } = light.fields;
  return {
    ...plainShape(light, source),
    figure: 'area',
    corePx: 0,
    reachPx: featherPx,
    area: found.area,
    box: grownBox(found.box, featherPx),
  };
}

/** A direction of the light's own as a unit vector of the scene. */
export function directionOf({ a, b, c, d }: Affine, degrees: number): [number, number] {
  const [u, v] = [cos(degrees * RADIANS_PER_DEGREE), sin(degrees * RADIANS_PER_DEGREE)];
  const [x, y] = [a * u + c * v, b * u + d * v];
  const length = Math.sqrt(x * x + y * y);
  return length > 0 ? [x / length, y / length] : [1, 0];
}

export function coneOf({ fields: { bearingDeg, beamDeg, fieldDeg }, map }: PlacedLight): MomentCone {
  const [x, y] = directionOf(map, bearingDeg);
  const half = RADIANS_PER_DEGREE / 2;
  return { x, y, beam: beamDeg * half, field: Math.max(beamDeg, fieldDeg) * half };
}

/** It shines from where it is. */
export function ownPlace({ sceneX, sceneY, fields }: PlacedLight): MomentSource {
  return { parallel: false, x: sceneX, y: sceneY, heightPx: fields.heightPx };
}

/** It shines from one direction everywhere. */
export function parallelSource({ map, sky, fields: { bearingDeg, altitudeDeg } }: PlacedLight): MomentSource {
  if (sky) return { parallel: true, x: sky.toward[0], y: sky.toward[1], z: sky.toward[2] };
  const [dx, dy] = directionOf(map, bearingDeg);
  const altitude = altitudeDeg * RADIANS_PER_DEGREE;
  const planar = cos(altitude);
  return { parallel: true, x: dx * planar, y: dy * planar, z: sin(altitude) };
}

/** It has a source of its own: a place behind it, or a direction. */
export function ownSource(light: PlacedLight): MomentSource {
  const { map, x, y, fields } = light;
  if (fields.source === 'parallel') return parallelSource(light);
  const [sx, sy] = applyTo(map, x + fields.sourceX, y + fields.sourceY);
  return { parallel: false, x: sx, y: sy, heightPx: fields.heightPx };
}

function sizeOf({ parallel }: MomentSource, { sizeDeg, sizePx }: KindFields): number {
  return parallel ? tan(sizeDeg * RADIANS_PER_DEGREE) : sizePx;
}

export function grownBox({ left, top, right, bottom }: Box, by: number): Box {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

function overlapOf(a: Box, b: Box): Box {
  return {
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  };
}
