/** Pictures on the GPU, uploaded when first drawn and again when their pixels change, kept least recently used. */
import type { PicturePixels } from '@/core/moment/moment';
import type { Rect } from '@/core/raster/rect';
import type { LightSpace } from '@/core/raster/colour';
import type { Device } from './device';

export const PICTURE_BUDGET_BYTES = 512 * 1024 * 1024;

export interface PictureTextures {
  art: WebGLTexture;
  normals: WebGLTexture | null;
  glow: WebGLTexture | null;
  bytes: number;
}

export class PictureCache {
  private readonly entries = new Map<
    string,
    { pixels: PicturePixels; space: LightSpace; textures: PictureTextures }
  >();
  private bytes = 0;

  constructor(
    private readonly device: Device,
    private readonly budget = PICTURE_BUDGET_BYTES,
  ) {}

  /** @param space where the scene lights: art of linear scenes is decoded by the texture itself */
  get(key: string, pixels: PicturePixels, space: LightSpace): PictureTextures {
    const entry = this.entries.get(key);
    if (entry && entry.pixels === pixels && entry.space === space) {
      this.entries.delete(key);
      this.entries.set(key, entry);
      return entry.textures;
    }
    const textures = entry && this.renewed(entry, pixels, space);
    if (textures) {
      entry.pixels = pixels;
      return textures;
    }
    if (entry) this.drop(key);
    return this.put(key, pixels, space);
  }

  /** Writes normals into a part of a picture that is there, as under a brush. */
  patchNormals(key: string, { left, top, right, bottom }: Rect, rgba: Uint8Array): void {
    const texture = this.entries.get(key)?.textures.normals;
    if (!texture) return;
    const { gl } = this.device;
    gl.bindTexture(gl.TEXTURE_2D, texture);
    gl.pixelStorei(gl.UNPACK_ALIGNMENT, 1);
    gl.texSubImage2D(
      gl.TEXTURE_2D,
      0,
      left,
      top,
      right - left,
      bottom - top,
      gl.RGBA,
      gl.UNSIGNED_BYTE,
      rgba,
    );
  }

  /** The textures of the same art with other normals: only those are uploaded. */
  private renewed(
    {
      pixels: last,
      space: lastSpace,
      textures,
    }: { pixels: PicturePixels; space: LightSpace; textures: PictureTextures },
    pixels: PicturePixels,
    space: LightSpace,
  ): PictureTextures | null {
    const isSameArt = last.rgba === pixels.rgba && last.glow === pixels.glow && lastSpace === space;
    if (!isSameArt || !textures.normals || !pixels.normal) return null;
    const { gl } = this.device;
    gl.bindTexture(gl.TEXTURE_2D, textures.normals);
    gl.pixelStorei(gl.UNPACK_ALIGNMENT, 1);
    gl.texSubImage2D(
      gl.TEXTURE_2D,
      0,
      0,
      0,
      pixels.width,
      pixels.height,
      gl.RGBA,
      gl.UNSIGNED_BYTE,
      pixels.normal,
    );
    return textures;
  }

  private put(key: string, pixels: PicturePixels, space: LightSpace): PictureTextures {
    const textures = this.upload(pixels, space);
    this.entries.set(key, { pixels, space, textures });
    this.bytes += textures.bytes;
    for (const oldest of this.entries.keys()) {
      if (this.bytes <= this.budget || oldest === key) break;
      this.drop(oldest);
    }
    return textures;
  }

  private upload({ width, height, rgba, normal, glow }: PicturePixels, space: LightSpace): PictureTextures {
    const { gl } = this.device;
    const colours = (data: Uint8Array, internal: number) =>
      this.device.texture(width, height, internal, gl.RGBA, gl.UNSIGNED_BYTE, data, 4);
    return {
      art: colours(rgba, space === 'linear' ? gl.SRGB8_ALPHA8 : gl.RGBA8),
      normals: normal && colours(normal, gl.RGBA8),
      glow: glow && this.device.texture(width, height, gl.R8, gl.RED, gl.UNSIGNED_BYTE, glow, 1),
      bytes: width * height * (4 + (normal ? 4 : 0) + (glow ? 1 : 0)),
    };
  }

  private drop(key: string): void {
    const entry = this.entries.get(key);
    if (!entry) return;
    this.entries.delete(key);
    this.bytes -= entry.textures.bytes;
    const { art, normals, glow } = entry.textures;
    for (const texture of [art, normals, glow]) if (texture) this.device.dropTexture(texture);
  }
}
