/**
 * Hot values: what changes many times a second while looking. They are read by canvases and written to styles by
 * subscription; no React tree renders for them.
 */
import { createStore } from 'zustand/vanilla';
import { wrapHours } from '@/core/time/periodic';

export interface Live {
  clockHours: number;
  seconds: number;
  /** Flames stand still. */
  isFrozen: boolean;
  /** Hours of the clock a second; 0 stands. */
  dayRate: number;
  /** Left edge of the stage's view in scene px, and device pixels for a scene px. */
  viewX: number;
  viewY: number;
  zoom: number;
  /** Share of the stage's width at which the wipe stands. */
  wipe: number;
}

/** A day in a minute. */
export const DAY_RATE = 24 / 60;

export function createLive(clockHours: number) {
  return createStore<Live>(() => ({
    clockHours,
    seconds: 0,
    isFrozen: false,
    dayRate: 0,
    viewX: 0,
    viewY: 0,
    zoom: 0,
    wipe: 0.5,
  }));
}

export type LiveStore = ReturnType<typeof createLive>;

/** Moves the clocks on by some seconds of real time. */
export function advance(live: LiveStore, elapsedSeconds: number): void {
  const { isFrozen, dayRate, seconds, clockHours } = live.getState();
  const next: Partial<Live> = {};
  if (!isFrozen) next.seconds = seconds + elapsedSeconds;
  if (dayRate !== 0) next.clockHours = wrapHours(clockHours + dayRate * elapsedSeconds);
  if (Object.keys(next).length > 0) live.setState(next);
}
