/** The steps of a frame one by one, for people to look at: how long each takes, and what the picture is after it. */
import type { Moment } from '@/core/moment/moment';
import type { Device, Target } from './device';
import type { FinishChain } from './finish/finish-chain';
import { whole, type NamedTargets } from './finish/targets';
import { OPEN_PROGRAM } from './shaders/box';
import type { ShadowMask, ShadowMasks } from './shadow-masks';
import type { ShadowPlanner } from './shadow-plan';

/** A step of drawing a frame, for people to look at. */
export type DrawnPass =
  | { kind: 'backdrop' | 'finish' }
  /** What stops a light, by its index; its picture is white where the light comes through. */
  | { kind: 'shadow'; light: number; edges: number }
  | { kind: 'layer'; plane: number; sprites: number; lights: number }
  | { kind: 'air'; plane: number; lights: number };

/** @param show draws what the pass came to: the picture so far, or a shadow */
export type PassWatch = (pass: DrawnPass, ms: number, show: () => Target) => void;

export type Passed = (pass: DrawnPass, show?: () => Target) => void;

/** Who watches a frame, and the automatic exposure that its picture has. */
export interface Watched {
  watch: PassWatch;
  autoStops: WebGLTexture | null;
}

interface WatchedParts {
  device: Device;
  masks: ShadowMasks;
  planner: ShadowPlanner;
  chain: FinishChain;
  targets: NamedTargets;
}

export class FrameWatch {
  constructor(private readonly parts: WatchedParts) {}

  /** Draws all shadows anew, so that each can be looked at by itself. */
  drawShadows(moment: Moment, passed: Passed): void {
    const { masks, planner, device } = this.parts;
    const { gl } = device;
    gl.disable(gl.SCISSOR_TEST);
    masks.forget();
    moment.lights.forEach((light, index) => {
      if (light.occluders.length === 0) return;
      const { edges } = masks;
      const plan = planner.planFor(light, moment.planes[light.plane]);
      if (!plan) return;
      const mask = masks.get(plan, moment);
      const show = () => this.showMask(mask, moment);
      passed({ kind: 'shadow', light: index, edges: masks.edges - edges }, show);
    });
    gl.enable(gl.SCISSOR_TEST);
  }

  private passTarget({ view }: Moment): Target {
    return this.parts.targets.get('pass', view.widthPx, view.heightPx, 'byte');
  }

  private showMask({ target, x, y }: ShadowMask, moment: Moment): Target {
    const { device } = this.parts;
    const { gl } = device;
    const picture = this.passTarget(moment);
    device.bind(picture);
    gl.clearColor(0, 0, 0, 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
    device.blend('none');
    const [red, green = red, blue = red] = target.textures;
    device
      .program(OPEN_PROGRAM)
      .use(
        { ...whole(picture), u_box: [x, y, x + target.width, y + target.height], u_origin: [x, y] },
        { u_red: red, u_green: green, u_blue: blue },
      );
    device.drawBox();
    return picture;
  }

  /** Waits after each pass, tells its time, and what the picture is then. */
  clock(moment: Moment, light: Target, { watch, autoStops }: Watched): Passed {
    const { device, chain } = this.parts;
    const { gl } = device;
    const soFar = () =>
      chain.print({ moment, light, overlay: null, margin: 0, autoStops }, this.passTarget(moment));
    const wait = () => {
      device.bind(light);
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.FLOAT, new Float32Array(4));
    };
    wait();
    let start = performance.now();
    return (pass, show = soFar) => {
      wait();
      const ms = performance.now() - start;
      const isScissored = gl.isEnabled(gl.SCISSOR_TEST);
      gl.disable(gl.SCISSOR_TEST);
      watch(pass, ms, show);
      if (isScissored) gl.enable(gl.SCISSOR_TEST);
      start = performance.now();
    };
  }
}
