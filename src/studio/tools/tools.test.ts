import { describe, expect, it } from 'vitest';
import { PointRenderer } from '@/core/light/point-renderer';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newSprite } from '@/core/scene/records/sprite';
import { fakeStudio } from '../testing/fake-studio';
import { PenTool } from './pen';
import { PickTool } from './pick';
import { PlaceSpriteTool } from './place-sprite';
import { LightTool } from './light';
import type { ToolEvent } from './tool';

const at = (x: number, y: number, more: Partial<ToolEvent> = {}): ToolEvent => ({
  x,
  y,
  shift: false,
  alt: false,
  nearPx: 4,
  ...more,
});

/** The near plane pushed by parallax: what is drawn at x stands at x - 10. */
function shifted() {
  const scene = newScene({ gateX: 20, gateY: 0 });
  scene.planes['plane-near'] = { ...scene.planes['plane-near'], parallax: 0.5 };
  return fakeStudio(scene);
}

describe('the point light tool', () => {
  it('places a lamp where it is pressed, with the reach that it is dragged to, on the plane at hand', () => {
    const studio = shifted();
    const tool = new LightTool(studio);
    tool.down(at(100, 50));
    tool.move(at(130, 90));
    expect(studio.scenes.state.undo).toEqual([]);
    tool.up();
    const [light] = Object.values(studio.scene.lights);
    expect(light).toMatchObject({ x: 90, y: 50, reachPx: 50, shadows: true, planeId: 'plane-near' });
    expect(studio.pickedOf('lights').length).toBe(1);
    expect(studio.desk.getState().tool).toBe('pick');
  });

  it('leaves nothing when it is broken off', () => {
    const studio = shifted();
    const tool = new LightTool(studio);
    tool.down(at(100, 50));
    expect(tool.cancel()).toBe(true);
    tool.up();
    expect(studio.scene.lights).toEqual({});
    expect(tool.cancel()).toBe(false);
  });
});

describe('the pen', () => {
  it('closes an outline on its first point, in the px of its plane', () => {
    const studio = shifted();
    const tool = new PenTool(studio, 'closed');
    for (const [x, y] of [
      [20, 20.4],
      [60, 20],
      [60, 50],
      [21, 21],
    ])
      tool.down(at(x, y));
    const [occluder] = Object.values(studio.scene.occluders);
    expect(occluder).toMatchObject({ kind: 'closed', outlines: [[10, 20, 50, 20, 50, 50]] });
  });

  it('ends a line on its last point, and takes free places with Alt', () => {
    const studio = fakeStudio();
    const tool = new PenTool(studio, 'line');
    tool.down(at(1.26, 2.5, { alt: true }));
    tool.down(at(40, 2));
    tool.down(at(40, 2));
    expect(Object.values(studio.scene.occluders)[0]).toMatchObject({
      kind: 'line',
      outlines: [[1.26, 2.5, 40, 2]],
    });
  });

  it('sets smooth points with Shift', () => {
    const studio = fakeStudio();
    const tool = new PenTool(studio, 'closed');
    tool.down(at(0, 0));
    tool.down(at(40, 0, { shift: true }));
    tool.down(at(40, 40, { shift: true }));
    tool.down(at(0, 40));
    tool.confirm();
    expect(Object.values(studio.scene.occluders)[0].smooth).toEqual([[1, 2]]);
  });

  it('makes nothing of too few points, and drops them on Escape', () => {
    const studio = fakeStudio();
    const tool = new PenTool(studio, 'closed');
    tool.down(at(0, 0));
    tool.down(at(10, 0));
    tool.confirm();
    expect(studio.scene.occluders).toEqual({});
    tool.down(at(0, 0));
    expect(tool.cancel()).toBe(true);
    tool.confirm();
    expect(studio.scene.occluders).toEqual({});
  });
});

