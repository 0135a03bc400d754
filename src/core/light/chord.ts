/**
 * What stops light on the way from a point to a source that is a chord: intervals of the chord, each with the occluder
 * that stops it. Their union is exact; see docs/light.md.
 */
import type { Rgb } from '../raster/colour';

/** Intervals met at one point; kept and used again. */
export class Chord {
  private from = new Float64Array(64);
  private to = new Float64Array(64);
  private weight = new Float64Array(64);
  private occluder = new Int32Array(64);
  private cuts = new Float64Array(128);
  private count = 0;

  clear(): void {
    this.count = 0;
  }

  /**
   * @param from,to ends on the chord, which runs from -1 to 1
   * @param weight how much of the light from there is stopped, 0 to 1: less at the soft end of a finite shadow
   */
  add(from: number, to: number, weight: number, occluder: number): void {
    if (!(to > from) || weight <= 0) return;
    if (this.count === this.from.length) this.grow();
    const i = this.count++;
    this.from[i] = from;
    this.to[i] = to;
    this.weight[i] = weight;
    this.occluder[i] = occluder;
  }

  /**
   * The mean over the chord of what comes through: of the occluders met at one place the largest weight counts for those
   * that let nothing through, and each of the others lets its share through.
   * @param transmits of each occluder; null lets nothing through
   */
  seen(transmits: (occluder: number) => Rgb | null, out: Float64Array): void {
    const { count } = this;
    out[0] = out[1] = out[2] = 1;
    if (count === 0) return;
    const cuts = this.sortedCuts();
    // What lies before the first and after the last cut is open.
    const open = 2 - (cuts[2 * count - 1] - cuts[0]);
    const sum = [open, open, open];
    for (let k = 0; k + 1 < 2 * count; k++) {
      const width = cuts[k + 1] - cuts[k];
      if (width > 0) this.through((cuts[k] + cuts[k + 1]) / 2, width, transmits, sum);
    }
    for (let c = 0; c < 3; c++) out[c] = Math.min(1, Math.max(0, sum[c] / 2));
  }

  /** The ends of all intervals, from the first to the last. They are few, or come nearly in order: by insertion. */
  private sortedCuts(): Float64Array {
    const { count, from, to, cuts } = this;
    for (let i = 0; i < 2 * count; i++) {
      const value = i < count ? from[i] : to[i - count];
      let k = i;
      for (; k > 0 && cuts[k - 1] > value; k--) cuts[k] = cuts[k - 1];
      cuts[k] = value;
    }
    return cuts;
  }

  private through(
    at: number,
    width: number,
    transmits: (occluder: number) => Rgb | null,
    sum: number[],
  ): void {
    let heaviest = 0;
    let [r, g, b] = [1, 1, 1];
    for (let i = 0; i < this.count; i++) {
      if (at < this.from[i] || at > this.to[i]) continue;
      const occluder = this.occluder[i];
      const through = transmits(occluder);
      if (!through) heaviest = Math.max(heaviest, this.weight[i]);
      else if (this.isHeaviest(i, at)) {
        const w = this.weight[i];
        r *= 1 - w * (1 - through[0]);
        g *= 1 - w * (1 - through[1]);
        b *= 1 - w * (1 - through[2]);
      }
    }
    const rest = (1 - heaviest) * width;
    sum[0] += r * rest;
    sum[1] += g * rest;
    sum[2] += b * rest;
  }

  /** Of the intervals of one occluder over a place only the heaviest counts, the first of equals. */
  private isHeaviest(i: number, at: number): boolean {
    for (let k = 0; k < this.count; k++) {
      if (k === i || this.occluder[k] !== this.occluder[i] || at < this.from[k] || at > this.to[k]) continue;
      if (this.weight[k] > this.weight[i] || (this.weight[k] === this.weight[i] && k < i)) return false;
    }
    return true;
  }

  private grow(): void {
    const size = 2 * this.from.length;
    const wider = (old: Float64Array) => {
      const next = new Float64Array(size);
      next.set(old);
      return next;
    };
    this.from = wider(this.from);
    this.to = wider(this.to);
    this.weight = wider(this.weight);
    const occluder = new Int32Array(size);
    occluder.set(this.occluder);
    this.occluder = occluder;
    this.cuts = new Float64Array(2 * size);
  }
}
