/** Automatic exposure, worked out on the card. @see src/core/finish/exposure.ts */
import type { ExposureNumbers } from '@/core/finish/exposure';
import { AUTO_STOPS, METERED } from '@/core/finish/exposure.glsl';
import type { Device, ProgramRecord, Target } from '../device';
import { BOX_VERTEX } from '../shaders/box';
import { HEADER } from '../shaders/common';
import { NamedTargets, whole } from './targets';

/** A card's own loop over all pixels of the small picture of the gate. */
const MEAN: ProgramRecord = {
  name: 'automatic stops',
  vertex: BOX_VERTEX,
  fragment: `${HEADER}${METERED}${AUTO_STOPS}
uniform sampler2D u_light;
uniform float u_share;
uniform float u_limit;
out vec4 stops;
void main() {
  ivec2 size = textureSize(u_light, 0);
  float sum = 0.0;
  for (int y = 0; y < size.y; y++) {
    float row = 0.0;
    for (int x = 0; x < size.x; x++) row += metered(texelFetch(u_light, ivec2(x, y), 0).rgb);
    sum += row / float(size.x);
  }
  stops = vec4(autoStops(sum / float(size.y), u_share, u_limit), 0.0, 0.0, 1.0);
}`,
};

export class AutoExposure {
  private readonly targets: NamedTargets;

  constructor(private readonly device: Device) {
    this.targets = new NamedTargets(device);
  }

  /** @param gate linear light of the gate as it is metered; @returns a texture of one pixel */
  draw(gate: Target, { autoShare, autoLimit }: ExposureNumbers): WebGLTexture {
    const { device } = this;
    const target = this.targets.get('stops', 1, 1);
    device.bind(target);
    device.blend('none');
    device
      .program(MEAN)
      .use({ ...whole(target), u_share: autoShare, u_limit: autoLimit }, { u_light: gate.textures[0] });
    device.drawBox();
    return target.textures[0];
  }
}
