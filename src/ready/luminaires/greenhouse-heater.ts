import { litPart, type ReadyLuminaire } from '../luminaire';
import { maskFor, Paint } from '../paint';
import { IRON, RUST, SIGNAL } from '../palette';

/** A low heater of finned pipes: a dull red all along. */
export const greenhouseHeater: ReadyLuminaire = {
  name: 'Greenhouse heater',
  pictures: { pipes: picture },
  lights: [
    {
      ...{ id: 'pipes', name: 'Pipes', kind: 'area', colour: '#ff5a34', burns: 'Embers' },
      ...{ outlines: [[-14, -3, 14, -3, 14, 3, -14, 3]], featherPx: 30, level: 0.9, heightPx: 10 },
      ...{ air: 0.03, shadows: false },
    },
  ],
  flames: [litPart('pipes', 'Pipes', 'pipes', 0.9)],
};

function picture() {
  const paint = new Paint(32, 10);
  for (const y of [1, 6]) {
    paint.shaded(0, y, 32, 3, [RUST[3], SIGNAL[1], RUST[0]]);
    for (let x = 2; x < 31; x += 4) {
      paint.box(x, y - 1, 1, 5, IRON[4]);
      paint.box(x + 1, y - 1, 1, 5, IRON[1]);
    }
  }
  paint.box(0, 0, 2, 10, IRON[3]);
  paint.box(30, 0, 2, 10, IRON[2]);
  const glow = maskFor(paint);
  for (const y of [1, 6]) for (let x = 4; x < 30; x += 4) glow.box(x, y, 2, 3, '#909090');
  return { name: 'Heater pipes', paint, glow, pivot: [16, 5] as const };
}
