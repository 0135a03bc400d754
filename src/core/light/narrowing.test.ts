import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gateView, momentAt } from '../moment/moment-at';
import type { Moment } from '../moment/moment';
import { NOTHING_PASSING } from '../moment/passing';
import type { Light } from '../scene/records/light';
import type { Occluder } from '../scene/records/occluder';
import { lightPicture, lightRows } from './light-picture';
import { Narrowing } from './narrowing';
import { PointRenderer } from './point-renderer';
import { box, walled } from './testing/wall';

const number = (low: number, high: number) => fc.integer({ min: low, max: high });
const anyLight = fc.record({
  kind: fc.constantFrom('point', 'spot', 'sun', 'gobo'),
  x: number(-40, 240),
  y: number(-40, 140),
  level: number(1, 20).map((v) => v / 8),
  curve: fc.constantFrom('straight', 'natural', 'even'),
  bearingDeg: number(0, 360),
  altitudeDeg: number(1, 89),
  heightPx: number(0, 60),
  reachPx: number(10, 300),
  sizePx: fc.constantFrom(0, 3, 20),
  sizeDeg: fc.constantFrom(0, 4, 30),
  blockPx: fc.constantFrom(0, 7),
  air: fc.constantFrom(0, 0.5),
}) as fc.Arbitrary<Partial<Light>>;
const anyOccluder = fc
  .tuple(
    fc.tuple(number(-20, 210), number(-20, 110), number(1, 40), number(1, 40)),
    ...([fc.constantFrom(0, 0.5), fc.boolean(), fc.constantFrom(null, 12)] as const),
  )
  .map(([[x, y, w, h], transmitShare, isDark, staturePx]): Partial<Occluder> => ({
    ...{ outlines: box(x, y, x + w, y + h), transmitShare, staturePx },
    ownShade: isDark ? 'dark' : 'lit',
  }));
const anyScene = fc.tuple(
  fc.array(anyLight, { maxLength: 5 }),
  fc.array(anyOccluder, { maxLength: 8 }),
  fc.boolean(),
);

const momentOf = (lights: Partial<Light>[], occluders: Partial<Occluder>[], pixelArt: boolean): Moment => {
  const scene = walled({ lights, occluders, settings: { ambientLevel: 0.2, pixelArt } });
  return momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
};

describe('a Moment with only what matters to a box', () => {
  it('lights every point of it as the whole one does, to the bit', () => {
    fc.assert(
      fc.property(
        anyScene,
        fc.tuple(number(0, 190), number(0, 90), number(1, 40), number(1, 40)),
        ([lights, occluders, pixelArt], [left, top, width, height]) => {
          const point = new PointRenderer(momentOf(lights, occluders, pixelArt), () => null);
          const places = [0, 0.25, 0.6, 1].flatMap((u) =>
            [0, 0.5, 1].map((v): [number, number] => [left + u * width, top + v * height]),
          );
          const look = () => places.map(([x, y]) => [...point.at(x, y)]);
          const whole = look();
          point.within({ left, top, right: left + width, bottom: top + height });
          expect(look()).toEqual(whole);
          point.within(null);
          expect(look()).toEqual(whole);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('has only the edges between a light and the box', () => {
    const moment = momentOf(
      [{ x: 20, y: 50, heightPx: 10, reachPx: 400, sizePx: 0, kind: 'point' }],
      [
        { outlines: box(60, 40, 70, 60) },
        { outlines: box(60, 0, 70, 10) },
        { outlines: box(150, 40, 160, 60) },
      ],
      true,
    );
    const near = new Narrowing(moment).within({ left: 100, top: 45, right: 110, bottom: 55 });
    expect(near.occluders).toHaveLength(1);
    // Light leaves by the far side; of the others only those that the way to a corner of the box meets are there.
    const edges = near.occluders[0].pieces.flatMap((piece) => [...piece.edges]);
    expect(edges.length).toBeLessThanOrEqual(16);
    expect(new Narrowing(moment).within({ left: 20, top: 90, right: 30, bottom: 99 }).occluders).toEqual([]);
    expect(near.lights[0].occluders).toEqual([0]);
  });

  it('leaves out lights that do not reach, and sprites that stand elsewhere', () => {
    const moment = momentOf([{ x: 20, y: 50, reachPx: 30, kind: 'point' }], [], true);
    const far = new Narrowing(moment).within({ left: 100, top: 45, right: 110, bottom: 55 });
    expect(far.lights).toEqual([]);
    expect(far.planes.flatMap(({ layers }) => layers.flatMap(({ sprites }) => sprites))).toHaveLength(1);
    const beyond = new Narrowing(moment).within({ left: 1000, top: 45, right: 1010, bottom: 55 });
    expect(beyond.planes.flatMap(({ layers }) => layers.flatMap(({ sprites }) => sprites))).toEqual([]);
  });
});

describe('rows of a picture', () => {
  it('are the same whatever rows are asked for with them', () => {
    fc.assert(
      fc.property(anyScene, number(1, 99), ([lights, occluders, pixelArt], cut) => {
        const moment = momentOf(lights, occluders, pixelArt);
        const whole = lightPicture(moment, () => null).data;
        const upper = lightRows(moment, () => null, 0, cut);
        const lower = lightRows(moment, () => null, cut, moment.view.heightPx);
        expect(
          Buffer.compare(Buffer.from(upper.buffer), Buffer.from(whole.buffer, 0, upper.byteLength)),
        ).toBe(0);
        expect(Buffer.compare(Buffer.from(lower.buffer), Buffer.from(whole.buffer, upper.byteLength))).toBe(
          0,
        );
      }),
      { numRuns: 12 },
    );
  });
});
