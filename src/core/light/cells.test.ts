import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MomentMaker } from '../moment/moment-maker';
import { NOTHING_PASSING } from '../moment/passing';
import type { View } from '../moment/moment';
import { srgbEncode } from '../raster/colour';
import { newWick } from '../scene/records/wick';
import type { Light } from '../scene/records/light';
import { newPlane } from '../scene/records/plane';
import type { SceneDocument } from '../scene/document';
import { CellRenderer } from './cells';
import { renderReference } from './reference';
import { box, walled } from './testing/wall';

const VIEW: View = { x: 0, y: 0, widthPx: 25, heightPx: 12, outputPerScenePx: 1 / 8 };

/** Draws seconds of a scene one after the other, and each with the reference renderer. */
function expectSame(scene: SceneDocument, seconds: readonly number[], edit?: (at: number) => SceneDocument) {
  const maker = new MomentMaker();
  const cells = new CellRenderer(VIEW.widthPx, VIEW.heightPx, () => null);
  seconds.forEach((second, i) => {
    const moment = maker.at(edit?.(i) ?? scene, 12, second, NOTHING_PASSING, VIEW);
    const ours = [...cells.draw(moment)].map((v) => Math.floor(srgbEncode(v) * 255 + 0.5));
    const { data } = renderReference(moment, () => null);
    const theirs = [...data].filter((_, at) => at % 4 !== 3);
    expect(ours).toEqual(theirs);
  });
}

const number = (low: number, high: number) => fc.integer({ min: low, max: high });
const anyLight = fc.record({
  kind: fc.constantFrom('point', 'spot', 'area', 'sun', 'ambient'),
  x: number(0, 200),
  y: number(0, 100),
  colour: fc.constantFrom('#ff8040', '#40a0ff'),
  level: number(1, 20).map((v) => v / 8),
  blend: fc.constantFrom('add', 'lighten', 'uncover', 'subtract'),
  curve: fc.constantFrom('straight', 'eased', 'even'),
  reachPx: number(10, 200),
  sizePx: fc.constantFrom(0, 3),
  air: fc.constantFrom(0, 0.2),
  rim: fc.boolean(),
  stops: fc.constantFrom(
    [],
    [
      { at: 0, colour: '#ffffff' },
      { at: 1, colour: '#ff0000' },
    ],
  ),
  relief: fc.constantFrom(0, 1),
  outlines: fc.constant(box(-20, -14, 24, 12)),
  wickId: fc.constantFrom(null, 'flame', 'beam'),
}) as fc.Arbitrary<Partial<Light>>;

/** A wall with a crate and a pane before it, and a board on top of all. */
function furnished(lights: Partial<Light>[]): SceneDocument {
  const plain = (colour: string, widthPx: number, heightPx: number) => ({ colour, widthPx, heightPx });
  const scene = walled({
    lights,
    settings: { pixelArt: true, ambientLevel: 0.2, backdropLit: true, exposureStops: 0.5 },
    sprites: [
      { plain: plain('#806040', 60, 50), x: 60, y: 50, planeId: 'plane-near' },
      { plain: plain('#4060ff', 70, 40), x: 130, y: 40, planeId: 'plane-near', opacity: 0.5 },
      { plain: plain('#ffffff', 30, 20), x: 20, y: 20, planeId: 'board', opacity: 0.7 },
      { plain: plain('#a0a0a0', 40, 40), x: 160, y: 70, answer: 'seen-when-lit', seenGain: 2 },
    ],
    occluders: [{ outlines: box(90, 30, 110, 60) }],
  });
  scene.planes.board = newPlane({ name: 'Board', order: 'zz', overlay: true });
  scene.wicks.flame = newWick({
    name: 'Flame',
    seed: 3,
    kind: 'breeze',
    levelLow: 0.2,
    swayXLowPx: -6,
    swayXHighPx: 6,
  });
  scene.wicks.beam = newWick({ name: 'Beam', seed: 4, kind: 'pulse', levelLow: 0, levelHigh: 1 });
  return scene;
}

describe('many Moments of one view', () => {
  it('gives what the reference renderer gives, whatever burns', () => {
    fc.assert(
      fc.property(fc.array(anyLight, { maxLength: 5 }), (lights) =>
        expectSame(furnished(lights), [0, 0.1, 0.1, 0.45, 2]),
      ),
      { numRuns: 40 },
    );
  });

  it('goes on as the scene is edited', () => {
    const scene = furnished([
      { kind: 'point', wickId: 'beam' },
      { kind: 'sun', bearingDeg: 40 },
    ]);
    const edits = [
      scene,
      { ...scene, sprites: { ...scene.sprites, s1: { ...scene.sprites.s1, x: 110 } } },
      { ...scene, occluders: { o0: { ...scene.occluders.o0, outlines: box(20, 20, 30, 90) } } },
      {
        ...scene,
        planes: { ...scene.planes, 'plane-near': { ...scene.planes['plane-near'], tint: '#808080' } },
      },
      { ...scene, lights: { l1: scene.lights.l1 } },
      scene,
    ];
    expectSame(
      scene,
      edits.map(() => 0.2),
      (at) => edits[at],
    );
  });
});
