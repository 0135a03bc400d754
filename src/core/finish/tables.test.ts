/** Lookup tables: read, written, and looked into. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { srgbDecode, srgbEncode } from '../raster/colour';
import { finishNumbers, NO_FINISH_SETTINGS, runPass, runPasses } from './all-passes';
import { readTable, type ColourTable } from './colour-table';
import { cubeText, readCube } from './cube-file';
import { lookTable } from './look-table';
import { readTablePicture, tableLayout } from './table-picture';

const cube = (size: number, of: (r: number, g: number, b: number) => readonly number[]): ColourTable => {
  const values = new Float32Array(3 * size * size * size);
  for (let b = 0, o = 0; b < size; b++)
    for (let g = 0; g < size; g++)
      for (let r = 0; r < size; r++, o += 3)
        values.set(of(r / (size - 1), g / (size - 1), b / (size - 1)), o);
  return { key: 'k', dimensions: 3, size, low: [0, 0, 0], high: [1, 1, 1], values };
};
const looked = (table: ColourTable, rgb: readonly number[]) => {
  const data = Float64Array.from(rgb);
  readTable(table, data, 0);
  return [...data];
};
const colours = fc.tuple(...Array.from({ length: 3 }, () => fc.double({ min: 0, max: 1, noNaN: true })));
const text = (lines: readonly string[]) => lines.join('\n');
const IDENTITY = ['0 0 0', '1 0 0', '0 1 0', '1 1 0', '0 0 1', '1 0 1', '0 1 1', '1 1 1'] as const;

describe('a cube', () => {
  it('of two places that is the identity leaves every colour', () => {
    const { table } = readCube(text(['LUT_3D_SIZE 2', ...IDENTITY]), 'k', 'identity.cube');
    fc.assert(
      fc.property(colours, (rgb) => {
        looked(table, rgb).forEach((v, c) => expect(v).toBeCloseTo(rgb[c], 12));
      }),
    );
  });

  it('is read in the tetrahedron of the larger fractions', () => {
    // Only the corner of red and green is lit: on the way red first, green second it counts the second fraction.
    const table = cube(2, (r, g, b) => [r === 1 && g === 1 && b === 0 ? 1 : 0, 0, 0]);
    expect(looked(table, [0.8, 0.5, 0.1])[0]).toBeCloseTo(0.4, 6);
    expect(looked(table, [0.5, 0.8, 0.1])[0]).toBeCloseTo(0.4, 6);
    // With blue between them the way does not touch that corner.
    expect(looked(table, [0.8, 0.1, 0.5])[0]).toBe(0);
  });

  it('is within a byte of the formula that it was made by, off its places', () => {
    const of = (r: number, g: number, b: number) => [r * r, 0.5 * (g + b * b), 1 - (1 - b) * (1 - 0.3 * r)];
    const table = cube(33, of);
    fc.assert(
      fc.property(colours, ([r, g, b]) => {
        const exact = of(r, g, b);
        looked(table, [r, g, b]).forEach((v, c) => expect(Math.abs(v - exact[c])).toBeLessThan(1 / 255));
      }),
      { numRuns: 500 },
    );
  });

  it('has a domain, and is read at its border beyond', () => {
    const table = { ...cube(2, (r, g, b) => [r, g, b]), low: [0.2, 0, 0], high: [0.6, 1, 1] } as ColourTable;
    expect(looked(table, [0.4, 0.5, 0.5])[0]).toBeCloseTo(0.5, 12);
    expect(looked(table, [0.1, 0, 1])).toEqual([0, 0, 1]);
    expect(looked(table, [0.9, 0, 1])).toEqual([1, 0, 1]);
  });

  it('is mixed in by its share', () => {
    const table = cube(2, () => [1, 0, 0]);
    const finish = finishNumbers({ ...NO_FINISH_SETTINGS, tableId: 't', tableShare: 0.25 }, () => table);
    const one = { width: 1, height: 1, data: Float64Array.of(0.5, 0.5, 0.5) };
    const frame = {
      view: { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 },
      gate: { left: 0, top: 0, right: 1, bottom: 1 },
      ...{ pixelArt: true, gateLog2: null },
    };
    runPass('table', one, finish, frame);
    expect([...one.data]).toEqual([0.625, 0.375, 0.375]);
  });
});

describe('a .cube file', () => {
  it('is read with every whitespace, comment and keyword of the format', () => {
    const file = [
      '\ufeff# made by hand',
      'TITLE "Dusk, the second"',
      '',
      '\tLUT_1D_SIZE\t3  ',
      'DOMAIN_MIN -1 0 0',
      '  # between',
      'DOMAIN_MAX 1 2.5 1e0',
      '0 0 0',
      ' .5\t+0.25   5e-1 ',
      '1 1. 1',
      '',
    ].join('\r\n');
    const { title, table } = readCube(file, 'k', 'dusk.cube');
    expect(title).toBe('Dusk, the second');
    expect(table).toMatchObject({ dimensions: 1, size: 3, low: [-1, 0, 0], high: [1, 2.5, 1] });
    expect([...table.values]).toEqual([0, 0, 0, 0.5, 0.25, 0.5, 1, 1, 1]);
    expect(looked(table, [0.5, 2.5, 0.25])).toEqual([0.75, 1, 0.25]);
  });

  it.each([
    [
      ['LUT_3D_SIZE 2', ...IDENTITY.slice(1)],
      'a.cube, line 8: the file ends after 7 lines of values; 8 are expected.',
    ],
    [['LUT_3D_SIZE 2', ...IDENTITY, '0 0 0'], 'a.cube, line 10: there are more than 8 lines of values.'],
    [['0 0 0'], 'a.cube, line 1: values stand before LUT_1D_SIZE or LUT_3D_SIZE.'],
    [['LUT_3D_SIZE 66'], 'a.cube, line 1: a size from 2 to 65 is expected, not “66”.'],
    [['LUT_1D_SIZE 2', 'LUT_3D_SIZE 2'], 'a.cube, line 2: the size is given twice.'],
    [['LUT_1D_SIZE 2', '0 0 x'], 'a.cube, line 2: “x” is no number.'],
    [['LUT_1D_SIZE 2', '0 0'], 'a.cube, line 2: three numbers are expected, not “0 0”.'],
    [['LUT_1D_SIZE 2', '0 0 0', 'TITLE "late"'], 'a.cube, line 3: TITLE stands after the first values.'],
    [['LUT_1D_SIZE 2', 'GAMMA 2'], 'a.cube, line 2: the keyword GAMMA is not known.'],
    [['LUT_1D_SIZE 2', 'DOMAIN_MAX 0 1 1', '0 0 0'], 'a.cube, line 3: the domain ends before it begins.'],
    [['TITLE dusk'], 'a.cube, line 1: a title stands in quotation marks.'],
    [[''], 'a.cube, line 1: the file ends before any values.'],
  ])('is refused with its line: %j', (lines, words) => {
    expect(() => readCube(text(lines), 'k', 'a.cube')).toThrow(words);
  });

  it('is read or refused with a line whatever it holds, soon', () => {
    const word = fc.constantFrom(
      ...[
        'LUT_3D_SIZE',
        'LUT_1D_SIZE',
        'DOMAIN_MIN',
        'DOMAIN_MAX',
        'TITLE',
        '#',
        '"',
        '\t',
        '1e999',
        '0',
        '0.5',
      ],
      ...[
        '-1',
        '2',
        '3',
        '65',
        'nan',
        'Infinity',
        '\u0000',
        '__proto__',
        'constructor',
        '０',
        '1,5',
        '1 0 0',
        '\r',
      ],
    );
    const line = fc
      .array(fc.oneof(word, fc.string({ maxLength: 12 })), { maxLength: 5 })
      .map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(line, { maxLength: 14 }), (lines) => {
        const start = performance.now();
        try {
          readCube(lines.join('\n'), 'k', 'f.cube');
        } catch (thrown) {
          expect((thrown as Error).name).toBe('InputFault');
          expect((thrown as Error).message).toMatch(/^f\.cube, line \d+: /);
        }
        expect(performance.now() - start).toBeLessThan(1000);
      }),
      { numRuns: 4000 },
    );
  });

  it('is written so that it reads back', () => {
    const table = cube(5, (r, g, b) => [r * g, g, b * b]);
    const again = readCube(cubeText(table, 'With "quotes"'), 'k', 'f.cube');
    expect(again.title).toBe("With 'quotes'");
    again.table.values.forEach((v, i) => expect(v).toBeCloseTo(table.values[i], 6));
  });
});

describe('a table as a picture', () => {
  const laid = (size: number, across: number) => {
    const [width, height] = [size * across, (size * size) / across];
    const data = new Uint8Array(4 * width * height);
    const byte = (place: number) => Math.round((255 * place) / (size - 1));
    for (let b = 0; b < size; b++)
      for (let g = 0; g < size; g++)
        for (let r = 0; r < size; r++) {
          const x = (b % across) * size + r;
          const y = Math.floor(b / across) * size + g;
          data.set([byte(r), byte(g), byte(b), 255], 4 * (y * width + x));
        }
    return { width, height, data };
  };

  it.each([
    [16, 16],
    [16, 4],
    [4, 2],
  ])('of %i squares, %i across, is the identity', (size, across) => {
    const table = readTablePicture(laid(size, across), 'k', 'a.png');
    looked(table, [0.3, 0.7, 0.45]).forEach((v, c) =>
      expect(Math.abs(v - [0.3, 0.7, 0.45][c])).toBeLessThan(0.5 / 255),
    );
  });

  it('is refused in words where its size is that of none', () => {
    expect(tableLayout(1024, 32)).toEqual({ across: 32, size: 32 });
    expect(tableLayout(512, 512)).toEqual({ across: 8, size: 64 });
    expect(tableLayout(100, 100)).toBeNull();
    expect(() => readTablePicture({ ...laid(4, 2), width: 9 }, 'k', 'a.png')).toThrow(
      'a.png: a table is n squares',
    );
  });
});

describe('a look as a table', () => {
  it('reads back to the same picture within a byte', () => {
    const settings = {
      ...NO_FINISH_SETTINGS,
      ...{ tone: 'film', whiteLevel: 4, slopeRed: 1.1, offsetBlue: 0.03, powerGreen: 1.2, saturation: 0.8 },
    };
    const finish = finishNumbers(settings);
    const { table } = readCube(cubeText(lookTable(finish, 'k'), 'look'), 'k', 'look.cube');
    const frame = {
      view: { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 },
      gate: { left: 0, top: 0, right: 1, bottom: 1 },
      ...{ pixelArt: true, gateLog2: null },
    };
    fc.assert(
      fc.property(colours, (rgb) => {
        const exact = { width: 1, height: 1, data: Float64Array.from(rgb, (v) => srgbDecode(v)) };
        runPasses('light', exact, finish, frame);
        for (let c = 0; c < 3; c++) exact.data[c] = Math.min(1, srgbEncode(exact.data[c]));
        runPasses('print', exact, finish, frame);
        looked(table, rgb).forEach((v, c) => expect(Math.abs(v - exact.data[c])).toBeLessThan(1 / 255));
      }),
      { numRuns: 400 },
    );
  });
});
