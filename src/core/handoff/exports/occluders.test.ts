import { describe, expect, it } from 'vitest';
import { signedArea2 } from '../../geometry/outline';
import { readSvgOutlines } from '../../geometry/svg-outlines';
import { newArtwork } from '../../scene/records/artwork';
import { newSprite } from '../../scene/records/sprite';
import { NEW_SHADE } from '../../scene/records/shade';
import { HOST, LINE, litYard, SQUARE, yardSource } from '../testing/lit-yard';
import { occluders } from './occluders';

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

describe('outlines that stop light', () => {
  it('are read back from the SVG as they are in the scene', async () => {
    const files = await occluders.files(yardSource(litYard()), {}, HOST);
    const svg = text(files['occluders.svg']);
    expect(svg).toContain('viewBox="0 0 48 36"');
    expect(svg).toContain('<title>Post &amp; rail</title>');
    const { closed, open } = readSvgOutlines(svg);
    expect(open).toEqual([LINE]);
    // It may begin at any corner, and runs so that its interior lies to the left.
    const corners = (points: number[]) => [0, 2, 4, 6].map((i) => points.slice(i, i + 2).join(' ')).sort();
    expect(closed.map(corners)).toEqual([corners(SQUARE)]);
    expect(signedArea2(closed[0])).toBeLessThan(0);
    const { occluders: told } = JSON.parse(text(files['occluders.json']));
    expect(told.map(({ kind }: { kind: string }) => kind)).toEqual(['closed', 'line']);
  });

  it('of artworks are in px of their figure', async () => {
    const scene = litYard();
    const own = { id: 'own', name: 'Own', kind: 'closed' as const, ...NEW_SHADE, smooth: [], frames: [] };
    scene.artworks.crate = newArtwork({
      ...{ name: 'Crate', imageSha: 'a'.repeat(64), widthPx: 9, heightPx: 7, pixelArt: true },
      occluders: [{ ...own, outlines: [[1, 1, 8, 1, 8, 6, 1, 6]] }],
    });
    const placed = { name: '', planeId: 'plane-near', order: 'a', artworkId: 'crate' };
    scene.sprites.crate = newSprite({ ...placed, x: 20, y: 20 });
    const files = await occluders.files(yardSource(scene), {}, HOST);
    expect(readSvgOutlines(text(files['artworks/crate.svg'])).closed).toEqual([[1, 1, 8, 1, 8, 6, 1, 6]]);
    expect(text(files['artworks/crate.svg'])).toContain('viewBox="0 0 9 7"');
    // In the scene it stands where the sprite does.
    expect(readSvgOutlines(text(files['occluders.svg'])).closed).toHaveLength(2);
  });
});
