/**
 * Pictures on the GPU, uploaded when first drawn and again when their pixels change. Small ones share pages, a large one has
 * arrays of its own. What was not drawn for longest goes where the budget is reached; what the picture that is being made
 * has read from stays until it is through.
 */
import { LRUCache } from 'lru-cache';
import type { PicturePixels } from '@/core/moment/moment';
import type { LightSpace } from '@/core/raster/colour';
import type { Rect } from '@/core/raster/rect';
import type { Device } from './device';
import { PAGE_PX, PagePlan, SMALL_PX, type PageSpot } from './picture-pages';

const BYTES_PER_PIXEL = 10;
/** Before pages are added, small pictures that were not drawn in so many pictures of the scene give up their places. */
const IDLE_PICTURES = 60;
/** Pages of which less than this share is used are packed anew. */
const FULL_ENOUGH = 0.4;

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
  /** Its place on the shared pages; null has arrays of its own. */
  spot: PageSpot | null;
  /** The picture of the scene that last drew it. */
  drawn: number;
}

/** A halved level of a picture, which lies there under its own name. */
export interface NamedLevel {
  name: string;
  pixels: PicturePixels;
}

export class PictureCache {
  private readonly entries: LRUCache<string, Entry>;
  private readonly plan = new PagePlan();
  /** Pictures that were asked for and are not there. */
  private readonly absent = new Set<string>();
  /** Places of pictures that went while this picture of the scene may still read them. */
  private readonly leaving: PageSpot[] = [];
  /** What the pages held when they were last packed: packing the same again gains nothing. */
  private packedPixels = 0;
  private pages: PictureArrays | null = null;
  private space: LightSpace = 'linear';
  private picture = 0;
  /** Bytes of all pictures and pages that are kept. */
  bytes = 0;
  /** How often any picture became another one, came or went: what was made of pictures holds while it stays the same. */
  changes = 0;
  /** How often pixels were brought to the GPU. */
  uploads = 0;

  constructor(
    private readonly device: Device,
    budget: number,
  ) {
    this.entries = new LRUCache({
      maxSize: budget,
      sizeCalculation: ({ pixels }) => pixels.width * pixels.height * BYTES_PER_PIXEL,
      dispose: (entry) => this.release(entry),
    });
  }

  /**
   * Where a picture lies, brought there if it does not yet.
   * @param pixels null while the picture is not there, and then it has no place
   * @param space where the scene lights: art of linear scenes is decoded by the texture itself
   * @param level what is drawn in the place of the picture where it is small
   */
  get(
    key: string,
    pixels: PicturePixels | null,
    space: LightSpace,
    level: NamedLevel | null = null,
  ): PicturePlace | null {
    if (space !== this.space) this.clear(space);
    if (!pixels) {
      if (!this.absent.has(key)) this.changes++;
      this.absent.add(key);
      this.entries.delete(key);
      return null;
    }
    if (this.absent.delete(key)) this.changes++;
    return level ? this.placeOf(`${key} ${level.name}`, level.pixels) : this.placeOf(key, pixels);
  }

  private placeOf(key: string, pixels: PicturePixels): PicturePlace {
    const entry = this.entries.get(key);
    if (entry && isSameSize(entry.pixels, pixels)) {
      entry.drawn = this.picture;
      if (entry.pixels === pixels) return entry.place;
      this.changes++;
      this.upload(entry.place, pixels, entry.pixels);
      entry.place = { ...entry.place, ...whatHas(pixels) };
      entry.pixels = pixels;
      return entry.place;
    }
    this.changes++;
    this.entries.delete(key);
    return this.put(key, pixels);
  }

  /** Writes normals into a part of a picture that is there, as under a brush. */
  patchNormals(key: string, { left, top, right, bottom }: Rect, rgba: Uint8Array): void {
    const place = this.entries.peek(key)?.place;
    if (!place?.hasNormals) return;
    this.changes++;
    const { gl } = this.device;
    const at = { layer: place.layer, x: place.x + left, y: place.y + top };
    this.write(place.arrays.normals, at, right - left, bottom - top, gl.RGBA, rgba);
  }

