import { describe, expect, it } from 'vitest';
import { srgbEncode, type Rgb } from '../../raster/colour';
import { FLASH_RATE_HZ, FlashCounter, flashGrid, type FlashReport } from './flashes';

const GRID = flashGrid(1024, 768);
const GREY = 0.3;

/** Seconds of a picture in which so many cells, in rows of 40, take a colour by time; the rest is a still grey. */
function reportOf(cells: number, seconds: number, colourAt: (second: number) => Rgb): FlashReport {
  const counter = new FlashCounter(GRID);
  const rgb = new Float64Array(3 * GRID.columns * GRID.rows).fill(GREY);
  for (let frame = 0; frame < seconds * FLASH_RATE_HZ; frame++) {
    const colour = colourAt(frame / FLASH_RATE_HZ);
    for (let i = 0; i < cells; i++)
      rgb.set(colour, 3 * ((20 + Math.floor(i / 40)) * GRID.columns + 30 + (i % 40)));
    counter.frame(rgb);
  }
  return counter.report();
}

const grey = (v: number): Rgb => [v, v, v];
/** A sine of so many hertz between two values. */
const sine = (rateHz: number, low: number, high: number) => (second: number) =>
  grey(low + (high - low) * (0.5 - 0.5 * Math.cos(2 * Math.PI * rateHz * second)));
const LARGE = 400;

describe('the grid', () => {
  it('fits the picture into 1024 x 768 and cuts it into cells of 8 px', () => {
    expect(flashGrid(1024, 768)).toEqual({ columns: 128, rows: 96, cellsPerPx: 1 / 8 });
    expect(flashGrid(480, 270)).toMatchObject({ columns: 128, rows: 72 });
    expect(flashGrid(100, 800)).toMatchObject({ columns: 12, rows: 96 });
  });
});

describe('general flashes', () => {
  it.each([
    ['2.9 a second', 2.9, 0],
    ['3.1 a second', 3.1, 1],
  ])('%s', (_, rateHz, faults) => {
    const report = reportOf(LARGE, 4, sine(rateHz, 0.1, 0.5));
    expect(report.faults).toHaveLength(faults);
    if (faults > 0) {
      expect(report.faults[0]).toMatchObject({ kind: 'general', areaPx: LARGE * 64 });
      expect(report.faults[0].rateHz).toBeCloseTo(3.1, 0);
    }
    expect(Math.max(...report.counts.general)).toBe(faults > 0 ? 3.5 : 3);
  });

  it.each([
    ['0.09 of luminance', 0.3, 0.39, 0],
    ['0.11 of luminance', 0.3, 0.41, 1],
    ['just 0.10 of luminance', 0.3, 0.4, 1],
    ['the darker state at 0.79', 0.79, 0.95, 1],
    ['the darker state at 0.81', 0.81, 0.97, 0],
  ])('%s', (_, low, high, faults) => {
    expect(reportOf(LARGE, 2, sine(5, low, high)).faults).toHaveLength(faults);
  });

  it.each([
    ['just a quarter of the window', 341, 0],
    ['a cell more', 342, 1],
  ])('%s', (_, cells, faults) => {
    expect(reportOf(cells, 2, sine(5, 0.1, 0.6)).faults).toHaveLength(faults);
  });

  it('of cells that lie too far apart for one window do not add up', () => {
    const counter = new FlashCounter(GRID);
    const rgb = new Float64Array(3 * GRID.columns * GRID.rows).fill(GREY);
    for (let frame = 0; frame < 120; frame++) {
      const colour = sine(5, 0.1, 0.6)(frame / FLASH_RATE_HZ);
      for (const left of [0, 100])
        for (let i = 0; i < 250; i++)
          rgb.set(colour, 3 * (Math.floor(i / 20) * GRID.columns + left + (i % 20)));
      counter.frame(rgb);
    }
    expect(counter.report().faults).toEqual([]);
  });

  it('of two halves that flash one after the other are not added to one area', () => {
    const counter = new FlashCounter(GRID);
    const rgb = new Float64Array(3 * GRID.columns * GRID.rows).fill(GREY);
    for (let frame = 0; frame < 120; frame++) {
      for (let i = 0; i < 400; i++) {
        const late = i < 200 ? 0 : 0.05;
        rgb.set(
          sine(5, 0.1, 0.6)(frame / FLASH_RATE_HZ + late),
          3 * (Math.floor(i / 20) * GRID.columns + (i % 20)),
        );
      }
      counter.frame(rgb);
    }
    expect(counter.report().faults).toEqual([]);
  });

  it('are told by when they are worst, once for each burst', () => {
    const burst = (second: number) => (second % 5 < 1.5 ? sine(6, 0, 0.6)(second) : grey(0));
    const { faults } = reportOf(LARGE, 10, burst);
    expect(faults.map(({ frame }) => Math.floor(frame / FLASH_RATE_HZ / 5))).toEqual([0, 1]);
    expect(faults[0].rateHz).toBeCloseTo(6, 0);
    expect(faults[0].cells).toHaveLength(LARGE);
  });
});

describe('red flashes', () => {
  const between = (a: Rgb, b: Rgb, rateHz: number) => (second: number) =>
    (second * rateHz) % 1 < 0.5 ? a : b;

  it.each<[string, Rgb, Rgb, number]>([
    // Both as bright: no general flash.
    ['a saturated red and a grey of its luminance', [0.4, 0, 0], grey(0.085), 1],
    ['a red of just 80 % and a cyan of its luminance', [0.4, 0.05, 0.05], [0, 0.158, 0.158], 1],
    ['a red of 79 % and a cyan of its luminance', [0.4, 0.0532, 0.0532], [0, 0.1612, 0.1612], 0],
    ['a red of 80 % and a grey, which is too near', [0.4, 0.05, 0.05], grey(0.1244), 0],
    ['two reds that are near each other', [0.4, 0, 0], [0.4, 0.02, 0.02], 0],
    ['a saturated red and black', [0.4, 0, 0], grey(0), 1],
  ])('%s', (_, a, b, faults) => {
    const { faults: found } = reportOf(LARGE, 2, between(a, b, 5));
    expect(found.map(({ kind }) => kind)).toEqual(Array.from({ length: faults }, () => 'red'));
  });

  it('are counted by their rate too', () => {
    expect(reportOf(LARGE, 3, between([0.4, 0, 0], grey(0.085), 2.9)).faults).toEqual([]);
    expect(reportOf(LARGE, 3, between([0.4, 0, 0], grey(0.085), 3.1)).faults).toHaveLength(1);
  });
});

it('tells the mean luminance of every frame', () => {
  const { luminance, frames } = reportOf(0, 0.5, () => grey(0));
  expect(frames).toBe(30);
  expect(luminance[7]).toBeCloseTo(GREY, 12);
  expect(srgbEncode(luminance[7])).toBeCloseTo(srgbEncode(GREY), 12);
});
