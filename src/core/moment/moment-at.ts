/**
 * `scene -> momentAt -> Moment`: resolves everything that depends on time, cues, wicks, planes and the gate. Pure;
 * the order of records in the document changes no bit of what comes out.
 */
import { frameAt, frameOf, rectOf } from '../art/frames';
import { affineOf, inverse, mappedBox, moved, normalMatrix, type Affine, type Box } from '../geometry/affine';
import { hexInLightSpace, srgbEncode, type LightSpace, type Rgb } from '../raster/colour';
import {
  compare,
  inOrder,
  settingsOf,
  type ArtworkFrame,
  type FallCurve,
  type Light,
  type Plane,
  type SceneDocument,
  type Sprite,
} from '../scene/document';
import { ambientAt } from '../time/cues';
import { wickAt } from '../time/wick';
import {
  CURVE_EASED,
  CURVE_EVEN,
  CURVE_NATURAL,
  CURVE_STRAIGHT,
  type Moment,
  type MomentLayer,
  type MomentLight,
  type MomentOccluder,
  type MomentPicture,
  type MomentSprite,
  type View,
} from './moment';
import { occluderEdges } from './occluder-edges';
import type { Passing } from './passing';

/** The curves of the document as the numbers of a Moment. */
export const CURVE_NUMBERS: Record<FallCurve, number> = {
  straight: CURVE_STRAIGHT,
  eased: CURVE_EASED,
  natural: CURVE_NATURAL,
  even: CURVE_EVEN,
};

/** The view that shows just the gate, `outputPerScenePx` times as large. */
export function gateView(scene: SceneDocument, outputPerScenePx = 1): View {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  return {
    x: gateX,
    y: gateY,
    widthPx: Math.round(gateWidthPx * outputPerScenePx),
    heightPx: Math.round(gateHeightPx * outputPerScenePx),
    outputPerScenePx,
  };
}

/** How far a plane is pushed from its place in the scene, so that it stands right for the gate's place. */
export function parallaxShift(scene: SceneDocument, plane: Pick<Plane, 'parallax'>): [number, number] {
  const { gateX, gateY } = settingsOf(scene);
  return [gateX * (1 - plane.parallax), gateY * (1 - plane.parallax)];
}

/** A sprite's map from px of its figure to the scene, with its plane's parallax. */
export function spriteAffine(scene: SceneDocument, sprite: Sprite): Affine | null {
  const artwork = scene.artworks[sprite.artworkId];
  const plane = scene.planes[sprite.planeId];
  if (!artwork || !plane) return null;
  const [dx, dy] = parallaxShift(scene, plane);
  return affineOf({ ...sprite, x: sprite.x + dx, y: sprite.y + dy }, artwork.pivotX, artwork.pivotY);
}

/** The frame that a sprite shows, and the map from its px to the scene; null where the sprite stands nowhere. */
export function spriteShown(
  scene: SceneDocument,
  sprite: Sprite,
  seconds: number,
): { frame: ArtworkFrame; map: Affine } | null {
  const figure = spriteAffine(scene, sprite);
  if (!figure) return null;
  const artwork = scene.artworks[sprite.artworkId];
  const frame = frameOf(artwork, sprite.frame + (sprite.playing ? frameAt(artwork, seconds) : 0));
  return { frame, map: moved(figure, frame.shiftX, frame.shiftY) };
}

export function momentAt(
  scene: SceneDocument,
  clockHours: number,
  seconds: number,
  passing: Passing,
  view: View,
): Moment {
  const settings = settingsOf(scene);
  const space = settings.lightSpace;
  const planes = inOrder(scene.planes);
  const planeIndex = new Map(planes.map(([id], index) => [id, index]));
  const { pictures, pictureIndex } = picturesOf(scene);
  const occluders = passing.unlit || !passing.shadows ? [] : occludersOf(scene, planeIndex);
  const ambient = ambientAt(scene, clockHours);
  const sprites = spritesByPlane(scene);
  const resolving: Resolving = { scene, seconds, pictureIndex, passing };
  return {
    clockHours,
    seconds,
    lightSpace: space,
    pixelArt: settings.pixelArt,
    gate: {
      left: settings.gateX,
      top: settings.gateY,
      right: settings.gateX + settings.gateWidthPx,
      bottom: settings.gateY + settings.gateHeightPx,
    },
    view,
    backdrop: { colour: hexInLightSpace(settings.backdropColour, space), lit: settings.backdropLit },
    ambient: scaled(linearInLightSpace(ambient.linear, space), ambient.level),
    workLamp: [passing.workLamp, passing.workLamp, passing.workLamp],
    unlit: passing.unlit,
    planes: planes.map(([planeId, plane]) => ({
      tint: hexInLightSpace(plane.tint, space),
      layers: plane.hidden ? [] : layersOf(resolving, plane, sprites.get(planeId) ?? []),
    })),
    lights: passing.unlit ? [] : lightsOf(scene, planeIndex, occluders, seconds, passing),
    occluders,
    pictures,
  };
}

function picturesOf(scene: SceneDocument): { pictures: MomentPicture[]; pictureIndex: Map<string, number> } {
  const ids = Object.keys(scene.artworks).sort(compare);
  const pictures = ids.map((key) => {
    const { widthPx, heightPx } = scene.artworks[key];
    return { key, widthPx, heightPx };
  });
  return { pictures, pictureIndex: new Map(ids.map((id, index) => [id, index])) };
}

/** The sprites that show, by the plane that they stand on, in drawing order. */
function spritesByPlane(scene: SceneDocument): Map<string, Sprite[]> {
  const planes = new Map<string, Sprite[]>();
  for (const [, sprite] of inOrder(scene.sprites)) {
    if (sprite.hidden) continue;
    const own = planes.get(sprite.planeId);
    if (own) own.push(sprite);
    else planes.set(sprite.planeId, [sprite]);
  }
  return planes;
}

