/**
 * `scene -> momentAt -> Moment`: resolves everything that depends on time, cues, wicks, planes and the gate. Pure: what
 * is remembered from call to call changes nothing but the time it takes, and the order of records in the document
 * changes no bit of what comes out.
 */
import { exp } from '../geometry/exact';
import { hexInLightSpace, srgbEncode, type LightSpace, type Rgb } from '../raster/colour';
import { compare, inOrder, settingsOf, type SceneDocument, type SceneSettings } from '../scene/document';
import { ambientAt } from '../time/cues';
import { castsOf } from './casts';
import { drawOrder } from './draw-order';
import { layersOf, type Resolving } from './layers';
import { lightsOf } from './lights';
import type { Moment, MomentFinish, MomentPicture, View } from './moment';
import { occludersOf } from './occluders';
import type { Passing } from './passing';
import { parallaxShift } from './standing';

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

export function momentAt(
  kept: SceneDocument,
  clockHours: number,
  seconds: number,
  passing: Passing,
  view: View,
): Moment {
  const scene = withSolo(kept, passing.soloPlanes);
  const settings = settingsOf(scene);
  const space = settings.lightSpace;
  const planes = inOrder(scene.planes);
  const planeIndex = new Map(planes.map(([id], index) => [id, index]));
  const { pictures, pictureIndex } = picturesOf(scene.artworks);
  const order = drawOrder(scene);
  const found =
    passing.unlit || !passing.shadows
      ? { occluders: [], sources: [] }
      : occludersOf(scene, planeIndex, order, seconds);
  const ambient = ambientAt(scene, clockHours);
  const resolving: Resolving = { scene, seconds, space, pictureIndex, passing };
  const lighting = { scene, planeIndex, pictureIndex, seconds, passing };
  const { lights, lightIds } = passing.unlit ? { lights: [], lightIds: [] } : lightsOf(lighting, found);
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
    finish: finishOf(settings),
    planes: planes.map(([planeId, plane]) => {
      const [originX, originY] = parallaxShift(scene, plane);
      return {
        tint: hexInLightSpace(plane.tint, space),
        originX,
        originY,
        overlay: plane.overlay,
        layers: plane.hidden ? [] : layersOf(resolving, planeId, plane, order.get(planeId) ?? []),
      };
    }),
    lights,
    lightIds,
    occluders: found.occluders,
    casts: passing.shadows ? castsOf(lighting, lights) : [],
    pictures,
  };
}

function finishOf({ exposureStops, tone, whiteLevel }: SceneSettings): MomentFinish {
  return { exposure: exp(exposureStops * LN2), whiteLevel: tone === 'shoulder' ? whiteLevel : 0 };
}

const LN2 = 0.6931471805599453;

let lastSolo: {
  planes: SceneDocument['planes'];
  solo: ReadonlySet<string>;
  shown: SceneDocument['planes'];
} | null = null;

/** The scene with all planes hidden but those that are looked at alone. */
function withSolo(scene: SceneDocument, solo: ReadonlySet<string>): SceneDocument {
  const { planes } = scene;
  if (![...solo].some((id) => planes[id])) return scene;
  if (lastSolo?.planes !== planes || lastSolo.solo !== solo) {
    const shown = Object.entries(planes).map(([id, plane]) => [
      id,
      solo.has(id) || plane.hidden ? plane : { ...plane, hidden: true },
    ]);
    lastSolo = { planes, solo, shown: Object.fromEntries(shown) };
  }
  return { ...scene, planes: lastSolo.shown };
}

interface Pictures {
  pictures: MomentPicture[];
  pictureIndex: ReadonlyMap<string, number>;
}

const knownPictures = new WeakMap<SceneDocument['artworks'], Pictures>();

function picturesOf(artworks: SceneDocument['artworks']): Pictures {
  let known = knownPictures.get(artworks);
  if (!known) {
    const ids = Object.keys(artworks).sort(compare);
    const pictures = ids.map((key) => {
      const { widthPx, heightPx } = artworks[key];
      return { key, widthPx, heightPx };
    });
    known = { pictures, pictureIndex: new Map(ids.map((id, index) => [id, index])) };
    knownPictures.set(artworks, known);
  }
  return known;
}

function scaled([r, g, b]: Rgb, by: number): Rgb {
  return [r * by, g * by, b * by];
}

function linearInLightSpace([r, g, b]: Rgb, space: LightSpace): Rgb {
  return space === 'linear' ? [r, g, b] : [srgbEncode(r), srgbEncode(g), srgbEncode(b)];
}
