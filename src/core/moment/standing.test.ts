import { describe, expect, it } from 'vitest';
import { applyTo } from '../geometry/affine';
import type { SceneDocument } from '../scene/document';
import { newSprite } from '../scene/records/sprite';
import { newWick } from '../scene/records/wick';
import { fullScene } from '../scene/testing';
import { wickAt } from '../time/wick';
import { gateView, momentAt } from './moment-at';
import type { Moment } from './moment';
import { MomentMaker } from './moment-maker';
import { NOTHING_PASSING, type Passing } from './passing';
import { shiftOnGround, stanceOnPlane } from './stances';
import { carriersOf, fixturePlace, groundMap, spriteAffine } from './standing';

function shown(scene: SceneDocument, passing: Partial<Passing> = {}, seconds = 0): Moment {
  return momentAt(scene, 12, seconds, { ...NOTHING_PASSING, ...passing }, gateView(scene));
}

const near = (moment: Moment) => moment.planes[2].layers.flatMap(({ sprites }) => sprites);

describe('things that hang on a bracket', () => {
  it('stand where it is, turned with it', () => {
    const scene = fullScene();
    // The man's pivot, 10, 10 of his figure, stands at 100, 50: his hand at 16, 8 is at 106, 48.
    expect(fixturePlace(scene, scene.lamps.carried, 0)).toEqual([106, 48]);
    const ground = groundMap(scene, scene.lamps.carried, 0)!;
    expect(applyTo(ground, 5, 0)).toEqual([106, 53]);
  });

  it('go with what carries them, through flips, turns and frames', () => {
    const scene = fullScene();
    scene.sprites.man = { ...scene.sprites.man, flipX: true, x: 200 };
    expect(fixturePlace(scene, scene.lamps.carried, 0)).toEqual([194, 48]);
    scene.artworks.man = {
      ...scene.artworks.man,
      frames: scene.artworks.sheet.frames.map((frame) => ({ ...frame, shiftX: 0 })),
      brackets: [{ ...scene.artworks.man.brackets[0], places: [{ frame: 1, x: 10, y: 2, turnDeg: 0 }] }],
    };
    // Eight frames a second: the second one stands from an eighth on.
    expect(fixturePlace(scene, scene.lamps.carried, 0.13)).toEqual([200, 42]);
    expect(fixturePlace(scene, scene.lamps.carried, 0.26)).toEqual([194, 48]);
  });

  it('hang on things that hang, and a circle of them stands nowhere', () => {
    const scene = fullScene();
    const on = (spriteId: string) => ({ spriteId, bracketId: null });
    const hung = newSprite({
      name: '',
      planeId: 'plane-near',
      order: 'b',
      artworkId: 'flame',
      x: 20,
      y: 10,
      hangsOn: on('man'),
    });
    scene.sprites = { ...scene.sprites, hung };
    expect(carriersOf(scene, on('hung'))).toEqual(['hung', 'man']);
    expect(spriteAffine(scene, hung, 0)).toMatchObject({ e: 100, f: 40 });
    const round = {
      ...scene,
      sprites: { ...scene.sprites, man: { ...scene.sprites.man, hangsOn: on('hung') } },
    };
    expect(spriteAffine(round, hung, 0)).toBeNull();
    expect(near(shown(round)).length).toBe(1);
    expect(shown(round).lights.map(({ x }) => x)).toEqual([30]);
  });

  it('are moved by the shift that the hand makes, whatever way their ground is turned', () => {
    const scene = fullScene();
    expect(shiftOnGround(scene, scene.lamps.carried, 0, 0, 7)).toEqual([7, 0]);
    expect(shiftOnGround(scene, scene.lights.l, 0, 3, 4)).toEqual([3, 4]);
  });

  it('are drawn the same when they are put on their plane as they stand, turned, flipped and scaled', () => {
    const scene = fullScene();
    const hung = newSprite({
      name: '',
      planeId: 'plane-near',
      order: 'b',
      artworkId: 'flame',
      x: 3,
      y: 4,
      turnDeg: 20,
      flipX: true,
      scaleX: 2,
      hangsOn: { spriteId: 'man', bracketId: 'hand' },
    });
    for (const carrier of [
      {},
      { flipX: true },
      { turnDeg: 75, scaleX: 1.5, scaleY: 1.5 },
      { flipX: true, turnDeg: -30 },
    ]) {
      const sprites = { ...scene.sprites, hung, man: { ...scene.sprites.man, ...carrier } };
      const all = { ...scene, sprites };
      const free = { ...hung, hangsOn: null, ...stanceOnPlane(all, 'sprites', 'hung', 0) };
      const [before, after] = [spriteAffine(all, hung, 0)!, spriteAffine(all, free, 0)!];
      for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
        expect(after[key]).toBeCloseTo(before[key], 9);
    }
  });

  it('are gone where what carries them is hidden', () => {
    const scene = fullScene();
    scene.sprites = { ...scene.sprites, man: { ...scene.sprites.man, hidden: true } };
    expect(shown(scene).lights.length).toBe(1);
    expect(near(shown(scene)).length).toBe(1);
  });
});

