/** Cells and frame tables of tile planes as textures of whole numbers, kept while they are drawn. */
import type { MomentGrid } from '@/core/moment/moment';
import type { Device } from './device';

/** Pictures for which a texture that is not drawn is kept. */
const KEPT_PICTURES = 240;

export class GridTextures {
  private readonly kept = new Map<Uint16Array, { texture: WebGLTexture; used: number }>();
  private picture = 0;

  constructor(private readonly device: Device) {}

  cells({ cells, columns }: MomentGrid): WebGLTexture {
    const { gl } = this.device;
    return this.get(cells, () =>
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

  frames({ frames }: MomentGrid): WebGLTexture {
    const { gl } = this.device;
    return this.get(frames, () =>
      this.device.texture(frames.length / 4, 1, gl.RGBA16UI, gl.RGBA_INTEGER, gl.UNSIGNED_SHORT, frames, 8),
    );
  }

  tidy(): void {
    this.picture++;
    for (const [array, { texture, used }] of this.kept) {
      if (this.picture - used <= KEPT_PICTURES) continue;
      this.kept.delete(array);
      this.device.dropTexture(texture);
    }
  }

  private get(array: Uint16Array, make: () => WebGLTexture): WebGLTexture {
    let entry = this.kept.get(array);
    if (!entry) this.kept.set(array, (entry = { texture: make(), used: 0 }));
    entry.used = this.picture;
    return entry.texture;
  }
}
