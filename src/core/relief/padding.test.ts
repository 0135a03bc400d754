import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Rect } from '../raster/rect';
import { padOutward } from './padding';

const whole = (width: number, height: number): Rect => ({ left: 0, top: 0, right: width, bottom: height });

/** Letters are pixels of the art, each its own value; dots are clear. */
function padded(rows: string[], paddingPx: number, frames?: Rect[]): string[] {
  const width = rows[0].length;
  const height = rows.length;
  const letters = [...rows.join('')];
  const inside = Uint8Array.from(letters, (letter) => (letter === '.' ? 0 : 1));
  const rgba = Uint8Array.from(letters.flatMap((letter) => [letter.charCodeAt(0), 1, 2, 3]));
  padOutward(rgba, { inside, width, height, frames: frames ?? [whole(width, height)] }, paddingPx);
  const text = letters.map((_, i) => String.fromCharCode(rgba[4 * i])).join('');
  return rows.map((_, y) => text.slice(y * width, (y + 1) * width));
}

describe('padding', () => {
  it('carries what is nearest outward, so far and no farther', () => {
    expect(padded(['.....', '.....', '..a..', '.....', '.....'], 1)).toEqual([
      '.....',
      '.aaa.',
      '.aaa.',
      '.aaa.',
      '.....',
    ]);
    expect(padded(['a....b'], 1)).toEqual(['aa..bb']);
    expect(padded(['a....b'], 2)).toEqual(['aaabbb']);
    expect(padded(['a....b'], 9)).toEqual(['aaabbb']);
  });

  it('never carries anything from one cell of a sheet into another', () => {
    const frames = [
      { left: 0, top: 0, right: 3, bottom: 2 },
      { left: 3, top: 0, right: 6, bottom: 2 },
    ];
    expect(padded(['..ab..', '..a...'], 3, frames)).toEqual(['aaabbb', 'aaabbb']);
    expect(padded(['..a...', '..a...'], 3, frames)).toEqual(['aaa...', 'aaa...']);
  });

  it('fills the gaps between cells from either side, and carries nothing through them', () => {
    const frames = [
      { left: 0, top: 0, right: 2, bottom: 1 },
      { left: 4, top: 0, right: 6, bottom: 1 },
    ];
    expect(padded(['.a....'], 4, frames)).toEqual(['aaaa..']);
    expect(padded(['.a..b.'], 1, frames)).toEqual(['aaabbb']);
  });

  it('of a picture with nothing in it leaves it as it is', () => {
    expect(padded(['...', '...'], 2)).toEqual(['...', '...']);
  });

  it('of a cell is what it would be by itself, whatever its neighbours are', () => {
    const cell = fc.array(fc.constantFrom('.', '.', 'a', 'b'), { minLength: 16, maxLength: 16 });
    fc.assert(
      fc.property(cell, cell, fc.integer({ min: 1, max: 4 }), (left, right, paddingPx) => {
        const rowsOf = (letters: string[]) =>
          [0, 1, 2, 3].map((y) => letters.slice(4 * y, 4 * y + 4).join(''));
        const both = rowsOf(left).map((row, y) => row + rowsOf(right)[y]);
        const frames = [
          { left: 0, top: 0, right: 4, bottom: 4 },
          { left: 4, top: 0, right: 8, bottom: 4 },
        ];
        const sheet = padded(both, paddingPx, frames);
        expect(sheet.map((row) => row.slice(0, 4))).toEqual(padded(rowsOf(left), paddingPx));
        expect(sheet.map((row) => row.slice(4))).toEqual(padded(rowsOf(right), paddingPx));
      }),
    );
  });
});
