/** The edges that the GPU leaves out change nothing: with those that are kept alone the reference sees the same. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Visibility } from '@/core/light/shadow';
import { gateView, momentAt } from '@/core/moment/moment-at';
import type { Moment, MomentOccluder } from '@/core/moment/moment';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newScene } from '@/core/scene/new-scene';
import { type Light, newLight } from '@/core/scene/records/light';
import { newOccluder } from '@/core/scene/records/occluder';
import { edgeCount, edgeInstances, isNear } from './shadow-edges';
import { EDGE_FLOATS } from './shaders/shadow';
import { litArea } from './shadow-plan';

const OUTLINE = [20, 20, 60, 20, 60, 50, 20, 50];

function momentOf(light: Partial<Light>, outlines: number[][], kind: 'closed' | 'line' = 'closed'): Moment {
  const scene = newScene({ gateWidthPx: 100, gateHeightPx: 100 });
  scene.lights.l = newLight({
    ...{ name: '', planeId: 'plane-middle', order: 'a', x: 50, y: 80, reachPx: 60 },
    ...light,
  });
  outlines.forEach((points, i) => {
    scene.occluders[`o${i}`] = newOccluder({ name: '', planeId: 'plane-middle', kind, outlines: [points] });
  });
  return momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
}

/** The edges of an occluder that are drawn for the moment's light. */
function kept({ view, lights: [light] }: Moment, { pieces, closed, staturePx }: MomentOccluder): number[] {
  return edgeInstances(view, light, pieces, !closed, staturePx, litArea(light));
}

describe('edges that are drawn into a shadow mask', () => {
  it('are those by which light leaves an outline, and all of a line', () => {
    const outline = momentOf({ x: 40, y: 90, reachPx: 90 }, [OUTLINE]);
    // From below it leaves by the other three sides.
    expect(edgeCount(kept(outline, outline.occluders[0]))).toBe(3);
    const within = momentOf({ x: 40, y: 35 }, [OUTLINE]);
    expect(edgeCount(kept(within, within.occluders[0]))).toBe(4);
    const line = momentOf({}, [[20, 20, 60, 20, 60, 50]], 'line');
    expect(edgeCount(kept(line, line.occluders[0]))).toBe(2);
  });

  it('are also those that a source of some size reaches round to', () => {
    const beside = { x: 62, y: 90, reachPx: 90 };
    const point = momentOf(beside, [OUTLINE]);
    const large = momentOf({ ...beside, sizePx: 6 }, [OUTLINE]);
    const isRightSide = (instances: number[]) =>
      Array.from({ length: edgeCount(instances) }, (_, i) => instances.slice(EDGE_FLOATS * i)).some(
        ([ax, , bx]) => ax === 60 && bx === 60,
      );
    expect(isRightSide(kept(point, point.occluders[0]))).toBe(false);
    expect(isRightSide(kept(large, large.occluders[0]))).toBe(true);
  });

  it('are none of what lies beyond the reach', () => {
    const far = momentOf({ x: 95, y: 95, reachPx: 20 }, [OUTLINE]);
    expect(
      isNear(far.lights[0], { box: { left: 20, top: 20, right: 60, bottom: 50 } }, far.lights[0].box),
    ).toBe(false);
    expect(far.lights[0].occluders).toEqual([]);
  });

  it('see what all edges see, wherever a light of any size stands', () => {
    const place = fc.integer({ min: 0, max: 1000 }).map((v) => v / 10 + 0.017);
    const outline = fc
      .array(place, { minLength: 6, maxLength: 10 })
      .map((all) => all.slice(0, all.length & ~1));
    fc.assert(
      fc.property(
        fc.array(outline, { minLength: 1, maxLength: 3 }),
        fc.record({ x: place, y: place, sizePx: fc.constantFrom(0, 0, 2, 7) }),
        place,
        place,
        (outlines, light, px, py) => {
          const whole = momentOf({ ...light, reachPx: 400 }, outlines);
          const { view } = whole;
          const culled: Moment = {
            ...whole,
            occluders: whole.occluders.map((occluder) => {
              const instances = kept(whole, occluder);
              const edges = Float64Array.from({ length: 4 * edgeCount(instances) }, (_, i) => {
                const at = instances[EDGE_FLOATS * (i >> 2) + (i & 3)];
                return at + (i % 2 === 0 ? view.x : view.y);
              });
              return { ...occluder, pieces: [{ edges, box: occluder.box }] };
            }),
          };
          const seen = [...new Visibility(whole).at(whole.lights[0], px, py)];
          expect([...new Visibility(culled).at(whole.lights[0], px, py)]).toEqual(seen);
        },
      ),
      { numRuns: 500 },
    );
  });
});
