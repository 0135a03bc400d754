/**
 * Runs in a real browser: one renderer draws frame after frame of a long run of edits, and each is held against what a fresh
 * one draws of the same scene. A run that fails is cut down to the steps that it takes.
 */
import type { PictureSource } from '@/core/moment/moment';
import { momentAt } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { tables } from './parity-tables';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newSprite } from '@/core/scene/records/sprite';
import { openContext, Programs, type FloatFormat } from '../device';
import { halfFloats } from '../float-format';
import { Renderer, type Budgets } from '../renderer';
import { PICTURES } from './parity-parts';
import { firstState, randomSteps, stepped, type Step } from './sequence';
import type { SequenceState } from './sequence-edits';

/** Small enough that these runs go over them again and again. */
const BUDGETS: Budgets = { maskBytes: 60_000, pictureBytes: 900_000, sumBytes: 400_000 };
/** Channels may differ by this, bytes: sums of lights are added in another order where some of them are kept. */
const MOST_APART = 1;

export interface SequenceFailure {
  /** The step after which the frame was wrong. */
  at: number;
  apart: number;
  /** Share of channels that differ by more than they may. */
  share: number;
  steps: Step[];
}

export interface SequenceReport {
  frames: number;
  failure: SequenceFailure | null;
  /** The most bytes and textures that the renderer held, beside those that a fresh one needs for the same frame. */
  mostBytes: number;
  mostTextures: number;
}

function fullFloats(gl: WebGL2RenderingContext): FloatFormat {
  gl.getExtension('EXT_color_buffer_float');
  gl.getExtension('EXT_float_blend');
  return { name: 'RGBA32F', internal: gl.RGBA32F, type: gl.FLOAT, bytesPerPixel: 16 };
}

/** The contexts of a run: one that lasts, and one in which fresh renderers are made. */
class Pair {
  private kept!: Renderer;
  private maker = new MomentMaker(tables);
  private readonly freshGl = openContext(new OffscreenCanvas(8, 8));
  private readonly freshPrograms = new Programs(this.freshGl);
  private contexts = -1;

  constructor(private readonly isHalf: boolean) {}

  private get chooseFloats() {
    return this.isHalf
      ? (gl: WebGL2RenderingContext) => {
          fullFloats(gl);
          return halfFloats(gl);
        }
      : fullFloats;
  }

  /** Draws a state with both. */
  draw(state: SequenceState): { apart: number; share: number; bytes: number; textures: number } {
    const { scene, clockHours, seconds, passing, view } = state;
    if (state.contexts !== this.contexts) this.renew(state.contexts);
    const source: PictureSource = (key) =>
      key in state.pictures ? state.pictures[key] : (PICTURES[key] ?? null);
    const moment = this.maker.at(scene, clockHours, seconds, passing, view);
    const drawn = this.kept.read(this.kept.render(moment, source));
    const fresh = new Renderer(this.freshGl, {
      chooseFloats: this.chooseFloats,
      programs: this.freshPrograms,
    });
    const wanted = fresh.read(
      fresh.render(momentAt(scene, clockHours, seconds, passing, view, tables), source),
    );
    const { device } = this.kept;
    const bytes = device.bytes - fresh.device.bytes;
    const textures = device.textureCount - fresh.device.textureCount;
    fresh.dispose();
    let [apart, over] = [0, 0];
    for (let i = 0; i < wanted.length; i++) {
      const off = Math.abs(wanted[i] - drawn[i]);
      if (off > MOST_APART) over++;
      if (off > apart) apart = off;
    }
    return { apart, share: over / wanted.length, bytes, textures };
  }

  dispose(): void {
    this.kept.gl.getExtension('WEBGL_lose_context')?.loseContext();
    this.freshGl.getExtension('WEBGL_lose_context')?.loseContext();
  }

  /** As after a context that was lost: nothing on the card is left, and what the page remembers stays. */
  private renew(contexts: number): void {
    this.kept?.gl.getExtension('WEBGL_lose_context')?.loseContext();
    this.contexts = contexts;
    this.kept = new Renderer(openContext(new OffscreenCanvas(8, 8)), {
      chooseFloats: this.chooseFloats,
      budgets: BUDGETS,
    });
  }
}

