/** Wicks that come with Oilwick: names from lamps and weather, each with what makes it so. Tuned by eye on the sample scenes. */
import type { Wick } from '../scene/records/wick';

type ReadyWick = Pick<Wick, 'name' | 'kind'> & Partial<Omit<Wick, 'seed'>>;

export const READY_WICKS: readonly ReadyWick[] = [
  {
    ...{ name: 'Trimmed oil lamp', kind: 'breeze', rateHz: 1.3, roughness: 0.4 },
    ...{ levelLow: 0.88, levelHigh: 1.08, reachLow: 0.97, reachHigh: 1.02 },
  },
  {
    ...{ name: 'Candle', kind: 'breeze', rateHz: 2.2, roughness: 0.6, gusts: 0.5 },
    ...{ levelLow: 0.62, levelHigh: 1.12, reachLow: 0.9, reachHigh: 1.05 },
    ...{
      swayXLowPx: -0.8,
      swayXHighPx: 0.8,
      swayYLowPx: -0.6,
      swayYHighPx: 0.3,
      warmthLow: 0.25,
      warmthHigh: -0.05,
    },
  },
  {
    ...{ name: 'Draughty lantern', kind: 'breeze', rateHz: 3.1, roughness: 0.75, gusts: 0.9 },
    ...{ levelLow: 0.4, levelHigh: 1.2, reachLow: 0.86, reachHigh: 1.06 },
    ...{ swayXLowPx: -1.2, swayXHighPx: 1.2, warmthLow: 0.35, warmthHigh: -0.1 },
  },
  {
    ...{ name: 'Torch in the wind', kind: 'breeze', rateHz: 5.2, roughness: 0.85, gusts: 1 },
    ...{ levelLow: 0.45, levelHigh: 1.3, reachLow: 0.84, reachHigh: 1.1 },
    ...{
      swayXLowPx: -2.5,
      swayXHighPx: 2.5,
      swayYLowPx: -2,
      swayYHighPx: 1,
      warmthLow: 0.3,
      warmthHigh: -0.15,
    },
  },
  {
    ...{ name: 'Bonfire', kind: 'breeze', rateHz: 4, roughness: 0.7, gusts: 0.7, loopSeconds: 30 },
    ...{ levelLow: 0.65, levelHigh: 1.25, reachLow: 0.9, reachHigh: 1.08, reachLagSeconds: 0.15 },
    ...{ swayXLowPx: -4, swayXHighPx: 4, swayYLowPx: -3, swayYHighPx: 2, warmthLow: 0.3, warmthHigh: -0.2 },
  },
  {
    ...{ name: 'Embers', kind: 'breeze', rateHz: 0.3, roughness: 0.45, loopSeconds: 40 },
    ...{ levelLow: 0.55, levelHigh: 1.1, reachLow: 0.94, reachHigh: 1.04, warmthLow: 0.5, warmthHigh: 0 },
  },
  {
    ...{ name: 'Lamp short of oil', kind: 'gutter', rateHz: 7, slew: 0.5 },
    ...{ levelLow: 0.2, levelHigh: 1.05, reachLow: 0.7, reachHigh: 1.02, warmthLow: 0.7, warmthHigh: 0 },
  },
  {
    ...{ name: 'Arc lamp', kind: 'gutter', rateHz: 14, slew: 0.2 },
    ...{ levelLow: 0.9, levelHigh: 1.1, reachLow: 1, reachHigh: 1, warmthLow: -0.15, warmthHigh: 0.05 },
  },
  {
    ...{ name: 'Breathing lamp', kind: 'pulse', shape: 'sine', rateHz: 0.25 },
    ...{ levelLow: 0.55, levelHigh: 1.1, reachLow: 0.95, reachHigh: 1.03 },
  },
  {
    ...{ name: 'Boiler heart', kind: 'pulse', shape: 'heartbeat', rateHz: 1.1 },
    ...{ levelLow: 0.5, levelHigh: 1.25, reachLow: 0.94, reachHigh: 1.06, warmthLow: 0.3, warmthHigh: 0 },
  },
  {
    ...{ name: 'Crossing lamp', kind: 'beacon', rateHz: 0.75, onShare: 0.5, rampShare: 0.08 },
    ...{ levelLow: 0, levelHigh: 1, reachLow: 1, reachHigh: 1, inStep: true },
  },
  {
    ...{ name: 'Lighthouse', kind: 'beacon', rateHz: 0.15, onShare: 0.12, rampShare: 0.06 },
    ...{ levelLow: 0.05, levelHigh: 1.2, reachLow: 0.9, reachHigh: 1.05 },
  },
  {
    ...{ name: 'Aspects in turn', kind: 'beacon', rateHz: 0.1, onShare: 1, rampShare: 0.02 },
    ...{
      cycleColours: ['#ffb347', '#5fd08a'],
      levelLow: 0,
      levelHigh: 1,
      reachLow: 1,
      reachHigh: 1,
      inStep: true,
    },
  },
  {
    ...{ name: 'Failing tube', kind: 'fault', rateHz: 0.22, burstSeconds: 1.1, failing: 0.55 },
    ...{ levelLow: 0.03, levelHigh: 1, reachLow: 0.9, reachHigh: 1, warmthLow: 0.2, warmthHigh: 0 },
  },
  {
    ...{ name: 'Loose contact', kind: 'fault', rateHz: 0.7, burstSeconds: 0.25, failing: 0.7 },
    ...{ levelLow: 0, levelHigh: 1, reachLow: 0.95, reachHigh: 1 },
  },
  {
    ...{ name: 'Far lightning', kind: 'storm', rateHz: 0.08, flashes: 3, fadeSeconds: 0.3, loopSeconds: 60 },
    ...{ levelLow: 0, levelHigh: 0.6, reachLow: 1, reachHigh: 1, inStep: true },
  },
  {
    ...{
      name: 'Storm overhead',
      kind: 'storm',
      rateHz: 0.15,
      flashes: 3,
      fadeSeconds: 0.16,
      loopSeconds: 60,
    },
    ...{
      levelLow: 0,
      levelHigh: 1.6,
      reachLow: 1,
      reachHigh: 1,
      warmthLow: 0,
      warmthHigh: -0.3,
      inStep: true,
    },
  },
  {
    ...{
      name: 'Passing carriages',
      kind: 'drawn',
      rateHz: 0.4,
      points: [0, 1, 0.3, 1, 0.36, 0.05, 0.44, 0.05, 0.5, 0.9, 0.9, 0.9, 0.95, 0.05],
    },
    ...{ levelLow: 0.15, levelHigh: 1, reachLow: 1, reachHigh: 1, inStep: true },
  },
];
