/** Outlines to begin an area light with, px from the light's place. */
import type { LightLook } from '@/core/scene/records/light-look';

export const STARTERS = ['doorway', 'slit', 'fan-light', 'slanted beam'] as const;
export type Starter = (typeof STARTERS)[number];

export const STARTER_WORDS: Record<Starter, string> = {
  doorway: 'Doorway',
  slit: 'Slit',
  'fan-light': 'Fan-light',
  'slanted beam': 'Slanted beam',
};

/** A doorway's pool on the floor, a slit of light, the half round over a door, and a beam that falls aslant. */
const OUTLINES: Record<Starter, { points: number[]; smooth: number[]; featherPx: number }> = {
  doorway: { points: [-22, -36, 22, -36, 40, 36, -40, 36], smooth: [], featherPx: 8 },
  slit: { points: [-2, -60, 2, -60, 5, 60, -5, 60], smooth: [], featherPx: 3 },
  'fan-light': {
    points: [-44, 12, -38, -16, -20, -34, 0, -40, 20, -34, 38, -16, 44, 12],
    smooth: [1, 2, 3, 4, 5],
    featherPx: 4,
  },
  'slanted beam': { points: [-14, -60, 10, -60, 66, 60, 14, 60], smooth: [], featherPx: 12 },
};

/** What makes a light an area of one of these shapes. */
export function startedArea(starter: Starter): Partial<LightLook> {
  const { points, smooth, featherPx } = OUTLINES[starter];
  return { outlines: [points], smooth: [smooth], featherPx };
}

/** How large a new hole is beside the outline that it is cut from. */
const HOLE_SHARE = 0.4;

/** Another outline in the middle of the first: what lies in two is dark, by the even-odd rule. */
export function withHole({ outlines, smooth }: Pick<LightLook, 'outlines' | 'smooth'>): Partial<LightLook> {
  const along = (axis: 0 | 1) => outlines[0].filter((_, i) => i % 2 === axis);
  const side = (axis: 0 | 1): [number, number] => {
    const [low, high] = [Math.min(...along(axis)), Math.max(...along(axis))];
    const [middle, half] = [(low + high) / 2, ((high - low) / 2) * HOLE_SHARE];
    return [Math.round(middle - half), Math.round(middle + half)];
  };
  const [[left, right], [top, bottom]] = [side(0), side(1)];
  const whole = outlines.map((_, i) => smooth[i] ?? []);
  return {
    outlines: [...outlines, [left, top, right, top, right, bottom, left, bottom]],
    smooth: [...whole, []],
  };
}

/** A light that becomes an area has a shape to begin with. */
export function withKind(look: LightLook, kind: LightLook['kind']): Partial<LightLook> {
  const needsShape = kind === 'area' && look.outlines.length === 0;
  return { kind, ...(needsShape ? startedArea('doorway') : {}) };
}
