/** A small alphabet, and the board that it is written on. */
import { Paint } from '@/ready/paint';
import { CREAM, TIMBER } from '@/ready/palette';

/** A five-by-three alphabet, for as much as is written at the halt. */
const LETTERS: Record<string, string> = {
  F: '111100110100100',
  H: '101101111101101',
  E: '111100110100111',
  N: '110101101101101',
  L: '100100100100111',
  A: '010101111101101',
  T: '111010010010010',
  '2': '110001010100111',
  '7': '111001010010010',
  ' ': '000000000000000',
};

export function lettering(
  paint: Paint,
  text: string,
  x: number,
  y: number,
  colour: string = CREAM[1],
  size = 1,
): void {
  [...text].forEach((letter, n) => {
    [...LETTERS[letter]].forEach((bit, i) => {
      if (bit === '1')
        paint.box(x + n * 4 * size + (i % 3) * size, y + Math.floor(i / 3) * size, size, size, colour);
    });
  });
}

/** The station's enamel sign on two posts. */
export function nameBoard(): Paint {
  const paint = new Paint(62, 40);
  for (const x of [8, 50]) paint.shaded(x, 4, 4, 36, [TIMBER[4], TIMBER[3], TIMBER[1]], true);
  paint.box(0, 2, 62, 15, TIMBER[1]);
  paint.box(0, 2, 62, 1, TIMBER[4]);
  paint.box(2, 4, 58, 11, '#2b4a58');
  paint.box(2, 4, 58, 1, '#41687a');
  lettering(paint, 'FENNEL HALT', 9, 7, CREAM[2]);
  return paint;
}
