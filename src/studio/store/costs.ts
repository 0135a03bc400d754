/** What the lights of the stage cost just now: written by the stage as it draws, read by channels. A hot value. */
import { createStore } from 'zustand/vanilla';
import type { FrameCost } from '@/core/light/cost';
import { fixtureIdOf } from '@/core/moment/part-names';

export interface Costs {
  /** Share of the most expensive one, by the id of a light or a lamp. */
  shares: ReadonlyMap<string, number>;
  overdraw: number;
  edges: number;
}

export function createCosts() {
  return createStore<Costs>(() => ({ shares: new Map(), overdraw: 0, edges: 0 }));
}

export type CostStore = ReturnType<typeof createCosts>;

/** Costs by channel: the lights of a lamp are one. */
export function costShares({ lights, overdraw, edges }: FrameCost): Costs {
  const sums = new Map<string, number>();
  for (const { id, cost } of lights) {
    const channel = fixtureIdOf(id);
    sums.set(channel, (sums.get(channel) ?? 0) + cost);
  }
  const most = Math.max(1, ...sums.values());
  return { shares: new Map([...sums].map(([id, sum]) => [id, sum / most])), overdraw, edges };
}

/** A line for the corner of the stage. */
export function costWords({ overdraw, edges }: Costs): string {
  return `overdraw ${overdraw.toFixed(1)}x  ${edges} edges`;
}
