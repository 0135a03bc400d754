import { describe, expect, it } from 'vitest';
import { fixturePlace } from '@/core/moment/standing';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { newLight } from '@/core/scene/records/light';
import { newOccluder } from '@/core/scene/records/occluder';
import { newSprite } from '@/core/scene/records/sprite';
import { applyEdits, create, inverted } from '@/core/scene/edits';
import { checkEdited } from '@/core/scene/read-scene';
import { fullScene } from '@/core/scene/testing';
import { drawnOutlines } from '../store/outline-places';
import { fakeStudio } from '../testing/fake-studio';
import { takeOff } from '../store/hang-edits';
import { commandOf } from './all-commands';
import { deleteEdits } from '../store/delete-edits';
import {
  giveLamps,
  makeLuminaire,
  overrideEdits,
  updateLuminaire,
  resetOverrides,
  takeApart,
} from '../store/lamp-edits';
import { joinOccluders } from '../store/occluder-edits';
import { fixOccluders, followArtwork, keepWithArtwork, ownOccluders } from '../store/occluder-owners';
import { layersAsFigure, layersAsPlanes } from '../store/place-layers';
import type { Studio } from '../store/studio';

const board = (x: number, y: number, order: string, widthPx = 10) =>
  newSprite({
    name: order,
    planeId: 'plane-near',
    order,
    artworkId: null,
    plain: { colour: '#ffffff', widthPx, heightPx: 10 },
    x,
    y,
  });

function flats(): Studio {
  const scene = fullScene();
  scene.sprites = { a: board(10, 10, 'a1'), b: board(40, 30, 'a2', 20), c: board(90, 20, 'a3') };
  scene.lamps = {};
  scene.occluders = {};
  const studio = fakeStudio(scene);
  studio.pick(...['a', 'b', 'c'].map((id) => ({ collection: 'sprites' as const, id })));
  return studio;
}

const places = ({ scene }: Studio) => Object.values(scene.sprites).map(({ x, y }) => [x, y]);
const undone = (studio: Studio): SceneDocument =>
  applyEdits(studio.scene, inverted(studio.scenes.state.undo.at(-1)!.edits));

describe('several things', () => {
  it('line up by a side or by their middles', () => {
    const studio = flats();
    commandOf('line-left').run(studio);
    // The widest one's middle is farther from its left side.
    expect(places(studio).map(([x]) => x)).toEqual([10, 15, 10]);
    commandOf('line-bottom').run(studio);
    expect(places(studio).map(([, y]) => y)).toEqual([30, 30, 30]);
    commandOf('line-centre').run(studio);
    expect(new Set(places(studio).map(([x]) => x)).size).toBe(1);
    expect(studio.scenes.state.undo.length).toBe(3);
  });

  it('spread evenly between the first and the last', () => {
    const studio = flats();
    commandOf('spread-across').run(studio);
    expect(places(studio).map(([x]) => x)).toEqual([10, 50, 90]);
    commandOf('spread-down').run(studio);
    expect(places(studio).map(([, y]) => y)).toEqual([10, 30, 20]);
  });

  it('go forward and back together, to the ends too, and keep their order', () => {
    const studio = flats();
    const row = () => inOrder(studio.scene.sprites).map(([id]) => id);
    studio.pick({ collection: 'sprites', id: 'a' }, { collection: 'sprites', id: 'b' });
    commandOf('front').run(studio);
    expect(row()).toEqual(['c', 'a', 'b']);
    commandOf('back').run(studio);
    expect(row()).toEqual(['a', 'b', 'c']);
    studio.pick({ collection: 'sprites', id: 'c' });
    commandOf('rear').run(studio);
    expect(row()).toEqual(['c', 'a', 'b']);
    commandOf('forward').run(studio);
    expect(row()).toEqual(['a', 'c', 'b']);
  });

  it('are named as a set, which goes without them', () => {
    const studio = flats();
    commandOf('name-set').run(studio);
    const [setId] = Object.keys(studio.scene.sets).filter((id) => id !== 'crew');
    expect(Object.values(studio.scene.sprites).every(({ setIds }) => setIds.includes(setId))).toBe(true);
    studio.scenes.transact({ label: '', edits: deleteEdits(studio, [{ collection: 'sets', id: setId }]) });
    expect(Object.values(studio.scene.sprites).every(({ setIds }) => setIds.length === 0)).toBe(true);
  });
});

