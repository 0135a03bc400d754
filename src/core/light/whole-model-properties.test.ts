/** What holds for any lights and occluders, on the reference renderer. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import type { SceneDocument } from '../scene/document';
import { type Light } from '../scene/records/light';
import { type Occluder } from '../scene/records/occluder';
import { PointRenderer } from './point-renderer';
import { box, lightAt, walled } from './testing/wall';

const number = (low: number, high: number) => fc.integer({ min: low, max: high });
const anyLight = fc.record({
  kind: fc.constantFrom('point', 'spot', 'area', 'sun', 'ambient'),
  x: number(0, 200),
  y: number(0, 100),
  level: number(1, 20).map((v) => v / 8),
  blend: fc.constantFrom('add', 'lighten', 'uncover', 'subtract'),
  curve: fc.constantFrom('straight', 'eased', 'natural', 'even', 'drawn'),
  bearingDeg: number(0, 360),
  reachPx: number(10, 200),
  sizePx: fc.constantFrom(0, 3),
  bands: fc.constantFrom(0, 3),
  relief: fc.constantFrom(0, 1),
  outlines: fc.constant(box(-20, -14, 24, 12)),
}) as fc.Arbitrary<Partial<Light>>;
const anyOccluder = fc
  .tuple(number(5, 180), number(5, 80), number(2, 30), number(2, 30), fc.constantFrom(0, 0.5), fc.boolean())
  .map(([x, y, w, h, transmitShare, isDark]): Partial<Occluder> => ({
    outlines: box(x, y, x + w, y + h),
    transmitShare,
    ownShade: isDark ? 'dark' : 'lit',
  }));
const places = [
  [31.5, 20.5],
  [100.5, 50.5],
  [160.5, 81.5],
  [70.5, 90.5],
];

describe('the order of things in the document', () => {
  it('changes no bit', () => {
    fc.assert(
      fc.property(
        fc.array(anyLight, { maxLength: 6 }),
        fc.array(anyOccluder, { maxLength: 5 }),
        (lights, occluders) => {
          const scene = walled({ lights, occluders, settings: { ambientLevel: 0.2 } });
          const turned = (records: Record<string, unknown>) =>
            Object.fromEntries(Object.entries(records).toReversed()) as never;
          const other = { ...scene, lights: turned(scene.lights), occluders: turned(scene.occluders) };
          const look = (one: SceneDocument) => {
            const point = new PointRenderer(momentAt(one, 12, 0, NOTHING_PASSING, gateView(one)), () => null);
            return places.map(([x, y]) => [...point.at(x, y)]);
          };
          expect(look(other)).toEqual(look(scene));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('symmetry', () => {
  it('a mirrored scene is lit as the mirror of it', () => {
    fc.assert(
      fc.property(
        fc.array(anyLight, { maxLength: 4 }),
        fc.array(anyOccluder, { maxLength: 4 }),
        (lights, occluders) => {
          const flip = (points: readonly number[]) => points.map((v, i) => (i % 2 === 0 ? 200 - v : v));
          const scene = { lights: lights.map((l) => ({ ...l, outlines: box(-20, -14, 20, 12) })), occluders };
          const mirrored = {
            lights: scene.lights.map((l) => ({
              ...l,
              x: 200 - (l.x ?? 0),
              bearingDeg: 180 - (l.bearingDeg ?? 0),
            })),
            occluders: occluders.map((o) => ({ ...o, outlines: o.outlines!.map(flip) })),
          };
          for (const [x, y] of places) {
            // Places off every edge: there a hair decides.
            const [here, there] = [
              lightAt(scene, x + 0.137, y + 0.211),
              lightAt(mirrored, 200 - x - 0.137, y + 0.211),
            ];
            here.forEach((v, c) => expect(there[c]).toBeCloseTo(v, 6));
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
