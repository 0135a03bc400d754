import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { BRASS, CREAM, IRON } from '../palette';

/** A gas mantle in a globe of glass, on an arm from the wall. */
export const gasMantle: ReadyLuminaire = {
  name: 'Gas mantle',
  pictures: { globe: picture },
  lights: [
    {
      ...{ id: 'mantle', name: 'Mantle', x: 9, y: 3, colour: '#e8f2c8', burns: 'Breathing lamp' },
      ...{ level: 2.1, corePx: 10, reachPx: 132, heightPx: 34, air: 0.02, sizePx: 2 },
    },
  ],
  flames: [litPart('globe', 'Globe', 'mantle', 1.5)],
};

function picture() {
  const paint = new Paint(16, 16);
  paint.box(0, 4, 2, 9, BRASS[1]);
  paint.box(0, 4, 1, 9, BRASS[3]);
  paint.box(2, 11, 8, 1, BRASS[3]);
  paint.box(2, 12, 8, 1, BRASS[1]);
  paint.box(9, 10, 1, 2, BRASS[2]);
  paint.disc(10, 6, 5, (_, y, d) => (d > 4 ? '#b4bfae' : y < 5 ? '#f4f8e0' : CREAM[2]));
  paint.box(8, 0, 4, 2, IRON[4]);
  paint.box(8, 10, 4, 1, BRASS[4]);
  const glow = maskFor(paint);
  glow.disc(10, 6, 4.4, (_x, _y, d) => (d < 2.6 ? '#ffffff' : '#a0a0a0'));
  return { name: 'Gas globe', paint, glow, pivot: [1, 8] as const };
}
