/**
 * Shadow masks of lights, trimmed to what the light reaches of the view and kept, those that were used last, within a budget
 * of bytes: a mask is drawn again only when something changed that it was drawn from. One channel-wise mask does for what
 * stops all colours alike; coloured glass takes one for each channel.
 */
import { LRUCache } from 'lru-cache';
import type { Moment, MomentLight, MomentOccluder, MomentPlane } from '@/core/moment/moment';
import { heightsOf } from '@/core/light/terms/stature';
import type { Device, Target, UniformValue } from './device';
import { outputBox } from './output-box';
import { edgeCount, edgeInstances, type LitArea } from './shadow-edges';
import type { ShadowPlan } from './shadow-plan';
import {
  EDGE_ATTRIBUTES,
  EDGE_FLOATS,
  INNER_PROGRAM,
  FILTER_PROGRAM,
  shadowProgram,
  WINDING_PROGRAM,
} from './shaders/shadow';

/** However small they are: each is a texture that the graphics card has to keep. */
const MOST_MASKS = 2048;

/** A mask's target (of one texture, or of one a channel) and the output pixel of the view at its corner. */
export interface ShadowMask {
  target: Target;
  x: number;
  y: number;
}

type Uniforms = Record<string, UniformValue>;

/** What one mask is drawn with. */
interface Drawing {
  moment: Moment;
  light: MomentLight;
  area: LitArea;
  width: number;
  height: number;
  uniforms: Uniforms;
}

export class ShadowMasks {
  private readonly kept: LRUCache<string, ShadowMask>;
  /** A mask that is larger than the budget, until the next one is asked for. */
  private passing: ShadowMask | null = null;
  private readonly buffer: WebGLBuffer;
  private readonly vertexArray: WebGLVertexArrayObject;
  /** Masks drawn, and edges drawn into them, since the start. */
  drawn = 0;
  edges = 0;

  constructor(
    private readonly device: Device,
    budget: number,
  ) {
    const { gl } = device;
    this.kept = new LRUCache({
      max: MOST_MASKS,
      maxSize: budget,
      sizeCalculation: ({ target }) => target.bytes,
      dispose: ({ target }) => device.dropTarget(target),
    });
    this.buffer = gl.createBuffer()!;
    this.vertexArray = gl.createVertexArray()!;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    for (const location of Object.values(EDGE_ATTRIBUTES)) {
      gl.enableVertexAttribArray(location);
      gl.vertexAttribPointer(location, 4, gl.FLOAT, false, EDGE_FLOATS * 4, location * 16);
      gl.vertexAttribDivisor(location, 1);
    }
    gl.bindVertexArray(null);
  }

  /** Bytes of all masks that are kept. */
  get bytes(): number {
    return this.kept.calculatedSize;
  }

  /**
   * The mask of a plan, to be drawn with before the next one is asked for: that may let go of it. Leaves another target bound
   * where it had to be drawn.
   */
  get(plan: ShadowPlan, moment: Moment): ShadowMask {
    this.dropPassing();
    const kept = this.kept.get(plan.key);
    if (kept) return kept;
    const mask = this.draw(plan, moment);
    this.kept.set(plan.key, mask);
    // One that is larger than the whole budget is not kept.
    if (!this.kept.has(plan.key)) this.passing = mask;
    return mask;
  }

  /** Lets go of every mask. */
  forget(): void {
    this.dropPassing();
    this.kept.clear();
  }

  dispose(): void {
    this.forget();
    this.device.gl.deleteBuffer(this.buffer);
    this.device.gl.deleteVertexArray(this.vertexArray);
  }

  private dropPassing(): void {
    if (this.passing) this.device.dropTarget(this.passing.target);
    this.passing = null;
  }

  private draw({ light, plane, area, occluders, pixels }: ShadowPlan, moment: Moment): ShadowMask {
    const { device } = this;
    const [x, y, right, bottom] = pixels;
    const [width, height] = [right - x, bottom - y];
    const filters = occluders.filter(({ transmits }) => transmits !== null);
    const solid = occluders.filter(({ transmits }) => transmits === null);
    const isColoured = filters.some(({ transmits }) => transmits!.some((v) => v !== transmits![0]));
    const drawing = {
      moment,
      light,
      area,
      width,
      height,
      uniforms: uniformsOf(moment, light, plane, x, y, width, height),
    };
    this.drawn++;
    if (filters.length === 0) {
      const target = this.cleared(device.target(width, height, 'byte'));
      this.drawStopped(drawing, solid, target);
      return { target, x, y };
    }
    // What lets light through is multiplied, each occluder by itself; bytes would round each of them.
    const target = this.cleared(device.target(width, height, 'half', isColoured ? 3 : 1));
    const scratch = device.target(width, height, 'byte');
    const layOver = (stops: number[]) => {
      device.bind(target);
      device.blend('screen');
      const uniforms = { ...named(drawing.uniforms, PLACED), u_box: [x, y, right, bottom], u_stops: stops };
      device.program(FILTER_PROGRAM).use(uniforms, { u_stopped: scratch.textures[0] });
      device.drawBox();
    };
    if (solid.length > 0) {
      this.cleared(scratch);
      this.drawStopped(drawing, solid, scratch);
      layOver([1, 1, 1]);
    }
    for (const filter of filters) {
      this.cleared(scratch);
      this.drawStopped(drawing, [filter], scratch);
      layOver(filter.transmits!.map((v) => 1 - v));
    }
    device.dropTarget(scratch);
    return { target, x, y };
  }

