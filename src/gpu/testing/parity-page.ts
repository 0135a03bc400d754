/** Runs in a real browser: draws a scene with both renderers and measures how far they are apart. */
import { finishedAt, frameOf } from '@/core/light/finished';
import { PointRenderer, scenePlace } from '@/core/light/point-renderer';
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { View } from '@/core/moment/moment';
import { openContext } from '../device';
import { chooseFloatFormat, halfFloats } from '../float-format';
import { Renderer } from '../renderer';
import { build, PICTURES, type ParityScene, type Parts } from './parity-parts';
import { tables } from './parity-tables';
import { PARITY_SCENES } from './parity-scenes';

export interface ParityReport {
  /** Means and shares over channels of pixels that are not exempt, bytes. A pixel is exempt where both differ at an edge. */
  mean: number;
  shareOver2: number;
  worst: number;
  exemptShare: number;
  /** As shares of white: all pixels, and those that are half lit. */
  soft: { mean: number; p99: number; shareOverTenth: number; penumbraMean: number; penumbraP99: number };
  format: string;
  /** How much light there is at all, so that two black pictures do not pass. */
  brightness: number;
}

/** A scene of the gallery, as its file holds it. */
export interface GalleryScene extends Parts {
  name: string;
  /** What of the light model it touches. */
  about: string;
  outputPerScenePx?: number;
  /** Another part of the scene than the gate. */
  view?: Partial<View>;
  soft?: boolean;
  hour?: number;
  second?: number;
  passing?: { unlit?: boolean; workLamp?: number };
}

/** A pixel is exempt where the reference itself changes by more than this when its place moves by NUDGE_PX. */
const STEADY = 2;
const NUDGE_PX = 0.05;
const SECONDS = 1.25;

interface Drawn {
  width: number;
  height: number;
  reference: Uint8Array;
  gpu: Uint8Array;
  format: string;
  /** Whether the reference stays as it is when the place of its pixel p moves a little. */
  isSteady(p: number): boolean;
}

function draw(parity: ParityScene): Drawn {
  const { scene, outputPerScenePx, pictures, passing = {}, hour = 12, second = SECONDS } = parity;
  const view = { ...gateView(scene, outputPerScenePx), ...parity.view };
  const source = (key: string) => pictures[key] ?? null;
  const moment = (v: View) => momentAt(scene, hour, second, { ...NOTHING_PASSING, ...passing }, v, tables);
  const reference = renderReference(moment(view), source).data;
  const frame = frameOf(moment(view), source);
  // What reaches a pixel from beside it changes little: it is left out of what is compared here.
  const alone = (x: number, y: number) => {
    const own = moment({ ...view, x: view.x + x * NUDGE_PX, y: view.y + y * NUDGE_PX });
    const point = new PointRenderer(own, source);
    return (px: number, py: number) => {
      const bytes = new Uint8Array(4);
      const place = scenePlace(own, px, py);
      const light = point.at(place.x, place.y).slice();
      point.encode(finishedAt(own, frame, light, place.x, place.y), 0, px, py, bytes, 0);
      return bytes;
    };
  };
  const still = alone(0, 0);
  const nudged = [alone(1, 0), alone(-1, 0), alone(0, 1), alone(0, -1)];
  const renderer = new Renderer(openContext(new OffscreenCanvas(8, 8)));
  const gpu = renderer.read(renderer.render(moment(view), source));
  const format = renderer.device.floats.name;
  renderer.dispose();
  const isSteady = (p: number) => {
    const [x, y] = [(p / 4) % view.widthPx, Math.floor(p / 4 / view.widthPx)];
    const own = still(x, y);
    return nudged.every((at) => {
      const other = at(x, y);
      return [0, 1, 2].every((c) => Math.abs(other[c] - own[c]) <= STEADY);
    });
  };
  return { width: view.widthPx, height: view.heightPx, reference, gpu, format, isSteady };
}

