/** Between the stage's canvas (device pixels) and the scene. */
import type { View } from '@/core/moment/moment';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Live } from '../store/live';

export interface CanvasSize {
  width: number;
  height: number;
}

const ZOOMS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 16, 24, 32];
const PAINTED_ZOOMS = [0.125, 0.25, 0.5, ...ZOOMS];

/** Left and upper edge of what is seen, scene px, and device px for a scene px. */
export type Place = Pick<Live, 'viewX' | 'viewY' | 'zoom'>;

export function toCanvas({ viewX, viewY, zoom }: Place, x: number, y: number): [number, number] {
  return [(x - viewX) * zoom, (y - viewY) * zoom];
}

export function toScene({ viewX, viewY, zoom }: Place, x: number, y: number): [number, number] {
  return [x / zoom + viewX, y / zoom + viewY];
}

/** The next step of zoom up or down; pixel art by whole steps. */
export function zoomStep(zoom: number, direction: number, pixelArt: boolean): number {
  const steps = pixelArt ? ZOOMS : PAINTED_ZOOMS;
  if (direction > 0) return steps.find((step) => step > zoom + 1e-9) ?? steps.at(-1)!;
  return steps.findLast((step) => step < zoom - 1e-9) ?? steps[0];
}

/** A zoom about a point of the canvas, which stays where it is. */
export function zoomedAbout(place: Place, zoom: number, canvasX: number, canvasY: number): Place {
  const [x, y] = toScene(place, canvasX, canvasY);
  return { zoom, viewX: x - canvasX / zoom, viewY: y - canvasY / zoom };
}

/** A view that is being pulled: where it was taken hold of, device px, and where it lay then. */
export interface Pan {
  x: number;
  y: number;
  from: Place;
}

/** The view pulled to a point of the canvas. */
export function panned({ x, y, from }: Pan, canvasX: number, canvasY: number): Place {
  const { zoom } = from;
  return { zoom, viewX: from.viewX - (canvasX - x) / zoom, viewY: from.viewY - (canvasY - y) / zoom };
}

/** Room left around the gate when it is fitted, device px. */
const FIT_MARGIN = 6;
/** By how much a whole step of zoom may be too large for the room and still be taken. */
const FIT_OVER = 1.1;

/** The gate in the middle of the canvas, as large as whole steps allow. */
export function fitGate(scene: SceneDocument, { width, height }: CanvasSize): Place {
  const { gateX, gateY, gateWidthPx, gateHeightPx, pixelArt } = settingsOf(scene);
  const most = Math.min((width - 2 * FIT_MARGIN) / gateWidthPx, (height - 2 * FIT_MARGIN) / gateHeightPx);
  // Rather a whole step larger and a tenth cut off than half the room empty.
  const zoom = pixelArt ? Math.max(1, Math.floor(most * FIT_OVER)) : Math.max(0.125, most);
  return {
    zoom,
    viewX: gateX + gateWidthPx / 2 - width / zoom / 2,
    viewY: gateY + gateHeightPx / 2 - height / zoom / 2,
  };
}

/** Room left around art that is fitted on a bench, CSS px. */
const ART_MARGIN_PX = 40;

/** Art of a size in the middle of the canvas, by whole steps where it is pixel art or enlarged. */
export function fitArt(
  widthPx: number,
  heightPx: number,
  { width, height }: CanvasSize,
  pixelArt: boolean,
  pixelRatio: number,
): Place {
  const margin = ART_MARGIN_PX * pixelRatio;
  const most = Math.min((width - 2 * margin) / widthPx, (height - 2 * margin) / heightPx);
  const zoom = pixelArt || most >= 1 ? Math.max(1, Math.floor(most)) : Math.max(0.125, most);
  return { zoom, viewX: widthPx / 2 - width / zoom / 2, viewY: heightPx / 2 - height / zoom / 2 };
}

export interface Drawn {
  view: View;
  offsetX: number;
  offsetY: number;
  enlarge: number;
}

/** What is rendered for a place of the view: scene pixels enlarged for pixel art, device pixels for painted art. */
export function drawnFor(place: Place, size: CanvasSize, pixelArt: boolean): Drawn {
  if (!pixelArt) {
    const view = {
      x: place.viewX,
      y: place.viewY,
      widthPx: size.width,
      heightPx: size.height,
      outputPerScenePx: place.zoom,
    };
    return { view, offsetX: 0, offsetY: 0, enlarge: 1 };
  }
  const x = Math.floor(place.viewX);
  const y = Math.floor(place.viewY);
  return {
    view: {
      x,
      y,
      widthPx: Math.ceil(size.width / place.zoom) + 1,
      heightPx: Math.ceil(size.height / place.zoom) + 1,
      outputPerScenePx: 1,
    },
    offsetX: Math.round((x - place.viewX) * place.zoom),
    offsetY: Math.round((y - place.viewY) * place.zoom),
    enlarge: place.zoom,
  };
}
