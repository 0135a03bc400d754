/** The frames of an artwork: which there are, which one shows at a second, and where each stands. */
import type { Rect } from '../raster/rect';
import type { Artwork, ArtworkFrame } from '../scene/records/artwork';

type Framed = Pick<Artwork, 'frames' | 'widthPx' | 'heightPx' | 'rateHz' | 'loop'>;

/** The frames of an artwork; one that was not cut has its whole picture as the only one. */
export function framesIn({ frames, widthPx, heightPx }: Framed): readonly ArtworkFrame[] {
  if (frames.length > 0) return frames;
  return [{ name: '', left: 0, top: 0, widthPx, heightPx, shiftX: 0, shiftY: 0, seconds: null }];
}

/** A frame by its number, counted round: numbers beyond the last begin again. */
export function frameOf(artwork: Framed, number: number): ArtworkFrame {
  const frames = framesIn(artwork);
  const n = frames.length;
  return frames[((Math.floor(number) % n) + n) % n];
}

export function rectOf({ left, top, widthPx, heightPx }: ArtworkFrame): Rect {
  return { left, top, right: left + widthPx, bottom: top + heightPx };
}

/** How long a frame stands: its own time, or one beat of the artwork's rate. */
export function secondsOf({ rateHz }: Framed, frame: ArtworkFrame): number {
  return frame.seconds ?? 1 / rateHz;
}

/** The order in which frames are played in one round. */
function roundOf({ loop }: Framed, count: number): number[] {
  const forward = Array.from({ length: count }, (_, i) => i);
  if (loop !== 'to-and-fro' || count < 3) return forward;
  // The last and the first stand once, not twice.
  return [...forward, ...forward.slice(1, -1).reverse()];
}

/** One round of an artwork's frames, seconds. */
export function roundSeconds(artwork: Framed): number {
  const frames = framesIn(artwork);
  return roundOf(artwork, frames.length).reduce((sum, i) => sum + secondsOf(artwork, frames[i]), 0);
}

/**
 * The number of the frame that shows while an artwork is played.
 * @param seconds since playing began; before that the first frame shows
 * @param first the frame that playing begins with, as if those before it had been played already
 */
export function frameAt(artwork: Framed, seconds: number, first = 0): number {
  const frames = framesIn(artwork);
  const begins = first % frames.length;
  const round = roundOf(artwork, frames.length);
  if (round.length < 2 || seconds <= 0) return begins;
  const whole = roundSeconds(artwork);
  let played = seconds;
  for (let i = 0; i < begins; i++) played += secondsOf(artwork, frames[i]);
  if (artwork.loop === 'once' && played >= whole) return frames.length - 1;
  let left = played - Math.floor(played / whole) * whole;
  for (const i of round) {
    left -= secondsOf(artwork, frames[i]);
    if (left < 0) return i;
  }
  return round[round.length - 1];
}

/** The size of the figure: what holds all frames where they stand. */
export function figureSize(artwork: Framed): { widthPx: number; heightPx: number } {
  let [widthPx, heightPx] = [0, 0];
  for (const frame of framesIn(artwork)) {
    widthPx = Math.max(widthPx, frame.shiftX + frame.widthPx);
    heightPx = Math.max(heightPx, frame.shiftY + frame.heightPx);
  }
  return { widthPx, heightPx };
}
