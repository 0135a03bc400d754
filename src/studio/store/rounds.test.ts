import { describe, expect, it } from 'vitest';
import { LIMITS } from '@/core/limits';
import { newScene } from '@/core/scene/new-scene';
import { newOccluder } from '@/core/scene/records/occluder';
import { newSprite } from '@/core/scene/records/sprite';
import { fakeStudio } from '../testing/fake-studio';
import { Rounds } from './rounds';

function onRounds() {
  const scene = newScene({ gateX: 5, gateY: 7 });
  const plain = { colour: '#ffffff', widthPx: 10, heightPx: 20 };
  const figure = newSprite({
    ...{ name: 'Keeper', planeId: 'plane-near', order: 'a', artworkId: null, plain, x: 100, y: 50 },
  });
  scene.sprites.keeper = figure;
  scene.sprites.hat = { ...figure, name: 'Hat', hangsOn: { spriteId: 'keeper', bracketId: null } };
  scene.occluders.post = newOccluder({
    ...{
      name: 'Post',
      planeId: 'plane-near',
      kind: 'closed',
      outlines: [[130, 0, 140, 0, 140, 100, 130, 100]],
    },
  });
  const studio = fakeStudio(scene);
  const rounds = new Rounds(studio);
  const walk = (seconds: number) => {
    for (let i = 0; i < seconds * 100; i++) rounds.step(0.01);
    return studio.live.getState().walk!;
  };
  return { studio, rounds, walk };
}

describe('rounds', () => {
  it('lead a figure by keys, at its speed, and flip it where it goes left', () => {
    const { studio, rounds, walk } = onRounds();
    rounds.begin('keeper');
    rounds.press('right', true);
    expect(walk(1)).toMatchObject({ y: 50, flipX: false });
    expect(studio.live.getState().walk!.x).toBeCloseTo(160, 0);
    rounds.press('right', false);
    rounds.press('left', true);
    rounds.press('down', true);
    const back = walk(1);
    expect(back.flipX).toBe(true);
    // Askew it is no faster.
    expect(back.x).toBeCloseTo(160 - 60 * Math.SQRT1_2, 0);
    expect(back.y).toBeCloseTo(50 + 60 * Math.SQRT1_2, 0);
    // The scene itself is as it was.
    expect(studio.scene.sprites.keeper).toMatchObject({ x: 100, y: 50 });
    rounds.end();
    expect(studio.live.getState().walk).toBeNull();
  });

  it('are the same however often the page is drawn', () => {
    const places = [0.004, 0.016, 0.1].map((elapsed) => {
      const { studio, rounds } = onRounds();
      rounds.begin('keeper');
      rounds.press('right', true);
      for (let i = 0; i < Math.round(2 / elapsed); i++) rounds.step(elapsed);
      return studio.live.getState().walk!.x;
    });
    for (const x of places) expect(Math.abs(x - places[0])).toBeLessThanOrEqual(2);
  });

  it('take view and gate along, each if wanted', () => {
    const { studio, rounds, walk } = onRounds();
    studio.live.setState({ viewX: 10, viewY: 20 });
    rounds.begin('keeper');
    rounds.press('right', true);
    const { gate, x } = walk(1);
    expect(gate).toEqual([Math.round(5 + x - 100), 7]);
    expect(studio.live.getState().viewX).toBeCloseTo(10 + x - 100, 6);
    rounds.api.setState({ viewFollows: false, gateFollows: false });
    const before = studio.live.getState().viewX;
    expect(walk(0.5).gate).toBeNull();
    expect(studio.live.getState().viewX).toBe(before);
  });

  it('follow the pointer and end there, and aim at it', () => {
    const { rounds, walk } = onRounds();
    rounds.api.setState({ by: 'pointer', aims: true });
    rounds.begin('keeper');
    rounds.pointTo(120, 50);
    const there = walk(2);
    expect(Math.abs(there.x - 120)).toBeLessThanOrEqual(1);
    // It is at the pointer: its lamp points on as it did.
    expect(there.aim).toEqual([there.x + 32, 50]);
  });

  it('are stopped by what stops light on the plane, where that is wanted', () => {
    const { rounds, walk } = onRounds();
    rounds.begin('keeper');
    rounds.press('right', true);
    rounds.api.setState({ isStopped: true });
    expect(walk(2).x).toBeLessThan(130);
    rounds.api.setState({ isStopped: false });
    expect(walk(1).x).toBeGreaterThan(140);
  });

  it('become a path that leads over the same places', () => {
    const { studio, rounds, walk } = onRounds();
    rounds.begin('keeper');
    walk(0.1);
    rounds.record();
    rounds.press('right', true);
    walk(0.5);
    rounds.press('right', false);
    walk(0.3);
    rounds.press('up', true);
    const end = walk(0.5);
    rounds.keep();
    const { path } = studio.scene.sprites.keeper;
    expect(path!.points.slice(0, 2)).toEqual([0, 0]);
    expect(path!.points.slice(-2)).toEqual(
      [end.x - 100, end.y - 50].map((v) => expect.closeTo(v, 3) as number),
    );
    expect(path!.points).toHaveLength(6);
    // It stood at the corner for 0.3 s.
    expect(path!.restSeconds).toEqual([0, expect.closeTo(0.3, 1), 0]);
    expect(path!.speedPx).toBe(60);
    expect(studio.live.getState().walk).toBeNull();
  });

  it('say why nothing can be kept, and why somebody cannot walk', () => {
    const { studio, rounds } = onRounds();
    rounds.begin('keeper');
    rounds.record();
    rounds.keep();
    expect(studio.desk.getState().notice).toMatch(/not gone anywhere/);
    expect(rounds.whyNot(null)).toMatch(/Pick one sprite/);
    expect(rounds.whyNot('hat')).toMatch(/hangs/);
    rounds.end();
    rounds.begin('hat');
    expect(studio.live.getState().walk).toBeNull();
  });

  it('keep within the points of a path however long the way is, and end where the figure is deleted', () => {
    const { studio, rounds, walk } = onRounds();
    rounds.api.setState({ by: 'pointer' });
    rounds.begin('keeper');
    rounds.record();
    for (let i = 0; i < 900; i++) {
      rounds.pointTo(100 + 80 * Math.sin(i / 7), 50 + 80 * Math.cos(i / 11));
      walk(0.05);
    }
    rounds.keep();
    expect(studio.scene.sprites.keeper.path!.points.length).toBeLessThanOrEqual(2 * LIMITS.pathPoints);
    rounds.begin('keeper');
    studio.scenes.transact({
      label: 'Delete',
      edits: [{ collection: 'sprites', id: 'keeper', before: studio.scene.sprites.keeper, after: null }],
    });
    expect(rounds.step(0.1)).toBe(true);
    expect(studio.live.getState().walk).toBeNull();
  });
});
