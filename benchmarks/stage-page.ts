/** Runs in a real browser: frames of the demo and of 100 lights, each beside the fill limit of the same pixels. */
import { bundlePictures, type Bundle } from '@/core/handoff/bundle';
import type { Box } from '@/core/geometry/affine';
import type { Moment, MomentLight, PicturePixels, PictureSource } from '@/core/moment/moment';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { LIMITS } from '@/core/limits';
import { newLight } from '@/core/scene/records/light';
import { newLook } from '@/core/scene/records/look';
import { newRelief } from '@/core/scene/records/relief';
import type { SceneSettings } from '@/core/scene/records/settings';
import { newSprite } from '@/core/scene/records/sprite';
import { newWash, newWashPoint } from '@/core/scene/records/wash';
import { recipeWith } from '@/core/relief/recipe';
import { hash01 } from '@/core/time/noise';
import { fennelHalt } from '@/demo/fennel-halt';
import { READY_LOOKS } from '@/ready/looks';
import { openContext } from '@/gpu/device';
import { Renderer } from '@/gpu/renderer';
import { FillLimit } from './fill-limit';
import { finishCases } from './finish-cases';
import { coreFigures, LightCases } from './light-cases';

const WIDTH = 1280;
const HEIGHT = 720;
/** The demo is pixel art: lit at scene px, enlarged twice onto 1280 x 720. */
const DEMO_ENLARGE = 2;
/** The contact sheet has every third pixel of the demo. */
const SHEET_STEP = 3;

interface Case {
  name: string;
  moment: (seconds: number) => Moment;
  source: PictureSource;
  enlarge: number;
}

function demoDocument(): Bundle {
  let count = 0;
  const { document, pictures } = fennelHalt(() => String(count++).padStart(64, '0'));
  return { scene: document, files: pictures };
}

function demoCase(): Case {
  const demo = demoDocument();
  const view = {
    x: 80,
    y: 0,
    widthPx: WIDTH / DEMO_ENLARGE,
    heightPx: HEIGHT / DEMO_ENLARGE,
    outputPerScenePx: 1,
  };
  return {
    name: 'full frame of the demo, without its finish',
    moment: (seconds) => momentAt(demo.scene, 19.2, seconds, { ...NOTHING_PASSING, finish: 'none' }, view),
    source: bundlePictures(demo),
    enlarge: DEMO_ENLARGE,
  };
}

function lightsCase(count: number, settings: Partial<SceneSettings> = {}): Case {
  const scene = newScene({ gateWidthPx: WIDTH, gateHeightPx: HEIGHT, pixelArt: true, ...settings });
  const points = Array.from({ length: LIMITS.washPoints }, (_, i) =>
    newWashPoint({ x: hash01(4, i) * WIDTH, y: hash01(5, i) * HEIGHT, spreadPx: 200 }),
  );
  scene.washes.wash = newWash({ name: '', order: 'a', points });
  scene.artworks.wall = newArtwork({
    name: 'Wall',
    imageSha: 'a'.repeat(64),
    widthPx: WIDTH,
    heightPx: HEIGHT,
    pixelArt: true,
    pivotX: 0,
    pivotY: 0,
  });
  scene.reliefs.wall = newRelief({ recipe: recipeWith({}) });
  scene.sprites.wall = newSprite({
    name: '',
    planeId: 'plane-middle',
    order: 'a',
    artworkId: 'wall',
    x: 0,
    y: 0,
  });
  for (let i = 0; i < count; i++) {
    scene.lights[`light-${i}`] = newLight({
      name: '',
      planeId: 'plane-middle',
      order: 'a',
      x: hash01(1, i) * WIDTH,
      y: hash01(2, i) * HEIGHT,
      shadows: false,
      reachPx: 60 + hash01(3, i) * 120,
      level: 0.3,
    });
  }
  const pixels: PicturePixels = {
    width: WIDTH,
    height: HEIGHT,
    glow: null,
    rim: null,
    rgba: new Uint8Array(WIDTH * HEIGHT * 4).fill(200),
    normal: new Uint8Array(WIDTH * HEIGHT * 4).map((_, i) => [128, 128, 255, 255][i & 3]),
  };
  const view = { x: 0, y: 0, widthPx: WIDTH, heightPx: HEIGHT, outputPerScenePx: 1 };
  return {
    name: `${count} shadowless lights`,
    moment: (seconds) => momentAt(scene, 12, seconds, NOTHING_PASSING, view),
    source: () => pixels,
    enlarge: 1,
  };
}

/** The wall alone, and under all weather: what that costs is the difference. */
function weatherCases(): { bare: Case; weathered: Case } {
  const bare = lightsCase(0);
  const weathered = lightsCase(0, {
    ...{ cloudStrength: 0.7, mistStrength: 0.5, washId: 'wash' },
    ...{ cloudFarFade: 0, mistFarFade: 0 },
  });
  return { bare, weathered };
}

/** The gate of the demo as the contact sheet has it: as the scene is finished, and under every look in turn. */
function sheetCases(): { own: Case; looks: Case[] } {
  const demo = demoDocument();
  const view = gateView(demo.scene, 1 / SHEET_STEP);
  const finished = (name: string, finish: Passing['finish']): Case => ({
    name,
    moment: (seconds) => momentAt(demo.scene, 19.2, seconds, { ...NOTHING_PASSING, finish }, view),
    source: bundlePictures(demo),
    enlarge: 1,
  });
  const looks = READY_LOOKS.map(({ name, fields }) =>
    finished(name, newLook({ name, order: 'a', ...fields })),
  );
  return { own: finished('as it is', 'own'), looks };
}

const EVERYWHERE: Box = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