describe('a lamp', () => {
  it('shows its luminaire with what it overrides', () => {
    const scene = fullScene();
    const [light] = shown(scene).lights;
    const { level } = scene.luminaires.lantern.lights[0];
    expect(level).toBe(1.5);
    const plain = { ...scene, lamps: { carried: { ...scene.lamps.carried, overrides: {} } } };
    expect(light.rgb[0] / shown(plain).lights[0].rgb[0]).toBeCloseTo(2, 12);
    // The part stands 4 px above the lamp's middle, which the hand's quarter turn makes 4 px to the right.
    expect([light.x, light.y]).toEqual([110, 48]);
  });

  it('follows its luminaire, and is muted, soloed and dimmed as one', () => {
    const scene = fullScene();
    const [before] = shown(scene).lights;
    const dim = { ...scene, lamps: { carried: { ...scene.lamps.carried, level: 0.5 } } };
    expect(shown(dim).lights[0].rgb[0]).toBeCloseTo(before.rgb[0] / 2, 12);
    expect(shown(scene, { muted: new Set(['carried']) }).lights.length).toBe(1);
    expect(shown(scene, { solo: new Set(['carried']) }).lights.length).toBe(1);
    const lantern = {
      ...scene.luminaires.lantern,
      lights: [{ ...scene.luminaires.lantern.lights[0], heightPx: 99 }],
    };
    expect(shown({ ...scene, luminaires: { lantern } }).lights[0].source).toMatchObject({ heightPx: 99 });
  });

  it('draws its flame in its place among the sprites of its plane', () => {
    const scene = fullScene();
    const flames = near(shown(scene));
    expect(flames.map(({ selfLit }) => selfLit)).toEqual([false, false, true]);
    const behind = { ...scene, lamps: { carried: { ...scene.lamps.carried, order: 'a0' } } };
    expect(near(shown(behind)).map(({ selfLit }) => selfLit)).toEqual([true, false, false]);
  });

  it('lets its flame glow as the wick of one of its lights burns, if it is told to', () => {
    const scene = fullScene();
    const { lights, flames } = scene.luminaires.lantern;
    const wick = newWick({ name: 'Wick', seed: 4, levelLow: 0.2, levelHigh: 1.5, rateHz: 2 });
    const lantern = (glowsWithId: string | null) => ({
      ...scene.luminaires.lantern,
      lights: [{ ...lights[0], wick }],
      flames: flames.map((flame) => ({ ...flame, glowsWithId })),
    });
    const glows = (glowsWithId: string | null, second: number) => {
      const all = { ...scene, luminaires: { lantern: lantern(glowsWithId) } };
      return near(shown(all, {}, second)).find(({ selfLit }) => selfLit)!.glowLevel;
    };
    for (const second of [0, 0.4, 3.1]) {
      expect(glows(null, second)).toBe(flames[0].glowLevel);
      expect(glows(lights[0].id, second)).toBe(flames[0].glowLevel * wickAt(wick, 'carried', second).level);
    }
    expect(glows(lights[0].id, 0.4)).not.toBe(glows(lights[0].id, 3.1));
  });

  it('is not shut in by the outline of what carries it, unless it is told to be', () => {
    const scene = fullScene();
    const stoppers = (s: SceneDocument) => {
      const moment = shown(s);
      return moment.lights[0].occluders.map((i) => moment.occluders[i].closed);
    };
    // The tiles' walls are on another plane of the span; the man's own outline and line are left out.
    expect(stoppers(scene)).toEqual([true]);
    const shut = { ...scene, lamps: { carried: { ...scene.lamps.carried, blockedByCarrier: true } } };
    expect(stoppers(shut).sort()).toEqual([false, true, true]);
  });
});

