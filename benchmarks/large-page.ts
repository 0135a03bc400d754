/** Runs in a real browser: what editing the large scene costs by itself, and with drawing. */
import { cellEdits } from '@/core/art/tile-edits';
import { cellOf } from '@/core/art/tiles';
import type { View } from '@/core/moment/moment';
import { momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { pictureRelief } from '@/core/relief/relief-of';
import { readRecipe } from '@/core/relief/recipe';
import type { PicturePixels } from '@/core/moment/moment';
import { change } from '@/core/scene/edits';
import { readScene } from '@/core/scene/read-scene';
import { openContext } from '@/gpu/device';
import { Renderer } from '@/gpu/renderer';
import { SceneStore, type Gesture } from '@/studio/store/scene-store';
import { largeScene } from './large-scene';

const ENLARGE = 2;
const VIEW: View = { x: 800, y: 500, widthPx: 640, heightPx: 360, outputPerScenePx: 1 };

function prepare() {
  const { document, images } = largeScene();
  const text = JSON.stringify(document);
  const start = performance.now();
  const scene = readScene(JSON.parse(text));
  const readMs = performance.now() - start;
  const pixels: Record<string, PicturePixels> = {};
  for (const [id, image] of Object.entries(images)) {
    const { normals } = pictureRelief(image, readRecipe(scene.reliefs[id].recipe));
    pixels[id] = {
      width: image.width,
      height: image.height,
      rgba: image.data,
      normal: normals,
      glow: null,
      rim: null,
    };
  }
  const store = new SceneStore(scene);
  const renderer = new Renderer(
    openContext(new OffscreenCanvas(VIEW.widthPx * ENLARGE, VIEW.heightPx * ENLARGE)),
  );
  let second = 0;
  const resolve = (view: View) => momentAt(store.state.scene, 12, second, NOTHING_PASSING, view);
  /** A frame after some work: the work's own time with the Moment, and the whole. */
  const frame = (work: () => View) => {
    const from = performance.now();
    const moment = resolve(work());
    const ownMs = performance.now() - from;
    const picture = renderer.render(moment, (key) => pixels[key] ?? null);
    const { gl } = renderer;
    const place = {
      picture,
      offsetX: 0,
      offsetY: 0,
      enlarge: ENLARGE,
      left: 0,
      right: VIEW.widthPx * ENLARGE,
    };
    renderer.present([place], [0, 0, 0]);
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
    return { ownMs, wholeMs: performance.now() - from };
  };
  const firstStart = performance.now();
  frame(() => VIEW);
  const firstMs = performance.now() - firstStart;
  let drag: Gesture | null = null;
  let lay: Gesture | null = null;
  const nearest = Object.entries(scene.sprites).find(
    ([, { x, y }]) => Math.abs(x - 1120) < 200 && Math.abs(y - 680) < 120,
  )![0];
  const cases: Record<string, (i: number) => View> = {
    standing: () => VIEW,
    panning: (i) => ({ ...VIEW, x: VIEW.x + 3 * i, y: VIEW.y + i }),
    'dragging a sprite': (i) => {
      drag ??= store.gesture('Move');
      const edit = change(store.kept, 'sprites', nearest, { x: 1100 + i, y: 680 });
      drag.preview(edit ? [edit] : []);
      return VIEW;
    },
    'laying tiles': (i) => {
      drag?.cancel();
      drag = null;
      lay ??= store.gesture('Lay tiles');
      const cells = Array.from(
        { length: i + 1 },
        (_, k) => [52 + k, 40, cellOf({ frame: 12 + (k % 4), orientation: 0 })] as const,
      );
      lay.preview(cellEdits(store.kept, 'plane-0', cells));
      return VIEW;
    },
  };
  return {
    facts: () => ({
      readMs,
      firstMs,
      documentKb: Math.round(text.length / 1024),
      draws: renderer.sprites.draws,
      textureMb: Math.round(renderer.device.bytes / 1024 / 1024),
    }),
    round: (i: number) =>
      Object.entries(cases).map(([name, work]) => {
        second += 0.05;
        return { name, ...frame(() => work(i)) };
      }),
  };
}

Object.assign(globalThis, { largeBenchmark: prepare() });
