/**
 * Shadow masks of lights, trimmed to what the light reaches of the view and kept least recently used: a mask is
 * drawn again only when its light, its occluders or the view changed.
 */
import type { Box } from '@/core/geometry/affine';
import { sameItems } from '@/core/same-items';
import { distanceToSegment, sideOf } from '@/core/geometry/outline';
import type { EdgePiece, Moment, MomentLight, MomentOccluder } from '@/core/moment/moment';
import type { Device, Target } from './device';
import { OWN_SHADE_PROGRAM, SHADOW_PROGRAM } from './shaders/shadow';

export const MASK_BUDGET_BYTES = 128 * 1024 * 1024;
/** Masks are drawn for a reach larger by this, so that a trembling one keeps its mask. */
const REACH_ROOM = 1.12;
const EDGE_TEXTURE_WIDTH = 1024;

/** A mask's target and the output pixel of the view at its corner. */
export interface ShadowMask {
  target: Target;
  x: number;
  y: number;
}

interface Kept extends Omit<ShadowMask, 'target'> {
  /** Null where nothing that is near stops the light, which is worth remembering too. */
  target: Target | null;
  /** It holds for every reach up to this one. */
  reachPx: number;
  pieces: EdgePiece[];
}

export class ShadowMasks {
  private readonly kept = new Map<string, Kept>();
  private bytes = 0;
  private readonly buffer: WebGLBuffer;
  private readonly vertexArray: WebGLVertexArrayObject;
  /** Masks drawn since the start, for tests and benchmarks. */
  drawn = 0;

  constructor(
    private readonly device: Device,
    private readonly budget = MASK_BUDGET_BYTES,
  ) {
    const { gl } = device;
    this.buffer = gl.createBuffer()!;
    this.vertexArray = gl.createVertexArray()!;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    gl.enableVertexAttribArray(0);
    gl.vertexAttribPointer(0, 4, gl.FLOAT, false, 16, 0);
    gl.vertexAttribDivisor(0, 1);
    gl.bindVertexArray(null);
  }

  /** The mask of a light, or null where nothing of its light is in the view or nothing stops it. */
  maskOf(moment: Moment, light: MomentLight): ShadowMask | null {
    const { x, y, outputPerScenePx, widthPx, heightPx } = moment.view;
    const key = [light.x, light.y, x, y, outputPerScenePx, widthPx, heightPx, moment.pixelArt].join(' ');
    const kept = this.kept.get(key);
    if (
      kept &&
      light.reachPx <= kept.reachPx &&
      sameItems(kept.pieces, nearPieces(moment, light, kept.reachPx))
    ) {
      this.kept.delete(key);
      this.kept.set(key, kept);
      return kept.target ? (kept as ShadowMask) : null;
    }
    if (kept) this.drop(key);
    const roomy = { ...light, reachPx: light.reachPx * REACH_ROOM };
    const occluders = light.occluders.map((i) => moment.occluders[i]).filter((o) => isNear(roomy, o));
    const box = occluders.length > 0 ? maskBox(moment, roomy) : null;
    const mask = box ? this.draw(moment, roomy, occluders, box) : { target: null, x: 0, y: 0 };
    this.kept.set(key, { ...mask, pieces: nearPieces(moment, light, roomy.reachPx), reachPx: roomy.reachPx });
    this.bytes += mask.target?.bytes ?? 0;
    for (const oldest of this.kept.keys()) {
      if (this.bytes <= this.budget || oldest === key) break;
      this.drop(oldest);
    }
    return mask.target ? mask : null;
  }

  dispose(): void {
    for (const key of [...this.kept.keys()]) this.drop(key);
    this.device.gl.deleteBuffer(this.buffer);
    this.device.gl.deleteVertexArray(this.vertexArray);
  }

  private drop(key: string): void {
    const kept = this.kept.get(key)!;
    this.kept.delete(key);
    if (!kept.target) return;
    this.bytes -= kept.target.bytes;
    this.device.dropTarget(kept.target);
  }

