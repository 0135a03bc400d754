import { describe, expect, it } from 'vitest';
import { hexToLinear, linearToOklab, oklabToLinear, srgbDecode } from '../raster/colour';
import { NEW_LOOK } from '../scene/records/light-look';
import { curveTable, stopsTable, TableMemory } from './tables';
import { TABLE_SIZE } from './moment';

describe('a drawn falloff', () => {
  const middle = (TABLE_SIZE - 1) / 2;

  it('goes through its points, and begins at 1 and ends at 0 whatever they say', () => {
    expect(curveTable([0, 1, 0.25, 0.5, 1, 0])[middle / 2]).toBe(0.5);
    const table = curveTable([0, 0.3, 0.5, 0.8, 1, 0.6]);
    expect([table[0], table[TABLE_SIZE - 1]]).toEqual([1, 0]);
    expect(table[middle]).toBeCloseTo(0.8, 6);
  });

  it('is straight between two points', () => {
    const table = curveTable([0, 1, 1, 0]);
    for (const i of [25, 128, 230]) expect(table[i]).toBeCloseTo(1 - i / (TABLE_SIZE - 1), 6);
  });

  it('has no kink where a flat part meets steep ones', () => {
    const table = curveTable([0, 1, 0.25, 0.6, 0.5, 0.58, 0.75, 0.1, 1, 0]);
    const slope = (i: number) => (table[i + 1] - table[i]) * (TABLE_SIZE - 1);
    for (const at of [64, 128, 192]) expect(Math.abs(slope(at) - slope(at - 1))).toBeLessThan(0.25);
  });

  it('is made once for the same points', () => {
    const memory = new TableMemory();
    const look = { ...NEW_LOOK, drawnCurve: [0, 1, 1, 0] };
    expect(memory.curve(look)).toBe(memory.curve({ ...look }));
    expect(memory.curve({ ...look, drawnCurve: [0, 1, 1, 0] })).not.toBe(memory.curve(look));
  });
});

describe('colours from core to reach', () => {
  const at = (table: Float32Array, u: number) => [...table.subarray(3 * u * 256, 3 * u * 256 + 3)];

  it('are those of the stops where they stand, the last one to the end', () => {
    const table = stopsTable('#ffffff', [{ at: 0.5, colour: '#ff0000' }], 'linear');
    const close = (values: readonly number[]) => values.map((v) => expect.closeTo(v, 5) as unknown);
    expect(at(table, 0)).toEqual(close([1, 1, 1]));
    expect(at(table, 0.5)).toEqual(close([1, 0, 0]));
    expect(at(table, 1)).toEqual(close([1, 0, 0]));
  });

  it('are mixed in OKLab between them, and encoded where the scene lights encoded values', () => {
    const stops = [{ at: 1, colour: '#204060' }];
    const [a, b] = ['#f0c080', '#204060'].map((hex) => linearToOklab(hexToLinear(hex)));
    const middle = oklabToLinear([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]);
    const linear = at(stopsTable('#f0c080', stops, 'linear'), 0.5);
    const display = at(stopsTable('#f0c080', [...stops], 'display'), 0.5);
    middle.forEach((v, c) => {
      expect(linear[c]).toBeCloseTo(v, 6);
      expect(srgbDecode(display[c])).toBeCloseTo(v, 5);
    });
  });

  it('times the level are made anew where colour, level or light space change', () => {
    const memory = new TableMemory();
    const look = { ...NEW_LOOK, stops: [{ at: 1, colour: '#204060' }] };
    const table = memory.colours(look, 2, 'linear');
    expect(memory.colours(look, 2, 'linear')).toBe(table);
    expect(table[0]).toBeCloseTo(2 * stopsTable(look.colour, look.stops, 'linear')[0], 6);
    expect([...memory.colours(look, 1, 'linear')]).not.toEqual([...table]);
    expect([...memory.colours(look, 2, 'display')]).not.toEqual([...table]);
    expect([...memory.colours({ ...look, colour: '#000000' }, 2, 'linear')]).not.toEqual([...table]);
  });

  it('do not heed the order in which stops are listed', () => {
    const stops = [
      { at: 0.8, colour: '#000080' },
      { at: 0.3, colour: '#ff8000' },
    ];
    expect([...stopsTable('#ffffff', stops, 'linear')]).toEqual([
      ...stopsTable('#ffffff', stops.toReversed(), 'linear'),
    ]);
  });
});
