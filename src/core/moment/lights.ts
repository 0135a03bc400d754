/** The lights that burn: those of the scene, and those of placed lamps. */
import type { Affine, Box } from '../geometry/affine';
import { sameItems } from '../same-items';
import { hexInLightSpace, type LightSpace, type Rgb } from '../raster/colour';
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
import { figureOf, grown } from './light-figure';
import {
  CURVE_DRAWN,
  CURVE_EASED,
  CURVE_EVEN,
  CURVE_NATURAL,
  CURVE_STRAIGHT,
  TABLE_SIZE,
  type MomentLight,
} from './moment';
import type { FoundOccluders, OccluderSource } from './occluders';
import type { Passing } from './passing';
import { carriersOf, groundMap, isShown, lampAffine } from './standing';
import { curveTable, stopsTable } from './tables';

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
  map: Affine | null;
  x: number;
  y: number;
}

export interface Lighting {
  scene: SceneDocument;
  planeIndex: ReadonlyMap<string, number>;
  pictureIndex: ReadonlyMap<string, number>;
  seconds: number;
  passing: Passing;
}

/** The lights that burn, by id, and their ids. */
export function lightsOf(
  lighting: Lighting,
  found: FoundOccluders,
): { lights: MomentLight[]; lightIds: string[] } {
  const { scene, seconds, passing } = lighting;
  const lights: MomentLight[] = [];
  const lightIds: string[] = [];
  for (const burning of burningLights(scene, seconds, passing)) {
    const light = remembered(lighting, burning, found);
    if (!light) continue;
    lights.push(light);
    lightIds.push(burning.id);
  }
  return { lights, lightIds };
}

interface Known {
  of: readonly unknown[];
  light: MomentLight | null;
}

/** The last light of each fixture's part: while nothing of it changed it is the same object, as renderers keep by. */
const known = new WeakMap<Fixture, Map<string, Known>>();

function remembered(lighting: Lighting, burning: Burning, found: FoundOccluders): MomentLight | null {
  const { scene, pictureIndex, planeIndex, seconds } = lighting;
  const { id, fixture, look, map, x, y, share, wick } = burning;
  const at = map && [map.a, map.b, map.c, map.d, map.e, map.f];
  const plays = look.gobo?.playing && (scene.artworks[look.gobo.artworkId]?.frames.length ?? 0) > 1;
  const lives = plays || (wick && !look.still) ? seconds : 0;
  const { lightSpace, viewTiltDeg } = settingsOf(scene);
  const of = [
    look,
    ...(at ?? [null]),
    ...[x, y, share, wick, lives, lightSpace, viewTiltDeg, scene.artworks, scene.circuits, pictureIndex],
    ...planeIndex.keys(),
    // Shapes are told to their lights anew at every Moment.
    look.kind === 'sun' ? {} : null,
  ];
  let parts = known.get(fixture);
  if (!parts) known.set(fixture, (parts = new Map()));
  const last = parts.get(id);
  const isSame = last !== undefined && sameItems(last.of, of);
  const light = isSame ? last.light : resolved(lighting, burning);
  const stops = light && look.shadows && light.ambient === 'no' ? stopping(scene, burning, light, found) : [];
  if (light && !sameItems(light.occluders, stops)) {
    const stopped = { ...light, occluders: stops };
    parts.set(id, { of, light: stopped });
    return stopped;
  }
  if (!isSame) parts.set(id, { of, light });
  return light;
}

/** The occluders that may stop a light. */
function stopping(
  scene: SceneDocument,
  { fixture, wick }: Burning,
  light: MomentLight,
  { occluders, sources }: FoundOccluders,
): number[] {
  const carriers = fixture.blockedByCarrier ? [] : carriersOf(scene, fixture.hangsOn);
  // By its widest reach, so that a trembling one is not stopped by others at every frame.
  const widest = light.reachPx * Math.max(0, (wick?.reachHigh ?? 1) - 1);
  const near = light.source.parallel ? null : grown(withPlace(light.box, light.source), widest + light.size);
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
function burningLights(scene: SceneDocument, seconds: number, passing: Passing): Burning[] {
  const out: Burning[] = [];
  const isOn = (id: string, fixture: Fixture) =>
    isShown(scene, fixture) && !passing.muted.has(id) && (passing.solo.size === 0 || passing.solo.has(id));
  for (const [id, light] of Object.entries(scene.lights)) {
    if (!isOn(id, light)) continue;
    const wick = light.wickId === null ? null : (scene.wicks[light.wickId] ?? null);
    const map = groundMap(scene, light, light.still ? 0 : seconds);
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
  { scene, planeIndex, pictureIndex, seconds }: Lighting,
  { phaseId, fixture, look, wick, share, map, x, y }: Burning,
): MomentLight | null {
  const alive = wick && !look.still ? wickAt(wick, phaseId, seconds) : { level: 1, reach: 1 };
  const level = look.level * share * alive.level;
  // Darkness that takes the place of the scene's ambient light is light of level 0.
  const darkens = look.kind === 'ambient' && look.replaces;
  if ((level <= 0 && !darkens) || !map) return null;
  const figure = figureOf(scene, look, map, x, y, alive.reach, seconds, pictureIndex);
  if (!figure || isSunk(figure)) return null;
  const { far, near } = spanOf(fixture, planeIndex);
  const space = settingsOf(scene).lightSpace;
  const shadow = hexInLightSpace(look.shadowColour, space);
  return {
    ...figure,
    ambient: look.kind !== 'ambient' ? 'no' : look.replaces ? 'instead' : 'added',
    blend: look.kind === 'ambient' ? 'add' : look.blend,
    rim: look.rim && look.kind !== 'ambient',
    rgb: hexInLightSpace(look.colour, space).map((v) => v * level) as Rgb,
    stops: look.stops.length === 0 ? null : levelled(look, level, space),
    squash: look.squash,
    curve: CURVE_NUMBERS[look.curve],
    drawn: look.curve === 'drawn' ? curveTable(look.drawnCurve) : null,
    steepness: look.steepness,
    bands: look.bands,
    dither: look.dither,
    blockPx: look.blockPx,
    air: look.rim ? 0 : look.air,
    wrap: look.wrap,
    relief: look.relief,
    shadowLet: shadow.map((v) => 1 + (v - 1) * look.shadowOpacity) as Rgb,
    plane: planeIndex.get(fixture.planeId)!,
    spanFar: far,
    spanNear: near,
    feeds: circuitMask(scene, fixture.circuitIds),
    occluders: [],
    throwsShapes: look.kind === 'sun' && look.shadows,
    casts: [],
  };
}

/** A parallel source below the picture's plane gives nothing. */
function isSunk({ figure, source }: Pick<MomentLight, 'figure' | 'source'>): boolean {
  return figure === 'even' && source.parallel && source.z <= 0;
}

const levelledTables = new WeakMap<Float32Array, { level: number; table: Float32Array }>();

/** The colours of stops times the level; the same array while neither changes. */
function levelled({ colour, stops }: LightLook, level: number, space: LightSpace): Float32Array {
  const table = stopsTable(colour, stops, space);
  const known = levelledTables.get(table);
  if (known?.level === level) return known.table;
  const out = new Float32Array(3 * TABLE_SIZE);
  for (let i = 0; i < out.length; i++) out[i] = table[i] * level;
  levelledTables.set(table, { level, table: out });
  return out;
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
