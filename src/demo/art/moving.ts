/** What moves at the halt: smoke of the hut's stove, and the flag that stops the train. Frames side by side. */
import { BAYER8 } from '@/core/raster/bayer';
import { Paint } from '@/ready/paint';
import { CREAM, IRON, SIGNAL, TIN } from '@/ready/palette';

export const SMOKE = { frames: 8, width: 32, height: 48, rateHz: 5 } as const;

/** Puffs that rise, widen and drift; a round of the frames carries each to where the next one was. */
export function smoke(): Paint {
  const { frames, width, height } = SMOKE;
  const sheet = new Paint(frames * width, height);
  const puffs = 4;
  for (let frame = 0; frame < frames; frame++) {
    const one = new Paint(width, height);
    for (let i = puffs - 1; i >= 0; i--) {
      const age = (i + frame / frames) / puffs;
      const [x, y] = [6 + 16 * age * age, height - 3 - 38 * age];
      const radius = 2 + 5.5 * age;
      one.disc(x, y, radius, (px, py, d) => {
        // Thinner with age, and towards its border.
        const thin = 1.5 * (age - 0.35) + 0.4 * (d / radius) * age;
        if (thin > (BAYER8[(py & 7) * 8 + (px & 7)] + 0.5) / 64) return null;
        return TIN[px - x + (y - py) > radius * 0.3 ? 3 : d > radius * 0.7 ? 1 : 2];
      });
    }
    sheet.stamp(one, frame * width, 0);
  }
  return sheet;
}

export const FLAG = { frames: 6, width: 24, height: 46, rateHz: 7 } as const;
/** How far the cloth is lifted along a wave, px. */
const WAVE = [0, 1, 1, 0, -1, -1];

/** A red flag with a cream stripe on an iron pole. */
export function flag(): Paint {
  const { frames, width, height } = FLAG;
  const sheet = new Paint(frames * width, height);
  for (let frame = 0; frame < frames; frame++) {
    const one = new Paint(width, height);
    one.box(2, 1, 1, height - 1, IRON[4]);
    one.box(3, 1, 1, height - 1, IRON[2]);
    one.box(1, 0, 4, 2, IRON[5]);
    for (let x = 4; x < width - 1; x++) {
      const phase = (Math.floor(x / 2) + frames - frame) % frames;
      // The cloth hangs still at the pole.
      const lift = x < 7 ? 0 : WAVE[phase];
      const tone = phase < 2 ? 2 : phase < 4 ? 1 : 0;
      one.box(x, 5 - lift, 1, 12, SIGNAL[tone]);
      one.box(x, 9 - lift, 1, 4, CREAM[tone]);
    }
    sheet.stamp(one, frame * width, 0);
  }
  return sheet;
}
