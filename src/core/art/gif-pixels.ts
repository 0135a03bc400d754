/**
 * The pixels of one picture of a GIF (GIF89a, appendix F: LZW with codes of growing length). Strict where readers are
 * lenient: a code that is not in the table yet is damage, and would lead others round in circles.
 */
import { InputFault } from '../faults';

const MOST_BITS = 12;
const MOST_CODES = 1 << MOST_BITS;

/** Reads codes of so many bits out of sub-blocks, each with its length before it, ended by one of no length. */
class CodeReader {
  private left = 0;
  private bits = 0;
  private count = 0;

  constructor(
    private readonly bytes: Uint8Array,
    private at: number,
  ) {
    this.left = bytes[this.at++] ?? 0;
  }

  /** @returns -1 where the data has ended */
  next(length: number): number {
    while (this.count < length) {
      if (this.left === 0 || this.at >= this.bytes.length) return -1;
      this.bits |= this.bytes[this.at++] << this.count;
      this.count += 8;
      if (--this.left === 0) this.left = this.bytes[this.at++] ?? 0;
    }
    const code = this.bits & ((1 << length) - 1);
    this.bits >>>= length;
    this.count -= length;
    return code;
  }
}

/**
 * @param at where the picture's data begins, with the bits of its smallest code
 * @param count of the picture's pixels
 * @returns a palette index for each, in the order of the file
 * @throws InputFault where the data is damaged or ends too soon
 */
export function gifIndices(bytes: Uint8Array, at: number, count: number): Uint8Array {
  const least = bytes[at];
  if (!(least >= 1 && least <= 8)) throw new InputFault(`its codes have ${least} bits`);
  const out = new Uint8Array(count);
  const reader = new CodeReader(bytes, at + 1);
  const before = new Uint16Array(MOST_CODES);
  const last = new Uint8Array(MOST_CODES);
  const first = new Uint8Array(MOST_CODES);
  const lengths = new Uint16Array(MOST_CODES);
  const clear = 1 << least;
  for (let i = 0; i < clear; i++) {
    last[i] = i;
    first[i] = i;
    lengths[i] = 1;
  }
  let free = clear + 2;
  let bits = least + 1;
  let previous = -1;
  let done = 0;
  while (done < count) {
    const code = reader.next(bits);
    if (code < 0 || code === clear + 1) throw new InputFault('it ends before its last pixel');
    if (code === clear) {
      free = clear + 2;
      bits = least + 1;
      previous = -1;
      continue;
    }
    if (code > free || (previous < 0 && code > clear) || (code === free && previous < 0))
      throw new InputFault(`code ${code} is not known there`);
    if (previous >= 0 && free < MOST_CODES) {
      before[free] = previous;
      first[free] = first[previous];
      // A code that is just being made ends as it begins.
      last[free] = first[code === free ? previous : code];
      lengths[free] = lengths[previous] + 1;
      free++;
      if (free === 1 << bits && bits < MOST_BITS) bits++;
    } else if (code === free) throw new InputFault(`code ${code} is not known there`);
    for (let place = done + lengths[code] - 1, of = code; place >= done; place--, of = before[of])
      if (place < count) out[place] = last[of];
    done += lengths[code];
    previous = code;
  }
  return out;
}

const PASSES = [
  [0, 8],
  [4, 8],
  [2, 4],
  [1, 2],
] as const;

/** The rows of a picture in the order in which an interlaced file has them. */
export function interlacedRows(height: number): number[] {
  return PASSES.flatMap(([from, step]) =>
    Array.from({ length: Math.max(0, Math.ceil((height - from) / step)) }, (_, i) => from + i * step),
  );
}
