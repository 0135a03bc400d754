import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { applyEdits } from '@/core/scene/edits';
import { newCircuit } from '@/core/scene/records/circuit';
import { newLamp } from '@/core/scene/records/lamp';
import { newLight } from '@/core/scene/records/light';
import { newLightPart } from '@/core/scene/records/luminaire';
import { newSprite } from '@/core/scene/records/sprite';
import { wiringRows } from '../store/wiring-rows';
import { fakeStudio } from '../testing/fake-studio';
import { meanLevel, setAcross } from './across';
import { ChannelDrag } from './channel-drag';
import { columnEdits, wiringColumns } from './wiring-columns';
import { shadowsOf } from './wiring-edits';

function scene() {
  const made = newScene();
  made.circuits.night = newCircuit({ name: 'Night', order: 'b' });
  const place = { planeId: 'plane-near', x: 0, y: 0 };
  made.lights.a = newLight({ name: 'A', order: 'a', level: 1, ...place });
  made.lights.b = newLight({ name: 'B', order: 'b', level: 3, ...place });
  made.sprites.s = newSprite({ name: 'S', order: 'a', artworkId: null, ...place });
  made.luminaires.two = {
    ...{ name: 'Two', flames: [] },
    lights: [
      newLightPart({ id: 'one', name: 'One' }),
      newLightPart({ id: 'other', name: 'Other', shadows: false }),
    ],
  };
  made.lamps.l = newLamp({ name: 'L', luminaireId: 'two', order: 'c', ...place });
  return made;
}
const A = { collection: 'lights', id: 'a' } as const;
const B = { collection: 'lights', id: 'b' } as const;
const L = { collection: 'lamps', id: 'l' } as const;
const S = { collection: 'sprites', id: 's' } as const;

describe('wiring many at once', () => {
  it('puts on circuits in their order; a sprite that took its plane’s has its own then', () => {
    const before = scene();
    const column = wiringColumns(before.circuits).find(({ key }) => key === 'night')!;
    expect(column.stateOf(before, S)).toBe('off');
    const after = applyEdits(before, columnEdits(before, column, [A, L, S], true));
    for (const { collection, id } of [A, L, S])
      expect(after[collection][id].circuitIds).toEqual(['house', 'night']);
    expect(column.stateOf(after, S)).toBe('on');
    const house = wiringColumns(before.circuits)[0];
    expect(house.stateOf(before, S)).toBe('plane');
  });
  it('gives answers, and takes them back to the plane’s', () => {
    const before = scene();
    const column = wiringColumns(before.circuits).find(({ key }) => key === 'self-lit')!;
    const lit = applyEdits(before, column.edits(before, S, true));
    expect(lit.sprites.s.answer).toBe('self-lit');
    expect(column.stateOf(lit, S)).toBe('on');
    expect(applyEdits(lit, column.edits(lit, S, false)).sprites.s.answer).toBe(null);
  });
  it('switches the shadows of a lamp’s lights as overrides, and leaves none that are as the luminaire', () => {
    const before = scene();
    expect(shadowsOf(before, L)).toBe('some');
    const column = wiringColumns(before.circuits).at(-1)!;
    const on = applyEdits(before, column.edits(before, L, true));
    expect(shadowsOf(on, L)).toBe('all');
    expect(on.lamps.l.overrides).toEqual({ other: { shadows: true } });
    const off = applyEdits(on, column.edits(on, L, false));
    expect(off.lamps.l.overrides).toEqual({ one: { shadows: false } });
  });
  it('lists rows under headings, searched and picked', () => {
    const rows = (query: string, shows: 'all' | 'picked' | 'sprites') =>
      wiringRows(scene(), { query, shows, picked: [A] }).map((row) =>
        'heading' in row ? row.heading : row.id,
      );
    expect(rows('', 'picked')).toEqual(['lights', 'a']);
    expect(rows('s', 'sprites')).toEqual(['sprites', 's']);
    expect(rows('zz', 'all')).toEqual([]);
  });
});

describe('a drag across channels', () => {
  it('sets all that it passes as one step, however often it comes by', () => {
    const studio = fakeStudio(scene());
    const drag = new ChannelDrag(studio, 'level', [A]);
    drag.over([A], 2);
    drag.over([B], 2.5);
    drag.over([A], 0.5);
    drag.end();
    expect([studio.scene.lights.a.level, studio.scene.lights.b.level]).toEqual([0.5, 2.5]);
    expect(studio.scenes.state.undo.length).toBe(1);
    studio.scenes.undo();
    expect([studio.scene.lights.a.level, studio.scene.lights.b.level]).toEqual([1, 3]);
  });
  it('broken off leaves no trace', () => {
    const studio = fakeStudio(scene());
    const drag = new ChannelDrag(studio, 'circuit night', [A]);
    drag.over([A], 0);
    expect(studio.scene.lights.a.circuitIds).toContain('night');
    drag.cancel();
    expect(studio.scene.lights.a.circuitIds).not.toContain('night');
    expect(studio.scenes.state.undo).toEqual([]);
  });
  it('of several under one fader keeps their proportions; dark ones are set', () => {
    const studio = fakeStudio(scene());
    setAcross(studio, 'level', [A, B], { level: 4 });
    expect([studio.scene.lights.a.level, studio.scene.lights.b.level]).toEqual([2, 6]);
    expect(meanLevel(studio.scene, [A, B])).toBe(4);
    setAcross(studio, 'level', [A, B], { level: 0 });
    setAcross(studio, 'level', [A, B], { level: 1.5 });
    expect([studio.scene.lights.a.level, studio.scene.lights.b.level]).toEqual([1.5, 1.5]);
  });
  it('mutes what it passes, which is no step', () => {
    const studio = fakeStudio(scene());
    const drag = new ChannelDrag(studio, 'muted', [A]);
    drag.over([A], 0);
    drag.over([B], 0);
    drag.end();
    expect([...studio.desk.getState().muted]).toEqual(['a', 'b']);
    expect(studio.scenes.state.undo).toEqual([]);
  });
});
