import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import { newScene } from '../scene/new-scene';
import { newLight } from '../scene/records/light';
import { newOccluder } from '../scene/records/occluder';
import { newSprite } from '../scene/records/sprite';
import { costOf } from './cost';

/** A wall of 100 x 100, with a lamp whose reach is all within it and one that shines past its border. */
function scene() {
  const made = newScene({ gateWidthPx: 100, gateHeightPx: 100 });
  const plain = { colour: '#ffffff', widthPx: 100, heightPx: 100 };
  const wall = { name: '', planeId: 'plane-middle', order: 'a', artworkId: null, plain, x: 50, y: 50 };
  made.sprites.wall = newSprite(wall);
  const lamp = { name: '', planeId: 'plane-middle', order: 'a', x: 50, y: 50, reachPx: 10, corePx: 0 };
  made.lights.within = newLight({ ...lamp, shadows: false });
  made.lights.across = newLight({ ...lamp, x: 100, sizePx: 2 });
  made.occluders.o = newOccluder({
    name: '',
    planeId: 'plane-middle',
    kind: 'closed',
    outlines: [[92, 45, 96, 45, 96, 55, 92, 55]],
  });
  return made;
}

describe('the cost of lights', () => {
  it('is what they are drawn over of the layers that they reach, in view', () => {
    const made = scene();
    const { lights, overdraw, edges } = costOf(momentAt(made, 12, 0, NOTHING_PASSING, gateView(made)));
    expect(lights.map(({ id, pixels }) => [id, pixels])).toEqual([
      ['across', 200],
      ['within', 400],
    ]);
    expect(overdraw).toBeCloseTo(0.06, 12);
    expect(edges).toBe(4);
    const twice = costOf(momentAt(made, 12, 0, NOTHING_PASSING, gateView(made, 2)));
    expect(twice.lights[1].pixels).toBe(1600);
  });

  it('is more with shadows, and more yet with soft ones', () => {
    const made = scene();
    const costs = (sizePx: number) => {
      const other = { ...made, lights: { l: { ...made.lights.across, sizePx } } };
      return costOf(momentAt(other, 12, 0, NOTHING_PASSING, gateView(other))).lights[0].cost;
    };
    expect(costs(0)).toBeGreaterThan(200);
    expect(costs(2)).toBeGreaterThan(costs(0));
  });
});