describe('the place tool', () => {
  it('stamps the chosen artwork again and again, later ones on top', () => {
    const scene = newScene();
    scene.artworks.art = newArtwork({
      name: 'Churn',
      imageSha: 'a'.repeat(64),
      widthPx: 10,
      heightPx: 10,
      pixelArt: true,
    });
    const studio = fakeStudio(scene);
    const tool = new PlaceSpriteTool(studio);
    tool.down(at(3, 3));
    expect(studio.scene.sprites).toEqual({});
    expect(studio.desk.getState().panel).toBe('shelf');
    studio.desk.setState({ artworkId: 'art' });
    tool.down(at(10.4, 20.6));
    tool.down(at(30, 20));
    const [first, second] = Object.values(studio.scene.sprites);
    expect(first).toMatchObject({ name: 'Churn', x: 10, y: 21, planeId: 'plane-near' });
    expect(second.order > first.order).toBe(true);
    expect(tool.hint()).toContain('Churn');
  });
});

describe('the pick tool', () => {
  function withLights() {
    const scene = newScene();
    for (const [id, x] of [
      ['a', 20],
      ['b', 80],
    ] as const) {
      scene.lights[id] = newLight({ name: id, planeId: 'plane-near', order: id, x, y: 20, reachPx: 30 });
    }
    return fakeStudio(scene);
  }

  it('picks by a click, adds with shift, and nothing by a click beside', () => {
    const studio = withLights();
    const tool = new PickTool(studio);
    const click = (event: ToolEvent) => {
      tool.down(event);
      tool.up(event);
    };
    click(at(20, 20));
    expect(studio.pickedOf('lights')).toEqual(['a']);
    click(at(80, 20, { shift: true }));
    expect(studio.pickedOf('lights')).toEqual(['a', 'b']);
    click(at(20, 20, { shift: true }));
    expect(studio.pickedOf('lights')).toEqual(['b']);
    click(at(200, 200));
    expect(studio.pickedOf('lights')).toEqual([]);
  });

  it('moves all that is picked by whole px, along one axis with shift', () => {
    const studio = withLights();
    const tool = new PickTool(studio);
    studio.scenes.select([
      { collection: 'lights', id: 'a' },
      { collection: 'lights', id: 'b' },
    ]);
    tool.down(at(20, 20));
    tool.move(at(31.4, 23, { shift: true }));
    tool.up(at(31.4, 23, { shift: true }));
    expect(Object.values(studio.scene.lights).map((l) => [l.x, l.y])).toEqual([
      [31, 20],
      [91, 20],
    ]);
    expect(studio.scenes.state.undo.map((entry) => entry.label)).toEqual(['Move']);
  });

  it('picks by a box', () => {
    const studio = withLights();
    const tool = new PickTool(studio);
    tool.down(at(10, 60));
    tool.move(at(100, 10));
    tool.up(at(100, 10));
    expect(studio.pickedOf('lights')).toEqual(['a', 'b']);
  });

  it('shapes the picked light by its reach line', () => {
    const studio = withLights();
    const tool = new PickTool(studio);
    studio.pick({ collection: 'lights', id: 'a' });
    tool.down(at(20, 50));
    tool.move(at(20, 70));
    tool.up(at(20, 70));
    expect(studio.scene.lights.a).toMatchObject({ reachPx: 50, x: 20, y: 20 });
  });
});

describe('a new light', () => {
  it.each([0.05, 0.35, 1])('looks as large as it was drawn, over an ambient light of %s', (ambientLevel) => {
    const scene = newScene({ ambientLevel, ambientColour: '#ffffff' });
    const plain = { colour: '#808080', widthPx: 480, heightPx: 270 };
    const bare = { name: '', planeId: 'plane-far', order: 'a', artworkId: null, x: 240, y: 135 };
    scene.sprites.wall = newSprite({ ...bare, plain });
    const studio = fakeStudio(scene);
    const tool = new LightTool(studio);
    tool.down(at(240, 135));
    tool.move(at(340, 135));
    tool.up();
    const moment = momentAt(studio.scene, 12, 0, NOTHING_PASSING, gateView(studio.scene));
    const renderer = new PointRenderer(moment, () => null);
    const dark = renderer.at(240 + 105.5, 135.5)[0];
    // Lit by half as much again at seven tenths of the way, in linear light.
    expect(renderer.at(240 + 70.5, 135.5)[0]).toBeGreaterThan(1.2 * dark);
    expect(renderer.at(240.5, 135.5)[0]).toBeGreaterThan(2 * dark);
  });
});
