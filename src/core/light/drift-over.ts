/** What drifts over a sprite at a point: what is left of it, and what lies over it. */
import type { Moment, MomentPlane, MomentSprite, PicturePixels } from '../moment/moment';
import { driftAt, DriftTiles } from '../weather/drift';

/** What it finds is overwritten by the next point. */
export class DriftOver {
  /** What is left of what light is taken back by. */
  readonly shade = new Float64Array(3);
  /** What shows through the mist of what shines by itself. */
  open = 1;
  /** What the mist adds, per unit of alpha. */
  readonly veil = new Float64Array(3);
  private readonly tiles = new DriftTiles();
  /** Nothing drifts, and this says so already. */
  private isClear = false;

  at(
    moment: Moment,
    plane: MomentPlane,
    { footY }: MomentSprite,
    pixels: readonly (PicturePixels | null)[],
    px: number,
    py: number,
  ): void {
    const { shade, veil } = this;
    if (moment.drifts.length === 0 && this.isClear) return;
    this.isClear = moment.drifts.length === 0;
    shade.fill(1);
    veil.fill(0);
    this.open = 1;
    moment.drifts.forEach((drift, i) => {
      const strength = plane.drifts[i];
      if (strength <= 0) return;
      const tile = this.tiles.of(drift, drift.picture === null ? null : pixels[drift.picture]);
      if (!tile) return;
      const y = footY === null ? py : py + (footY - py) * drift.upright;
      const d = strength * driftAt(drift, tile, px - plane.originX, y - plane.originY);
      if (drift.kind === 'mist') this.open *= 1 - d;
      for (let c = 0; c < 3; c++) {
        if (drift.kind === 'cloud') shade[c] *= 1 + (drift.colour[c] - 1) * d;
        else {
          shade[c] *= 1 - d;
          veil[c] += (drift.colour[c] - veil[c]) * d;
        }
      }
    });
  }
}
