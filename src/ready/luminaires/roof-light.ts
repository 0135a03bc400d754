import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { CREAM, IRON, SLATE } from '../palette';

/** A shaded lamp under a roof, whose cone is seen in the fog. */
export const roofLight: ReadyLuminaire = {
  name: 'Roof light in fog',
  pictures: { shade: picture },
  lights: [
    {
      ...{ id: 'cone', name: 'Cone', kind: 'spot', y: 7, colour: '#ffe6bc', level: 2.6, corePx: 10 },
      ...{ reachPx: 190, bearingDeg: 90, beamDeg: 50, fieldDeg: 96, heightPx: 40, air: 0.22, sizePx: 2 },
    },
    {
      ...{ id: 'halo', name: 'Halo', y: 7, colour: '#ffdca8', level: 0.7, corePx: 4, reachPx: 52 },
      ...{ heightPx: 20, air: 0.3, shadows: false },
    },
  ],
  flames: [litPart('shade', 'Shade', 'cone', 1.5)],
};

function picture() {
  const paint = new Paint(19, 11);
  paint.box(9, 0, 1, 3, IRON[2]);
  for (let i = 0; i < 5; i++) {
    const w = 4 + 3 * i;
    paint.shaded(9 - Math.floor(w / 2), 3 + i, w + 1, 1, [SLATE[4], SLATE[2], SLATE[1]], true);
  }
  paint.box(7, 8, 5, 2, CREAM[2]);
  paint.box(8, 10, 3, 1, CREAM[1]);
  const glow = maskFor(paint);
  glow.box(7, 8, 5, 3, '#ffffff');
  return { name: 'Roof shade', paint, glow, pivot: [9.5, 0] as const };
}