describe('circuits', () => {
  it('part layers by what their sprites listen to', () => {
    const moment = shown(fullScene());
    expect(moment.planes[2].layers.map(({ listens }) => listens)).toEqual([1, 2, 1]);
    expect(moment.lights.map(({ feeds }) => feeds)).toEqual([1, 2]);
  });
});

describe('outlines that an artwork brings', () => {
  it('stand with each of its sprites, but for those that have their own', () => {
    const scene = fullScene();
    const count = (s: SceneDocument) => shown(s).occluders.filter(({ plane }) => plane === 2).length;
    expect(count(scene)).toBe(2);
    const own = {
      ...scene,
      sprites: { ...scene.sprites, man: { ...scene.sprites.man, ownOccluders: true } },
    };
    expect(count(own)).toBe(1);
  });

  it('are the same objects while nothing moves, so that no shadow is drawn anew', () => {
    const scene = fullScene();
    const maker = new MomentMaker();
    const [first, second] = [0, 0.01].map((s) => maker.at(scene, 12, s, NOTHING_PASSING, gateView(scene)));
    second.occluders.forEach(({ pieces }, i) =>
      pieces.forEach((piece, k) => expect(piece).toBe(first.occluders[i].pieces[k])),
    );
    expect(second.occluders.length).toBe(3);
  });
});

describe('planes looked at alone', () => {
  it('are all that shows, blocks and gives light', () => {
    const moment = shown(fullScene(), { soloPlanes: new Set(['plane-middle']) });
    expect(moment.planes.map(({ layers }) => layers.length)).toEqual([0, 1, 0]);
    expect(moment.lights).toEqual([]);
    expect(moment.occluders.length).toBe(1);
  });
});

const wallsOf = (scene: SceneDocument, maker = new MomentMaker()) =>
  maker.at(scene, 12, 0, NOTHING_PASSING, gateView(scene)).occluders.find(({ plane }) => plane === 1)!.pieces;

describe('walls of tiles', () => {
  it('are renewed where a tile changes, and only there', () => {
    const scene = fullScene();
    const far = { ...scene.chunks.c, column: 5 };
    const both = { ...scene, chunks: { c: scene.chunks.c, far } };
    const maker = new MomentMaker();
    const before = wallsOf(both, maker);
    expect(before.map(({ edges }) => edges.length / 4)).toEqual([4, 4]);
    const cells = both.chunks.c.cells.with(1, 0);
    const after = wallsOf({ ...both, chunks: { ...both.chunks, c: { ...both.chunks.c, cells } } }, maker);
    expect(after[0].edges.length / 4).toBe(8);
    expect(after[1]).toBe(before[1]);
  });

  it('join across chunks', () => {
    const scene = fullScene();
    const row = { ...scene.chunks.c, cells: scene.chunks.c.cells.map((_, i) => (i < 32 ? 2 : 0)) };
    const chunks = { c: row, d: { ...row, column: 1 } };
    const pieces = wallsOf({ ...scene, chunks });
    const upright = pieces.flatMap(({ edges }) =>
      Array.from({ length: edges.length / 4 }, (_, i) => [...edges.subarray(4 * i, 4 * i + 4)]).filter(
        ([ax, , bx]) => ax === bx,
      ),
    );
    expect(upright.map(([x]) => x).sort((a, b) => a - b)).toEqual([0, 640]);
  });
});
