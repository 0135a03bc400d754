import { describe, expect, it } from 'vitest';
import { hexToLinear, linearToHex } from '../raster/colour';
import { COLOUR_VISION_NAMES, seenBy } from './colour-vision';

describe('the eyes of others', () => {
  it('see greys as they are', () => {
    for (const vision of COLOUR_VISION_NAMES)
      for (const grey of ['#000000', '#404040', '#c0c0c0', '#ffffff'])
        expect(linearToHex(seenBy(vision, hexToLinear(grey)))).toBe(grey);
  });

  it('confuse what they are known to confuse, and not what they do not', () => {
    const apart = (vision: (typeof COLOUR_VISION_NAMES)[number], a: string, b: string) => {
      const [va, vb] = [seenBy(vision, hexToLinear(a)), seenBy(vision, hexToLinear(b))];
      return Math.max(...va.map((v, i) => Math.abs(v - vb[i])));
    };
    // A signal's red and green of one brightness: near for the first two, far apart for the third.
    const [red, green] = ['#c83232', '#646400'];
    expect(apart('deuteranope', red, green)).toBeLessThan(0.14);
    expect(apart('tritanope', red, green)).toBeGreaterThan(0.4);
    // Blue and green of one brightness are near for the third alone.
    expect(apart('tritanope', '#00a0a0', '#00a060')).toBeLessThan(apart('deuteranope', '#00a0a0', '#00a060'));
  });
});
