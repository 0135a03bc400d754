/**
 * What the screen says and shows of a kind of light. A kind is one record in one file, listed in all-kinds.ts; no panel or
 * tool knows a kind by its name.
 */
import type { Light } from '@/core/scene/records/light';
import type { LightLook } from '@/core/scene/records/light-look';
import type { LightHandle, ShownLight } from '../handle-makers';

/** Columns of the bay about the figure of a light. */
export type FigureColumn = 'round' | 'cone' | 'sun' | 'outline' | 'gobo' | 'source';

/** A drag from the place of a new light. */
export interface LightDrag {
  dx: number;
  dy: number;
  /** Whole degrees, and whole px beyond its core. */
  bearingDeg: number;
  reachPx: number;
}

export interface LightScreen {
  word: string;
  /** What new ones are called, with a number behind. */
  name: string;
  about: string;
  /** What to do to place one. */
  toolHint: string;
  /** What can be done with a picked one. */
  pickHint: string;
  /** What a new one begins with. */
  begins: Partial<Light>;
  /** What a drag says of a new one. */
  dragged(light: Light, drag: LightDrag): Partial<Light>;
  handles(shown: ShownLight): LightHandle[];
  /** Which parts of its figure are drawn when it is picked. */
  figure: {
    /** A circle, or a part of one, of its reach: what it reaches ends there. */
    round?: 'circle' | 'cone';
    /** Its outlines, whose points can be added and taken away. */
    outlines?: true;
    gobo?: true;
    /** The line to the place that its light comes from. */
    source?: true;
  };
  columns: readonly FigureColumn[];
  /** Columns behind those about its light. */
  lateColumns: readonly FigureColumn[];
  /** Whether it falls off along a curve. */
  falls(look: LightLook): boolean;
  /** Whether its rays are parallel, so that the softness of its shadows is an angle. */
  isParallel(look: LightLook): boolean;
  /** It lies on surfaces evenly: no shadows, no relief, no blend but to stand in the scene's place. */
  isAmbient?: true;
}

/** Light that is seen over most of its reach: what is drawn out looks as large as it was drawn. */
export const SEEN_FALL = { curve: 'eased' } as const satisfies Partial<Light>;
/** How much of a new light's reach is full. */
const CORE_SHARE = 0.15;

/** A drag to a reach: core and reach, so that the light looks as large as it was drawn. */
export function draggedReach(reachPx: number): Pick<Light, 'reachPx' | 'corePx'> {
  return { reachPx, corePx: Math.round(reachPx * CORE_SHARE) };
}

export const always = () => true;
export const never = () => false;

/** The box of a drag as an outline. */
export function draggedBox(_light: Light, { dx, dy }: LightDrag): Partial<Light> {
  const [w, h] = [Math.round(dx), Math.round(dy)];
  return { outlines: [[0, 0, w, 0, w, h, 0, h]], smooth: [[]] };
}

export const OUTLINE_HINT =
  'Drag a point, with Alt its whole outline; Shift-click smooths it; a double click takes one away or adds one';
