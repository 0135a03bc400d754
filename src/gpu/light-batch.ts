import type { Moment, MomentLight } from '@/core/moment/moment';
import type { Device } from './device';
import { LIGHT_FLOATS, lightProgram } from './shaders/light';

export interface LightDraw {
  width: number;
  height: number;
  normal: WebGLTexture;
  mask: WebGLTexture;
  /** The output pixel at the mask's corner; null draws without a mask. */
  maskAt: readonly [number, number] | null;
  air: boolean;
}

/** Draws lights as instanced octagons into the bound target. */
export class LightBatch {
  private readonly buffer: WebGLBuffer;
  private readonly vertexArray: WebGLVertexArrayObject;
  private data = new Float32Array(64 * LIGHT_FLOATS);

  constructor(private readonly device: Device) {
    const { gl } = device;
    this.buffer = gl.createBuffer()!;
    this.vertexArray = gl.createVertexArray()!;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    for (let i = 0; i < 3; i++) {
      gl.enableVertexAttribArray(i);
      gl.vertexAttribPointer(i, 4, gl.FLOAT, false, LIGHT_FLOATS * 4, i * 16);
      gl.vertexAttribDivisor(i, 1);
    }
    gl.bindVertexArray(null);
  }

  /** Draws lights, those of one curve together. */
  draw(moment: Moment, lights: readonly MomentLight[], draw: LightDraw): void {
    const groups = new Map<number, MomentLight[]>();
    for (const light of lights) {
      const kind = light.curve * 2 + (light.steepness === 1 ? 0 : 1);
      const group = groups.get(kind);
      if (group) group.push(light);
      else groups.set(kind, [light]);
    }
    for (const group of groups.values()) this.drawGroup(moment, group, draw);
  }

  private drawGroup({ view }: Moment, lights: readonly MomentLight[], draw: LightDraw): void {
    const { gl } = this.device;
    if (this.data.length < lights.length * LIGHT_FLOATS)
      this.data = new Float32Array(lights.length * 2 * LIGHT_FLOATS);
    lights.forEach(({ x, y, corePx, reachPx, rgb, steepness, heightPx, relief, air }, i) => {
      this.data.set(
        [x - view.x, y - view.y, corePx, reachPx, ...rgb, 0, steepness, heightPx, relief, air],
        i * LIGHT_FLOATS,
      );
    });
    const variant = {
      curve: lights[0].curve,
      isSteepened: lights[0].steepness !== 1,
      isMasked: draw.maskAt !== null,
      isAir: draw.air,
    };
    this.device.program(lightProgram(variant)).use(
      {
        u_targetPx: [draw.width, draw.height],
        u_targetOrigin: [0, 0],
        u_origin: [0, 0],
        u_outputPerScenePx: view.outputPerScenePx,
        ...(draw.maskAt ? { u_maskOrigin: draw.maskAt } : {}),
      },
      { ...(draw.air ? {} : { u_normal: draw.normal }), ...(draw.maskAt ? { u_mask: draw.mask } : {}) },
    );
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    gl.bufferData(gl.ARRAY_BUFFER, this.data.subarray(0, lights.length * LIGHT_FLOATS), gl.STREAM_DRAW);
    gl.drawArraysInstanced(gl.TRIANGLE_FAN, 0, 8, lights.length);
  }

  dispose(): void {
    this.device.gl.deleteBuffer(this.buffer);
    this.device.gl.deleteVertexArray(this.vertexArray);
  }
}