interface Resolving {
  scene: SceneDocument;
  seconds: number;
  pictureIndex: Map<string, number>;
  passing: Passing;
}

function layersOf(resolving: Resolving, plane: Plane, sprites: readonly Sprite[]): MomentLayer[] {
  const layers: MomentLayer[] = [];
  for (const sprite of sprites) {
    const resolved = spriteOf(resolving, plane, sprite);
    if (!resolved) continue;
    const last = layers.at(-1);
    if (last && last.takesShadows === sprite.takesShadows) last.sprites.push(resolved);
    else layers.push({ takesShadows: sprite.takesShadows, sprites: [resolved] });
  }
  return layers;
}

function spriteOf(
  { scene, seconds, pictureIndex, passing }: Resolving,
  plane: Plane,
  sprite: Sprite,
): MomentSprite | null {
  const shown = sprite.opacity > 0 ? spriteShown(scene, sprite, seconds) : null;
  const back = shown && inverse(shown.map);
  if (!shown || !back) return null;
  const { frame, map: forward } = shown;
  return {
    picture: pictureIndex.get(sprite.artworkId)!,
    frame: rectOf(frame),
    opacity: sprite.opacity,
    forward,
    inverse: back,
    box: mappedBox(forward, frame.widthPx, frame.heightPx),
    normal: passing.relief && scene.reliefs[sprite.artworkId] ? normalMatrix(forward) : null,
    selfLit: (sprite.answer ?? plane.answer) === 'self-lit',
    glowLevel: sprite.glowLevel,
  };
}

function occludersOf(scene: SceneDocument, planeIndex: Map<string, number>): MomentOccluder[] {
  const out: MomentOccluder[] = [];
  for (const [, occluder] of byId(scene.occluders)) {
    const sprite = occluder.spriteId === null ? null : scene.sprites[occluder.spriteId];
    const planeId = sprite ? sprite.planeId : occluder.planeId;
    const plane = scene.planes[planeId];
    if (sprite === undefined || !plane || occluder.hidden || plane.hidden || sprite?.hidden) continue;
    const [dx, dy] = parallaxShift(scene, plane);
    const map = sprite ? spriteAffine(scene, sprite) : { a: 1, b: 0, c: 0, d: 1, e: dx, f: dy };
    const edges = map && occluderEdges(occluder, map);
    if (!edges || edges.length === 0) continue;
    out.push({
      plane: planeIndex.get(planeId)!,
      closed: occluder.kind === 'closed',
      ownDark: occluder.kind === 'closed' && occluder.ownShade === 'dark',
      edges,
      box: boxOfEdges(edges),
    });
  }
  return out;
}

function boxOfEdges(edges: Float64Array): Box {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (let i = 0; i < edges.length; i += 2) {
    box.left = Math.min(box.left, edges[i]);
    box.right = Math.max(box.right, edges[i]);
    box.top = Math.min(box.top, edges[i + 1]);
    box.bottom = Math.max(box.bottom, edges[i + 1]);
  }
  return box;
}

function lightsOf(
  scene: SceneDocument,
  planeIndex: Map<string, number>,
  occluders: readonly MomentOccluder[],
  seconds: number,
  passing: Passing,
): MomentLight[] {
  const space = settingsOf(scene).lightSpace;
  const out: MomentLight[] = [];
  for (const [id, light] of byId(scene.lights)) {
    const plane = scene.planes[light.planeId];
    if (!plane || plane.hidden || light.hidden || passing.muted.has(id)) continue;
    if (passing.solo.size > 0 && !passing.solo.has(id)) continue;
    const wick = light.wickId === null ? undefined : scene.wicks[light.wickId];
    const alive = wick ? wickAt(wick, id, seconds) : { level: 1, reach: 1 };
    const level = light.level * alive.level;
    if (level <= 0) continue;
    const [dx, dy] = parallaxShift(scene, plane);
    const { far, near } = spanOf(light, planeIndex);
    out.push({
      x: light.x + dx,
      y: light.y + dy,
      rgb: scaled(hexInLightSpace(light.colour, space), level),
      corePx: light.corePx,
      reachPx: Math.max(1, light.corePx, light.reachPx * alive.reach),
      curve: CURVE_NUMBERS[light.curve],
      steepness: light.steepness,
      heightPx: light.heightPx,
      air: light.air,
      relief: light.relief,
      plane: planeIndex.get(light.planeId)!,
      spanFar: far,
      spanNear: near,
      occluders: light.shadows
        ? occluders.flatMap((occluder, index) =>
            occluder.plane >= far && occluder.plane <= near ? [index] : [],
          )
        : [],
    });
  }
  return out;
}

/** The indices of the planes that a light reaches. An end whose plane is gone is open. */
function spanOf(light: Light, planeIndex: Map<string, number>): { far: number; near: number } {
  const far = (light.spanFarId === null ? undefined : planeIndex.get(light.spanFarId)) ?? 0;
  const near =
    (light.spanNearId === null ? undefined : planeIndex.get(light.spanNearId)) ?? planeIndex.size - 1;
  return { far: Math.min(far, near), near: Math.max(far, near) };
}

function byId<T>(records: Record<string, T>): [string, T][] {
  return Object.entries(records).sort(([i], [j]) => compare(i, j));
}

function scaled([r, g, b]: Rgb, by: number): Rgb {
  return [r * by, g * by, b * by];
}

function linearInLightSpace([r, g, b]: Rgb, space: LightSpace): Rgb {
  return space === 'linear' ? [r, g, b] : [srgbEncode(r), srgbEncode(g), srgbEncode(b)];
}
