/** Cells and frame tables of tile planes as textures of whole numbers. */
import type { MomentGrid } from '@/core/moment/moment';
import type { Device } from './device';
import { KeptTextures } from './kept-textures';

export class GridTextures {
  private readonly kept: KeptTextures;

  constructor(private readonly device: Device) {
    this.kept = new KeptTextures(device);
  }

  cells({ cells, columns }: MomentGrid): WebGLTexture {
    const { gl } = this.device;
    return this.kept.get(cells, 2 * cells.length, () =>
      this.device.texture(
        columns,
        cells.length / columns,
        gl.R16UI,
        gl.RED_INTEGER,
        gl.UNSIGNED_SHORT,
        cells,
        2,
      ),
    );
  }

  /** @param frames left, top, width and height of each */
  frames(frames: Uint16Array): WebGLTexture {
    const { gl } = this.device;
    return this.kept.get(frames, 2 * frames.length, () =>
      this.device.texture(frames.length / 4, 1, gl.RGBA16UI, gl.RGBA_INTEGER, gl.UNSIGNED_SHORT, frames, 8),
    );
  }
}
