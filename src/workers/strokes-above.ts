/**
 * Layers above the one that is painted on, laid over a stroke under the hand. What they add to the height is taken as
 * it was before the stroke, which is exact but for smoothing and flattening; the kept relief is always made anew.
 */
import type { Rect } from '@/core/raster/rect';
import { paintGroundOf, type ReliefGround } from '@/core/relief/ground';
import { placedLayers } from '@/core/relief/make-ground';
import type { ReliefSource } from '@/core/relief/source';
import { copiedPlanes, paintLayer, type Planes } from '@/core/relief/strokes/painted';

export class StrokesAbove {
  /** The planes as they are seen, all layers together. */
  readonly shown: Planes;
  private readonly added: Planes;

  /**
   * @param below the planes with all layers up to the one that is painted on
   * @param upTo how many layers those are
   */
  constructor(source: ReliefSource, ground: ReliefGround, below: Planes, upTo: number) {
    const layers = placedLayers(source, ground).slice(upTo);
    // Over nothing but the height, so that facings are those of these layers alone.
    this.added = { heights: below.heights.slice(), facing: null, rim: null, glow: null };
    for (const layer of layers) paintLayer(paintGroundOf(ground), this.added, layer);
    this.shown = copiedPlanes(below);
    const { heights } = this.added;
    for (let i = 0; i < heights.length; i++) heights[i] -= below.heights[i];
    const { width, height } = ground.image;
    this.lay(below, { left: 0, top: 0, right: width, bottom: height }, width);
  }

  /** Lays the layers over planes that changed within a part. */
  lay(planes: Planes, { left, top, right, bottom }: Rect, width: number): void {
    const { shown, added } = this;
    const size = planes.heights.length;
    const isFaced = planes.facing !== null || added.facing !== null;
    if (isFaced)
      shown.facing ??= {
        nx: new Float32Array(size),
        ny: new Float32Array(size),
        share: new Float32Array(size),
      };
    for (let y = top; y < bottom; y++) {
      for (let i = y * width + left, end = y * width + right; i < end; i++) {
        shown.heights[i] = planes.heights[i] + added.heights[i];
        if (isFaced) this.layFacing(planes, i);
      }
    }
  }

  private layFacing({ facing: own }: Planes, i: number): void {
    const { added } = this;
    const out = this.shown.facing!;
    const over = added.facing?.share[i] ?? 0;
    const under = own?.share[i] ?? 0;
    const share = under + over * (1 - under);
    const t = share === 0 ? 0 : over / share;
    out.nx[i] = (own?.nx[i] ?? 0) * (1 - t) + (added.facing?.nx[i] ?? 0) * t;
    out.ny[i] = (own?.ny[i] ?? 0) * (1 - t) + (added.facing?.ny[i] ?? 0) * t;
    out.share[i] = share;
  }
}
