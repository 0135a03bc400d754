import type { ReadyLuminaire } from '../luminaire';
import { Paint } from '../paint';

/** Moonlight that falls through the bars of a glass roof: a picture that shapes the light, and no flame. */
export const moonThroughGlass: ReadyLuminaire = {
  name: 'Moon through glass',
  pictures: { panes: picture },
  lights: [
    {
      ...{ id: 'moon', name: 'Moon', kind: 'gobo', colour: '#9fb8ff', level: 0.95, source: 'parallel' },
      ...{ bearingDeg: -120, altitudeDeg: 60, turnDeg: -12, shadowOpacity: 0.7, sizeDeg: 1, relief: 0.8 },
      through: { picture: 'panes', widthPx: 112, heightPx: 84, fadePx: 16 },
    },
  ],
  flames: [],
};

function picture() {
  const paint = new Paint(56, 42);
  paint.box(0, 0, 56, 42, '#000000');
  for (let column = 0; column < 4; column++)
    for (let row = 0; row < 3; row++) {
      const [x, y] = [3 + column * 13, 3 + row * 13];
      paint.shaded(x, y, 11, 10, ['#ffffff', '#d4d8e4', '#b0b8cc'], (column + row) % 2 === 0);
    }
  return { name: 'Panes', paint, pivot: [28, 21] as const };
}
