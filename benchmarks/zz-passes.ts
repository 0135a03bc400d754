import { bundlePictures } from '@/core/handoff/bundle';
import { momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { fennelHalt } from '@/demo/fennel-halt';
import { openContext } from '@/gpu/device';
import { Renderer } from '@/gpu/renderer';
const renderer = new Renderer(openContext(new OffscreenCanvas(1280,720)));
let count = 0;
const demo = fennelHalt(() => String(count++).padStart(64, '0'));
const view = { x: 80, y: 0, widthPx: 640, heightPx: 360, outputPerScenePx: 1 };
const source = bundlePictures({ scene: demo.document, pictures: demo.pictures });
const at = (s: number) => momentAt(demo.document, 19.2, s, NOTHING_PASSING, view);
renderer.wait(renderer.render(at(0), source));
Object.assign(globalThis, { passes: () => {
  const sums = new Map<string, number[]>(); const whole: number[] = [];
  for (let i = 1; i < 12; i++) {
    const moment = at(i * 0.1);
    const t = performance.now(); renderer.wait(renderer.render(moment, source)); whole.push(performance.now() - t);
    let n = 0;
    renderer.render(moment, source, 'main', (pass, ms) => { const k = `${n++} ${JSON.stringify(pass)}`; (sums.get(k) ?? sums.set(k, []).get(k)!).push(ms); });
  }
  const med = (v: number[]) => v.toSorted((a, b) => a - b)[v.length >> 1];
  return { whole: med(whole), passes: [...sums].map(([k, v]) => [k, med(v).toFixed(2)]) };
} });
