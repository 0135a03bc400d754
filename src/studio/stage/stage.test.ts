import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newOccluder } from '@/core/scene/records/occluder';
import { newSprite } from '@/core/scene/records/sprite';
import { commandFor, COMMANDS } from '../commands/all-commands';
import type { Studio } from '../store/studio';
import { fakeStudio } from '../testing/fake-studio';
import { movedEdits } from '../store/moved-edits';
import { splitAt, withoutPoint, withPoint, withSmooth } from '../tools/outline-edits';
import { handleAt } from '../tools/handles';
import { drawnRows } from '@/core/moment/rows';
import { hitAt, hitsWithin } from '../tools/hits';
import { draggedIsolux, isoluxRadius } from '../lights/isolux';
import { drawnFor, fitGate, toCanvas, toScene, zoomedAbout, zoomStep } from '../surface/view';

const light = newLight({
  name: '',
  planeId: 'plane-middle',
  order: 'a',
  x: 50,
  y: 40,
  corePx: 5,
  reachPx: 100,
});

const NEAR = { nearPx: 6, seconds: 0, partId: null };

describe('isolux lines', () => {
  it('stay in order from the core to the reach', () => {
    const radii = (['full', 'half', 'eighth', 'end'] as const).map((name) => isoluxRadius(light, name));
    expect([...radii].sort((a, b) => a - b)).toEqual(radii);
  });

  it('stand where they were dragged to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('half' as const, 'eighth' as const),
        fc.integer({ min: 12, max: 60 }),
        fc.constantFrom('natural' as const, 'eased' as const, 'straight' as const),
        (name, radius, curve) => {
          const dragged = { ...light, curve, ...draggedIsolux({ ...light, curve }, name, radius) };
          // Steepness has bounds and two decimals; within them the line is where the hand is.
          if (dragged.steepness > 0.12 && dragged.steepness < 9.9)
            expect(Math.abs(isoluxRadius(dragged, name) - radius)).toBeLessThan(1);
        },
      ),
    );
    expect(draggedIsolux(light, 'end', 2)).toEqual({ reachPx: 5 });
    expect(draggedIsolux(light, 'full', 400)).toEqual({ corePx: 100 });
  });
});

describe('the view', () => {
  it('brings canvas and scene together, and zooms about the pointer', () => {
    const place = { viewX: 12.5, viewY: -3, zoom: 3 };
    expect(toScene(place, ...toCanvas(place, 40, 7))).toEqual([40, 7]);
    const closer = zoomedAbout(place, 5, 100, 50);
    expect(toScene(closer, 100, 50)).toEqual(toScene(place, 100, 50));
  });

  it('zooms pixel art by whole steps, and fits the gate', () => {
    expect([zoomStep(1, -1, true), zoomStep(2, 1, true), zoomStep(1, -1, false)]).toEqual([1, 3, 0.5]);
    const { zoom } = fitGate(newScene({ gateWidthPx: 480, gateHeightPx: 270 }), { width: 1176, height: 512 });
    expect(zoom).toBe(2);
  });

  it('draws pixel art at scene px on whole places, painted art at device px', () => {
    const size = { width: 300, height: 200 };
    const pixel = drawnFor({ viewX: 10.4, viewY: -3.5, zoom: 4 }, size, true);
    expect(pixel.view).toMatchObject({ x: 10, y: -4, outputPerScenePx: 1 });
    expect([pixel.offsetX, pixel.offsetY]).toEqual([-2, -2]);
    expect(drawnFor({ viewX: 10.4, viewY: 0, zoom: 0.5 }, size, false).view).toMatchObject({
      x: 10.4,
      outputPerScenePx: 0.5,
      widthPx: 300,
    });
  });
});