  private draw(moment: Moment, light: MomentLight, occluders: MomentOccluder[], box: number[]): ShadowMask {
    const { device } = this;
    const { gl } = device;
    const { view } = moment;
    const [x, y, width, height] = box;
    const target = device.target(width, height, 'byte');
    device.bind(target);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    device.blend('add');
    const uniforms = {
      u_targetPx: [width, height],
      u_targetOrigin: [x, y],
      u_origin: [x, y],
      u_outputPerScenePx: view.outputPerScenePx,
      u_fourPlaces: !moment.pixelArt,
      u_light: [light.x - view.x, light.y - view.y],
    };
    for (const bothSides of [false, true]) {
      const edges = throwingEdges(moment, light, occluders, bothSides);
      if (edges.length === 0) continue;
      device.program(SHADOW_PROGRAM).use({ ...uniforms, u_reach: light.reachPx, u_bothSides: bothSides });
      gl.bindVertexArray(this.vertexArray);
      gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
      gl.bufferData(gl.ARRAY_BUFFER, edges, gl.STREAM_DRAW);
      gl.drawArraysInstanced(gl.TRIANGLE_STRIP, 0, 6, edges.length / 4);
    }
    for (const occluder of occluders) if (occluder.ownDark) this.drawOwnShade(moment, occluder, uniforms);
    this.drawn++;
    return { target, x, y };
  }

  private drawOwnShade(
    { view }: Moment,
    { pieces, box }: MomentOccluder,
    uniforms: Record<string, number | boolean | number[]>,
  ): void {
    const { gl } = this.device;
    const edges = pieces.flatMap((piece) => [...piece.edges]);
    const count = edges.length / 4;
    const rows = Math.ceil(count / EDGE_TEXTURE_WIDTH);
    const data = new Float32Array(EDGE_TEXTURE_WIDTH * rows * 4);
    for (let i = 0; i < edges.length; i++) data[i] = edges[i] - (i % 2 === 0 ? view.x : view.y);
    const texture = this.device.texture(EDGE_TEXTURE_WIDTH, rows, gl.RGBA32F, gl.RGBA, gl.FLOAT, data, 16);
    const scale = view.outputPerScenePx;
    const around = [
      Math.floor((box.left - view.x) * scale),
      Math.floor((box.top - view.y) * scale),
      Math.ceil((box.right - view.x) * scale),
      Math.ceil((box.bottom - view.y) * scale),
    ];
    this.device
      .program(OWN_SHADE_PROGRAM)
      .use({ ...uniforms, u_box: around, u_edgeCount: count }, { u_edges: texture });
    this.device.drawBox();
    this.device.dropTexture(texture);
  }
}

/** The pieces that may stop a light within some reach; those that did not move are the same objects. */
function nearPieces(moment: Moment, light: MomentLight, reachPx: number): EdgePiece[] {
  const wide = { ...light, reachPx };
  return light.occluders.flatMap((i) => moment.occluders[i].pieces.filter((piece) => isNear(wide, piece)));
}

function isNear({ x, y, reachPx }: MomentLight, { box }: { box: Box }): boolean {
  return (
    box.left <= x + reachPx && box.right >= x - reachPx && box.top <= y + reachPx && box.bottom >= y - reachPx
  );
}

/** Corner and size, in output pixels, of what the light reaches of the view. */
function maskBox({ view }: Moment, { x, y, reachPx }: MomentLight): [number, number, number, number] | null {
  const scale = view.outputPerScenePx;
  const low = (v: number) => Math.floor((v - reachPx) * scale);
  const high = (v: number) => Math.ceil((v + reachPx) * scale);
  const left = Math.max(0, low(x - view.x));
  const top = Math.max(0, low(y - view.y));
  const right = Math.min(view.widthPx, high(x - view.x));
  const bottom = Math.min(view.heightPx, high(y - view.y));
  return right > left && bottom > top ? [left, top, right - left, bottom - top] : null;
}

/**
 * The edges that throw a shadow: of closed outlines those that light leaves by, on whose inner side the light
 * stands; of open lines all. Those out of reach are left out.
 */
function throwingEdges(
  { view }: Moment,
  light: MomentLight,
  occluders: MomentOccluder[],
  bothSides: boolean,
): Float32Array {
  const out: number[] = [];
  const near = occluders.filter(({ closed }) => closed !== bothSides);
  const pieces = near.flatMap((occluder) => occluder.pieces.filter((piece) => isNear(light, piece)));
  for (const { edges } of pieces) {
    for (let i = 0; i < edges.length; i += 4) {
      const [ax, ay, bx, by] = [edges[i], edges[i + 1], edges[i + 2], edges[i + 3]];
      if (!bothSides && sideOf(ax, ay, bx, by, light.x, light.y) >= 0) continue;
      if (distanceToSegment(light.x, light.y, ax, ay, bx, by) > light.reachPx) continue;
      out.push(ax - view.x, ay - view.y, bx - view.x, by - view.y);
    }
  }
  return Float32Array.from(out);
}
