/**
 * Pictures on the GPU, uploaded when first drawn and again when their pixels change. Small ones share the layers of one
 * texture array, so that sprites of many artworks are drawn at once; a large one has arrays of its own.
 */
import ShelfPack from '@mapbox/shelf-pack';
import type { PicturePixels } from '@/core/moment/moment';
import type { LightSpace } from '@/core/raster/colour';
import type { Rect } from '@/core/raster/rect';
import type { Device } from './device';

export const PICTURE_BUDGET_BYTES = 512 * 1024 * 1024;
/** Side of a shared page, and of the largest picture that goes onto one. */
const PAGE_PX = 1024;
const SMALL_PX = 512;
const BYTES_PER_PIXEL = 10;

/** Art, normals, and self-lit shares with rims, of the same places. */
export interface PictureArrays {
  art: WebGLTexture;
  normals: WebGLTexture;
  masks: WebGLTexture;
  widthPx: number;
  heightPx: number;
  layers: number;
}

/** Where a picture lies. */
export interface PicturePlace {
  arrays: PictureArrays;
  layer: number;
  x: number;
  y: number;
  hasNormals: boolean;
  hasMasks: boolean;
}

interface Entry {
  pixels: PicturePixels;
  place: PicturePlace;
}

export class PictureCache {
  private readonly entries = new Map<string, Entry>();
  private space: LightSpace = 'linear';
  private packs: ShelfPack[] = [];
  private pages: PictureArrays | null = null;
  /** Bytes of all pictures that are kept. */
  bytes = 0;
  /** How often pixels were brought to the GPU. */
  uploads = 0;

  constructor(
    private readonly device: Device,
    private readonly budget = PICTURE_BUDGET_BYTES,
  ) {}

  /** @param space where the scene lights: art of linear scenes is decoded by the texture itself */
  get(key: string, pixels: PicturePixels, space: LightSpace): PicturePlace {
    if (space !== this.space) {
      this.dropAll();
      this.space = space;
    }
    const entry = this.entries.get(key);
    if (entry?.pixels === pixels) {
      if (entry.place.arrays !== this.pages) {
        // What was used last goes last.
        this.entries.delete(key);
        this.entries.set(key, entry);
      }
      return entry.place;
    }
    if (entry && entry.pixels.width === pixels.width && entry.pixels.height === pixels.height) {
      this.upload(entry.place, pixels, entry.pixels);
      entry.place = { ...entry.place, ...whatHas(pixels) };
      entry.pixels = pixels;
      return entry.place;
    }
    if (entry) this.drop(key);
    return this.put(key, pixels);
  }

  /** Writes normals into a part of a picture that is there, as under a brush. */
  patchNormals(key: string, { left, top, right, bottom }: Rect, rgba: Uint8Array): void {
    const place = this.entries.get(key)?.place;
    if (!place?.hasNormals) return;
    const { gl } = this.device;
    const at = { layer: place.layer, x: place.x + left, y: place.y + top };
    this.write(place.arrays.normals, at, right - left, bottom - top, gl.RGBA, rgba);
  }

  private put(key: string, pixels: PicturePixels): PicturePlace {
    const { width, height } = pixels;
    const spot =
      width <= SMALL_PX && height <= SMALL_PX ? this.packed(width, height) : this.alone(width, height);
    const place = { ...spot, ...whatHas(pixels) };
    this.upload(place, pixels, null);
    this.entries.set(key, { pixels, place });
    for (const [oldest, { place: other }] of this.entries) {
      if (this.bytes <= this.budget || oldest === key) break;
      if (other.arrays !== this.pages) this.drop(oldest);
    }
    return place;
  }

  private alone(width: number, height: number): Pick<PicturePlace, 'arrays' | 'layer' | 'x' | 'y'> {
    return { arrays: this.make(width, height, 1), layer: 0, x: 0, y: 0 };
  }

