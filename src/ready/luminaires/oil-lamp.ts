import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { BRASS, CREAM, FLAME, IRON } from '../palette';

/** A brass lamp with a chimney, hung by its ring. */
export const oilLamp: ReadyLuminaire = {
  name: 'Oil lamp',
  pictures: { lamp: picture },
  lights: [
    {
      ...{ id: 'flame', name: 'Flame', y: 10, colour: '#ffb766', burns: 'Trimmed oil lamp' },
      ...{ level: 2.4, corePx: 8, reachPx: 120, heightPx: 26, air: 0.04, sizePx: 1 },
    },
  ],
  flames: [litPart('lamp', 'Lamp', 'flame', 1.3)],
};

function picture() {
  const paint = new Paint(11, 20);
  paint.box(4, 0, 3, 1, BRASS[3]);
  paint.dot(3, 1, BRASS[2]);
  paint.dot(7, 1, BRASS[1]);
  paint.box(5, 2, 1, 2, IRON[3]);
  paint.shaded(3, 4, 5, 2, [BRASS[3], BRASS[1]], true);
  paint.box(4, 6, 3, 7, FLAME[1]);
  paint.box(3, 8, 5, 4, FLAME[1]);
  paint.box(5, 7, 1, 5, CREAM[2]);
  paint.box(2, 13, 7, 1, BRASS[4]);
  paint.shaded(1, 14, 9, 4, [BRASS[4], BRASS[3], BRASS[2], BRASS[1]], true);
  paint.box(3, 18, 5, 2, BRASS[1]);
  const glow = maskFor(paint);
  glow.box(3, 6, 5, 7, '#c0c0c0');
  glow.box(4, 7, 3, 5, '#ffffff');
  return { name: 'Oil lamp', paint, glow, pivot: [5.5, 0] as const };
}
