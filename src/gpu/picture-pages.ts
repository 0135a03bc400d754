/**
 * Texture arrays that many small pictures share, so that sprites of many artworks are drawn at once. A picture that goes
 * gives its place back; where too little of the pages is used they are packed anew.
 */
import ShelfPack, { type Bin } from '@mapbox/shelf-pack';

/** Side of a page, and of the largest picture that goes onto one. */
export const PAGE_PX = 1024;
export const SMALL_PX = 512;

/** A place on a page. */
export interface PageSpot {
  layer: number;
  x: number;
  y: number;
  bin: Bin;
}

/** Says where on pages pictures lie; the pages themselves are the cache's. */
export class PagePlan {
  private packs: ShelfPack[] = [];
  /** Pixels that pictures take. */
  usedPixels = 0;

  get layers(): number {
    return this.packs.length;
  }

  /** A place on a page that is there already, or null. */
  place(width: number, height: number): PageSpot | null {
    for (const [layer, pack] of this.packs.entries()) {
      const bin = pack.packOne(width, height);
      if (bin) return this.spot(bin, layer, width, height);
    }
    return null;
  }

  /** A place on a page that is added for it. */
  placeOnNew(width: number, height: number): PageSpot {
    const pack = new ShelfPack(PAGE_PX, PAGE_PX);
    this.packs.push(pack);
    return this.spot(pack.packOne(width, height)!, this.packs.length - 1, width, height);
  }

  free({ bin, layer }: PageSpot): void {
    this.usedPixels -= bin.w * bin.h;
    this.packs[layer].unref(bin);
  }

  clear(): void {
    this.packs = [];
    this.usedPixels = 0;
  }

  private spot(bin: Bin, layer: number, width: number, height: number): PageSpot {
    this.usedPixels += width * height;
    return { layer, x: bin.x, y: bin.y, bin };
  }
}
