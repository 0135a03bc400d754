import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { BRASS, FLAME, IRON, SIGNAL } from '../palette';

/** A carriage lamp: warm to the front, red behind. */
export const carriageLamp: ReadyLuminaire = {
  name: 'Carriage lamp',
  pictures: { lamp: picture },
  lights: [
    {
      ...{ id: 'front', name: 'Front glass', x: 3, y: 6, colour: '#ffc07a', burns: 'Candle' },
      ...{ level: 1.9, corePx: 6, reachPx: 96, heightPx: 22, air: 0.05 },
    },
    {
      ...{
        id: 'tail',
        name: 'Red glass',
        x: -4,
        y: 6,
        colour: '#ff3a26',
        level: 0.9,
        corePx: 2,
        reachPx: 32,
      },
      ...{ heightPx: 10, air: 0.1, shadows: false },
    },
  ],
  flames: [litPart('lamp', 'Lamp', 'front', 1.4)],
};

function picture() {
  const paint = new Paint(11, 15);
  paint.box(4, 0, 3, 2, BRASS[3]);
  paint.shaded(2, 2, 7, 2, [BRASS[4], BRASS[1]], true);
  paint.box(1, 4, 9, 7, IRON[1]);
  paint.box(4, 4, 5, 6, FLAME[1]);
  paint.box(6, 5, 2, 4, FLAME[2]);
  paint.box(1, 5, 2, 4, SIGNAL[2]);
  paint.box(1, 10, 9, 1, BRASS[3]);
  paint.shaded(3, 11, 5, 4, [BRASS[3], BRASS[2], BRASS[0]], true);
  const glow = maskFor(paint);
  glow.box(4, 4, 5, 6, '#d0d0d0');
  glow.box(1, 5, 2, 4, '#ffffff');
  return { name: 'Carriage lamp', paint, glow, pivot: [5.5, 0] as const };
}