/** Pixels that the passes of a frame write, each target of a pass counted. */
export function filledPixels({ view, planes, lights }: Moment, enlarge: number): number {
  const area = (left: number, top: number, right: number, bottom: number) =>
    Math.max(0, Math.min(view.widthPx, right - view.x) - Math.max(0, left - view.x)) *
    Math.max(0, Math.min(view.heightPx, bottom - view.y) - Math.max(0, top - view.y));
  /** What a light is drawn over of a box: an octagon round a circle covers 0.828 of its square. */
  const litArea = ({ figure, box: own }: MomentLight, box: Box) =>
    (figure === 'round' ? 0.828 : 1) *
    area(
      Math.max(box.left, own.left),
      Math.max(box.top, own.top),
      Math.min(box.right, own.right),
      Math.min(box.bottom, own.bottom),
    );
  let sum = view.widthPx * view.heightPx * 2 + view.widthPx * view.heightPx * enlarge * enlarge;
  planes.forEach(({ layers }, plane) => {
    for (const { sprites } of layers) {
      const box = {
        left: Math.min(...sprites.map((s) => s.box.left)),
        top: Math.min(...sprites.map((s) => s.box.top)),
        right: Math.max(...sprites.map((s) => s.box.right)),
        bottom: Math.max(...sprites.map((s) => s.box.bottom)),
      };
      const reaching = lights
        .filter(({ spanFar, spanNear }) => plane >= spanFar && plane <= spanNear)
        .map((light) => ({ light, pixels: litArea(light, box) }))
        .filter(({ pixels }) => pixels > 0);
      const reached = reaching.length > 0;
      // Without lights each sprite goes straight onto the picture; with them into three sums, and one more for rims.
      const sums = reaching.some(({ light }) => light.rim) ? 4 : 3;
      for (const { box: own } of sprites)
        sum += (reached ? sums : 1) * area(own.left, own.top, own.right, own.bottom);
      // Clearing the sums and the light, that of rims too, and laying the layer over the picture.
      if (reached) sum += (sums + (sums === 4 ? 3 : 2)) * area(box.left, box.top, box.right, box.bottom);
      for (const { pixels } of reaching) sum += pixels;
    }
    for (const light of lights) if (light.plane === plane && light.air > 0) sum += litArea(light, EVERYWHERE);
  });
  return sum;
}

function prepare() {
  const make = () => new Renderer(openContext(new OffscreenCanvas(WIDTH, HEIGHT)));
  const renderer = make();
  const limit = new FillLimit(renderer.device, WIDTH, HEIGHT);
  // The demo is drawn at half the size: in a renderer of its own, as on the stage, targets stay.
  const demo = { ...demoCase(), renderer: make() };
  const cases = [demo, ...[100, 1500].map((count) => ({ ...lightsCase(count), renderer }))];
  const lights = new LightCases(renderer);
  const { bare, weathered } = weatherCases();
  const sheet = sheetCases();
  let second = 0;
  const frame = ({ moment, source, enlarge, renderer }: Case & { renderer: Renderer }) => {
    const start = performance.now();
    const picture = renderer.render(moment(second), source);
    renderer.present([{ picture, offsetX: 0, offsetY: 0, enlarge, left: 0, right: WIDTH }], [0, 0, 0]);
    renderer.gl.readPixels(0, 0, 1, 1, renderer.gl.RGBA, renderer.gl.UNSIGNED_BYTE, new Uint8Array(4));
    return performance.now() - start;
  };
  for (const one of [...cases, { ...bare, renderer }, { ...weathered, renderer }]) frame(one);
  for (const one of [sheet.own, ...sheet.looks]) frame({ ...one, renderer: demo.renderer });
  for (const { moment } of finishCases(bare.moment(0))) frame({ ...bare, renderer, moment: () => moment });
  return {
    round: () => {
      second += 0.1;
      const frames = cases.map((one) => {
        const filled = filledPixels(one.moment(second), one.enlarge);
        return { name: one.name, ms: frame(one), limitMs: limit.fill(filled), megapixels: filled / 1e6 };
      });
      const alone = frame({ ...bare, renderer });
      const weather = {
        name: 'clouds, mist and a wash of twelve points, beyond the wall alone',
        ms: frame({ ...weathered, renderer }) - alone,
        megapixels: (WIDTH * HEIGHT) / 1e6,
      };
      const finishes = finishCases(bare.moment(second)).map(({ name, moment }) => ({
        name: `${name}, beyond the wall alone`,
        ms: frame({ ...bare, renderer, moment: () => moment }) - alone,
        limitMs: limit.fill(WIDTH * HEIGHT),
        megapixels: (WIDTH * HEIGHT) / 1e6,
      }));
      const ofFill = { ...weather, limitMs: limit.fill(WIDTH * HEIGHT) };
      const ofWall = { ...weather, name: `${weather.name}, by that`, limitMs: alone };
      const sheetMs = frame({ ...sheet.own, renderer: demo.renderer });
      const looks = sheet.looks.reduce((sum, look) => sum + frame({ ...look, renderer: demo.renderer }), 0);
      const ofSheet = {
        name: 'a picture of the contact sheet, the mean of all looks, by one as the scene is',
        ...{ ms: looks / sheet.looks.length, limitMs: sheetMs, megapixels: 160 * 90 * 1e-6 },
      };
      return [...frames, ofFill, ofWall, ...finishes, ofSheet, ...lights.round()];
    },
    heavy: () => lights.heavy(),
    core: () => coreFigures(),
    about: () => ({
      format: renderer.device.floats.name,
      renderer: String(renderer.gl.getParameter(renderer.gl.RENDERER)),
    }),
  };
}

Object.assign(globalThis, { stageBenchmark: prepare() });
