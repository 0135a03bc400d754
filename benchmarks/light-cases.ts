/** Shadowed lights beside the same lights without shadows, and one that moves among many that stand still. */
import { histogramOf } from '@/core/finish/histogram';
import { hash01 } from '@/core/time/noise';
import { visiblePolygon, VisibilityScratch } from '@/core/geometry/visibility';
import { momentFigure, snagFigure } from './core-cases';
import { renderReference } from '@/core/light/reference';
import type { Moment, PictureSource } from '@/core/moment/moment';
import { MomentMaker } from '@/core/moment/moment-maker';
import { momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { type Light, newLight } from '@/core/scene/records/light';
import { newOccluder } from '@/core/scene/records/occluder';
import { newSprite } from '@/core/scene/records/sprite';
import type { Renderer } from '@/gpu/renderer';

const WIDTH = 1280;
const HEIGHT = 720;
const VIEW = { x: 0, y: 0, widthPx: WIDTH, heightPx: HEIGHT, outputPerScenePx: 1 };
const NOTHING: PictureSource = () => null;

interface Timed {
  name: string;
  ms: number;
  limitMs: number;
  megapixels: number;
}

/** A wall with boxes all over it, four edges each. */
function walled(boxes: number): SceneDocument {
  const scene = newScene({ gateWidthPx: WIDTH, gateHeightPx: HEIGHT });
  const plain = { colour: '#c8c8c8', widthPx: WIDTH, heightPx: HEIGHT };
  scene.sprites.wall = newSprite({
    ...{ name: '', planeId: 'plane-middle', order: 'a', artworkId: null, plain },
    ...{ x: WIDTH / 2, y: HEIGHT / 2 },
  });
  for (let i = 0; i < boxes; i++) {
    const [x, y] = [hash01(11, i) * WIDTH, hash01(12, i) * HEIGHT];
    const [w, h] = [3 + hash01(13, i) * 12, 3 + hash01(14, i) * 12];
    scene.occluders[`o${i}`] = newOccluder({
      name: '',
      planeId: 'plane-middle',
      kind: 'closed',
      outlines: [[x, y, x + w, y, x + w, y + h, x, y + h]],
    });
  }
  return scene;
}

/** Lights that stand somewhere else at every round, so that no mask of theirs is kept. */
function withLights(
  scene: SceneDocument,
  count: number,
  fields: Partial<Light>,
  round: number,
): SceneDocument {
  const lights: SceneDocument['lights'] = {};
  for (let i = 0; i < count; i++) {
    lights[`l${i}`] = newLight({
      ...{ name: '', planeId: 'plane-middle', order: 'a', level: 0.4 },
      x: 200 + hash01(21, i) * (WIDTH - 400) + (round % 17),
      y: 180 + hash01(22, i) * (HEIGHT - 360),
      reachPx: 180,
      ...fields,
    });
  }
  return { ...scene, lights };
}

/** How many boxes stand within reach of a light so that it meets about so many edges. */
const boxesFor = (edges: number) => Math.round(((edges / 4) * WIDTH * HEIGHT) / (Math.PI * 180 * 180));

interface ShadowCase {
  lights: number;
  edges: number;
}

const CASES: ShadowCase[] = [
  { lights: 1, edges: 200 },
  { lights: 10, edges: 200 },
  { lights: 10, edges: 2000 },
  { lights: 50, edges: 200 },
];
/** Takes seconds a frame in software: measured in fewer rounds. */
const HEAVY: ShadowCase = { lights: 50, edges: 2000 };

export class LightCases {
  private readonly scenes = new Map([200, 2000].map((edges) => [edges, walled(boxesFor(edges))] as const));
  private count = 0;

  constructor(private readonly renderer: Renderer) {}

  round(): Timed[] {
    const round = this.count++;
    return [...CASES.flatMap((one) => this.shadowed(one, round)), this.oneMoves(round)];
  }

  heavy(): Timed[] {
    return this.shadowed(HEAVY, this.count++);
  }

  /** Lights hard and soft; the limit is the same lights without shadows. */
  private shadowed({ lights, edges }: ShadowCase, round: number): Timed[] {
    const scene = this.scenes.get(edges)!;
    const bare = this.frame(momentOf(withLights(scene, 0, {}, round)));
    const time = (fields: Partial<Light>) =>
      Math.max(0.01, this.frame(momentOf(withLights(scene, lights, fields, round))) - bare);
    const limitMs = time({ shadows: false });
    const said = `${lights} ${lights === 1 ? 'light' : 'lights'}, ${edges} edges within reach`;
    const megapixels = (lights * 360 * 360) / 1e6;
    return [
      { name: `${said}, hard`, ms: time({}), limitMs, megapixels },
      { name: `${said}, soft`, ms: time({ sizePx: 6 }), limitMs, megapixels },
    ];
  }

  /** One light moves among 50 that stand; the limit is the whole frame made anew. */
  private oneMoves(round: number): Timed {
    const scene = withLights(this.scenes.get(200)!, 50, {}, 0);
    const { renderer } = this;
    const moved = (x: number) => ({
      ...scene,
      lights: { ...scene.lights, l0: { ...scene.lights.l0, x } },
    });
    // What stands still is known by whoever makes one Moment after the other.
    const maker = new MomentMaker();
    const next = (x: number) => this.frame(maker.at(moved(x), 12, 0, NOTHING_PASSING, VIEW));
    for (let i = 0; i < 3; i++) next(300 + i);
    const ms = next(310 + (round % 50));
    renderer.masks.forget();
    const limitMs = this.frame(momentOf(withLights(this.scenes.get(200)!, 50, {}, round + 1)));
    return { name: 'one light moves among 50 that stand', ms, limitMs, megapixels: 0.13 };
  }

  private frame(moment: Moment): number {
    const { renderer } = this;
    const start = performance.now();
    renderer.wait(renderer.render(moment, NOTHING));
    return performance.now() - start;
  }
}

function momentOf(scene: SceneDocument): Moment {
  return momentAt(scene, 12, 0, NOTHING_PASSING, VIEW);
}

/** Microseconds of visibility polygons, and what the reference renderer draws in a second. */
export function coreFigures(): Record<string, number> {
  const figures: Record<string, number> = {};
  for (const count of [100, 1000, 10_000]) {
    const segments = new Float64Array(4 * count);
    for (let i = 0; i < count; i++) {
      const [x, y] = [hash01(1, i) * 1000, hash01(2, i) * 1000];
      const [dx, dy] = [hash01(3, i) - 0.5, hash01(4, i) - 0.5];
      const length = 1000 / Math.sqrt(count);
      segments.set([x, y, x + dx * length, y + dy * length], 4 * i);
    }
    const scratch = new VisibilityScratch();
    const once = () => visiblePolygon(segments, 500.5, 499.5, [0, 0, 1000, 1000], scratch);
    const times: number[] = [];
    const runs = Math.max(1, Math.round(20_000 / count));
    for (let k = 0; k < 31; k++) {
      const start = performance.now();
      for (let i = 0; i < runs; i++) once();
      times.push(((performance.now() - start) * 1000) / runs);
    }
    figures[`visibility polygon of ${count} edges, microseconds`] = Math.round(
      times.toSorted((a, b) => a - b)[15],
    );
  }
  const scene = withLights(walled(20), 8, {}, 0);
  const view = { ...VIEW, widthPx: 320, heightPx: 180 };
  const lights = {
    ...scene,
    lights: Object.fromEntries(
      Object.entries(scene.lights).map(([id, l]) => [id, { ...l, x: l.x / 4, y: l.y / 4 }]),
    ),
  };
  const moment = momentAt(lights, 12, 0, NOTHING_PASSING, view);
  const start = performance.now();
  renderReference(moment, NOTHING);
  const seconds = (performance.now() - start) / 1000;
  figures['reference, megapixel-lights a second'] = Math.round(((320 * 180 * 8) / 1e6 / seconds) * 100) / 100;
  figures['the next Moment of 1,500 lights on wicks, microseconds'] = Math.round(momentFigure() * 1000);
  figures['snags of 3,500 sprites and 300 lights after an edit, milliseconds'] = Math.round(snagFigure());
  figures['histogram of 480 x 270 px, microseconds'] = Math.round(histogramFigure() * 1000);
  return figures;
}

/** Milliseconds of the page's thread for one histogram: the median of many. */
function histogramFigure(): number {
  const image = { width: 480, height: 270, data: new Uint8Array(4 * 480 * 270).map((_, i) => (i * 7) & 255) };
  const times = Array.from({ length: 31 }, () => {
    const start = performance.now();
    histogramOf(image);
    return performance.now() - start;
  });
  return times.toSorted((a, b) => a - b)[15];
}