function report({ reference, gpu, format, isSteady }: Drawn): ParityReport {
  let [sum, over2, worst, exempt, count, brightness] = [0, 0, 0, 0, 0, 0];
  const all: number[] = [];
  const penumbra: number[] = [];
  for (let p = 0; p < reference.length; p += 4) {
    const apart = [0, 1, 2].map((c) => Math.abs(gpu[p + c] - reference[p + c]));
    for (let c = 0; c < 3; c++) {
      brightness += reference[p + c];
      all.push(apart[c] / 255);
      if (reference[p + c] > 5 && reference[p + c] < 250) penumbra.push(apart[c] / 255);
    }
    // Only where they differ is it asked whether they may.
    if (Math.max(...apart) > STEADY && !isSteady(p)) {
      exempt++;
      continue;
    }
    for (const d of apart) {
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
    soft: {
      mean: mean(all),
      p99: percentile(all, 0.99),
      shareOverTenth: all.filter((d) => d > 0.1).length / all.length,
      penumbraMean: mean(penumbra),
      penumbraP99: percentile(penumbra, 0.99),
    },
    format,
    brightness: brightness / pixels / 3,
  };
}

const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
const percentile = (values: number[], share: number) =>
  values.toSorted((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? 0;

/** Reference, GPU and their difference (eight times enlarged in value) side by side, for people to look at. */
async function sheet({ width, height, reference, gpu }: Drawn): Promise<string> {
  const canvas = new OffscreenCanvas(3 * width, height);
  const context = canvas.getContext('2d')!;
  const put = (data: Uint8Array, at: number) =>
    context.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), at * width, 0);
  const difference = Uint8Array.from(reference, (v, i) =>
    i % 4 === 3 ? 255 : Math.min(255, 8 * Math.abs(v - gpu[i])),
  );
  put(reference, 0);
  put(gpu, 1);
  put(difference, 2);
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  return btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
}

/** @returns the report and the sheet, PNG as base64 */
async function run(scene: ParityScene): Promise<{ report: ParityReport; png: string }> {
  const drawn = draw(scene);
  return { report: report(drawn), png: await sheet(drawn) };
}

/**
 * Many faint lights over one that is strong, added up in half floats as on hardware that blends no others.
 * @returns the largest difference from the reference, bytes
 */
function manyInHalfFloats(): number {
  const faint = Array.from({ length: 600 }, (_, i) => ({
    ...{
      x: 4 + (i % 30) * 3,
      y: 4 + Math.floor(i / 30) * 3,
      reachPx: 60,
      corePx: 60,
      curve: 'even' as const,
    },
    ...{ level: 0.0012, relief: 0, shadows: false, colour: '#ffffff' },
  }));
  const strong = {
    x: 48,
    y: 32,
    reachPx: 90,
    curve: 'even',
    level: 0.4,
    relief: 0,
    colour: '#ffffff',
  } as const;
  const plain = { colour: '#ffffff', widthPx: 96, heightPx: 64 };
  const scene = build({
    settings: { lightSpace: 'display', ambientLevel: 0 },
    sprites: [{ artworkId: null, plain }],
    lights: [strong, ...faint],
  });
  const moment = momentAt(scene, 12, SECONDS, NOTHING_PASSING, gateView(scene));
  const renderer = new Renderer(openContext(new OffscreenCanvas(8, 8)), {
    chooseFloats: (gl) => {
      chooseFloatFormat(gl);
      return halfFloats(gl);
    },
  });
  const gpu = renderer.read(renderer.render(moment, () => null));
  renderer.dispose();
  return renderReference(moment, () => null).data.reduce(
    (most, v, i) => Math.max(most, Math.abs(v - gpu[i])),
    0,
  );
}

/** Output pixels of a scene pixel where edges are looked for: one of them is 0.05 px. */
const FINE = 20;

/** Where brightness crosses its middle along a column of the scene, scene px from the top, in both renderers. */
function edgesAlong(parts: Parts, x: number): { reference: number[]; gpu: number[] } {
  const scene = build({ ...parts, settings: { pixelArt: false, ...parts.settings } });
  const { heightPx } = gateView(scene);
  const view = { x, y: 0, widthPx: 1, heightPx: heightPx * FINE, outputPerScenePx: FINE };
  const moment = momentAt(scene, 12, SECONDS, NOTHING_PASSING, view);
  const source = (key: string) => PICTURES[key] ?? null;
  const renderer = new Renderer(openContext(new OffscreenCanvas(8, 8)));
  const gpu = crossings(renderer.read(renderer.render(moment, source)));
  renderer.dispose();
  return { reference: crossings(renderReference(moment, source).data), gpu };
}

/** Places at which a column of pixels crosses the middle between its darkest and its brightest. */
function crossings(rgba: Uint8Array): number[] {
  const values = Array.from({ length: rgba.length / 4 }, (_, i) => rgba[4 * i]);
  const middle = (Math.min(...values) + Math.max(...values)) / 2;
  const places: number[] = [];
  for (let i = 0; i + 1 < values.length; i++) {
    const [a, b] = [values[i] - middle, values[i + 1] - middle];
    // Values stand at the middles of their pixels.
    if (a < 0 !== b < 0) places.push((i + 0.5 + a / (a - b)) / FINE);
  }
  return places;
}

Object.assign(globalThis, {
  parity: {
    edgesAlong,
    manyInHalfFloats,
    names: PARITY_SCENES.map(({ name }) => name),
    run: (name: string) => run(PARITY_SCENES.find((scene) => scene.name === name)!),
    runScene: ({ name, outputPerScenePx = 1, view, passing, hour, second, ...parts }: GalleryScene) =>
      run({ name, scene: build(parts), outputPerScenePx, view, pictures: PICTURES, passing, hour, second }),
  },
});
