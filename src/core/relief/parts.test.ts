import { describe, expect, it } from 'vitest';
import { emptyImage, type Image } from '../raster/image';
import { partsOf, type PartStroke } from './parts';
import { recipeWith } from './recipe';
import { pictureRelief, reliefOf } from './relief-of';
import { silhouetteOf } from './silhouette';
import { plainSource } from './source';
import { mirrored } from './testing/shapes';
import { toneOf } from './tone';

const INK = [20, 16, 20];

/** Two panels of paint side by side, with an ink outline round and between them. */
function panels(left = [190, 120, 80], right = [190, 120, 80]): Image {
  const image = emptyImage(34, 20);
  for (let y = 1; y < 19; y++) {
    for (let x = 1; x < 33; x++) {
      const isInk = x === 1 || x === 32 || y === 1 || y === 18 || x === 16;
      const paint = x < 16 ? left : right;
      image.data.set([...(isInk ? INK : paint), 255], 4 * (y * 34 + x));
    }
  }
  return image;
}

function labelsOf(image: Image, regions: 'silhouette' | 'outlines' | 'colours', strokes: PartStroke[] = []) {
  const silhouette = silhouetteOf(image);
  return partsOf(image, silhouette, toneOf(image, silhouette.inside, true), regions, strokes);
}
const label = (labels: Uint16Array, x: number, y: number) => labels[y * 34 + x];
const count = (labels: Uint16Array) => new Set([...labels].filter((l) => l > 0)).size;

describe('parts', () => {
  it('lie between outlines, and meet in the middle of the line', () => {
    const labels = labelsOf(panels(), 'outlines');
    expect(count(labels)).toBe(2);
    expect(label(labels, 8, 10)).not.toBe(label(labels, 24, 10));
    // The outline has no part of its own: every covered pixel belongs to a panel.
    expect(label(labels, 1, 1)).toBe(label(labels, 8, 10));
    expect([label(labels, 8, 10), label(labels, 24, 10)]).toContain(label(labels, 16, 10));
    expect(label(labels, 0, 0)).toBe(0);
  });

  it('are areas of like colour, whatever their shading', () => {
    const image = panels([190, 120, 80], [80, 120, 190]);
    for (let x = 4; x < 12; x++) image.data.set([178, 112, 74, 255], 4 * (10 * 34 + x));
    const labels = labelsOf(image, 'colours');
    expect(label(labels, 8, 10)).toBe(label(labels, 8, 5));
    expect(label(labels, 8, 5)).not.toBe(label(labels, 24, 5));
  });

  it.each(['outlines', 'colours'] as const)('are mirrored with the art: by %s', (regions) => {
    const image = panels([190, 120, 80], [80, 120, 190]);
    for (let x = 4; x < 12; x++) image.data.set([178, 112, 74, 255], 4 * (10 * 34 + x));
    const [a, b] = [labelsOf(image, regions), labelsOf(mirrored(image), regions)];
    const pairs = new Set<string>();
    for (let i = 0; i < a.length; i++) pairs.add(`${a[i]} ${b[i - (i % 34) + 33 - (i % 34)]}`);
    // Each part of the one is one part of the other.
    expect(pairs.size).toBe(new Set(a).size);
  });

  it('are islands where nothing else is asked for', () => {
    expect(count(labelsOf(panels(), 'silhouette'))).toBe(1);
  });

  it('are joined by a stroke through them', () => {
    const labels = labelsOf(panels(), 'outlines', [{ kind: 'join', points: [8, 10, 24, 10] }]);
    expect(count(labels)).toBe(1);
  });

  it('are split by a stroke across them, and only where it goes all through', () => {
    const whole = labelsOf(panels(), 'outlines', [{ kind: 'split', points: [8.5, 0, 8.5, 20] }]);
    expect(count(whole)).toBe(3);
    expect(label(whole, 4, 10)).not.toBe(label(whole, 12, 10));
    expect([label(whole, 4, 10), label(whole, 12, 10)]).toContain(label(whole, 8, 10));
    const halfway = labelsOf(panels(), 'outlines', [{ kind: 'split', points: [8.5, 0, 8.5, 9] }]);
    expect(count(halfway)).toBe(2);
  });

  it('do not leak through a slanted cut', () => {
    const labels = labelsOf(panels(), 'silhouette', [{ kind: 'split', points: [2, 0, 30, 20] }]);
    expect(count(labels)).toBe(2);
  });
});

describe('a body by parts', () => {
  const image = panels();
  const recipe = (partShare: number, kind: 'bevel' | 'inflate') =>
    recipeWith({
      body: { kind, widthPx: 6, heightPx: 4, regions: 'outlines', partShare },
      grain: { heightPx: 0 },
      pixelArt: 'yes',
    });

  it.each(['bevel', 'inflate'] as const)('is round for each by itself: %s', (kind) => {
    const { heights } = pictureRelief(image, recipe(1, kind));
    const row = 10 * 34;
    expect(heights[row + 8]).toBeGreaterThan(2 * heights[row + 16]);
    expect(heights[row + 24]).toBeGreaterThan(2 * heights[row + 16]);
  });

  it('mixes whole and parts by the share', () => {
    const [whole, half, parts] = [0, 0.5, 1].map(
      (share) => pictureRelief(image, recipe(share, 'bevel')).heights,
    );
    for (let i = 0; i < half.length; i++) expect(half[i]).toBeCloseTo((whole[i] + parts[i]) / 2, 4);
  });

  it('hears of strokes that join', () => {
    const joined = reliefOf({
      ...plainSource(image, recipe(1, 'bevel')),
      partStrokes: [{ kind: 'join', points: [8, 10, 24, 10] }],
    });
    const row = 10 * 34;
    expect(joined.heights[row + 16]).toBeCloseTo(joined.heights[row + 12], 1);
  });
});
