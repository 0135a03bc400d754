import type { Moment, MomentLight } from '@/core/moment/moment';
import type { Device } from './device';
import { LIGHT_FLOATS, LIGHT_PROGRAM } from './shaders/light';

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

  draw({ view }: Moment, lights: readonly MomentLight[], draw: LightDraw): void {
    const { gl } = this.device;
    if (this.data.length < lights.length * LIGHT_FLOATS)
      this.data = new Float32Array(lights.length * 2 * LIGHT_FLOATS);
    lights.forEach((light, i) => {
      this.data.set(
        [
          light.x - view.x,
          light.y - view.y,
          light.corePx,
          light.reachPx,
          ...light.rgb,
          light.curve,
          light.steepness,
          light.heightPx,
          light.relief,
          light.air,
        ],
        i * LIGHT_FLOATS,
      );
    });
    this.device.program(LIGHT_PROGRAM).use(
      {
        u_targetPx: [draw.width, draw.height],
        u_targetOrigin: [0, 0],
        u_origin: [0, 0],
        u_outputPerScenePx: view.outputPerScenePx,
        u_masked: draw.maskAt !== null,
        u_maskOrigin: draw.maskAt ?? [0, 0],
        u_air: draw.air,
      },
      { u_normal: draw.normal, u_mask: draw.mask },
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
