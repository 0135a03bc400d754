/** The lamps of Fennel Halt, how they burn, and its day. */
import type { SceneDocument } from '@/core/scene/document';
import { HOUSE_CIRCUIT, newCircuit } from '@/core/scene/records/circuit';
import { newCue, type Cue } from '@/core/scene/records/cue';
import { type Light, newLight } from '@/core/scene/records/light';
import { newWash, newWashPoint } from '@/core/scene/records/wash';
import { newWick } from '@/core/scene/records/wick';
import { HUT } from './art/hut';
import { LAMP, SIGNAL_POST } from './art/lamps';
import { TRAIN } from './art/train';
import { PLATFORM_Y } from './fennel-halt-places';

/** The lamps of the halt are lit one after another as the sun goes down. */
const LAMPS = 'lamps';
export const ON_LAMPS = [HOUSE_CIRCUIT, LAMPS];
/** The storm lamp is hung out for the night. */
const NIGHT = 'night';
/** Where it hangs, on the wagon's door. */
export const STORM_LAMP = { x: 236, y: 188 };

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
  document.wicks['failing-flame'] = newWick({
    ...{ name: 'Storm lamp failing', seed: 13, kind: 'gutter', rateHz: 5, slew: 0.55 },
    ...{ levelLow: 0.12, levelHigh: 1.05, reachLow: 0.74, reachHigh: 1.02, reachLagSeconds: 0.05 },
    ...{ warmthLow: 0.5, warmthHigh: 0 },
  });
  const lampX = 416 - LAMP.width / 2;
  const lampY = PLATFORM_Y + 3 - LAMP.height;
  document.circuits[LAMPS] = newCircuit({
    name: 'Lamps',
    order: 'a2',
    switching: 'sun',
    onBelowDeg: 4,
    spreadMinutes: 24,
    fadeSeconds: 40,
  });
  document.circuits[NIGHT] = newCircuit({
    name: 'Night',
    order: 'a3',
    switching: 'hours',
    onHours: 21.5,
    offHours: 4.75,
    fadeSeconds: 20,
  });
  document.lights = {
    'light-sun': newLight({
      name: 'Sun',
      kind: 'sun',
      follows: 'sun',
      planeId: 'halt',
      order: 'a6',
      x: 300,
      y: 34,
      colour: '#fff0d4',
      level: 0.75,
      shadowOpacity: 0.85,
      shadowColour: '#26304c',
      spanFarId: 'wall',
    }),
    'light-sun-far': newLight({
      name: 'Sun on the hills',
      kind: 'sun',
      follows: 'sun',
      planeId: 'woods',
      order: 'a8',
      x: 360,
      y: 34,
      colour: '#fff0d4',
      level: 0.75,
      shadows: false,
      spanNearId: 'woods',
    }),
    ...trainLights(),
    'light-moon': newLight({
      name: 'Moon',
      kind: 'sun',
      follows: 'moon',
      planeId: 'halt',
      order: 'a7',
      x: 330,
      y: 34,
      colour: '#9db4ff',
      level: 0.2,
      shadowOpacity: 0.8,
      spanFarId: 'wall',
    }),
    'light-platform': newLight({
      circuitIds: ON_LAMPS,
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
      circuitIds: ON_LAMPS,
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
      circuitIds: ON_LAMPS,
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
    'light-storm': newLight({
      circuitIds: [HOUSE_CIRCUIT, NIGHT],
      name: 'Storm lamp',
      planeId: 'halt',
      order: 'a9',
      x: STORM_LAMP.x,
      y: STORM_LAMP.y - 5.5,
      colour: '#ffa851',
      level: 1.9,
      corePx: 7,
      reachPx: 72,
      heightPx: 16,
      air: 0.05,
      shadows: false,
      spanFarId: 'line',
      wickId: 'failing-flame',
    }),
  };
}

/** The windows of the passing train shine upon the woods, and its lamp goes before it. */
function trainLights(): Record<string, Light> {
  const onTrain = (name: string, order: string, x: number, y: number, fields: Partial<Light>) =>
    newLight({
      ...{ name, order, planeId: 'woods', x, y, hangsOn: { spriteId: 'train', bracketId: null } },
      ...{ circuitIds: ON_LAMPS, spanFarId: 'hills', spanNearId: 'woods', shadows: false, colour: '#ffc98a' },
      ...fields,
    });
  const windows = TRAIN.coaches.map(({ x, y }, i) => [
    `light-train-${i}`,
    onTrain(i === 0 ? 'Train, rear coach' : 'Train, front coach', `b${i}`, x, y, {
      ...{ level: 1.1, corePx: 20, reachPx: 78, squash: 1.8, heightPx: 20, air: 0.05 },
    }),
  ]);
  const { x, y } = TRAIN.headlamp;
  return {
    ...(Object.fromEntries(windows) as Record<string, Light>),
    'light-train-head': onTrain('Train, headlamp', 'b2', x, y, {
      ...{ kind: 'spot', bearingDeg: 3, beamDeg: 14, fieldDeg: 30, level: 2.2, corePx: 6, reachPx: 150 },
      ...{ heightPx: 14, air: 0.2, colour: '#ffe2b0' },
    }),
  };
}

/** Faint ones: peach and blue at dawn, rose over slate at dusk. */
export function placeWashes(document: SceneDocument): void {
  const point = (x: number, y: number, colour: string, spreadPx: number) =>
    newWashPoint({ x, y, colour, spreadPx });
  document.washes = {
    'wash-dawn': newWash({
      ...{ name: 'Dawn', order: 'a1', opacity: 0.12 },
      points: [
        point(90, 40, '#8fa4d8', 190),
        point(400, 110, '#f2c3a0', 170),
        point(240, 260, '#6d7ba6', 150),
      ],
    }),
    'wash-dusk': newWash({
      ...{ name: 'Dusk', order: 'a2', blend: 'screen', opacity: 0.12 },
      points: [
        point(70, 70, '#c2607a', 180),
        point(330, 30, '#6a5a9a', 160),
        point(420, 240, '#33406a', 200),
      ],
    }),
  };
}

export function placeCues(document: SceneDocument): void {
  const cue = (clockHours: number, ambientColour: string, ambientLevel: number, rest: Partial<Cue> = {}) =>
    newCue({ clockHours, ambientColour, ambientLevel, ...rest });
  document.cues = {
    'cue-small-hours': cue(2, '#3a4a80', 0.14, {
      cloudStrength: 0,
      mistStrength: 0,
      mistCover: 0.45,
      washStrength: 0,
      bloomLevel: 0.42,
    }),
    'cue-first-light': cue(5.5, '#8a94c4', 0.32, {
      ...{ sunColour: '#ff9a5a', sunLevel: 0.5 },
      ...{ mistStrength: 0.7, mistCover: 0.55, mistColour: '#d9dfee' },
      ...{ washId: 'wash-dawn', washStrength: 1 },
    }),
    'cue-morning': cue(8, '#c8d2ea', 0.52, {
      ...{ sunColour: '#ffdca6', sunLevel: 0.95 },
      ...{ mistStrength: 0.2, mistCover: 0.4, mistColour: '#efe6d6', cloudStrength: 0, washStrength: 0.4 },
    }),
    'cue-noon': cue(13, '#d8e2f4', 0.62, {
      ...{ sunColour: '#fff4e0', sunLevel: 1.05 },
      ...{ cloudStrength: 0.75, cloudCover: 0.5, mistStrength: 0, washStrength: 0 },
      ...{ bloomLevel: 0.16, vignetteLevel: 0.12 },
    }),
    'cue-low-sun': cue(17.3, '#c6b2b4', 0.5, {
      ...{ sunColour: '#ffb266', sunLevel: 1.15, cloudStrength: 0.3 },
      ...{ washId: 'wash-dusk', washStrength: 0.7 },
    }),
    'cue-dusk': cue(19.25, '#8288c0', 0.42, {
      ...{ sunColour: '#ff8a4a', sunLevel: 0.5, cloudStrength: 0, washStrength: 1 },
      ...{ bloomLevel: 0.34, vignetteLevel: 0.24 },
    }),
    'cue-night': cue(21.5, '#4a5a98', 0.22, { washStrength: 0.3 }),
  };
}