function run(steps: readonly Step[], isHalf: boolean): SequenceReport {
  const pair = new Pair(isHalf);
  let state = firstState();
  let [mostBytes, mostTextures] = [0, 0];
  try {
    for (const [at, step] of steps.entries()) {
      state = stepped(state, step);
      const { apart, share, bytes, textures } = pair.draw(state);
      mostBytes = Math.max(mostBytes, bytes);
      mostTextures = Math.max(mostTextures, textures);
      if (apart > MOST_APART) {
        const failure = { at, apart, share, steps: steps.slice(0, at + 1) };
        return { frames: at + 1, failure, mostBytes, mostTextures };
      }
    }
    return { frames: steps.length, failure: null, mostBytes, mostTextures };
  } finally {
    pair.dispose();
  }
}

/** Leaves out what a failure does not need, in ever smaller pieces (Zeller and Hildebrandt 2002, delta debugging). */
function shrunk(failure: SequenceFailure, isHalf: boolean): SequenceFailure {
  let best = failure;
  for (let size = Math.ceil(best.steps.length / 2); size >= 1; size = size === 1 ? 0 : Math.ceil(size / 2)) {
    for (let from = 0; from < best.steps.length;) {
      const steps = [...best.steps.slice(0, from), ...best.steps.slice(from + size)];
      const found = run(steps, isHalf).failure;
      if (found) best = found;
      else from += size;
    }
  }
  return best;
}

/** What a renderer holds after one thing was done again and again, with the budgets that the stage has. */
function held(times: number, nth: (state: SequenceState, i: number) => SequenceState): Held {
  const renderer = new Renderer(openContext(new OffscreenCanvas(8, 8)), { chooseFloats: fullFloats });
  const maker = new MomentMaker(tables);
  let state = firstState();
  for (let i = 0; i < times; i++) {
    state = nth(state, i);
    const { scene, clockHours, seconds, passing, view, pictures } = state;
    renderer.render(
      maker.at(scene, clockHours, seconds, passing, view),
      (key) => pictures[key] ?? PICTURES[key] ?? null,
    );
  }
  const { bytes, textureCount: textures } = renderer.device;
  renderer.dispose();
  return { bytes, textures };
}

export interface Held {
  bytes: number;
  textures: number;
}

const REPETITIONS: Record<string, () => Held> = {
  'one picture of 256 px is made of another size 400 times': () =>
    held(400, (state, i) => withArt(state, 'wall', 256 + (i % 200))),
  '400 artworks of 256 px are shown and deleted': () =>
    held(400, (state, i) => {
      const { [`art${i - 1}`]: _gone, ...artworks } = state.scene.artworks;
      const sprite = newSprite({
        ...{ name: '', planeId: 'plane-middle', order: 'a', artworkId: `art${i}`, x: 40, y: 30 },
      });
      const scene = { ...state.scene, artworks, sprites: { ...state.scene.sprites, one: sprite } };
      return withArt({ ...state, scene }, `art${i}`, 256);
    }),
  'a view is panned 300 times over twenty small lights': () =>
    held(300, (state, i) => {
      const lights = Object.fromEntries(
        Array.from({ length: 20 }, (_, k) => [
          `l${k}`,
          newLight({
            ...{ name: '', planeId: 'plane-middle', order: 'a', x: 8 + (k % 5) * 18, y: 8 + (k >> 2) * 10 },
            reachPx: 14,
          }),
        ]),
      );
      const scene = i === 0 ? { ...state.scene, lights } : state.scene;
      return { ...state, scene, view: { ...state.view, x: (i % 97) - 48, y: Math.floor(i / 97) - 8 } };
    }),
};

/** A state in which an artwork has a picture of its own, of some side. */
function withArt(state: SequenceState, key: string, side: number): SequenceState {
  const artwork = newArtwork({
    ...{ name: key, imageSha: 'a'.repeat(64), widthPx: side, heightPx: side, pixelArt: true },
  });
  const rgba = new Uint8Array(4 * side * side).fill(200);
  const picture = { width: side, height: side, rgba, normal: null, glow: null, rim: null };
  return {
    ...state,
    scene: { ...state.scene, artworks: { ...state.scene.artworks, [key]: artwork } },
    pictures: { [key]: picture },
  };
}

Object.assign(globalThis, {
  sequence: {
    repetitions: Object.keys(REPETITIONS),
    held: (name: string): Held => REPETITIONS[name](),
    /** A run of edits by a seed; what fails comes back as small as it could be made. */
    run(seed: number, count: number, isHalf: boolean): SequenceReport {
      const report = run(randomSteps(seed, count), isHalf);
      return report.failure ? { ...report, failure: shrunk(report.failure, isHalf) } : report;
    },
    again: (steps: Step[], isHalf: boolean): SequenceReport => run(steps, isHalf),
  },
});
