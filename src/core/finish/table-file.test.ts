import { describe, expect, it } from 'vitest';
import { emptyImage } from '../raster/image';
import { encodePng } from '../raster/png';
import { readTable } from './colour-table';
import { readTableFile } from './table-file';

const text = (...lines: string[]) => new TextEncoder().encode(lines.join('\n'));
const RAMP = ['LUT_1D_SIZE 2', '0.25 0 0', '1 1 1'];

describe('the file of a table', () => {
  it('is read as text, with what it calls itself', () => {
    const { table, format, title } = readTableFile(text('TITLE "Rust"', ...RAMP), 'k', 'rust.cube');
    expect([format, title, table.dimensions, table.key]).toEqual(['cube', 'Rust', 1, 'k']);
    const colour = Float64Array.of(0, 0.5, 1);
    readTable(table, colour, 0);
    expect([...colour]).toEqual([0.25, 0.5, 1]);
  });

  it('is read as a picture by its bytes, whatever it is called', () => {
    const image = emptyImage(4, 2);
    // Two squares of 2 × 2 px: red to the right, green downward, blue from square to square, each turned round.
    for (let i = 0; i < 8; i++)
      image.data.set([i & 1 ? 0 : 255, i >= 4 ? 0 : 255, (i >> 1) & 1 ? 0 : 255, 255], 4 * i);
    const { table, format, title } = readTableFile(encodePng(image), 'k', 'turned.cube');
    expect([format, title, table.size]).toEqual(['picture', '', 2]);
    const colour = Float64Array.of(0.2, 0.6, 1);
    readTable(table, colour, 0);
    [0.8, 0.4, 0].forEach((value, c) => expect(colour[c]).toBeCloseTo(value, 12));
  });

  it('may have comments in an old alphabet', () => {
    const bytes = Uint8Array.from([...text('# by '), 0xe9, ...text('', ...RAMP)]);
    expect(readTableFile(bytes, 'k', 'old.cube').table.size).toBe(2);
  });

  it.each([
    ['a picture of another size', encodePng(emptyImage(4, 3)), /^odd: .*this picture has 4 × 3 px\.$/],
    ['a damaged picture', encodePng(emptyImage(4, 2)).slice(0, 40), /^odd: /],
    ['neither', Uint8Array.of(0, 1, 2, 200, 0), /^odd is neither a \.cube file nor a picture\.$/],
    ['a line of two numbers', text(...RAMP, '1 1'), /^odd, line 4: there are more than 2 lines of values\.$/],
  ])('that is %s is refused in words that name it', (_, bytes, words) => {
    expect(() => readTableFile(bytes, 'k', 'odd')).toThrow(words);
  });
});
