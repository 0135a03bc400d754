import { whole, within } from '../../fields';
import { exp } from '../../geometry/exact';
import { hash01 } from '../noise';
import { cyclesIn, wrapped, type WickKindRecord } from './kind';

const MOST_FLASHES = 12;
/** Seconds from one flash of a cluster to the next, at least and at most. */
const GAP_SECONDS = [0.05, 0.28] as const;
/** A cluster takes at most this share of the time from one to the next, so that it is long dark. */
const CLUSTER_SHARE = 0.5;
/** The weakest flash beside the strongest. */
const WEAKEST = 0.35;
/** After so many times its fading a flash is not seen any more: exp(-9) is less than a 256th of a 256th. */
const SEEN_FADES = 12;
const GAP_SEED = 0x1f3d5b;
const HEIGHT_SEED = 0x7a6c4e;
const COUNT_SEED = 0x29b7c1;

/** Lightning: long dark, rare clustered flashes. The rate is that of the clusters. */
export const storm: WickKindRecord<{ flashes: number; fadeSeconds: number }> = {
  fields: {
    flashes: whole(1, MOST_FLASHES)
      .default(4)
      .meta({ word: 'Flashes', about: 'How many a cluster has at most' }),
    fadeSeconds: within(0.01, 2)
      .default(0.09)
      .meta({ word: 'Fade', about: 'How long a flash takes to a third' }),
  },
  begins: { rateHz: 0.12 },
  curve: (wick) => (seconds) => {
    const cells = cyclesIn(wick.loopSeconds, wick.rateHz);
    const cellSeconds = wick.loopSeconds / cells;
    const at = (seconds / wick.loopSeconds) * cells;
    const cell = Math.floor(at);
    const into = (at - cell) * cellSeconds;
    // What flashed at the end of the cluster before may still fade.
    const now = clusterLight(wick, cellSeconds, wrapped(cell, cells), into);
    const before = clusterLight(wick, cellSeconds, wrapped(cell - 1, cells), into + cellSeconds);
    return Math.min(1, now + before);
  },
};

/**
 * The light of one cluster of flashes.
 * @param number of the cluster in the loop
 * @param after seconds since its cell began
 */
function clusterLight(
  { flashes, fadeSeconds, seed }: { flashes: number; fadeSeconds: number; seed: number },
  cellSeconds: number,
  number: number,
  after: number,
): number {
  const room = cellSeconds * CLUSTER_SHARE;
  const count = 1 + Math.floor(hash01(seed ^ COUNT_SEED, number) * flashes);
  let flash = hash01(seed, number) * room;
  const last = flash + room;
  let light = 0;
  for (let k = 0; k < count && flash <= last && flash <= after; k++) {
    const id = number * MOST_FLASHES + k;
    const fades = (after - flash) / fadeSeconds;
    if (fades < SEEN_FADES) light += (WEAKEST + (1 - WEAKEST) * hash01(seed ^ HEIGHT_SEED, id)) * exp(-fades);
    flash += GAP_SECONDS[0] + (GAP_SECONDS[1] - GAP_SECONDS[0]) * hash01(seed ^ GAP_SEED, id);
  }
  return light;
}
