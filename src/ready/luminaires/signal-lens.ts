import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { GLASS, IRON } from '../palette';

/** A round lens before a small lamp: a stain of colour near it, and a beam. */
export const signalLens: ReadyLuminaire = {
  name: 'Signal lens',
  pictures: { lens: picture },
  lights: [
    {
      ...{ id: 'lens', name: 'Lens', colour: '#46ffb0', level: 1.8, corePx: 3, reachPx: 54 },
      ...{ heightPx: 14, air: 0.1 },
    },
    {
      ...{ id: 'beam', name: 'Beam', kind: 'spot', colour: '#6cffc4', level: 1.4, corePx: 4, reachPx: 170 },
      ...{ bearingDeg: 0, beamDeg: 12, fieldDeg: 26, heightPx: 20, air: 0.16 },
    },
  ],
  flames: [litPart('lens', 'Lens', 'lens', 1.7)],
};

function picture() {
  const paint = new Paint(13, 13);
  paint.disc(6.5, 6.5, 6.2, (x, y, d) => (d > 5 ? IRON[x + y < 12 ? 4 : 1] : IRON[2]));
  paint.disc(6.5, 6.5, 4, (_, y, d) => (d > 3.2 ? GLASS[2] : y < 6 ? '#c8ffe6' : '#58e6a8'));
  paint.box(4, 0, 6, 1, IRON[5]);
  const glow = maskFor(paint);
  glow.disc(6.5, 6.5, 4, (_x, _y, d) => (d < 2 ? '#ffffff' : '#b0b0b0'));
  return { name: 'Signal lens', paint, glow, pivot: [6.5, 6.5] as const };
}
