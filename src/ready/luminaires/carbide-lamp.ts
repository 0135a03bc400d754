import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { BRASS, CREAM, IRON } from '../palette';

/** A carbide lamp: a hard white beam from a polished dish. */
export const carbideLamp: ReadyLuminaire = {
  name: 'Carbide lamp',
  pictures: { lamp: picture },
  lights: [
    {
      ...{ id: 'beam', name: 'Beam', kind: 'spot', x: 5, y: 5, colour: '#f4f6ff', burns: 'Arc lamp' },
      ...{ level: 2.6, corePx: 6, reachPx: 200, bearingDeg: 0, beamDeg: 16, fieldDeg: 40, heightPx: 22 },
      ...{ air: 0.08 },
    },
    {
      ...{ id: 'jet', name: 'Jet', x: 3, y: 5, colour: '#fff3d8', level: 0.7, corePx: 3, reachPx: 34 },
      ...{ heightPx: 12, shadows: false },
    },
  ],
  flames: [litPart('lamp', 'Lamp', 'beam', 1.8)],
};

function picture() {
  const paint = new Paint(11, 14);
  paint.box(2, 0, 4, 1, BRASS[3]);
  paint.dot(1, 1, BRASS[2]);
  paint.dot(6, 1, BRASS[1]);
  paint.shaded(1, 8, 6, 6, [BRASS[4], BRASS[2], BRASS[1]], true);
  paint.box(2, 3, 4, 5, BRASS[2]);
  paint.shaded(6, 1, 4, 9, [IRON[5], '#d8dcd8', IRON[4]]);
  paint.box(8, 4, 2, 3, CREAM[2]);
  const glow = maskFor(paint);
  glow.box(7, 3, 3, 5, '#a0a0a0');
  glow.box(8, 4, 2, 3, '#ffffff');
  return { name: 'Carbide lamp', paint, glow, pivot: [4, 0] as const };
}