describe('what lies under the pointer', () => {
  const scene = newScene();
  scene.artworks.art = newArtwork({
    name: '',
    imageSha: 'a'.repeat(64),
    widthPx: 20,
    heightPx: 20,
    pixelArt: true,
    pivotX: 0,
    pivotY: 0,
  });
  scene.sprites.low = newSprite({
    name: '',
    planeId: 'plane-middle',
    order: 'a1',
    artworkId: 'art',
    x: 0,
    y: 0,
  });
  scene.sprites.high = newSprite({
    name: '',
    planeId: 'plane-middle',
    order: 'a2',
    artworkId: 'art',
    x: 10,
    y: 0,
  });
  scene.lights.l = { ...light, x: 80, y: 80 };
  scene.occluders.o = newOccluder({
    name: '',
    planeId: 'plane-middle',
    kind: 'line',
    outlines: [[100, 0, 100, 50]],
  });
  const rgba = new Uint8Array(1600).fill(255);
  rgba[4 * (5 * 20 + 2) + 3] = 0;
  const source = () => ({ width: 20, height: 20, rgba, normal: null, glow: null, rim: null });
  const at = (x: number, y: number) =>
    hitAt(scene, x, y, { rows: drawnRows(scene), nearPx: 4, source, seconds: 0 })?.id ?? null;

  it('is the uppermost sprite, seen through its clear pixels, or a light, or a line', () => {
    expect(at(15, 10)).toBe('high');
    expect(at(12.5, 5.5)).toBe('low');
    expect(at(2.5, 5.5)).toBeNull();
    expect(at(82, 81)).toBe('l');
    expect(at(101, 20)).toBe('o');
  });

  it('is nothing on a locked plane', () => {
    const locked = {
      ...scene,
      planes: { ...scene.planes, 'plane-middle': { ...scene.planes['plane-middle'], locked: true } },
    };
    expect(hitAt(locked, 15, 10, { rows: drawnRows(scene), nearPx: 4, source, seconds: 0 })).toBeNull();
  });

  it('is found by a box around its middle', () => {
    expect(hitsWithin(scene, [0, 0, 15, 15], 0).map((p) => p.id)).toEqual(['low']);
    expect(
      hitsWithin(scene, [90, 90, 0, 0], 0)
        .map((p) => p.id)
        .sort(),
    ).toEqual(['high', 'l', 'low']);
  });

  it('is a handle of what is picked before anything else, and the gate when nothing is', () => {
    expect(handleAt(scene, [{ collection: 'lights', id: 'l' }], 80 + 100, 80, NEAR)).toMatchObject({
      kind: 'isolux',
      name: 'end',
    });
    expect(handleAt(scene, [{ collection: 'occluders', id: 'o' }], 101, 49, NEAR)).toMatchObject({
      kind: 'point',
      point: 1,
    });
    expect(handleAt(scene, [], 240, 271, NEAR)).toMatchObject({ kind: 'gate' });
    expect(handleAt(scene, [], 240, 100, NEAR)).toBeNull();
  });

  it('moves together, an occluder with its sprite only once', () => {
    const own = {
      ...scene,
      occluders: {
        mine: newOccluder({
          name: '',
          planeId: 'x',
          spriteId: 'low',
          kind: 'closed',
          outlines: [[0, 0, 5, 0, 5, 5]],
        }),
      },
    };
    const picked = [
      { collection: 'sprites', id: 'low' },
      { collection: 'occluders', id: 'mine' },
    ] as const;
    expect(movedEdits(own, picked, [3, 4], 0)).toEqual([
      { collection: 'sprites', id: 'low', before: { x: 0, y: 0 }, after: { x: 3, y: 4 } },
    ]);
    expect(movedEdits(own, [picked[1]], [3, 0], 0)[0].after).toEqual({ outlines: [[3, 0, 8, 0, 8, 5]] });
  });
});