  private packed(width: number, height: number): Pick<PicturePlace, 'arrays' | 'layer' | 'x' | 'y'> {
    for (let layer = 0; ; layer++) {
      if (layer === this.packs.length) this.packs.push(new ShelfPack(PAGE_PX, PAGE_PX));
      const bin = this.packs[layer].packOne(width, height);
      if (!bin) continue;
      return { arrays: this.pagesFor(layer + 1), layer, x: bin.x, y: bin.y };
    }
  }

  /** The shared pages, at least as many as asked for; what lies on them moves along when they grow. */
  private pagesFor(count: number): PictureArrays {
    const last = this.pages;
    if (last && last.layers >= count) return last;
    const pages = this.make(PAGE_PX, PAGE_PX, last ? Math.max(count, 2 * last.layers) : count);
    this.pages = pages;
    if (last) {
      for (const entry of this.entries.values()) {
        if (entry.place.arrays !== last) continue;
        entry.place = { ...entry.place, arrays: pages };
        this.upload(entry.place, entry.pixels, null);
      }
      this.dispose(last);
    }
    return pages;
  }

  private make(widthPx: number, heightPx: number, layers: number): PictureArrays {
    const { gl } = this.device;
    const array = (internal: number, bytes: number) =>
      this.device.textureArray(widthPx, heightPx, layers, internal, bytes);
    this.bytes += widthPx * heightPx * layers * BYTES_PER_PIXEL;
    return {
      art: array(this.space === 'linear' ? gl.SRGB8_ALPHA8 : gl.RGBA8, 4),
      normals: array(gl.RGBA8, 4),
      masks: array(gl.RG8, 2),
      widthPx,
      heightPx,
      layers,
    };
  }

  private dispose({ art, normals, masks, widthPx, heightPx, layers }: PictureArrays): void {
    this.bytes -= widthPx * heightPx * layers * BYTES_PER_PIXEL;
    for (const texture of [art, normals, masks]) this.device.dropTexture(texture);
  }

  /** @param last what lies there already; only what differs from it is written */
  private upload(place: PicturePlace, pixels: PicturePixels, last: PicturePixels | null): void {
    const { gl } = this.device;
    const { width, height, rgba, normal, glow, rim } = pixels;
    const { arrays } = place;
    if (rgba !== last?.rgba) this.write(arrays.art, place, width, height, gl.RGBA, rgba);
    if (normal && normal !== last?.normal) this.write(arrays.normals, place, width, height, gl.RGBA, normal);
    const hasMasks = glow !== null || rim !== null;
    if (hasMasks && (glow !== last?.glow || rim !== last.rim))
      this.write(arrays.masks, place, width, height, gl.RG, inTurn(glow, rim, width * height));
  }

  private write(
    texture: WebGLTexture,
    { layer, x, y }: Pick<PicturePlace, 'layer' | 'x' | 'y'>,
    width: number,
    height: number,
    format: number,
    data: Uint8Array,
  ): void {
    const { gl } = this.device;
    this.uploads++;
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, texture);
    gl.texSubImage3D(gl.TEXTURE_2D_ARRAY, 0, x, y, layer, width, height, 1, format, gl.UNSIGNED_BYTE, data);
  }

  private drop(key: string): void {
    const entry = this.entries.get(key);
    if (!entry) return;
    this.entries.delete(key);
    // A place on a page stays taken until all pages are made anew.
    if (entry.place.arrays !== this.pages) this.dispose(entry.place.arrays);
  }

  private dropAll(): void {
    for (const key of [...this.entries.keys()]) this.drop(key);
    if (this.pages) this.dispose(this.pages);
    this.pages = null;
    this.packs = [];
  }
}

function whatHas({ normal, glow, rim }: PicturePixels): Pick<PicturePlace, 'hasNormals' | 'hasMasks'> {
  return { hasNormals: normal !== null, hasMasks: glow !== null || rim !== null };
}

/** Two masks pixel by pixel; one that is missing is 0. */
function inTurn(glow: Uint8Array | null, rim: Uint8Array | null, pixels: number): Uint8Array {
  const both = new Uint8Array(2 * pixels);
  if (glow) for (let i = 0; i < pixels; i++) both[2 * i] = glow[i];
  if (rim) for (let i = 0; i < pixels; i++) both[2 * i + 1] = rim[i];
  return both;
}
