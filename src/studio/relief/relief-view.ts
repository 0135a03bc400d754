/**
 * The Relief bench's own view: one artwork under the hand lamp. It is a little scene with one sprite and one light,
 * drawn by the same renderer as the stage, so that what is judged here is what the stage will show.
 */
import { momentAt } from '@/core/moment/moment-at';
import type { PicturePixels } from '@/core/moment/moment';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newLight, newScene, newSprite } from '@/core/scene/defaults';
import type { Artwork, Relief, SceneDocument } from '@/core/scene/document';
import type { LightSpace } from '@/core/raster/colour';

export const RELIEF_VIEWS = ['lit', 'normals', 'height', 'art'] as const;
export type ReliefView = (typeof RELIEF_VIEWS)[number];
export const VIEW_WORDS: Record<ReliefView, string> = {
  lit: 'Lit',
  normals: 'Normals',
  height: 'Height',
  art: 'Art',
};

export interface HandLamp {
  x: number;
  y: number;
  heightPx: number;
  colour: string;
  /** Pinned lamps stay where they were put; free ones follow the pointer. */
  isPinned: boolean;
}

/** Reach of the hand lamp, as a multiple of the art's longer side. */
const REACH = 1.6;
const HAND_AMBIENT = 0.12;

export function handScene(
  id: string,
  artwork: Artwork,
  relief: Relief | undefined,
  lamp: HandLamp,
  space: LightSpace,
): SceneDocument {
  const scene = newScene({
    pixelArt: artwork.pixelArt,
    lightSpace: space,
    backdropColour: '#0c0c0d',
    backdropLit: false,
    ambientColour: '#ffffff',
    ambientLevel: HAND_AMBIENT,
    gateWidthPx: artwork.widthPx,
    gateHeightPx: artwork.heightPx,
  });
  scene.artworks[id] = { ...artwork, pivotX: 0, pivotY: 0 };
  if (relief) scene.reliefs[id] = relief;
  scene.sprites.art = newSprite({ name: '', planeId: 'plane-middle', order: 'a', artworkId: id, x: 0, y: 0 });
  scene.lights.hand = newLight({
    name: '',
    planeId: 'plane-middle',
    order: 'a',
    x: lamp.x,
    y: lamp.y,
    colour: lamp.colour,
    heightPx: lamp.heightPx,
    level: 1.6,
    corePx: 0,
    reachPx: Math.max(artwork.widthPx, artwork.heightPx) * REACH,
    curve: 'eased',
    shadows: false,
  });
  return scene;
}

export function handMoment(scene: SceneDocument, view: ReliefView, place: Parameters<typeof momentAt>[4]) {
  return momentAt(scene, 12, 0, { ...NOTHING_PASSING, unlit: view !== 'lit' }, place);
}

/** The pixels that a view shows: the art itself, its normals as colours, its height as grey. */
export function viewedPixels(
  view: ReliefView,
  pixels: PicturePixels,
  heights: Float32Array | null,
): PicturePixels {
  if (view === 'lit') return { ...pixels, glow: null };
  if (view === 'art') return { ...pixels, normal: null, glow: null };
  const rgba = new Uint8Array(pixels.rgba.length);
  const range = view === 'height' ? rangeOf(heights) : null;
  for (let i = 0; i < rgba.length; i += 4) {
    if (view === 'normals' && pixels.normal) rgba.set(pixels.normal.subarray(i, i + 3), i);
    else if (range && heights)
      rgba.fill(Math.round((255 * (heights[i / 4] - range[0])) / (range[1] - range[0])), i, i + 3);
    rgba[i + 3] = pixels.rgba[i + 3];
  }
  return { width: pixels.width, height: pixels.height, rgba, normal: null, glow: null };
}

/** Lowest and highest height, at least one px apart. */
export function rangeOf(heights: Float32Array | null): [number, number] {
  let [low, high] = [0, 0];
  for (const h of heights ?? []) {
    if (h < low) low = h;
    if (h > high) high = h;
  }
  return [low, Math.max(high, low + 1)];
}
