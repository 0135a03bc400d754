/** Visibility against a second opinion: many rays to many places of the source, one by one, by the words of the model. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import type { Moment, MomentLight, MomentOccluder } from '../moment/moment';
import { NOTHING_PASSING } from '../moment/passing';
import { newScene } from '../scene/new-scene';
import { type Light, newLight } from '../scene/records/light';
import { newOccluder, type Occluder } from '../scene/records/occluder';
import { Visibility } from './shadow';

const RAYS = 400;

/** A moment of one light among occluders. */
function shadowed(light: Partial<Light>, occluders: Partial<Occluder>[]): Moment {
  const scene = newScene({ gateWidthPx: 100, gateHeightPx: 100, lightSpace: 'display' });
  scene.lights.l = newLight({
    ...{ name: '', planeId: 'plane-middle', order: 'a', x: 50, y: 50, reachPx: 500, heightPx: 40 },
    ...light,
  });
  occluders.forEach((occluder, i) => {
    const made = newOccluder({ name: '', planeId: 'plane-middle', kind: 'closed', outlines: [] });
    scene.occluders[`o${i}`] = { ...made, ...occluder };
  });
  return momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
}

/** Whether the way from p to s is stopped: it leaves a closed outline, or meets a line, more than a hair from p. */
function isStopped(
  { pieces, closed, staturePx }: MomentOccluder,
  { source, size }: MomentLight,
  [px, py]: readonly number[],
  [sx, sy]: readonly number[],
): boolean {
  const [dx, dy] = [sx - px, sy - py];
  const whole = Math.sqrt(dx * dx + dy * dy);
  const height = source.parallel ? 0 : source.heightPx;
  return pieces.some(({ edges }) => {
    for (let i = 0; i < edges.length; i += 4) {
      const [ax, ay, bx, by] = edges.subarray(i, i + 4);
      const [ex, ey] = [bx - ax, by - ay];
      const turn = dx * ey - dy * ex;
      if (turn === 0) continue;
      const t = ((ax - px) * ey - (ay - py) * ex) / turn;
      const u = ((ax - px) * dy - (ay - py) * dx) / turn;
      const upTo = size === 0 ? whole - 0.01 : whole;
      if (t * whole <= 0.01 || t * whole >= upTo || u < 0 || u >= 1) continue;
      // A closed edge counts for points on its outer side: its interior lies on the left, y down.
      if (closed && ex * (py - ay) - ey * (px - ax) <= 0) continue;
      // Over something of a stature light passes where it is higher: the ray rises to the light's height.
      if (staturePx === null || t * height < staturePx) return true;
    }
    return false;
  });
}

/** The mean over the chord of what comes through. */
function bruteSeen(moment: Moment, p: readonly [number, number]): number[] {
  const [light] = moment.lights;
  const source = light.source as Extract<MomentLight['source'], { parallel: false }>;
  const [wx, wy] = [source.x - p[0], source.y - p[1]];
  const length = Math.sqrt(wx * wx + wy * wy);
  const [nx, ny] = [-wy / length, wx / length];
  const sum = [0, 0, 0];
  for (let k = 0; k < RAYS; k++) {
    const at = light.size * ((2 * (k + 0.5)) / RAYS - 1);
    const s = [source.x + nx * at, source.y + ny * at];
    const through = [1, 1, 1];
    for (const index of light.occluders) {
      const occluder = moment.occluders[index];
      if (!isStopped(occluder, light, p, s)) continue;
      for (let c = 0; c < 3; c++) through[c] *= occluder.transmits ? occluder.transmits[c] : 0;
    }
    for (let c = 0; c < 3; c++) sum[c] += through[c] / RAYS;
  }
  return sum;
}

const place = fc.integer({ min: 0, max: 1000 }).map((v) => v / 10 + 0.013);
const box = fc
  .tuple(place, place, fc.integer({ min: 2, max: 30 }), fc.integer({ min: 2, max: 30 }))
  .map(([x, y, w, h]): Partial<Occluder> => ({ outlines: [[x, y, x + w, y, x + w, y + h, x, y + h]] }));
const triangle = fc
  .tuple(place, place, place, place, place, place)
  .map((points): Partial<Occluder> => ({ outlines: [points] }));
const line = fc
  .tuple(place, place, place, place)
  .map((points): Partial<Occluder> => ({ kind: 'line', outlines: [points] }));
const glass = fc
  .tuple(box, fc.integer({ min: 1, max: 9 }))
  .map(([pane, tenths]): Partial<Occluder> => ({ ...pane, transmitShare: tenths / 10 }));

/** What stands between is shone past, to every point that is not upon the light itself. */
function agrees(
  light: Partial<Light>,
  occluders: Partial<Occluder>[],
  px: number,
  py: number,
  tolerance: number,
) {
  const moment = shadowed(light, occluders);
  if (moment.lights.length === 0) return;
  const { x, y } = moment.lights[0];
  fc.pre((x - px) * (x - px) + (y - py) * (y - py) > 25);
  const exact = [...new Visibility(moment).at(moment.lights[0], px, py)];
  const brute = bruteSeen(moment, [px, py]);
  for (let c = 0; c < 3; c++) expect(Math.abs(exact[c] - brute[c])).toBeLessThanOrEqual(tolerance);
}

describe('soft shadows against many rays', () => {
  // Each edge of an interval may be off by one ray.
  const slack = (count: number) => (2 * count * 4) / RAYS + 1e-9;

  it('agree for boxes, triangles and lines that overlap at will', () => {
    const any = fc.array(fc.oneof(box, triangle, line), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(any, place, place, fc.integer({ min: 1, max: 12 }), (occluders, px, py, size) => {
        agrees({ sizePx: size }, occluders, px, py, slack(occluders.length));
      }),
      { numRuns: 250 },
    );
  });

  it('agree where glass lets light through, several panes the product of theirs', () => {
    fc.assert(
      fc.property(fc.array(glass, { minLength: 1, maxLength: 4 }), place, place, (panes, px, py) => {
        agrees({ sizePx: 6 }, panes, px, py, slack(panes.length));
      }),
      { numRuns: 200 },
    );
  });

  it('agree for a source without size, at the pixel centre of pixel art', () => {
    const any = fc.array(fc.oneof(box, triangle, line, glass), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(any, place, place, (occluders, px, py) => {
        agrees({ sizePx: 0 }, occluders, px, py, 1e-9);
      }),
      { numRuns: 250 },
    );
  });

  it('agree for hard shadows that end by their stature', () => {
    const low = fc
      .tuple(box, fc.integer({ min: 1, max: 60 }))
      .map(([one, staturePx]): Partial<Occluder> => ({ ...one, staturePx }));
    fc.assert(
      fc.property(fc.array(low, { minLength: 1, maxLength: 4 }), place, place, (occluders, px, py) => {
        agrees({ sizePx: 0 }, occluders, px, py, 1e-9);
      }),
      { numRuns: 200 },
    );
  });
});

describe('a lamp upon the edge of an outline', () => {
  it('lights all of its outer side without a speckle', () => {
    const wall = { outlines: [[20, 10.3, 60, 37.7, 60, 60, 20, 60]] };
    // On the slanting side, a third of the way along it.
    const moment = shadowed({ x: 20 + 40 / 3, y: 10.3 + 27.4 / 3, sizePx: 0 }, [wall]);
    const visibility = new Visibility(moment);
    for (let x = 25.5; x < 95; x++)
      for (let y = 0.5; y < 10; y++) expect(visibility.at(moment.lights[0], x, y)[0]).toBe(1);
  });
});
