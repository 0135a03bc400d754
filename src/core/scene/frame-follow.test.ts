import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { movesOfCut } from '../art/frame-moves';
import { cellOf, tileOf } from '../art/tiles';
import { applyEdits, change } from './edits';
import { followFrames } from './frame-follow';
import { newGobo } from './records/light-look';
import { newFlamePart } from './records/luminaire';
import { newSprite } from './records/sprite';
import { fullScene } from './testing';

/** A scene in which tiles, sprites, flames, gobos, brackets and outlines name frames of one sheet of six. */
function sceneOfFrames() {
  const scene = fullScene();
  const { planeId } = scene.chunks.c;
  const artworkId = scene.planes[planeId].tiles!.artworkId;
  const cells = scene.chunks.c.cells.map((_, i) =>
    i < 12 ? cellOf({ frame: i % 6, orientation: i % 8 }) : 0,
  );
  scene.chunks.c = { ...scene.chunks.c, cells };
  const bare = { name: '', planeId: 'plane-near', order: 'a', artworkId, x: 0, y: 0 };
  scene.sprites = {
    s3: newSprite({ ...bare, frame: 3, playing: false }),
    plays: newSprite(bare),
    still: newSprite({ ...bare, playing: false }),
  };
  scene.lights.l = {
    ...scene.lights.l,
    gobo: newGobo({ artworkId, widthPx: 9, heightPx: 9, frame: 4, playing: false }),
  };
  const flame = newFlamePart({ id: 'f', name: '', artworkId, frame: 5, playing: false });
  scene.luminaires.lantern = { ...scene.luminaires.lantern, flames: [flame] };
  const gobo = newGobo({ artworkId, widthPx: 9, heightPx: 9, frame: 2, playing: false });
  const overrides = { f: { frame: 3 }, glow: { gobo } };
  scene.lamps.carried = { ...scene.lamps.carried, overrides };
  const place = (frame: number) => ({ frame, x: frame, y: 0, turnDeg: 0 });
  const bracket = { id: 'b', name: 'B', x: 0, y: 0, turnDeg: 0, places: [place(1), place(2)] };
  const [occluder] = scene.artworks.man.occluders;
  const frames = [{ frame: 2, outlines: [[0, 0, 9, 0, 9, 9]], smooth: [[]] }];
  scene.artworks[artworkId] = {
    ...scene.artworks[artworkId],
    brackets: [bracket],
    occluders: [{ ...occluder, frames }],
  };
  return { scene, artworkId };
}

type Scene = ReturnType<typeof sceneOfFrames>['scene'];

/** Every frame that is named, in one row. */
function named(scene: Scene, artworkId: string): (number | null)[] {
  const { brackets, occluders } = scene.artworks[artworkId];
  return [
    ...scene.chunks.c.cells.slice(0, 12).map((cell) => tileOf(cell ?? 0)?.frame ?? null),
    scene.sprites.s3.frame,
    scene.sprites.plays.frame,
    scene.sprites.still.frame,
    scene.lights.l.gobo!.frame,
    scene.luminaires.lantern.flames[0].frame,
    ...brackets[0].places.map(({ x }) => x),
    ...occluders[0].frames.map(({ frame }) => frame),
  ];
}

function followed({ scene, artworkId }: ReturnType<typeof sceneOfFrames>, moves: (number | null)[]) {
  const { artwork, edits, loss } = followFrames(scene, artworkId, moves);
  const own = change(scene, 'artworks', artworkId, artwork);
  return { scene: applyEdits(scene, [...(own ? [own] : []), ...edits]), artworkId, loss };
}

const NO_LOSS = { cells: 0, sprites: 0, outlines: 0, brackets: 0 };

describe('what names frames', () => {
  it('goes with them wherever they go, and comes back with them', () => {
    const order = fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6 });
    fc.assert(
      fc.property(order, (moves) => {
        const start = sceneOfFrames();
        const there = followed(start, moves);
        expect(there.loss).toEqual(NO_LOSS);
        const row = named(there.scene, there.artworkId);
        expect(row.slice(0, 6)).toEqual(moves);
        expect(row.slice(12, 17)).toEqual([moves[3], 0, moves[0], moves[4], moves[5]]);
        const back = moves.map((_, to) => moves.indexOf(to));
        const again = followed(there, back);
        expect(again.scene).toEqual(start.scene);
      }),
    );
  });

  it('is followed in what lamps override', () => {
    const { scene, loss } = followed(sceneOfFrames(), [0, 1, 5, 4, 3, 2]);
    expect(scene.lamps.carried.overrides).toMatchObject({ f: { frame: 4 }, glow: { gobo: { frame: 5 } } });
    expect(loss).toEqual(NO_LOSS);
  });

  it('is counted where its frame is gone: cells are empty then, sprites show the first frame', () => {
    const start = sceneOfFrames();
    const { scene, artworkId, loss } = followed(start, [0, null, null, null, 1, 2]);
    expect(loss).toEqual({ cells: 6, sprites: 3, outlines: 1, brackets: 2 });
    const row = [0, null, null, null, 1, 2];
    expect(named(scene, artworkId)).toEqual([...row, ...row, 0, 0, 0, 1, 2]);
    expect(followed(start, [null, 0, 1, 2, 3, 4]).loss).toMatchObject({ cells: 2, sprites: 1 });
  });

  it('is counted where two frames become one: the first keeps its outline and its places', () => {
    const start = sceneOfFrames();
    const before = start.scene.artworks[start.artworkId];
    const merged = followed(start, [0, 1, 1, 2, 2, 2]);
    const after = merged.scene.artworks[merged.artworkId];
    const count = ({ brackets, occluders }: typeof before) =>
      brackets[0].places.length + occluders[0].frames.length;
    expect(merged.loss.outlines + merged.loss.brackets).toBe(count(before) - count(after));
    expect(merged.loss.outlines + merged.loss.brackets).toBeGreaterThan(0);
    const numbers = after.brackets[0].places.map(({ frame }) => frame);
    expect(new Set(numbers).size).toBe(numbers.length);
  });
});

describe('a new cut', () => {
  const cell = (left: number, widthPx = 16) => ({ left, top: 0, widthPx, heightPx: 16 });

  it('finds frames again that cover much the same', () => {
    const before = [cell(0), cell(16), cell(32), cell(48)];
    expect(movesOfCut(before, [cell(48), cell(0), cell(17, 14)])).toEqual([1, 2, null, 0]);
    expect(movesOfCut(before, [cell(0, 32), cell(32, 32)])).toEqual([0, 0, 1, 1]);
    expect(movesOfCut(before, [])).toEqual([null, null, null, null]);
  });
});