describe('luminaires', () => {
  const lit = () => {
    const scene = fullScene();
    scene.lights = {
      l: newLight({ name: 'Lamp', planeId: 'plane-near', order: 'a1', x: 30, y: 5, wickId: 'w' }),
      halo: newLight({ name: 'Halo', planeId: 'plane-near', order: 'a2', x: 34, y: 8, shadows: false }),
    };
    scene.sprites.flame = newSprite({
      name: 'Flame',
      planeId: 'plane-near',
      order: 'a5',
      artworkId: 'flame',
      x: 30,
      y: 9,
    });
    return fakeStudio(scene);
  };

  it('are made of lights and a flame, taken apart to the same, and undone at once', () => {
    const studio = lit();
    const before = studio.scene;
    studio.pick(
      { collection: 'lights', id: 'l' },
      { collection: 'lights', id: 'halo' },
      { collection: 'sprites', id: 'flame' },
    );
    makeLuminaire(studio);
    const [lampId, lamp] = Object.entries(studio.scene.lamps).find(([id]) => id !== 'carried')!;
    const luminaire = studio.scene.luminaires[lamp.luminaireId];
    expect(luminaire.lights.map(({ x, y, wick }) => [x, y, wick?.name])).toEqual([
      [0, 0, 'Wick'],
      [4, 3, undefined],
    ]);
    expect(luminaire.flames.map(({ x, y, artworkId }) => [x, y, artworkId])).toEqual([[0, 4, 'flame']]);
    expect(() => checkEdited(studio.scene, studio.scenes.state.undo[0].edits)).not.toThrow();
    expect(undone(studio)).toEqual(before);

    takeApart(studio, lampId);
    expect(Object.values(studio.scene.lights).map(({ name, x, y }) => [name, x, y])).toEqual([
      ['Lamp', 30, 5],
      ['Halo', 34, 8],
    ]);
    expect(
      Object.values(studio.scene.sprites).some(
        ({ artworkId, x, y }) => artworkId === 'flame' && x === 30 && y === 9,
      ),
    ).toBe(true);
  });

  it('need a light, and lights that hang together', () => {
    const studio = lit();
    studio.pick({ collection: 'sprites', id: 'flame' });
    makeLuminaire(studio);
    expect(studio.desk.getState().notice).toMatch(/needs a light/);
    studio.set('', 'lights', 'halo', { hangsOn: { spriteId: 'man', bracketId: null } });
    studio.pick({ collection: 'lights', id: 'l' }, { collection: 'lights', id: 'halo' });
    makeLuminaire(studio);
    expect(studio.desk.getState().notice).toMatch(/one bracket/);
    expect(Object.keys(studio.scene.luminaires)).toEqual(['lantern']);
  });

  it('are overridden by a lamp field by field; what is as the luminaire is no override', () => {
    const studio = lit();
    const override = (fields: object) =>
      studio.scenes.transact({ label: '', edits: overrideEdits(studio.scene, ['carried'], 'glow', fields) });
    override({ colour: '#00ff00' });
    expect(studio.scene.lamps.carried.overrides).toEqual({ glow: { level: 3, colour: '#00ff00' } });
    override({ level: studio.scene.luminaires.lantern.lights[0].level });
    expect(studio.scene.lamps.carried.overrides).toEqual({ glow: { colour: '#00ff00' } });
    updateLuminaire(studio, 'carried');
    expect(studio.scene.luminaires.lantern.lights[0].colour).toBe('#00ff00');
    expect(studio.scene.lamps.carried.overrides).toEqual({});
    override({ level: 9 });
    resetOverrides(studio, ['carried']);
    expect(studio.scene.lamps.carried.overrides).toEqual({});
  });

  it('come with each placed copy of an artwork, and later to those that have none', () => {
    const studio = lit();
    studio.scenes.transact({
      label: '',
      edits: deleteEdits(studio, [{ collection: 'lamps', id: 'carried' }]),
    });
    expect(Object.keys(studio.scene.lamps)).toEqual([]);
    giveLamps(studio, 'man');
    expect(Object.values(studio.scene.lamps)).toMatchObject([
      { luminaireId: 'lantern', hangsOn: { spriteId: 'man', bracketId: 'hand' } },
    ]);
    giveLamps(studio, 'man');
    expect(Object.keys(studio.scene.lamps).length).toBe(1);
    expect(studio.desk.getState().notice).toMatch(/have their lamps/);
  });

  it('take their lamps with them when they go, and artworks bring them no more', () => {
    const studio = lit();
    studio.scenes.transact({
      label: '',
      edits: deleteEdits(studio, [{ collection: 'luminaires', id: 'lantern' }]),
    });
    expect(studio.scene.lamps).toEqual({});
    expect(studio.scene.artworks.man.lamps).toEqual([]);
  });
});

