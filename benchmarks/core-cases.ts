/** What the core takes for scenes of many lights, without a renderer. */
import { SnagFinder } from '@/core/checks/snags/all-snags';
import { gateView } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newLight } from '@/core/scene/records/light';
import { newWick } from '@/core/scene/records/wick';
import { hash01 } from '@/core/time/noise';
import { READY_WICKS } from '@/core/time/ready-wicks';
import { largeScene } from './large-scene';

const ROUNDS = 61;
/** Rounds before those that count: code is compiled as it runs. */
const WARM = 60;

function medianMs(once: (round: number) => void): number {
  const times: number[] = [];
  for (let i = 0; i < WARM + ROUNDS; i++) {
    const start = performance.now();
    once(i);
    if (i >= WARM) times.push(performance.now() - start);
  }
  return times.toSorted((a, b) => a - b)[ROUNDS >> 1];
}

function withLights(scene: SceneDocument, count: number, width: number, height: number): SceneDocument {
  const planeIds = Object.keys(scene.planes);
  const wickIds = Object.keys(scene.wicks);
  const lights = { ...scene.lights };
  for (let i = Object.keys(lights).length; i < count; i++)
    lights[`light-${i}`] = newLight({
      ...{ name: `Light ${i}`, planeId: planeIds[i % planeIds.length], order: 'a' },
      ...{ x: hash01(1, i) * width, y: hash01(2, i) * height, reachPx: 60 + hash01(3, i) * 120 },
      wickId: wickIds[i % wickIds.length],
    });
  return { ...scene, lights };
}

/** The next Moment of 1,500 lights on the wicks that come along, ms. */
export function momentFigure(): number {
  const scene = newScene();
  READY_WICKS.forEach((wick, i) => (scene.wicks[`wick-${i}`] = newWick({ ...wick, seed: i })));
  const lit = withLights(scene, 1500, 1280, 720);
  const maker = new MomentMaker();
  const view = gateView(lit);
  return medianMs((i) => maker.at(lit, 12, i / 60, NOTHING_PASSING, view));
}

/** The snags of 3,500 sprites and 300 lights after one light was moved, ms. */
export function snagFigure(): number {
  const { document } = largeScene();
  const scene = withLights(document, 300, 3200, 1600);
  const [id] = Object.keys(scene.lights);
  const finder = new SnagFinder();
  return medianMs((i) =>
    finder.find({ ...scene, lights: { ...scene.lights, [id]: { ...scene.lights[id], x: 100 + i } } }),
  );
}
