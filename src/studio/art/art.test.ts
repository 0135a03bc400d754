import { describe, expect, it, vi } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newSprite } from '@/core/scene/records/sprite';
import { commandOf } from '../commands/all-commands';
import {
  addBracket,
  addFrame,
  cutArtwork,
  deleteFrame,
  moveFrame,
  placeBracket,
  setArtworks,
  tagsOf,
  uncutArtwork,
} from '../store/art-edits';
import { pickedBy } from '../store/desk-store';
import { fakeStudio } from '../testing/fake-studio';
import { artRows } from './art-list';

const art = (name: string, fields = {}) =>
  newArtwork({ name, imageSha: 'a'.repeat(64), widthPx: 40, heightPx: 10, pixelArt: true, ...fields });

function studioWith(fields = {}) {
  const scene = newScene();
  scene.artworks.flag = art('Flag', fields);
  const studio = fakeStudio(scene);
  studio.desk.setState({ bench: 'art', artworkId: 'flag' });
  return { studio, flag: () => studio.scene.artworks.flag };
}
const rects = [0, 10, 20, 30].map((left) => ({ left, top: 0, right: left + 10, bottom: 10 }));
const cells = { columns: 4, rows: 1, marginPx: 0, gapPx: 0 };

describe('cutting', () => {
  it('keeps pivot, foot and brackets at their share of the figure, and is one step', async () => {
    const bracket = { id: 'b', name: 'Tip', x: 40, y: 0, turnDeg: 0, places: [] };
    const { studio, flag } = studioWith({
      pivotX: 20,
      pivotY: 10,
      foot: [0, 10, 40, 10],
      brackets: [bracket],
    });
    const before = studio.scene;
    await cutArtwork(studio, 'flag', rects, cells);
    expect(flag()).toMatchObject({ pivotX: 5, pivotY: 10, foot: [0, 10, 10, 10], cells });
    expect(flag().brackets[0]).toMatchObject({ x: 10, y: 0 });
    expect(flag().frames.map(({ name }) => name)).toEqual(['Flag 1', 'Flag 2', 'Flag 3', 'Flag 4']);
    await uncutArtwork(studio, 'flag');
    expect(flag()).toMatchObject({ frames: [], cells: null, pivotX: 20, pivotY: 10 });
    studio.scenes.undo();
    studio.scenes.undo();
    expect(studio.scene).toEqual(before);
  });

  it('by hand begins with the first frame that is drawn', () => {
    const { studio, flag } = studioWith();
    expect(addFrame(studio, 'flag', rects[1])).toBe(0);
    expect(addFrame(studio, 'flag', rects[3])).toBe(1);
    expect(flag().frames.map(({ left, widthPx }) => [left, widthPx])).toEqual([
      [10, 10],
      [30, 10],
    ]);
    expect(flag()).toMatchObject({ pivotX: 5, pivotY: 5 });
  });
});

