/** Lookup tables on the card, each uploaded once; those that were used last are kept. */
import type { ColourTable } from '@/core/finish/colour-table';
import type { TableNumbers } from '@/core/finish/table';
import type { Device } from '../device';

/** So many are kept: a contact sheet goes through more, one after the other. */
const MOST_KEPT = 8;

export class TableTextures {
  /** The one that was used last stands last. */
  private readonly textures = new Map<ColourTable, WebGLTexture>();

  constructor(private readonly device: Device) {}

  /** The textures of a finish, by the names of the program. */
  of({ tables }: TableNumbers): Record<string, WebGLTexture> {
    return Object.fromEntries(tables.map(({ table }, i) => [`u_table${i}`, this.texture(table)]));
  }

  private texture(table: ColourTable): WebGLTexture {
    const texture = this.textures.get(table) ?? this.uploaded(table);
    this.textures.delete(table);
    this.textures.set(table, texture);
    for (const [old, oldTexture] of this.textures) {
      if (this.textures.size <= MOST_KEPT) break;
      this.textures.delete(old);
      this.device.retireTexture(oldTexture);
    }
    return texture;
  }

  private uploaded({ dimensions, size, values }: ColourTable): WebGLTexture {
    const { gl } = this.device;
    const side = dimensions === 1 ? 1 : size;
    const texture = this.device.textureArray(size, side, side, gl.RGB32F, 12);
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, texture);
    gl.texSubImage3D(gl.TEXTURE_2D_ARRAY, 0, 0, 0, 0, size, side, side, gl.RGB, gl.FLOAT, values);
    return texture;
  }
}