  /** To be called once a picture of the scene: pages that are hardly used are packed anew. */
  tidy(): void {
    this.picture++;
    const { plan } = this;
    for (const spot of this.leaving.splice(0)) plan.free(spot);
    const isHardlyUsed = plan.usedPixels < FULL_ENOUGH * plan.layers * PAGE_PX * PAGE_PX;
    if (plan.layers > 1 && isHardlyUsed && plan.usedPixels !== this.packedPixels) this.repack();
  }

  private put(key: string, pixels: PicturePixels): PicturePlace {
    const { width, height } = pixels;
    const isSmall = width <= SMALL_PX && height <= SMALL_PX;
    const spot = isSmall ? this.spotFor(width, height) : null;
    const arrays = spot ? this.pages! : this.make(width, height, 1);
    const { layer, x, y } = spot ?? { layer: 0, x: 0, y: 0 };
    const place: PicturePlace = { arrays, layer, x, y, ...whatHas(pixels) };
    this.upload(place, pixels, null);
    const entry = { pixels, place, spot, drawn: this.picture };
    this.entries.set(key, entry);
    // A picture that is larger than the budget is drawn all the same, and goes with its frame.
    if (!this.entries.has(key)) this.release(entry);
    return place;
  }

  private spotFor(width: number, height: number): PageSpot {
    const { plan } = this;
    let spot = plan.place(width, height);
    if (!spot && this.dropIdle()) spot = plan.place(width, height);
    spot ??= plan.placeOnNew(width, height);
    this.growPages(plan.layers);
    return spot;
  }

  /** @returns whether any place became free */
  private dropIdle(): boolean {
    const idle = [...this.entries.entries()].filter(
      ([, { spot, drawn }]) => spot !== null && this.picture - drawn > IDLE_PICTURES,
    );
    for (const [key] of idle) this.entries.delete(key);
    return idle.length > 0;
  }

  /** Makes the pages anew where there are too few; what lies on them moves along. */
  private growPages(layers: number): void {
    if (this.pages && this.pages.layers >= layers) return;
    const last = this.pages;
    this.pages = this.make(PAGE_PX, PAGE_PX, last ? Math.max(layers, Math.ceil(1.5 * last.layers)) : layers);
    for (const entry of this.entries.values()) if (entry.spot) this.moveTo(entry, entry.spot);
    if (last) this.dispose(last);
  }

  /** Packs what lies on the pages into as few as it takes. */
  private repack(): void {
    const { plan, entries } = this;
    const small = [...entries.values()].filter(({ spot }) => spot !== null);
    const last = this.pages!;
    plan.clear();
    // The highest first, so that rows fill well.
    small.sort((a, b) => b.pixels.height - a.pixels.height);
    const spots = small.map(({ pixels: { width, height } }) => {
      return plan.place(width, height) ?? plan.placeOnNew(width, height);
    });
    if (plan.layers < last.layers) {
      this.pages = plan.layers > 0 ? this.make(PAGE_PX, PAGE_PX, plan.layers) : null;
      this.dispose(last);
    }
    this.packedPixels = plan.usedPixels;
    small.forEach((entry, i) => this.moveTo(entry, spots[i]));
  }

  private moveTo(entry: Entry, spot: PageSpot): void {
    const { layer, x, y } = spot;
    entry.spot = spot;
    entry.place = { ...entry.place, arrays: this.pages!, layer, x, y };
    this.upload(entry.place, entry.pixels, null);
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

  /** Sprites that were gathered already may still be drawn from these. */
  private dispose({ art, normals, masks, widthPx, heightPx, layers }: PictureArrays): void {
    this.bytes -= widthPx * heightPx * layers * BYTES_PER_PIXEL;
    for (const texture of [art, normals, masks]) this.device.retireTexture(texture);
  }

  private release({ spot, place, drawn }: Entry): void {
    if (!spot) this.dispose(place.arrays);
    else if (drawn === this.picture) this.leaving.push(spot);
    else this.plan.free(spot);
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

  private clear(space: LightSpace): void {
    this.entries.clear();
    if (this.pages) this.dispose(this.pages);
    this.pages = null;
    this.plan.clear();
    this.leaving.length = 0;
    this.space = space;
    this.changes++;
  }
}

function isSameSize(a: PicturePixels, b: PicturePixels): boolean {
  return a.width === b.width && a.height === b.height;
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
