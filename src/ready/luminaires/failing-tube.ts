import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { IRON, TIN } from '../palette';

/** A lamp tube at the end of its life. */
export const failingTube: ReadyLuminaire = {
  name: 'Failing tube',
  pictures: { tube: picture },
  lights: [
    {
      ...{ id: 'tube', name: 'Tube', kind: 'area', colour: '#dcecff', burns: 'Failing tube' },
      ...{ outlines: [[-18, -1.5, 18, -1.5, 18, 1.5, -18, 1.5]], featherPx: 74, level: 1.6, heightPx: 36 },
      ...{ air: 0.03, shadows: false },
    },
  ],
  flames: [litPart('tube', 'Tube', 'tube', 1.6)],
};

function picture() {
  const paint = new Paint(42, 6);
  paint.box(0, 0, 42, 2, IRON[3]);
  paint.box(0, 0, 42, 1, IRON[5]);
  paint.box(2, 2, 38, 3, '#eef4f6');
  paint.box(2, 4, 38, 1, TIN[3]);
  paint.box(2, 2, 5, 3, TIN[0]);
  for (const x of [0, 40]) paint.box(x, 1, 2, 5, IRON[2]);
  const glow = maskFor(paint);
  glow.box(6, 2, 34, 3, '#ffffff');
  return { name: 'Lamp tube', paint, glow, pivot: [21, 3] as const };
}
