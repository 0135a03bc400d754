/**
 * The Relief bench's own view: one artwork under the hand lamp. It is a little scene with one sprite and a light or
 * two, drawn by the same renderer as the stage, so that what is judged here is what the stage will show.
 */
import { momentAt } from '@/core/moment/moment-at';
import type { PicturePixels } from '@/core/moment/moment';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { recipeWith } from '@/core/relief/recipe';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import type { Artwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newRelief } from '@/core/scene/records/relief';
import { newSprite } from '@/core/scene/records/sprite';
import type { LightSpace } from '@/core/raster/colour';
import type { ReliefView } from '../store/relief-bench';

export interface HandLamp {
  x: number;
  y: number;
  heightPx: number;
  colour: string;
  /** As a multiple of the art's longer side. */
  reach: number;
  /** A second light that stands still, from the other side. */
  second: boolean;
}

const HAND_AMBIENT = 0.12;
const SECOND_COLOUR = '#8fb4d9';
const SECOND_LEVEL = 0.7;
/** The relief is there by its normals; of its recipe nothing is asked. */
const SOME_RELIEF = newRelief({ recipe: recipeWith({}) });

export function handScene(id: string, artwork: Artwork, lamp: HandLamp, space: LightSpace): SceneDocument {
  const { widthPx, heightPx, pixelArt } = artwork;
  const scene = newScene({
    pixelArt,
    lightSpace: space,
    backdropColour: '#0c0c0d',
    backdropLit: false,
    ambientColour: '#ffffff',
    ambientLevel: HAND_AMBIENT,
    gateWidthPx: widthPx,
    gateHeightPx: heightPx,
  });
  scene.artworks[id] = { ...artwork, pivotX: 0, pivotY: 0 };
  scene.reliefs[id] = SOME_RELIEF;
  scene.sprites.art = newSprite({ name: '', planeId: 'plane-middle', order: 'a', artworkId: id, x: 0, y: 0 });
  const reachPx = Math.max(8, Math.max(widthPx, heightPx) * lamp.reach);
  const light = {
    name: '',
    planeId: 'plane-middle',
    corePx: 0,
    reachPx,
    curve: 'eased',
    shadows: false,
  } as const;
  scene.lights.hand = newLight({
    ...light,
    order: 'a',
    x: lamp.x,
    y: lamp.y,
    colour: lamp.colour,
    heightPx: lamp.heightPx,
    level: 1.6,
  });
  if (lamp.second) {
    scene.lights.second = newLight({
      ...light,
      order: 'b',
      x: widthPx * 0.08,
      y: heightPx * 0.9,
      colour: SECOND_COLOUR,
      heightPx: lamp.heightPx,
      level: SECOND_LEVEL,
    });
  }
  return scene;
}

export function handMoment(scene: SceneDocument, view: ReliefView, place: Parameters<typeof momentAt>[4]) {
  return momentAt(scene, 12, 0, { ...NOTHING_PASSING, unlit: view !== 'lit' }, place);
}

/** The maps of a relief that views show beside normals. */
export interface ViewedMaps {
  heights: Float32Array | null;
  rim: Uint8Array | null;
  occlusion: Uint8Array | null;
  glow: Uint8Array | null;
}

/** The pixels that a view shows: the art itself, its normals as colours, its height and masks as grey. */
export function viewedPixels(view: ReliefView, pixels: PicturePixels, maps: ViewedMaps): PicturePixels {
  if (view === 'lit') return pixels;
  if (view === 'art') return { ...pixels, normal: null, glow: null, rim: null };
  const { width, height } = pixels;
  const rgba = new Uint8Array(pixels.rgba.length);
  const grey = view === 'normals' ? null : greyOf(view, maps);
  for (let i = 0; i < rgba.length; i += 4) {
    rgba[i + 3] = pixels.rgba[i + 3];
    if (view === 'normals') {
      for (let c = 0; c < 3; c++) rgba[i + c] = pixels.normal ? pixels.normal[i + c] : FLAT[c];
    } else if (grey) rgba.fill(grey[i >> 2], i, i + 3);
  }
  return { width, height, rgba, normal: null, glow: null, rim: null };
}

const FLAT = [128, 128, 255];

function greyOf(view: 'height' | 'rim' | 'occlusion' | 'glow', maps: ViewedMaps): Uint8Array | null {
  if (view !== 'height') return maps[view];
  const { heights } = maps;
  if (!heights) return null;
  const [low, high] = rangeOf(heights);
  const grey = new Uint8Array(heights.length);
  for (let i = 0; i < grey.length; i++) grey[i] = (255 * (heights[i] - low)) / (high - low) + 0.5;
  return grey;
}

/** Lowest and highest height, at least one px apart. */
export function rangeOf(heights: ArrayLike<number> | null): [number, number] {
  let [low, high] = [0, 0];
  if (heights) {
    for (let i = 0; i < heights.length; i++) {
      const h = heights[i];
      if (h < low) low = h;
      if (h > high) high = h;
    }
  }
  return [low, Math.max(high, low + 1)];
}
