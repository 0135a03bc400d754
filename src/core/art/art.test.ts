import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LIMITS } from '../limits';
import { emptyImage, type Image } from '../raster/image';
import type { Rect } from '../raster/rect';
import { type Artwork, type ArtworkFrame, newArtwork } from '../scene/records/artwork';
import { bracketAt } from './brackets';
import { framesFrom, gridRects, islandRects } from './cut';
import { figureSize, frameAt, frameOf, framesIn, roundSeconds } from './frames';

/** A picture of letters and dots: dots are clear. */
function picture(...rows: string[]): Image {
  const image = emptyImage(rows[0].length, rows.length);
  rows
    .join('')
    .split('')
    .forEach((letter, i) => image.data.set([9, 9, 9, letter === '.' ? 0 : 255], 4 * i));
  return image;
}
const box = ({ left, top, right, bottom }: Rect) => [left, top, right, bottom];

describe('islands', () => {
  const rule = { joinPx: 0, leastPixels: 1 };

  it('are the boxes of what hangs together, row by row, each from the left', () => {
    const image = picture('..b....', 'a.bb..c', 'a.....c', '.......', '.d.....');
    expect(islandRects(image, rule).map(box)).toEqual([
      [0, 1, 1, 3],
      [2, 0, 4, 2],
      [6, 1, 7, 3],
      [1, 4, 2, 5],
    ]);
  });

  it('are one where their boxes are near enough, through others too', () => {
    const image = picture('a.b.c...d');
    expect(islandRects(image, { ...rule, joinPx: 1 }).map(box)).toEqual([
      [0, 0, 5, 1],
      [8, 0, 9, 1],
    ]);
    expect(islandRects(image, { ...rule, joinPx: 3 }).length).toBe(1);
    // Corner to corner hangs together.
    expect(islandRects(picture('a.', '.a'), rule).map(box)).toEqual([[0, 0, 2, 2]]);
  });

  it('are joined whatever their order: a box that grew takes in what it did not reach before', () => {
    const image = picture('aa....b', 'a.....b', 'a.ccc.b', 'a.....b', 'aaaaa.b');
    const near = islandRects(image, { ...rule, joinPx: 1 });
    expect(near.map(box)).toEqual([[0, 0, 7, 5]]);
  });

  it('of few pixels are left out; a picture without any is refused in words', () => {
    const image = picture('a..bb', '...bb');
    expect(islandRects(image, { ...rule, leastPixels: 2 }).map(box)).toEqual([[3, 0, 5, 2]]);
    expect(() => islandRects(image, { ...rule, leastPixels: 5 })).toThrow(/no island of 5 pixels/);
    expect(() => islandRects(picture('...'), rule)).toThrow(/no island/);
  });

  it('beyond the limit are refused with both numbers', () => {
    const side = 80;
    const image = emptyImage(side, side);
    for (let i = 0; i < side * side; i++)
      image.data[4 * i + 3] = (i % side) % 2 === 0 && Math.floor(i / side) % 2 === 0 ? 255 : 0;
    expect(() => islandRects(image, { joinPx: -1, leastPixels: 1 })).toThrow(
      new RegExp(`at most ${LIMITS.frames} frames.*1600`),
    );
  });

  it('cover every pixel once, and lie apart', () => {
    const cell = fc.constantFrom('.', '.', '.', 'x');
    const rows = fc.array(fc.array(cell, { minLength: 9, maxLength: 9 }), { minLength: 7, maxLength: 7 });
    fc.assert(
      fc.property(rows, fc.integer({ min: 0, max: 2 }), (cells, joinPx) => {
        const image = picture(...cells.map((row) => row.join('')));
        fc.pre(image.data.some((v, i) => i % 4 === 3 && v > 0));
        const rects = islandRects(image, { joinPx, leastPixels: 1 });
        for (let y = 0; y < 7; y++)
          for (let x = 0; x < 9; x++) {
            const holders = rects.filter((r) => x >= r.left && x < r.right && y >= r.top && y < r.bottom);
            if (cells[y][x] === 'x') expect(holders.length).toBe(1);
          }
        for (const a of rects)
          for (const b of rects) {
            if (a === b) continue;
            const dx = Math.max(a.left - b.right, b.left - a.right);
            const dy = Math.max(a.top - b.bottom, b.top - a.bottom);
            expect(Math.max(dx, dy)).toBeGreaterThan(joinPx);
          }
      }),
    );
  });
});

describe('a grid', () => {
  const cells = { columns: 3, rows: 2, marginPx: 1, gapPx: 1 };
  const image = picture('..........', '.aa.bb....', '..........', '.cc....dd.', '..........');

  it('has its cells row by row, without those that are empty unless they are wanted', () => {
    const rects = gridRects(image, { ...cells, rows: 2 }, true);
    expect(rects.length).toBe(6);
    expect(box(rects[0])).toEqual([1, 1, 3, 2]);
    expect(box(rects[5])).toEqual([7, 3, 9, 4]);
    expect(gridRects(image, cells, false).map(({ left }) => left)).toEqual([1, 4, 1, 7]);
  });

  it('that does not fit, or has too many cells, is refused in words', () => {
    expect(() => gridRects(image, { ...cells, columns: 20 }, true)).toThrow(/does not fit/);
    expect(() => gridRects(image, { ...cells, columns: 64, rows: 64 }, true)).toThrow(/4096/);
  });
});

