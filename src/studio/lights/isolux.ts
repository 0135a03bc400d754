/** Isolux lines of a light: where it is full, half, an eighth, and where it ends. Each can be dragged. */
import { exp, pow } from '@/core/geometry/exact';
import { distanceAtShare, fallAt } from '@/core/light/terms/fall';
import { CURVE_NUMBERS } from '@/core/moment/lights';
import { curveTable } from '@/core/moment/tables';
import type { LightLook } from '@/core/scene/records/light-look';

export const ISOLUX = ['full', 'half', 'eighth', 'end'] as const;
export type IsoluxName = (typeof ISOLUX)[number];

const SHARES = { half: 0.5, eighth: 0.125 } as const;

/** Where round the light each line's handle sits, degrees clockwise from the right. */
export const HANDLE_DEG: Record<IsoluxName, number> = { full: -35, half: -45, eighth: -52, end: -60 };
export const ISOLUX_WORDS: Record<IsoluxName, string> = {
  full: 'full',
  half: '1/2',
  eighth: '1/8',
  end: 'end',
};

export function isoluxRadius(light: LightLook, name: IsoluxName): number {
  if (name === 'full') return light.corePx;
  if (name === 'end') return light.reachPx;
  return distanceAtShare(
    SHARES[name],
    light.corePx,
    Math.max(light.corePx, light.reachPx),
    CURVE_NUMBERS[light.curve],
    light.steepness,
    drawnTable(light),
  );
}

function drawnTable({ curve, drawnCurve }: LightLook): Float32Array | null {
  return curve === 'drawn' ? curveTable(drawnCurve) : null;
}

/** Which lines are named first where there is no room for the words of all. */
const NAMED_FIRST: readonly IsoluxName[] = ['end', 'full', 'half', 'eighth'];

/** The lines whose words have room beside one another. @param roomPx what a word needs, scene px */
export function namedIsolux(light: LightLook, roomPx: number): ReadonlySet<IsoluxName> {
  const named = new Map<IsoluxName, number>();
  for (const name of NAMED_FIRST) {
    const radius = isoluxRadius(light, name);
    if ([...named.values()].every((other) => Math.abs(other - radius) >= roomPx)) named.set(name, radius);
  }
  return new Set(named.keys());
}

/** What dragging a line to a radius makes of the light: core or reach, or the steepness that puts the line there. */
export function draggedIsolux(light: LightLook, name: IsoluxName, radius: number): Partial<LightLook> {
  const r = Math.max(0, radius);
  if (name === 'full') return { corePx: round(Math.min(r, light.reachPx)) };
  if (name === 'end') return { reachPx: round(Math.max(1, light.corePx, r)) };
  const base = fallAt(r, light.corePx, light.reachPx, CURVE_NUMBERS[light.curve], 1, drawnTable(light));
  if (base <= 0 || base >= 1) return {};
  // base ^ s = share; by halving, since base falls with s.
  let [low, high] = [0.1, 10];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (pow(base, middle) > SHARES[name]) low = middle;
    else high = middle;
  }
  return { steepness: Math.round(low * 1000) / 1000 };
}

function round(v: number): number {
  return Math.round(v * 10) / 10;
}

/** A level after some notches of the wheel, each a sixteenth more or less. */
export function wheeledLevel(level: number, notches: number): number {
  const next = Math.max(level, 0.02) * exp(notches * 0.06);
  return Math.round(Math.min(256, next < 0.02 ? 0 : next) * 1000) / 1000;
}
