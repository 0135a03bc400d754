import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newScene } from '../scene/new-scene';
import { type Chunk, CHUNK_CELLS } from '../scene/records/chunk';
import { cellAt, cellOf, chunkIndex, placeInTile, tileExtent, tileOf, turnedTile } from './tiles';

const chunk = (column: number, row: number, filled: Record<number, number>): Chunk => ({
  planeId: 'plane-far',
  column,
  row,
  cells: Array.from({ length: CHUNK_CELLS * CHUNK_CELLS }, (_, i) => filled[i] ?? 0),
});

describe('cells', () => {
  it('say which tile stands in them, and how', () => {
    expect(tileOf(0)).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1023 }), fc.integer({ min: 0, max: 7 }), (frame, orientation) => {
        expect(tileOf(cellOf({ frame, orientation }))).toEqual({ frame, orientation });
      }),
    );
  });

  it('are back where they were after four quarter turns', () => {
    for (let start = 0; start < 8; start++) {
      let orientation = start;
      for (let i = 0; i < 4; i++) orientation = turnedTile(orientation);
      expect(orientation).toBe(start);
    }
  });

  it('turn clockwise: what stood at the top left stands at the top right', () => {
    for (let start = 0; start < 8; start++) {
      // The tile's own place that shows at the upper left before shows at the upper right after a turn.
      expect(placeInTile(turnedTile(start), 9, 1, 10, 10)).toEqual(placeInTile(start, 1, 1, 10, 10));
    }
  });
});

describe('chunks', () => {
  const scene = newScene();
  scene.chunks = { b: chunk(0, 0, { 0: 5, 33: 7 }), a: chunk(-1, -1, { 1023: 9 }) };

  it('are found by column and row, left of and above the corner too', () => {
    expect(cellAt(scene, 'plane-far', 0, 0)).toBe(5);
    expect(cellAt(scene, 'plane-far', 1, 1)).toBe(7);
    expect(cellAt(scene, 'plane-far', -1, -1)).toBe(9);
    expect(cellAt(scene, 'plane-far', 500, 0)).toBe(0);
    expect(cellAt(scene, 'plane-near', 0, 0)).toBe(0);
  });

  it('hold what they hold and no more', () => {
    expect(tileExtent(scene, 'plane-far')).toEqual({ left: -1, top: -1, right: 1, bottom: 1 });
    expect(tileExtent(scene, 'plane-near')).toBeNull();
  });

  it('of two at one place the one with the lower id holds, in any order', () => {
    const [one, two] = [chunk(0, 0, { 0: 1 }), chunk(0, 0, { 0: 2 })];
    expect(chunkIndex({ x: one, y: two }).get('plane-far')?.get('0 0')?.[0]).toBe('x');
    expect(chunkIndex({ y: two, x: one }).get('plane-far')?.get('0 0')?.[0]).toBe('x');
  });
});
