/** Painted corrections of a relief: what a stroke is. They lie in layers over what the recipe gives. */
import type { HeightPicture } from '../../raster/height-picture';
import type { Image } from '../../raster/image';

/** What a stroke does: to the height, to the facing, to a mask, or to the strokes of its own layer. */
export const STROKE_KINDS = [
  'raise',
  'lower',
  'smooth',
  'flatten',
  'face',
  'rim',
  'glow',
  'erase',
  'paste-height',
  'paste-face',
] as const;
export type StrokeKind = (typeof STROKE_KINDS)[number];

/** Where it does it: along the drawn line, or all over what lies under its first point, or within its points. */
export const STROKE_AREAS = ['line', 'part', 'colour', 'polygon'] as const;
export type StrokeArea = (typeof STROKE_AREAS)[number];

export interface Stroke {
  kind: StrokeKind;
  area: StrokeArea;
  /** Flat [x, y, pressure, ...]: px of the art, pressure 0 to 1. */
  points: number[];
  /** Diameter of the brush. */
  sizePx: number;
  /** Share of the brush that is full; 1 has a hard border. */
  hardness: number;
  opacity: number;
  /** How far raise and lower go at full opacity. */
  heightPx: number;
  /** The facing: x and y of a unit normal in scene axes, y down. */
  faceX: number;
  faceY: number;
  /** What a mask is painted to, 0 to 1. */
  level: number;
  /** sha-256 of the picture that is pasted; null for all others. */
  pictureSha: string | null;
}

/** A picture that came back from a paint program: what of it changed. */
export type Pasted = { facings: Image } | { heights: HeightPicture };

/** A stroke brought to a picture's own px: of a cell of a sheet, at its true size, or at a reduced one. */
export interface PlacedStroke extends Stroke {
  pasted: Pasted | null;
  /** Where px (0, 0) lies in the art, and how many px of the art one px is. */
  originX: number;
  originY: number;
  artPx: number;
}

/** The stroke in px that are `artPx` px of the art each, counted from a place in it. */
export function placed(
  stroke: Stroke,
  pasted: Pasted | null,
  originX: number,
  originY: number,
  artPx: number,
): PlacedStroke {
  const points = stroke.points.slice();
  for (let k = 0; k + 2 < points.length; k += 3) {
    points[k] = (points[k] - originX) / artPx;
    points[k + 1] = (points[k + 1] - originY) / artPx;
  }
  return {
    ...stroke,
    points,
    sizePx: stroke.sizePx / artPx,
    heightPx: stroke.heightPx / artPx,
    pasted,
    originX,
    originY,
    artPx,
  };
}
