import { hash01 } from '@/core/time/noise';
import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { FLAME, IRON, RUST, SIGNAL } from '../palette';

/** A tray of embers, whose glow breathes. */
export const emberBed: ReadyLuminaire = {
  name: 'Ember bed',
  pictures: { tray: picture },
  lights: [
    {
      ...{ id: 'embers', name: 'Embers', y: -6, colour: '#ff6a2c', burns: 'Embers' },
      ...{ level: 1.9, corePx: 10, reachPx: 84, squash: 1.5, heightPx: 12, air: 0.05, sizePx: 5 },
    },
  ],
  flames: [litPart('tray', 'Tray', 'embers', 1.6)],
};

function picture() {
  const paint = new Paint(22, 11);
  const glow = maskFor(paint);
  paint.shaded(1, 5, 20, 4, [IRON[3], IRON[1]], false);
  paint.box(1, 5, 20, 1, IRON[4]);
  for (const x of [3, 17]) paint.box(x, 9, 2, 2, IRON[1]);
  for (let x = 2; x < 20; x++)
    for (let y = 2 + Math.floor(2 * hash01(3, x)); y < 6; y++) {
      const heat = hash01(7, 32 * y + x);
      paint.dot(x, y, heat > 0.75 ? FLAME[0] : heat > 0.45 ? SIGNAL[2] : heat > 0.2 ? RUST[2] : IRON[0]);
      if (heat > 0.45) glow.dot(x, y, heat > 0.75 ? '#ffffff' : '#909090');
    }
  return { name: 'Ember tray', paint, glow, pivot: [11, 11] as const };
}