describe('a circuit that is deleted', () => {
  it('leaves nothing wired to it; what had no other is wired to the house', () => {
    const studio = fakeStudio(fullScene());
    studio.scenes.transact({
      label: '',
      edits: deleteEdits(studio, [{ collection: 'circuits', id: 'blue' }]),
    });
    expect(Object.keys(studio.scene.circuits)).toEqual(['house']);
    expect(studio.scene.sprites.plain.circuitIds).toEqual(['house']);
    expect(studio.scene.lights.l.circuitIds).toEqual(['house']);
    expect(studio.scene.sprites.man.circuitIds).toBeNull();
  });
});

describe('what hangs', () => {
  it('stays where it is drawn when it is taken off', () => {
    const studio = fakeStudio(fullScene());
    const before = fixturePlace(studio.scene, studio.scene.lamps.carried, 0);
    studio.pick({ collection: 'lamps', id: 'carried' });
    takeOff(studio);
    expect(studio.scene.lamps.carried.hangsOn).toBeNull();
    expect(fixturePlace(studio.scene, studio.scene.lamps.carried, 0)).toEqual(before);
  });

  it('goes with what carries it, and comes back with it', () => {
    const studio = fakeStudio(fullScene());
    const before = studio.scene;
    studio.scenes.transact({ label: '', edits: deleteEdits(studio, [{ collection: 'sprites', id: 'man' }]) });
    expect([Object.keys(studio.scene.lamps), Object.keys(studio.scene.occluders)]).toEqual([[], []]);
    expect(undone(studio)).toEqual(before);
  });

  it('leaves nothing behind that names art which is gone', () => {
    const studio = fakeStudio(fullScene());
    for (const id of ['flame', 'sheet'])
      studio.scenes.transact({ label: '', edits: deleteEdits(studio, [{ collection: 'artworks', id }]) });
    expect(studio.scene.luminaires.lantern.flames).toEqual([]);
    expect(studio.scene.planes['plane-middle'].tiles).toBeNull();
    expect(studio.scene.chunks).toEqual({});
  });
});

describe('occluders', () => {
  it('of one kind are joined to what lies in any of them; lines where their ends meet', () => {
    const scene = fullScene();
    const put = (id: string, kind: 'closed' | 'line', points: number[]) =>
      (scene.occluders[id] = newOccluder({ name: id, planeId: 'plane-near', kind, outlines: [points] }));
    put('a', 'closed', [0, 0, 10, 0, 10, 10, 0, 10]);
    put('b', 'closed', [5, 0, 20, 0, 20, 10, 5, 10]);
    put('c', 'line', [0, 0, 10, 0]);
    put('d', 'line', [20, 5, 10, 0]);
    const studio = fakeStudio(scene);
    const join = (...ids: string[]) => {
      studio.pick(...ids.map((id) => ({ collection: 'occluders' as const, id })));
      joinOccluders(studio);
    };
    join('a', 'b');
    expect(studio.scene.occluders.a.outlines.map((points) => points.length)).toEqual([8]);
    expect(studio.scene.occluders.b).toBeUndefined();
    join('c', 'd');
    expect(studio.scene.occluders.c.outlines).toEqual([[0, 0, 10, 0, 20, 5]]);
    join('a', 'c');
    expect(studio.desk.getState().notice).toMatch(/one kind/);
  });

  it('of an artwork become a sprite’s own, and its artwork’s again', () => {
    const studio = fakeStudio(fullScene());
    const before = Object.keys(studio.scene.occluders).length;
    ownOccluders(studio, 'man');
    expect(studio.scene.sprites.man.ownOccluders).toBe(true);
    expect(Object.keys(studio.scene.occluders).length).toBe(before + 1);
    followArtwork(studio, 'man');
    expect(studio.scene.sprites.man.ownOccluders).toBe(false);
    expect(Object.keys(studio.scene.occluders)).toEqual([]);
  });
});

