import { describe, expect, it } from 'vitest';
import { BINS, histogramOf } from './histogram';

describe('a histogram', () => {
  it('counts each pixel once in every row, and what is burnt out or black', () => {
    const data = new Uint8Array([0, 0, 0, 255, 255, 255, 255, 255, 128, 0, 255, 255, 4, 3, 0, 255]);
    const { luminance, red, green, blue, pixels, burntShare, blackShare } = histogramOf({
      width: 2,
      height: 2,
      data,
    });
    expect(pixels).toBe(4);
    expect([burntShare, blackShare]).toEqual([0.5, 0.25]);
    expect([red[0], red[1], red[32], red[63]]).toEqual([1, 1, 1, 1]);
    expect([green[0], green[63]]).toEqual([3, 1]);
    expect([blue[0], blue[63]]).toEqual([2, 2]);
    // Luma of 128, 0, 255 is 45.6.
    expect(luminance[11]).toBe(1);
    for (const row of [luminance, red, green, blue]) {
      expect(row.length).toBe(BINS);
      expect(row.reduce((sum, v) => sum + v, 0)).toBe(4);
    }
  });
});