describe('frames that are moved or deleted', () => {
  it('take along what brackets say of them; what cannot follow is asked about', async () => {
    const { studio, flag } = studioWith();
    await cutArtwork(studio, 'flag', rects, cells);
    const id = addBracket(studio, 'flag', 3, 3)!;
    for (const frame of [1, 3]) placeBracket(studio, 'flag', id, frame, { x: frame, y: 0, turnDeg: 0 });
    await moveFrame(studio, 'flag', 3, 0);
    expect(flag().frames.map(({ left }) => left)).toEqual([30, 0, 10, 20]);
    expect(flag().brackets[0].places.map(({ frame, x }) => [frame, x])).toEqual([
      [0, 3],
      [2, 1],
    ]);
    const asks = vi.fn().mockResolvedValueOnce('keep').mockResolvedValueOnce('change');
    Object.assign(studio, { ask: asks });
    await deleteFrame(studio, 'flag', 0);
    const loss = { cells: 0, sprites: 0, outlines: 0, brackets: 1 };
    expect(asks).toHaveBeenCalledExactlyOnceWith('frames', { name: 'Flag', loss, scenes: [] });
    expect(flag().frames.length).toBe(4);
    await deleteFrame(studio, 'flag', 0);
    expect(flag().brackets[0].places.map(({ frame, x }) => [frame, x])).toEqual([[1, 1]]);
    placeBracket(studio, 'flag', id, null, { x: 8, y: 8, turnDeg: 45 });
    expect(flag().brackets[0]).toMatchObject({ x: 8, y: 8, turnDeg: 45 });
    expect(flag().brackets[0].places.length).toBe(1);
  });

  it('are stepped through and played by keys', async () => {
    const { studio } = studioWith();
    await cutArtwork(studio, 'flag', rects, cells);
    commandOf('art-last-frame').run(studio);
    expect(studio.artBench.getState().frame).toBe(3);
    commandOf('art-next-frame').run(studio);
    expect(studio.artBench.getState()).toMatchObject({ frame: 0, playing: false });
    commandOf('art-play').run(studio);
    expect(studio.artBench.getState()).toMatchObject({ view: 'figure', playing: true });
    commandOf('art-delete-frame').run(studio);
    await vi.waitFor(() => expect(studio.scene.artworks.flag.frames.length).toBe(3));
  });
});

describe('the contact sheet', () => {
  const scene = newScene();
  Object.assign(scene.artworks, {
    a: art('Lamp 10', { tags: ['Night'] }),
    b: art('Lamp 9'),
    c: art('Hut', { binned: true }),
  });
  scene.sprites.s = newSprite({ name: '', planeId: 'plane-near', order: 'a', artworkId: 'b', x: 0, y: 0 });

  it('lists by name with numbers in their order, says where art is used, and leaves the bin out', () => {
    expect(artRows(scene, '', false).map(({ artwork, uses }) => [artwork.name, uses])).toEqual([
      ['Lamp 9', 1],
      ['Lamp 10', 0],
    ]);
    expect(artRows(scene, '', true).map(({ id }) => id)).toEqual(['c']);
  });

  it('finds words in names and tags, all of them, in any order', () => {
    expect(artRows(scene, 'night lamp', false).map(({ id }) => id)).toEqual(['a']);
    expect(artRows(scene, 'night hut', false)).toEqual([]);
  });

  it('picks by Shift from the one that is shown, by Ctrl one more or less, and otherwise chooses', () => {
    const keys = { shiftKey: false, ctrlKey: false, metaKey: false };
    const press = (fields: object, shown: string | null, id: string, ...picked: string[]) => {
      const next = pickedBy({ ...keys, ...fields }, ['a', 'b', 'c', 'd'], shown, id, new Set(picked));
      return next && [...next].sort().join('');
    };
    expect(press({ shiftKey: true }, 'c', 'a')).toBe('abc');
    expect(press({ shiftKey: true }, 'b', 'c', 'd')).toBe('bcd');
    expect(press({ shiftKey: true }, 'hidden', 'b')).toBe('ab');
    expect(press({ ctrlKey: true }, 'a', 'b', 'b', 'c')).toBe('c');
    expect(press({ metaKey: true }, 'a', 'b')).toBe('b');
    expect(press({}, 'a', 'b')).toBeNull();
    expect(press({ shiftKey: true }, null, 'b')).toBeNull();
  });

  it('changes several in one step, and reads tags as they are typed', () => {
    const { studio } = studioWith();
    setArtworks(studio, 'Tag', ['flag', 'gone'], () => ({ tags: tagsOf(' night,  brass ,night,, ') }));
    expect(studio.scene.artworks.flag.tags).toEqual(['night', 'brass']);
    setArtworks(studio, 'Tag', ['flag'], () => ({ tags: ['night', 'brass'] }));
    expect(studio.scenes.state.undo.length).toBe(1);
  });
});
