/** A stroke under the hand: laid on piece by piece, each time only where it grew. */
import { commonRect, grownRect, isEmptyRect, joinedRects, NO_RECT, type Rect } from '../../raster/rect';
import { applyCovered, copiedPlanes, type PaintGround, type Planes } from './painted';
import type { PlacedStroke } from './stroke';
import { sweep } from './sweep';

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
    const grown = sweep(this.coverage, ground, stroke, this.count);
    this.count = stroke.points.length / 3;
    this.rect = joinedRects(this.rect, grown);
    applyCovered(ground, stroke, this.coverage, grown, this.from, this.planes, this.below);
    return this.withSlopes(grown);
  }

  /** Applies the whole stroke at once, as it is when it is made anew from its points; then both are the same bits. */
  finish(): Rect {
    applyCovered(this.ground, this.stroke, this.coverage, this.rect, this.from, this.planes, this.below);
    return this.withSlopes(this.rect);
  }

  /** Where facings change when heights do: a pixel more, and at a seamless border all the way to the other one. */
  private withSlopes(rect: Rect): Rect {
    const { frames, wrap } = this.ground;
    if (isEmptyRect(rect)) return rect;
    const grown = grownRect(rect, SLOPE_REACH_PX);
    return frames.reduce((all, frame) => {
      const own = commonRect(grown, frame);
      if (isEmptyRect(own)) return all;
      const isAcross = wrap.x && (grown.left < frame.left || grown.right > frame.right);
      const isDown = wrap.y && (grown.top < frame.top || grown.bottom > frame.bottom);
      return joinedRects(all, {
        left: isAcross ? frame.left : own.left,
        right: isAcross ? frame.right : own.right,
        top: isDown ? frame.top : own.top,
        bottom: isDown ? frame.bottom : own.bottom,
      });
    }, NO_RECT);
  }
}
