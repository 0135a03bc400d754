/** Small textures made of arrays, kept while they are drawn: cells, tables, edges. */
import type { Device } from './device';

/** Pictures for which a texture that is not drawn is kept. */
const KEPT_PICTURES = 240;

export class KeptTextures {
  private readonly kept = new Map<object, { texture: WebGLTexture; used: number }>();
  private picture = 0;

  constructor(private readonly device: Device) {}

  /** The texture of an array that is never changed in place. */
  get(array: object, make: () => WebGLTexture): WebGLTexture {
    let entry = this.kept.get(array);
    if (!entry) this.kept.set(array, (entry = { texture: make(), used: 0 }));
    entry.used = this.picture;
    return entry.texture;
  }

  /** To be called once a picture. */
  tidy(): void {
    this.picture++;
    for (const [array, { texture, used }] of this.kept) {
      if (this.picture - used <= KEPT_PICTURES) continue;
      this.kept.delete(array);
      this.device.dropTexture(texture);
    }
  }
}
