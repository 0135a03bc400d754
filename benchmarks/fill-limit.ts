/** The limit that frames are held against: additive fill by a trivial shader into the float format in use. */
import type { Device, ProgramRecord, Target } from '@/gpu/device';
import { BOX_VERTEX } from '@/gpu/shaders/box';
import { HEADER } from '@/gpu/shaders/common';

const FILL_PROGRAM: ProgramRecord = {
  name: 'fill',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform vec3 u_value;
out vec4 colour;
void main() { colour = vec4(u_value, 0.0); }`,
};

export class FillLimit {
  private readonly target: Target;

  constructor(
    private readonly device: Device,
    private readonly width: number,
    private readonly height: number,
  ) {
    this.target = device.target(width, height, 'float');
    this.fill(width * height);
  }

  /** Fills so many pixels, whole targets and a last part, and waits. @returns milliseconds */
  fill(pixels: number): number {
    const { device, width, height } = this;
    const { gl } = device;
    const start = performance.now();
    device.bind(this.target);
    device.blend('add');
    for (let left = pixels; left > 0; left -= width * height) {
      const rows = Math.min(height, Math.ceil(left / width));
      device.program(FILL_PROGRAM).use({
        u_targetPx: [width, height],
        u_targetOrigin: [0, 0],
        u_box: [0, 0, width, rows],
        u_value: [1e-4, 1e-4, 1e-4],
      });
      device.drawBox();
    }
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.FLOAT, new Float32Array(4));
    return performance.now() - start;
  }
}
