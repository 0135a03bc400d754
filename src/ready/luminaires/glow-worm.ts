import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { IRON, LEAF } from '../palette';

/** A glow-worm: a green point that comes and goes. */
export const glowWorm: ReadyLuminaire = {
  name: 'Glow-worm',
  pictures: { worm: picture },
  lights: [
    {
      ...{ id: 'tail', name: 'Tail', x: 1, colour: '#b6ff5a', burns: 'Breathing lamp' },
      ...{ level: 1.1, corePx: 1.5, reachPx: 22, heightPx: 5, air: 0.1, shadows: false },
    },
  ],
  flames: [litPart('worm', 'Worm', 'tail', 1.6)],
};

function picture() {
  const paint = new Paint(5, 2);
  paint.box(0, 0, 3, 1, IRON[2]);
  paint.box(0, 1, 4, 1, IRON[0]);
  paint.box(3, 0, 2, 1, LEAF[5]);
  paint.dot(4, 1, LEAF[4]);
  const glow = maskFor(paint);
  glow.box(3, 0, 2, 2, '#ffffff');
  return { name: 'Glow-worm', paint, glow, pivot: [2.5, 1] as const };
}
