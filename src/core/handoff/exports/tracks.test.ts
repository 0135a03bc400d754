import { csvParseRows } from 'd3-dsv';
import { describe, expect, it } from 'vitest';
import { hexToLinear, linearToHex } from '../../raster/colour';
import { gateView, momentAt } from '../../moment/moment-at';
import { NOTHING_PASSING } from '../../moment/passing';
import { HOST, litYard, yardSource } from '../testing/lit-yard';
import { exportOptions } from './kind';
import { tracks } from './tracks';

/** A track by its columns, without their units. */
function columnsOf(bytes: Uint8Array): Record<string, string[]> {
  const [header, ...rows] = csvParseRows(new TextDecoder().decode(bytes));
  return Object.fromEntries(header.map((word, i) => [word.replace(/ \(.*/, ''), rows.map((row) => row[i])]));
}

async function exported(given: object = {}) {
  const scene = litYard({ lightSpace: 'linear' });
  const files = await tracks.files(yardSource(scene), exportOptions(tracks, { ...given }), HOST);
  const at = (hour: number, second: number) =>
    momentAt(scene, hour, second, NOTHING_PASSING, gateView(scene));
  return { scene, files, at };
}

describe('tracks', () => {
  it('of the day are what Moments of those hours have', async () => {
    const { files, at } = await exported({ dayMinutes: 30 });
    const day = columnsOf(files['day.csv']);
    expect(day.hour).toHaveLength(49);
    for (const k of [0, 7, 12, 24, 31, 44]) {
      const moment = at(Number(day.hour[k]), 0);
      const told = hexToLinear(day.ambient_colour[k]).map((v) => v * Number(day.ambient_level[k]));
      // A colour is told by bytes.
      told.forEach((v, c) => expect(Math.abs(v - moment.ambient[c])).toBeLessThan(0.005));
      expect(Number(day.exposure_stops[k])).toBeCloseTo(moment.finish.exposure.stops, 5);
      const isLit = moment.lightIds.includes('spot');
      expect(Number(day.circuit_lamps_lit[k]) > 0).toBe(isLit);
    }
    // The end is the beginning again.
    for (const [name, values] of Object.entries(day))
      if (name !== 'hour') expect(values.at(-1)).toBe(values[0]);
  });

  it('of flicker are what Moments of those seconds have, and close', async () => {
    const { scene, files, at } = await exported({ rate: 10 });
    expect(
      Object.keys(files)
        .filter((path) => path.endsWith('.csv'))
        .sort(),
    ).toEqual(['day.csv', 'flicker/first-flame.csv', 'flicker/stove.csv']);
    const stove = columnsOf(files['flicker/stove.csv']);
    expect(stove.second).toHaveLength(21);
    for (const k of [0, 3, 11, 19]) {
      const moment = at(20, Number(stove.second[k]));
      const light = moment.lights[moment.lightIds.indexOf('stove')];
      const own = light.rgb.map((v) => v / (scene.lights.stove.level * Number(stove.level[k])));
      expect(linearToHex([own[0], own[1], own[2]])).toBe(stove.colour[k]);
      expect(light.reachPx).toBeCloseTo(20 * Number(stove.reach[k]), 3);
    }
    for (const [name, values] of Object.entries(stove))
      if (name !== 'second') expect(values[20]).toBe(values[0]);
    expect(new Set(stove.level).size).toBeGreaterThan(5);
  });

  it('are the same as JSON, with the units of their columns', async () => {
    const { files } = await exported();
    const told = JSON.parse(new TextDecoder().decode(files['flicker/stove.json']));
    expect(told).toMatchObject({ format: 'oilwick-track', version: 1, name: 'stove' });
    expect(told.columns[3]).toEqual({ name: 'sway_x', unit: 'px' });
    const { level } = columnsOf(files['flicker/stove.csv']);
    expect(told.rows.map((row: number[]) => String(row[1]))).toEqual(level);
  });
});
