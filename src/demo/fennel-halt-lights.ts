/** The lamps of Fennel Halt, how they burn, and its day. */
import type { SceneDocument } from '@/core/scene/document';
import { newCue } from '@/core/scene/records/cue';
import { newLight } from '@/core/scene/records/light';
import { newWick } from '@/core/scene/records/wick';
import { HUT } from './art/hut';
import { LAMP, SIGNAL_POST } from './art/lamps';
import { PLATFORM_Y } from './fennel-halt-places';

export function placeLights(document: SceneDocument): void {
  document.wicks = {
    'calm-flame': newWick({
      name: 'Calm flame',
      seed: 1907,
      rateHz: 1.7,
      levelLow: 0.78,
      levelHigh: 1.12,
      reachLow: 0.94,
      reachHigh: 1.04,
    }),
    'draughty-flame': newWick({
      name: 'Draughty flame',
      seed: 44,
      rateHz: 3.2,
      roughness: 0.7,
      levelLow: 0.55,
      levelHigh: 1.2,
    }),
  };
  const lampX = 416 - LAMP.width / 2;
  const lampY = PLATFORM_Y + 3 - LAMP.height;
  document.lights = {
    'light-platform': newLight({
      name: 'Platform lamp',
      planeId: 'halt',
      order: 'a1',
      x: lampX + LAMP.flame.x,
      y: lampY + LAMP.flame.y,
      colour: '#ffb45e',
      level: 4,
      corePx: 22,
      reachPx: 225,
      steepness: 0.72,
      heightPx: 44,
      sizePx: 1.5,
      air: 0.045,
      spanFarId: 'woods',
      wickId: 'calm-flame',
    }),
    'light-sky': newLight({
      name: 'Sky on edges',
      kind: 'sun',
      planeId: 'halt',
      order: 'a5',
      x: 120,
      y: 40,
      colour: '#8fa8ff',
      level: 0.22,
      bearingDeg: -112,
      altitudeDeg: 30,
      rim: true,
      shadows: false,
      spanFarId: 'line',
      spanNearId: 'halt',
    }),
    'light-window': newLight({
      name: 'Hut window',
      planeId: 'halt',
      order: 'a2',
      x: 500 - HUT.width / 2 + 37,
      y: PLATFORM_Y + 3 - HUT.height + 66,
      colour: '#ffcf8a',
      level: 1.5,
      corePx: 12,
      reachPx: 84,
      curve: 'eased',
      steepness: 1.4,
      heightPx: 26,
      shadows: false,
      spanFarId: 'line',
      wickId: 'calm-flame',
    }),
    'light-signal': newLight({
      name: 'Signal lamp',
      planeId: 'halt',
      order: 'a3',
      x: 589 - SIGNAL_POST.width / 2 + 26.5,
      y: PLATFORM_Y + 3 - SIGNAL_POST.height + 14.5,
      colour: '#ff4a30',
      level: 2.4,
      corePx: 4,
      reachPx: 74,
      heightPx: 14,
      air: 0.14,
      spanFarId: 'woods',
    }),
    'light-guard': newLight({
      name: "Guard's lantern",
      planeId: 'halt',
      order: 'a4',
      x: 289,
      y: PLATFORM_Y - 3.5,
      colour: '#ffa04a',
      level: 2.2,
      corePx: 8,
      reachPx: 96,
      heightPx: 20,
      air: 0.05,
      spanFarId: 'line',
      wickId: 'draughty-flame',
    }),
  };
}

export function placeCues(document: SceneDocument): void {
  const cue = (clockHours: number, ambientColour: string, ambientLevel: number) =>
    newCue({ clockHours, ambientColour, ambientLevel });
  document.cues = {
    'cue-small-hours': cue(2, '#3a4a80', 0.14),
    'cue-first-light': cue(5.5, '#8a94c4', 0.32),
    'cue-morning': cue(8, '#f2e6d4', 0.85),
    'cue-noon': cue(13, '#fff8ec', 1.02),
    'cue-low-sun': cue(17.5, '#ffcf9c', 0.78),
    'cue-dusk': cue(19.25, '#8288c0', 0.42),
    'cue-night': cue(21.5, '#4a5a98', 0.22),
  };
}