const frame = (fields: Partial<ArtworkFrame> = {}): ArtworkFrame => ({
  name: '',
  left: 0,
  top: 0,
  widthPx: 8,
  heightPx: 8,
  shiftX: 0,
  shiftY: 0,
  seconds: null,
  ...fields,
});

function artwork(fields: Partial<Artwork>): Artwork {
  const art = { name: 'Flag', imageSha: 'a'.repeat(64), widthPx: 32, heightPx: 8, pixelArt: true };
  return newArtwork({ ...art, ...fields });
}

describe('frames', () => {
  it('of islands stand on one line, middle on middle, with names that sort', () => {
    const rects = [
      { left: 0, top: 2, right: 4, bottom: 10 },
      { left: 10, top: 0, right: 20, bottom: 6 },
    ];
    const frames = framesFrom(rects, 'Walk');
    expect(frames.map(({ name, shiftX, shiftY }) => [name, shiftX, shiftY])).toEqual([
      ['Walk 1', 3, 0],
      ['Walk 2', 0, 2],
    ]);
    expect(figureSize(artwork({ frames }))).toEqual({ widthPx: 10, heightPx: 8 });
    expect(
      framesFrom(
        Array.from({ length: 12 }, () => rects[0]),
        'A',
      )[4].name,
    ).toBe('A 05');
  });

  it('of art that was not cut are the whole picture, once', () => {
    const whole = artwork({});
    expect(framesIn(whole)).toMatchObject([{ left: 0, widthPx: 32, heightPx: 8 }]);
    expect([frameAt(whole, 99), figureSize(whole)]).toEqual([0, { widthPx: 32, heightPx: 8 }]);
  });

  it('are counted round', () => {
    const three = artwork({ frames: [frame({ left: 0 }), frame({ left: 8 }), frame({ left: 16 })] });
    expect([-1, 0, 4, 5.9].map((n) => frameOf(three, n).left)).toEqual([16, 0, 8, 16]);
  });

  it('play at their rate, or as long as each says; round, to and fro, or once', () => {
    const frames = [frame(), frame({ seconds: 0.5 }), frame()];
    const at = (loop: Artwork['loop'], ...seconds: number[]) =>
      seconds.map((s) => frameAt(artwork({ frames, rateHz: 4, loop }), s));
    expect(roundSeconds(artwork({ frames, rateHz: 4 }))).toBe(1);
    expect(at('round', -1, 0, 0.24, 0.25, 0.74, 0.76, 1.01, 1.3)).toEqual([0, 0, 0, 1, 1, 2, 0, 1]);
    expect(at('to-and-fro', 0.9, 1.1, 1.4, 1.51)).toEqual([2, 1, 1, 0]);
    expect(at('once', 0.9, 5)).toEqual([2, 2]);
    expect(roundSeconds(artwork({ frames, rateHz: 4, loop: 'to-and-fro' }))).toBe(1.5);
  });

  it('play on from the frame they begin with, each for its own time and in its own order', () => {
    const frames = [frame(), frame({ seconds: 0.5 }), frame()];
    const at = (loop: Artwork['loop'], first: number, ...seconds: number[]) =>
      seconds.map((s) => frameAt(artwork({ frames, rateHz: 4, loop }), s, first));
    expect(at('round', 1, -1, 0, 0.49, 0.51, 0.76, 1.01)).toEqual([1, 1, 1, 2, 0, 1]);
    expect(at('to-and-fro', 2, 0, 0.26, 0.74, 0.76, 1.01)).toEqual([2, 1, 1, 0, 1]);
    expect(at('once', 1, 0, 0.6, 0.8, 99)).toEqual([1, 2, 2, 2]);
    // Numbers beyond the last are counted round.
    expect(at('round', 4, 0, 0.51)).toEqual([1, 2]);
  });

  it('show each of them for its share of a round', () => {
    const times = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(times, fc.constantFrom('round', 'to-and-fro'), (tenths, loop) => {
        const frames = tenths.map((t) => frame({ seconds: t / 8 }));
        const art = artwork({ frames, loop: loop as Artwork['loop'] });
        const whole = roundSeconds(art);
        const steps = Math.round(whole * 8);
        const counts = frames.map(() => 0);
        // The middle of every eighth of a second of the third round.
        for (let k = 0; k < steps; k++) counts[frameAt(art, 2 * whole + (k + 0.5) / 8)]++;
        const isTwice = (i: number) =>
          loop === 'to-and-fro' && frames.length > 2 && i > 0 && i < frames.length - 1;
        expect(counts).toEqual(tenths.map((t, i) => (isTwice(i) ? 2 * t : t)));
      }),
    );
  });
});

describe('a bracket', () => {
  it('is where it is in general, but for frames that say otherwise', () => {
    const bracket = {
      id: 'b',
      name: 'Hand',
      x: 1,
      y: 2,
      turnDeg: 3,
      places: [{ frame: 2, x: 7, y: 8, turnDeg: 9 }],
    };
    expect(bracketAt(bracket, 0)).toEqual({ x: 1, y: 2, turnDeg: 3 });
    expect(bracketAt(bracket, 2)).toEqual({ x: 7, y: 8, turnDeg: 9 });
  });
});
