import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { FLAME, IRON, TIN } from '../palette';

/** A paraffin stove: a blue ring behind mica, and warm light upward. */
export const paraffinStove: ReadyLuminaire = {
  name: 'Paraffin stove',
  pictures: { stove: picture },
  lights: [
    {
      ...{ id: 'window', name: 'Window', y: -8, colour: '#ffa050', burns: 'Trimmed oil lamp' },
      ...{ level: 1.5, corePx: 5, reachPx: 72, heightPx: 14, air: 0.03 },
    },
    {
      ...{ id: 'ring', name: 'Blue ring', y: -5, colour: '#5a8cff', level: 0.5, corePx: 2, reachPx: 26 },
      ...{ heightPx: 8, shadows: false },
    },
  ],
  flames: [litPart('stove', 'Stove', 'window', 1.4)],
};

function picture() {
  const paint = new Paint(14, 19);
  paint.shaded(3, 2, 8, 13, [TIN[2], IRON[4], IRON[2], IRON[1]], true);
  paint.box(2, 1, 10, 2, TIN[1]);
  paint.box(5, 0, 4, 1, IRON[5]);
  paint.box(5, 7, 4, 5, FLAME[1]);
  paint.box(5, 11, 4, 2, '#6f9cf0');
  paint.box(6, 8, 2, 3, FLAME[2]);
  paint.box(1, 15, 12, 2, IRON[3]);
  for (const x of [1, 11]) paint.box(x, 17, 2, 2, IRON[1]);
  const glow = maskFor(paint);
  glow.box(5, 7, 4, 6, '#ffffff');
  return { name: 'Paraffin stove', paint, glow, pivot: [7, 19] as const };
}