  /** Adds what occluders stop, all of it alike, to a target. */
  private drawStopped(drawing: Drawing, occluders: readonly MomentOccluder[], target: Target): void {
    const { moment, light, area } = drawing;
    const instances = occluders.flatMap(({ pieces, closed, staturePx }) =>
      edgeInstances(moment.view, light, pieces, !closed, staturePx, area),
    );
    this.device.bind(target);
    this.drawEdges(drawing, instances);
    for (const occluder of occluders)
      if (occluder.inner.length > 0) this.drawInner(drawing, occluder, target);
  }

  private drawEdges({ moment, light, uniforms }: Drawing, instances: number[]): void {
    if (instances.length === 0) return;
    const { device } = this;
    const isSoft = light.size > 0;
    const isBlocked = light.blockPx > 0;
    const hasStature = instances.some((v, i) => i % EDGE_FLOATS === 4 && v >= 0);
    const variant = {
      isSoft,
      isParallel: light.source.parallel,
      isBlocked,
      hasStature,
      isFourfold: !isSoft && !moment.pixelArt,
    };
    const { u_low, u_blockPx, u_planeOrigin, ...common } = uniforms;
    device.blend('add');
    device.program(shadowProgram(variant)).use({
      ...common,
      ...(hasStature ? { u_low } : {}),
      ...(isBlocked ? { u_blockPx, u_planeOrigin } : {}),
    });
    this.drawInstances(instances);
    this.edges += edgeCount(instances);
  }

  private drawInstances(instances: number[]): void {
    const { gl } = this.device;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    gl.bufferData(gl.ARRAY_BUFFER, Float32Array.from(instances), gl.STREAM_DRAW);
    gl.drawArraysInstanced(gl.TRIANGLE_STRIP, 0, 4, edgeCount(instances));
  }

  /** Adds what stops light within an occluder that lies in its own shade. */
  private drawInner(drawing: Drawing, occluder: MomentOccluder, target: Target): void {
    const { device } = this;
    const { gl } = device;
    const { moment, light, area, width, height, uniforms } = drawing;
    const { view } = moment;
    const box = outputBox(view, occluder.box);
    if (!box) return;
    const [x, y] = uniforms.u_origin as number[];
    const [left, top] = [Math.max(0, box[0] - x), Math.max(0, box[1] - y)];
    const [right, bottom] = [Math.min(width, box[2] - x), Math.min(height, box[3] - y)];
    if (right <= left || bottom <= top) return;
    const inner = this.cleared(device.target(width, height, 'byte'));
    const winding = this.cleared(device.target(width, height, 'float'));
    gl.enable(gl.SCISSOR_TEST);
    gl.scissor(left, top, right - left, bottom - top);
    device.bind(inner);
    this.drawEdges(drawing, edgeInstances(view, light, occluder.inner, true, occluder.staturePx, area));
    device.bind(winding);
    device.blend('add');
    const leftmost = occluder.box.left - view.x - 1;
    device
      .program(WINDING_PROGRAM)
      .use({ ...named(uniforms, [...PLACED, 'u_outputPerScenePx']), u_left: leftmost });
    // All of the outline, wherever the light stands.
    this.drawInstances(
      occluder.pieces.flatMap(({ edges }) =>
        Array.from({ length: edges.length / 4 }, (_, k) => [
          edges[4 * k] - view.x,
          edges[4 * k + 1] - view.y,
          edges[4 * k + 2] - view.x,
          edges[4 * k + 3] - view.y,
          ...[-1, 0, 0, 0],
        ]).flat(),
      ),
    );
    device.bind(target);
    device.program(INNER_PROGRAM).use(
      {
        ...named(uniforms, [...PLACED, 'u_outputPerScenePx', 'u_origin', 'u_blockPx', 'u_planeOrigin']),
        u_box: [x + left, y + top, x + right, y + bottom],
      },
      { u_inner: inner.textures[0], u_winding: winding.textures[0] },
    );
    device.drawBox();
    gl.disable(gl.SCISSOR_TEST);
    device.dropTarget(inner);
    device.dropTarget(winding);
  }

  private cleared(target: Target): Target {
    const { gl } = this.device;
    this.device.bind(target);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    return target;
  }
}

const PLACED = ['u_targetPx', 'u_targetOrigin'];

function named(uniforms: Uniforms, names: readonly string[]): Uniforms {
  return Object.fromEntries(names.map((name) => [name, uniforms[name]]));
}

function uniformsOf(
  { view }: Moment,
  { source, groundSource, size, blockPx }: MomentLight,
  plane: MomentPlane,
  x: number,
  y: number,
  width: number,
  height: number,
): Uniforms {
  const scale = view.outputPerScenePx;
  const reach = (view.widthPx + view.heightPx) / scale;
  const away = source.parallel ? reach : reach + Math.abs(source.x - view.x) + Math.abs(source.y - view.y);
  return {
    u_targetPx: [width, height],
    u_targetOrigin: [x, y],
    u_origin: [x, y],
    u_outputPerScenePx: scale,
    u_light: source.parallel
      ? [...unit(source.x, source.y), 1, size]
      : [source.x - view.x, source.y - view.y, 0, size],
    u_ground: groundSource ? unit(groundSource.x, groundSource.y) : unit(source.x, source.y),
    u_low: heightsOf(groundSource ?? source, size),
    // A wedge of some 150 degrees ends beyond everything that is in view.
    u_far: 8 * away,
    u_margin: 2 / scale + blockPx,
    u_blockPx: blockPx,
    u_planeOrigin: [plane.originX - view.x, plane.originY - view.y],
  };
}

function unit(x: number, y: number): [number, number] {
  const length = Math.sqrt(x * x + y * y);
  return length > 0 ? [x / length, y / length] : [0, 0];
}
