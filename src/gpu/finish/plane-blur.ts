/** A Gaussian over the premultiplied light of a plane. @see src/core/finish/gaussian.ts */
import { gaussianWeights } from '@/core/finish/gaussian';
import type { Device, ProgramRecord, Target } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { NamedTargets, whole } from './targets';

const BLUR: ProgramRecord = {
  name: 'blur a plane',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_plane;
uniform sampler2D u_weights;
uniform int u_reach;
uniform vec2 u_step;
out vec4 light;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  ivec2 last = textureSize(u_plane, 0) - 1;
  ivec2 step = ivec2(u_step);
  light = texelFetch(u_weights, ivec2(0), 0).r * texelFetch(u_plane, at, 0);
  for (int k = 1; k <= u_reach; k++)
    light += texelFetch(u_weights, ivec2(k, 0), 0).r * (
      texelFetch(u_plane, clamp(at + k * step, ivec2(0), last), 0) +
      texelFetch(u_plane, clamp(at - k * step, ivec2(0), last), 0));
}`,
};

const LAY: ProgramRecord = {
  name: 'lay a plane over',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}
uniform sampler2D u_plane;
out vec4 light;
void main() { light = texelFetch(u_plane, ivec2(gl_FragCoord.xy), 0); }`,
};

export class PlaneBlur {
  private readonly targets: NamedTargets;
  private weights: { sigmaPx: number; texture: WebGLTexture; reach: number } | null = null;

  constructor(private readonly device: Device) {
    this.targets = new NamedTargets(device);
  }

  /** A clear target of the size of a picture, for one plane to be drawn into. */
  begin({ width, height }: Target): Target {
    const { gl } = this.device;
    const plane = this.targets.get('plane', width, height);
    this.device.bind(plane);
    gl.clearColor(0, 0, 0, 0);
    gl.disable(gl.SCISSOR_TEST);
    gl.clear(gl.COLOR_BUFFER_BIT);
    gl.enable(gl.SCISSOR_TEST);
    return plane;
  }

  /** Blurs what was drawn, and lays it over a picture. @param sigmaPx output px */
  end(plane: Target, picture: Target, sigmaPx: number): void {
    const { device } = this;
    const { gl } = device;
    gl.disable(gl.SCISSOR_TEST);
    const across = this.targets.get('across', plane.width, plane.height);
    this.blur(plane, across, [1, 0], sigmaPx);
    this.blur(across, plane, [0, 1], sigmaPx);
    device.bind(picture);
    device.blend('over');
    device.program(LAY).use(whole(picture), { u_plane: plane.textures[0] });
    device.drawBox();
    gl.enable(gl.SCISSOR_TEST);
  }

  private blur(from: Target, to: Target, step: readonly [number, number], sigmaPx: number): void {
    const { device } = this;
    const { texture, reach } = this.weightsOf(sigmaPx);
    device.bind(to);
    device.blend('none');
    device
      .program(BLUR)
      .use({ ...whole(to), u_reach: reach, u_step: step }, { u_plane: from.textures[0], u_weights: texture });
    device.drawBox();
  }

  private weightsOf(sigmaPx: number) {
    if (this.weights?.sigmaPx === sigmaPx) return this.weights;
    if (this.weights) this.device.retireTexture(this.weights.texture);
    const { gl } = this.device;
    const weights = Float32Array.from(gaussianWeights(sigmaPx));
    const texture = this.device.texture(weights.length, 1, gl.R32F, gl.RED, gl.FLOAT, weights, 4);
    return (this.weights = { sigmaPx, texture, reach: weights.length - 1 });
  }
}
