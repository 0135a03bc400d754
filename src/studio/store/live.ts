/**
 * Hot values: what changes many times a second while looking. They are read by canvases and written to styles by
 * subscription; no React tree renders for them.
 */
import { createStore } from 'zustand/vanilla';
import type { Walk } from '@/core/moment/walk';
import { wrapHours } from '@/core/time/periodic';

export interface Live {
  clockHours: number;
  seconds: number;
  /** All time stands still, that of flames and that of the day. */
  isFrozen: boolean;
  /** Hours of the clock a second; 0 stands. */
  dayRate: number;
  /** The rate at which the day is played when it is. */
  playRate: number;
  /** Left edge of the stage's view in scene px, and device pixels for a scene px. */
  viewX: number;
  viewY: number;
  zoom: number;
  /** A figure on its rounds. */
  walk: Walk | null;
  /** Share of the stage's width at which the wipe stands. */
  wipe: number;
}

/** At what speeds a day can be played, hours of the clock a second. */
export const DAY_SPEEDS: readonly (readonly [hoursPerSecond: number, words: string])[] = [
  [1 / 3600, 'As it is'],
  [24 / 1440, 'A day in 24 minutes'],
  [24 / 300, 'A day in 5 minutes'],
  [24 / 60, 'A day in a minute'],
  [24 / 20, 'A day in 20 seconds'],
];
const A_DAY_IN_A_MINUTE = 24 / 60;

/** Time is shown by so many frames a second, and stepped through by one of them. */
export const FRAME_SECONDS = 1 / 60;
export const MINUTE_HOURS = 1 / 60;

export function createLive(clockHours: number) {
  return createStore<Live>(() => ({
    clockHours,
    seconds: 0,
    isFrozen: false,
    dayRate: 0,
    playRate: A_DAY_IN_A_MINUTE,
    viewX: 0,
    viewY: 0,
    zoom: 0,
    walk: null,
    wipe: 0.5,
  }));
}

export type LiveStore = ReturnType<typeof createLive>;

/** Moves the clocks on by some seconds of real time. */
export function advance(live: LiveStore, elapsedSeconds: number): void {
  const { isFrozen, dayRate, seconds, clockHours } = live.getState();
  if (isFrozen) return;
  const next: Partial<Live> = { seconds: seconds + elapsedSeconds };
  if (dayRate !== 0) next.clockHours = wrapHours(clockHours + dayRate * elapsedSeconds);
  live.setState(next);
}

/** Plays the day, or stops it. What was frozen goes on with it. */
export function playDay(live: LiveStore): void {
  const { dayRate, isFrozen, playRate } = live.getState();
  const plays = dayRate !== 0 && !isFrozen;
  live.setState(plays ? { dayRate: 0 } : { dayRate: playRate, isFrozen: false });
}

/** Freezes all time and goes on by some of it, or back. */
export function stepTime(live: LiveStore, by: { seconds?: number; hours?: number }): void {
  const { seconds, clockHours } = live.getState();
  live.setState({
    isFrozen: true,
    seconds: Math.max(0, seconds + (by.seconds ?? 0)),
    clockHours: wrapHours(clockHours + (by.hours ?? 0)),
  });
}
