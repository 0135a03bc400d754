/**
 * The changes of many places from one local extreme to the next, of a value that is told frame by frame. An extreme counts
 * when the way to it and the way back are both large enough to be half a flash; smaller wavering on the way is passed over.
 */

/** A place's values at one frame: the one that rises and falls first, and what else decides whether a change counts. */
export interface PlaceValues {
  /** Values of one place. */
  readonly size: number;
  /** Whether the way between these two is large enough. `low` and `high` are where the values of each begin in `values`. */
  counts(values: Float64Array, low: number, high: number): boolean;
}

export const RISE = 1;
export const FALL = -1;

/** A place reached an extreme at a frame, rising or falling. */
export type Told = (frame: number, place: number, way: typeof RISE | typeof FALL) => void;

export class Changes {
  /** Of each place, the lowest and the highest values since the last extreme, beside the newest. */
  private readonly values: Float64Array;
  private readonly lowFrame: Int32Array;
  private readonly highFrame: Int32Array;
  /** Where each goes: up to a high that is not left yet, down to a low, or 0 while nothing has counted. */
  private readonly going: Int8Array;

  constructor(
    private readonly count: number,
    private readonly of: PlaceValues,
    private readonly told: Told,
  ) {
    this.values = new Float64Array(3 * of.size * count);
    this.lowFrame = new Int32Array(count).fill(-1);
    this.highFrame = new Int32Array(count).fill(-1);
    this.going = new Int8Array(count);
  }

  /** @param next the values of all places, one after the other */
  frame(frame: number, next: Float64Array): void {
    const { count, of, values, lowFrame, highFrame, going } = this;
    const { size } = of;
    for (let place = 0; place < count; place++) {
      const low = 3 * size * place;
      const high = low + size;
      const now = high + size;
      for (let k = 0; k < size; k++) values[now + k] = next[size * place + k];
      if (lowFrame[place] < 0 || values[now] < values[low]) this.keep(low, now, lowFrame, place, frame);
      if (highFrame[place] < 0 || values[now] > values[high]) this.keep(high, now, highFrame, place, frame);
      if (going[place] === 0 && of.counts(values, low, high)) {
        // The first change ends at whichever came later.
        going[place] = highFrame[place] > lowFrame[place] ? RISE : FALL;
      }
      if (going[place] === RISE && of.counts(values, now, high)) {
        this.told(highFrame[place], place, RISE);
        going[place] = FALL;
        this.keep(low, now, lowFrame, place, frame);
      } else if (going[place] === FALL && of.counts(values, low, now)) {
        this.told(lowFrame[place], place, FALL);
        going[place] = RISE;
        this.keep(high, now, highFrame, place, frame);
      }
    }
  }

  /** Tells the changes that were still under way. */
  end(): void {
    this.going.forEach((way, place) => {
      if (way === RISE) this.told(this.highFrame[place], place, RISE);
      else if (way === FALL) this.told(this.lowFrame[place], place, FALL);
    });
  }

  private keep(to: number, from: number, frames: Int32Array, place: number, frame: number): void {
    for (let k = 0; k < this.of.size; k++) this.values[to + k] = this.values[from + k];
    frames[place] = frame;
  }
}
