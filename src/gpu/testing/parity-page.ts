/** Runs in a real browser: draws a scene with both renderers and measures how far they are apart. */
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { View } from '@/core/moment/moment';
import { openContext } from '../device';
import { Renderer } from '../renderer';
import { PARITY_SCENES, type ParityScene } from './parity-scenes';

export interface ParityReport {
  /** Means and shares over channels of pixels that are not exempt. */
  mean: number;
  shareOver2: number;
  worst: number;
  exemptShare: number;
  format: string;
  /** How much light there is at all, so that two black pictures do not pass. */
  brightness: number;
}

/** A pixel is exempt where the reference itself changes by more than this when its place moves by NUDGE_PX. */
const STEADY = 2;
const NUDGE_PX = 0.05;

function compare({ scene, outputPerScenePx, pictures, unlit = false }: ParityScene): ParityReport {
  const view = gateView(scene, outputPerScenePx);
  const source = (key: string) => pictures[key] ?? null;
  const moment = (v: View) => momentAt(scene, 12, 1.25, { ...NOTHING_PASSING, unlit }, v);
  const reference = renderReference(moment(view), source).data;
  const nudged = [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ].map(
    ([x, y]) =>
      renderReference(moment({ ...view, x: view.x + x * NUDGE_PX, y: view.y + y * NUDGE_PX }), source).data,
  );
  const renderer = new Renderer(openContext(new OffscreenCanvas(8, 8)));
  const drawn = renderer.read(renderer.render(moment(view), source));
  const format = renderer.device.floats.name;
  renderer.dispose();
  let [sum, over2, worst, exempt, count, brightness] = [0, 0, 0, 0, 0, 0];
  for (let p = 0; p < reference.length; p += 4) {
    const steady = nudged.every((other) =>
      [0, 1, 2].every((c) => Math.abs(other[p + c] - reference[p + c]) <= STEADY),
    );
    if (!steady) exempt++;
    for (let c = 0; c < 3; c++) {
      brightness += reference[p + c];
      if (!steady) continue;
      const d = Math.abs(drawn[p + c] - reference[p + c]);
      sum += d;
      if (d > 2) over2++;
      worst = Math.max(worst, d);
      count++;
    }
  }
  const pixels = reference.length / 4;
  return {
    mean: sum / count,
    shareOver2: over2 / count,
    worst,
    exemptShare: exempt / pixels,
    format,
    brightness: brightness / pixels / 3,
  };
}

Object.assign(globalThis, {
  parity: {
    names: PARITY_SCENES.map(({ name }) => name),
    run: (name: string) => compare(PARITY_SCENES.find((scene) => scene.name === name)!),
  },
});
