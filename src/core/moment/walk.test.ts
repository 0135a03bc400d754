import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { box, walled } from '../light/testing/wall';
import { newPath } from '../scene/records/motion';
import { newLamp } from '../scene/records/lamp';
import { newLightPart } from '../scene/records/luminaire';
import { PathRuler } from '../time/path-run';
import type { SceneDocument } from '../scene/document';
import { gateView } from './moment-at';
import { MomentMaker } from './moment-maker';
import { NOTHING_PASSING } from './passing';
import { type Walk } from './walk';
import { barriersOf, stepped, Trail } from './walking';

const figure = { plain: { colour: '#ffffff', widthPx: 10, heightPx: 20 }, x: 60, y: 50 };
const walk = (more: Partial<Walk> = {}): Walk => ({
  ...{ spriteId: 's1', x: 60, y: 50, flipX: false, aim: null, gate: null },
  ...more,
});
const momentOf = (scene: SceneDocument, one: Walk | null, seconds = 0) =>
  new MomentMaker().at(scene, 12, seconds, { ...NOTHING_PASSING, walk: one }, gateView(scene));

describe('a figure on its rounds', () => {
  it('stands where it walks, flipped, off its path, with what hangs on it', () => {
    const scene = walled({
      sprites: [{ ...figure, path: newPath({ points: [0, 0, 50, 0] }) }],
      lights: [{}],
    });
    scene.lights.l0 = { ...scene.lights.l0, x: 12, y: 4, hangsOn: { spriteId: 's1', bracketId: null } };
    const at = (one: Walk | null) => {
      const { planes, lights } = momentOf(scene, one, 0.5);
      const sprite = planes.flatMap(({ layers }) => layers).flatMap(({ sprites }) => sprites)[1];
      return { box: sprite.box, flip: sprite.forward.a, light: [lights[0].x, lights[0].y] };
    };
    const there = at(walk({ x: 100, y: 70 }));
    expect([there.box.left, there.box.right, there.box.bottom, there.flip]).toEqual([95, 105, 80, 1]);
    const flipped = at(walk({ x: 100, y: 70, flipX: true }));
    expect(flipped.flip).toBe(-1);
    // On its own side: 7 px right of the pivot before, 7 px left of it then.
    expect(there.light[0] - 100).toBeCloseTo(100 - flipped.light[0], 9);
    expect(at(null).box.left).not.toBe(55);
  });

  it('takes the gate along, and leaves the scene as it is', () => {
    const scene = walled({ sprites: [figure] });
    const { gate } = momentOf(scene, walk({ gate: [30, -5] }));
    expect([gate.left, gate.top]).toEqual([30, -5]);
    expect(momentOf(scene, null).gate.left).toBe(0);
  });

  it.each([false, true])('turns its spots to where it is aimed, flipped or not: %s', (flipX) => {
    const scene = walled({ sprites: [figure], lights: [{ kind: 'spot', bearingDeg: 10, turnDeg: 15 }] });
    const hangsOn = { spriteId: 's1', bracketId: null };
    scene.lights.l0 = { ...scene.lights.l0, x: 8, y: 5, hangsOn };
    scene.luminaires.torch = {
      name: 'Torch',
      flames: [],
      lights: [newLightPart({ id: 'beam', name: 'Beam', kind: 'spot', bearingDeg: 40 })],
    };
    scene.lamps.torch = newLamp({
      ...{
        name: 'Torch',
        luminaireId: 'torch',
        planeId: 'plane-middle',
        order: 'a',
        x: 8,
        y: 5,
        flipX: true,
      },
      hangsOn,
    });
    const { lights } = momentOf(scene, walk({ flipX, aim: [140, 90] }));
    expect(lights).toHaveLength(2);
    for (const { x, y, cone } of lights) {
      const [dx, dy] = [140 - x, 90 - y];
      const length = Math.sqrt(dx * dx + dy * dy);
      expect(cone!.x).toBeCloseTo(dx / length, 9);
      expect(cone!.y).toBeCloseTo(dy / length, 9);
    }
  });
});

/** A box in the way. */
const { occluders } = momentOf(walled({ occluders: [{ outlines: box(80, 20, 120, 60) }] }), null);
const barriers = barriersOf(occluders, new Set());

describe('a step', () => {
  it('is stopped by an outline, and goes along it', () => {
    expect(stepped([70, 40], [5, 0], barriers)).toEqual([75, 40]);
    // No nearer than its berth of half a px, and along it at the same pace.
    expect(stepped([79.5, 40], [5, 0], barriers)).toEqual([79.5, 40]);
    expect(stepped([78, 40], [5, 0], barriers)).toEqual([79.25, 40]);
    expect(stepped([79, 40], [3, 4], barriers)).toEqual([79, 45]);
    expect(stepped([79, 40], [5, 0], barriersOf(occluders, new Set([0])))).toEqual([84, 40]);
  });

  it('never leads into a box, however it is walked at', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })), {
          maxLength: 60,
        }),
        (steps) => {
          let at: [number, number] = [60, 40];
          for (const [dx, dy] of steps) {
            at = stepped(at, [dx, dy], barriers);
            expect(at[0] > 80 && at[0] < 120 && at[1] > 20 && at[1] < 60).toBe(false);
          }
        },
      ),
    );
  });
});

describe('the trail of a walk', () => {
  it('has a corner wherever it turned, and none on the way', () => {
    const trail = new Trail();
    for (const [x, y] of [
      [0, 0],
      [1, 0],
      [2, 0],
      [2, 0],
      [3, 1],
      [4, 2],
      [3, 2],
      [2, 2],
      [1, 2],
    ])
      trail.add(x, y);
    expect(trail.points).toEqual([
      [0, 0],
      [2, 0],
      [4, 2],
      [1, 2],
    ]);
  });

  it('leads as a path over the same places at the same times, whatever was in its way and wherever it stood', () => {
    const speedPx = 60;
    const way = fc.constantFrom([1, 0], [-1, 0], [0, 1], [0, -1], [Math.SQRT1_2, Math.SQRT1_2], [0, 0]);
    const leg = fc.tuple(way, fc.integer({ min: 1, max: 40 }));
    fc.assert(
      fc.property(fc.array(leg, { minLength: 1, maxLength: 9 }), (legs) => {
        const trail = new Trail();
        const places: [number, number][] = [[70, 50]];
        trail.add(70, 50);
        for (const [[dx, dy], steps] of legs)
          for (let i = 0; i < steps; i++) {
            const last = places.at(-1)!;
            const next = dx === 0 && dy === 0 ? last : stepped(last, [dx, dy], barriers);
            places.push(next);
            trail.add(...next);
          }
        const corners = trail.points;
        if (corners.length < 2) return;
        const restSeconds = trail.rests(corners, 1 / 60, speedPx);
        const path = newPath({ points: corners.flat(), speedPx, restSeconds });
        const ruler = new PathRuler();
        // What it stands at the very end is not on its way any more; a last step before a wall may be shorter than others.
        const arrived = places.findIndex(
          ([x, y], i) => i > 0 && places.slice(i).every(([u, v]) => u === x && v === y),
        );
        places.slice(0, arrived < 0 ? undefined : arrived).forEach(([x, y], i) => {
          const at = ruler.place(path, i / 60);
          expect(Math.abs(at.x - x)).toBeLessThan(1);
          expect(Math.abs(at.y - y)).toBeLessThan(1);
        });
      }),
    );
  });
});