describe('points of an outline', () => {
  it('are added on the nearest side and taken away down to the fewest', () => {
    const triangle = { outlines: [[0, 0, 10, 0, 10, 10]], smooth: [[2]] };
    expect(withPoint(triangle, true, 5, 1)).toEqual({
      outlines: [[0, 0, 5, 1, 10, 0, 10, 10]],
      smooth: [[3]],
    });
    expect(withPoint(triangle, true, 4, 5)).toEqual({
      outlines: [[0, 0, 10, 0, 10, 10, 4, 5]],
      smooth: [[2]],
    });
    const square = { outlines: [[0, 0, 10, 0, 10, 10, 0, 10]], smooth: [[1, 3]] };
    expect(withoutPoint(square, 0, 1, 3)).toEqual({ outlines: [[0, 0, 10, 10, 0, 10]], smooth: [[2]] });
    expect(withoutPoint(triangle, 0, 1, 3)).toBeNull();
    expect(
      withoutPoint({ outlines: [...triangle.outlines, ...square.outlines], smooth: [] }, 0, 1, 3),
    ).toEqual({
      outlines: square.outlines,
      smooth: [],
    });
  });

  it('are smooth or corners, and cut an outline in two', () => {
    const square = { outlines: [[0, 0, 10, 0, 10, 10, 0, 10]], smooth: [] };
    const smooth = withSmooth(square, 0, 3);
    expect(smooth.smooth).toEqual([[3]]);
    expect(withSmooth(smooth, 0, 3).smooth).toEqual([[]]);
    expect(splitAt(smooth, true, 0, 3, 1)).toEqual({
      outlines: [
        [10, 0, 10, 10, 0, 10],
        [0, 10, 0, 0, 10, 0],
      ],
      smooth: [[2], [0]],
    });
    expect(splitAt(square, true, 0, 0, 1)).toBeNull();
    expect(splitAt({ outlines: [[0, 0, 5, 0, 9, 0]], smooth: [] }, false, 0, 1, 1)?.outlines).toEqual([
      [0, 0, 5, 0],
      [5, 0, 9, 0],
    ]);
  });
});

describe('keys', () => {
  const scene = newScene();
  scene.lights.l = newLight({ name: '', planeId: 'plane-near', order: 'a', x: 0, y: 0 });
  const press = (studio: Studio, key: string, more: object = {}) => {
    const meant = commandFor(studio, {
      ...{ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false },
      ...more,
    });
    return meant && (meant.whyNot ?? meant.command.id);
  };

  it('stand for commands, or say why they cannot be done, with Ctrl and Command alike', () => {
    const studio = fakeStudio(scene);
    expect(press(studio, 'z', { ctrlKey: true })).toBe('There is nothing to undo.');
    studio.set('Raise', 'lights', 'l', { level: 2 });
    expect(press(studio, 'z', { ctrlKey: true })).toBe('undo');
    studio.scenes.undo();
    expect(press(studio, 'Z', { metaKey: true, shiftKey: true })).toBe('redo');
    expect(press(studio, 'ArrowLeft', { shiftKey: true })).toBe('Pick something first.');
    studio.pick({ collection: 'lights', id: 'l' });
    expect(press(studio, 'ArrowLeft', { shiftKey: true })).toBe('left-8');
    expect(press(studio, 'z')).toBeNull();
  });

  it('mean one thing on the stage and another on the Relief bench', () => {
    const studio = fakeStudio(scene);
    expect([press(studio, 'p'), press(studio, 'w')]).toEqual(['tool-light', 'work-lamp']);
    studio.desk.setState({ bench: 'relief' });
    expect([press(studio, 'p'), press(studio, 'w'), press(studio, '2')]).toEqual([
      'relief-parts',
      'relief-swatch',
      'relief-view-normals',
    ]);
  });

  it('are not given twice on one bench', () => {
    for (const bench of ['stage', 'relief'] as const) {
      const studio = fakeStudio(scene);
      studio.desk.setState({ bench });
      studio.set('Raise', 'lights', 'l', { level: 2 });
      studio.pick({ collection: 'lights', id: 'l' });
      const keys = COMMANDS.filter(({ isHere, whyNot }) => isHere(studio) && !whyNot?.(studio)).flatMap(
        (command) => command.keys,
      );
      expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
    }
  });
});