describe('occluders that change hands', () => {
  const drawn = ({ scene }: Studio, id: string) => drawnOutlines(scene, scene.occluders[id], 0).flat(2);

  it('are fixed to a sprite and freed where they are drawn, and go with it in between', () => {
    const scene = fullScene();
    scene.sprites.man = { ...scene.sprites.man, flipX: true, turnDeg: 90 };
    scene.occluders.w = newOccluder({
      name: 'Wall',
      planeId: 'plane-near',
      kind: 'closed',
      outlines: [[90, 40, 120, 40, 120, 60]],
    });
    const studio = fakeStudio(scene);
    const before = drawn(studio, 'w');
    studio.pick({ collection: 'occluders', id: 'w' });
    fixOccluders(studio, 'man');
    expect(studio.scene.occluders.w.spriteId).toBe('man');
    drawn(studio, 'w').forEach((v, i) => expect(v).toBeCloseTo(before[i], 1));
    studio.set('', 'sprites', 'man', { x: 150 });
    fixOccluders(studio, null);
    expect(studio.scene.occluders.w.spriteId).toBeNull();
    drawn(studio, 'w').forEach((v, i) => expect(v).toBeCloseTo(before[i] + (i % 2 === 0 ? 50 : 0), 1));
  });

  it('are kept with the artwork for all its sprites, frame by frame where it has several', () => {
    const studio = fakeStudio(fullScene());
    ownOccluders(studio, 'man');
    const [ownId] = Object.entries(studio.scene.occluders).find(([, { kind }]) => kind === 'closed')!;
    studio.set('', 'occluders', ownId, { outlines: [[1, 1, 9, 1, 9, 9]], smooth: [] });
    keepWithArtwork(studio, 'man');
    expect(studio.scene.occluders).toEqual({});
    expect(studio.scene.sprites.man.ownOccluders).toBe(false);
    expect(studio.scene.artworks.man.occluders.map(({ kind, outlines }) => [kind, outlines])).toContainEqual([
      'closed',
      [[1, 1, 9, 1, 9, 9]],
    ]);

    const sheet = newSprite({
      name: '',
      planeId: 'plane-near',
      order: 'z',
      artworkId: 'sheet',
      x: 0,
      y: 0,
      frame: 0,
      playing: false,
    });
    studio.scenes.transact({ label: '', edits: [create('sprites', 'tile', sheet)] });
    ownOccluders(studio, 'tile');
    const [tileId] = Object.entries(studio.scene.occluders).find(([, { spriteId }]) => spriteId === 'tile')!;
    studio.set('', 'occluders', tileId, { outlines: [[0, 0, 5, 0, 5, 5]] });
    keepWithArtwork(studio, 'tile');
    const [body] = studio.scene.artworks.sheet.occluders;
    // The other frame keeps what it had.
    expect(body.frames.map(({ frame, outlines }) => [frame, outlines[0].length])).toEqual([
      [1, 8],
      [0, 6],
    ]);
  });
});

describe('layers of a painting', () => {
  const layers = ['sheet', 'spare'].map((artworkId, i) => ({
    painting: 'Yard',
    artworkId,
    name: artworkId,
    x: 5 * i,
    y: 7 * i,
    opacity: i === 1 ? 0.5 : 1,
    hidden: false,
  }));

  it('become planes in front of all, at their places in the gate', () => {
    const studio = fakeStudio(fullScene());
    studio.set('', 'settings', 'scene', { gateX: 100 });
    layersAsPlanes(studio, layers);
    const planes = inOrder(studio.scene.planes);
    expect(planes.slice(-2).map(([, { name }]) => name)).toEqual(['sheet', 'spare']);
    const front = Object.values(studio.scene.sprites).find(({ planeId }) => planeId === planes.at(-1)![0])!;
    expect(front).toMatchObject({ x: 115, y: 17, opacity: 0.5 });
  });

  it('become a figure that the lowest one carries', () => {
    const studio = fakeStudio(fullScene());
    layersAsFigure(studio, layers, 60, 40);
    const [id] = studio.pickedOf('sprites');
    expect(studio.scene.sprites[id]).toMatchObject({ artworkId: 'sheet', x: 60, y: 40 });
    const part = Object.values(studio.scene.sprites).find(({ artworkId }) => artworkId === 'spare')!;
    expect(part).toMatchObject({ hangsOn: { spriteId: id, bracketId: null }, x: 15, y: 17 });
    expect(studio.scene.sets[part.setIds[0]].name).toBe('Yard');
  });
});
