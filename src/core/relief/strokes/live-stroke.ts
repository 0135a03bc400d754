/** A stroke under the hand: laid on piece by piece, each time only where it grew. */
import type { Rect } from '../../raster/crop';
import { grownRect, isEmptyRect, joinedRects, NO_RECT, sweep } from './coverage';
import { applyCovered, copiedPlanes, type PaintGround, type Planes } from './painted';
import type { PlacedStroke } from './stroke';

/** Slopes of a pixel look at its neighbours. */
const SLOPE_REACH_PX = 1;

export class LiveStroke {
  /** The planes with the stroke as far as it is drawn. */
  readonly planes: Planes;
  private readonly coverage: Float32Array;
  private count = 0;
  private rect: Rect = NO_RECT;

  /**
   * @param from the planes below the stroke; not changed
   * @param below the planes below the stroke's layer, for erasing
   */
  constructor(
    private readonly ground: PaintGround,
    private readonly stroke: PlacedStroke,
    private readonly from: Planes,
    private readonly below: Planes | null,
  ) {
    this.planes = copiedPlanes(from);
    this.coverage = new Float32Array(ground.width * ground.height);
  }

  /**
   * Adds points, in the ground's px.
   * @returns where heights or facings may have changed
   */
  extend(points: readonly number[]): Rect {
    const { ground, stroke } = this;
    stroke.points.push(...points);
    const grown = sweep(this.coverage, ground.width, ground.height, stroke, ground.pixelArt, this.count);
    this.count = stroke.points.length / 3;
    this.rect = joinedRects(this.rect, grown);
    applyCovered(ground, stroke, this.coverage, grown, this.from, this.planes, this.below);
    return isEmptyRect(grown) ? grown : grownRect(grown, SLOPE_REACH_PX, ground.width, ground.height);
  }

  /** Applies the whole stroke at once, as it is when it is made anew from its points; then both are the same bits. */
  finish(): Rect {
    applyCovered(this.ground, this.stroke, this.coverage, this.rect, this.from, this.planes, this.below);
    return grownRect(this.rect, SLOPE_REACH_PX, this.ground.width, this.ground.height);
  }
}
