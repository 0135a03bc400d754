import { describe, expect, it } from 'vitest';
import { inOrder } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newOccluder } from '@/core/scene/records/occluder';
import { newRelief } from '@/core/scene/records/relief';
import { newSprite } from '@/core/scene/records/sprite';
import { fakeStudio } from '../testing/fake-studio';
import { addPlane, movePlane } from '../elevation/planes';
import { COMMANDS, commandOf, whyNot } from './all-commands';

/** Two sprites of one artwork, the first with an outline of its own, and a lamp. */
function furnished() {
  const scene = newScene();
  scene.artworks.art = newArtwork({
    name: 'Art',
    imageSha: 'a'.repeat(64),
    widthPx: 10,
    heightPx: 10,
    pixelArt: true,
  });
  scene.reliefs.art = newRelief({ recipe: {} as never });
  scene.sprites.s1 = newSprite({
    name: 'One',
    planeId: 'plane-near',
    order: 'a1',
    artworkId: 'art',
    x: 0,
    y: 0,
  });
  scene.sprites.s2 = newSprite({
    name: 'Two',
    planeId: 'plane-near',
    order: 'a2',
    artworkId: 'art',
    x: 50,
    y: 0,
  });
  scene.occluders.own = newOccluder({
    name: 'Own',
    planeId: 'plane-near',
    spriteId: 's1',
    kind: 'closed',
    outlines: [[0, 0, 5, 0, 5, 5]],
  });
  scene.lights.lamp = newLight({ name: 'Lamp', planeId: 'plane-far', order: 'a', x: 5, y: 5 });
  return fakeStudio(scene);
}

describe('deleting', () => {
  it('a sprite takes its outline along, in one step that comes back whole', () => {
    const studio = furnished();
    const before = studio.scene;
    studio.pick({ collection: 'sprites', id: 's1' });
    commandOf('delete').run(studio);
    expect(Object.keys(studio.scene.sprites)).toEqual(['s2']);
    expect(studio.scene.occluders).toEqual({});
    commandOf('undo').run(studio);
    expect(studio.scene).toEqual(before);
    expect(studio.scenes.state.undo).toEqual([]);
  });

  it('a plane takes all that stands on it along, but the last plane stays', () => {
    const studio = furnished();
    studio.pick({ collection: 'planes', id: 'plane-near' });
    commandOf('delete').run(studio);
    expect(studio.scene.sprites).toEqual({});
    expect(studio.scene.occluders).toEqual({});
    expect(studio.scene.lights.lamp).toBeDefined();
    for (const id of ['plane-middle', 'plane-far']) {
      studio.pick({ collection: 'planes', id });
      commandOf('delete').run(studio);
    }
    expect(Object.keys(studio.scene.planes)).toEqual(['plane-far']);
    expect(studio.desk.getState().notice).toMatch(/last plane stays/);
  });

  it('an artwork takes its sprites and its relief along', () => {
    const studio = furnished();
    studio.pick({ collection: 'artworks', id: 'art' });
    commandOf('delete').run(studio);
    expect([
      studio.scene.artworks,
      studio.scene.reliefs,
      studio.scene.sprites,
      studio.scene.occluders,
    ]).toEqual([{}, {}, {}, {}]);
  });
});

describe('duplicating', () => {
  it('makes copies beside their originals, with outlines of their own, and picks them', () => {
    const studio = furnished();
    studio.pick({ collection: 'sprites', id: 's1' }, { collection: 'lights', id: 'lamp' });
    commandOf('duplicate').run(studio);
    expect(Object.keys(studio.scene.sprites).length).toBe(3);
    expect(Object.keys(studio.scene.lights).length).toBe(2);
    const [copyId] = studio.pickedOf('sprites');
    expect(studio.scene.sprites[copyId]).toMatchObject({ name: 'One', x: 8 });
    expect(
      Object.values(studio.scene.occluders)
        .map((o) => o.spriteId)
        .sort(),
    ).toEqual(['s1', copyId].sort());
  });
});

describe('many at once', () => {
  it('are flipped, turned and nudged in one step each', () => {
    const studio = furnished();
    studio.pick({ collection: 'sprites', id: 's1' }, { collection: 'sprites', id: 's2' });
    commandOf('flip-x').run(studio);
    commandOf('turn').run(studio);
    commandOf('right-8').run(studio);
    expect(Object.values(studio.scene.sprites).map((s) => [s.flipX, s.turnDeg, s.x])).toEqual([
      [true, 90, 8],
      [true, 90, 58],
    ]);
    expect(studio.scenes.state.undo.length).toBe(3);
  });
});

describe('order', () => {
  const row = (studio: ReturnType<typeof furnished>) => inOrder(studio.scene.sprites).map(([id]) => id);

  it('of sprites goes one step forward and back, and stops at the ends', () => {
    const studio = furnished();
    studio.pick({ collection: 'sprites', id: 's1' });
    commandOf('forward').run(studio);
    expect(row(studio)).toEqual(['s2', 's1']);
    commandOf('forward').run(studio);
    expect(row(studio)).toEqual(['s2', 's1']);
    commandOf('back').run(studio);
    expect(row(studio)).toEqual(['s1', 's2']);
  });

  it('of planes is changed by adding in front and by moving', () => {
    const studio = furnished();
    const planes = () => inOrder(studio.scene.planes).map(([, plane]) => plane.name);
    addPlane(studio, 'plane-far');
    expect(planes()).toEqual(['Far', 'Plane 4', 'Middle', 'Near']);
    movePlane(studio, 'plane-near', -1);
    expect(planes()).toEqual(['Far', 'Plane 4', 'Near', 'Middle']);
    movePlane(studio, 'plane-far', -1);
    movePlane(studio, 'plane-far', 1);
    expect(planes()).toEqual(['Plane 4', 'Far', 'Near', 'Middle']);
  });
});

describe('all commands', () => {
  it('have ids of their own', () => {
    expect(new Set(COMMANDS.map((command) => command.id)).size).toBe(COMMANDS.length);
  });

  it('say why they cannot be done', () => {
    const studio = furnished();
    expect(whyNot(studio, 'undo')).toBe('There is nothing to undo.');
    expect(whyNot(studio, 'delete')).toBe('Pick something first.');
    expect(whyNot(studio, 'spread-across')).toBe('Pick at least 3 things first.');
    studio.pick({ collection: 'lights', id: 'lamp' });
    expect(whyNot(studio, 'delete')).toBeNull();
    expect(whyNot(studio, 'flip-x')).toBe('Pick a sprite first.');
    expect(commandOf('delete').isHere(studio)).toBe(true);
    studio.desk.setState({ bench: 'relief' });
    expect(commandOf('delete').isHere(studio)).toBe(false);
    expect(() => commandOf('fly')).toThrow(/no command fly/);
  });
});
