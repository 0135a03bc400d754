/** Small textures made of arrays, kept within bounds, the longest unused let go of first: cells, frame tables, curves. */
import { LRUCache } from 'lru-cache';
import type { Device } from './device';

const MOST_BYTES = 8 * 1024 * 1024;
const MOST_TEXTURES = 1024;

export class KeptTextures {
  private readonly kept: LRUCache<object, { texture: WebGLTexture; bytes: number }>;

  constructor(device: Device) {
    this.kept = new LRUCache({
      max: MOST_TEXTURES,
      maxSize: MOST_BYTES,
      sizeCalculation: ({ bytes }) => bytes,
      // The picture that is being made may still draw from it.
      dispose: ({ texture }) => device.retireTexture(texture),
    });
  }

  /**
   * The texture of an array that is never changed in place.
   * @param bytes what it takes
   */
  get(array: object, bytes: number, make: () => WebGLTexture): WebGLTexture {
    const there = this.kept.get(array);
    if (there) return there.texture;
    const texture = make();
    this.kept.set(array, { texture, bytes });
    return texture;
  }
}
