/** The premultiplied sums of one layer at one point: what is shaded, what shines by itself, where it faces, its rims. */
import { DIAGONAL, FLIP_X, FLIP_Y, placeInTile, tileOf } from '../art/tiles';
import {
  PLAIN_PICTURE,
  type Moment,
  type MomentLayer,
  type MomentPlane,
  type MomentSprite,
  type PicturePixels,
} from '../moment/moment';
import type { Rect } from '../raster/rect';
import { SHORTEST_SUM } from './terms/facing';
import { DriftOver } from './drift-over';
import { halvingsOf, levelRect, Levels } from './levels';
import { SAMPLE, SAMPLE_SIZE, samplePicture, samplePlain } from './sample';

/** A layer's sums: albedo A, glow G, normal N, rim M and alpha. */
export class LayerSums {
  readonly albedo = new Float64Array(3);
  readonly glow = new Float64Array(3);
  readonly normal = new Float64Array(3);
  rim = 0;
  alpha = 0;
  private readonly sample = new Float64Array(SAMPLE_SIZE);
  private readonly levels = new Levels();
  private readonly drift = new DriftOver();

  /** Gathers a layer at scene place (px, py). @returns whether anything is there */
  gather(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    pixels: readonly (PicturePixels | null)[],
    px: number,
    py: number,
  ): boolean {
    this.albedo.fill(0);
    this.glow.fill(0);
    this.normal.fill(0);
    this.rim = 0;
    this.alpha = 0;
    for (const sprite of layer.sprites) {
      const picture = sprite.picture === PLAIN_PICTURE ? null : pixels[sprite.picture];
      if (picture || sprite.colour) this.over(moment, plane, sprite, picture, pixels, px, py);
    }
    return this.alpha > 0;
  }

  private over(
    moment: Moment,
    plane: MomentPlane,
    sprite: MomentSprite,
    picture: PicturePixels | null,
    pixels: readonly (PicturePixels | null)[],
    px: number,
    py: number,
  ): void {
    const { box, inverse: m, normal, frame, opacity } = sprite;
    if (px < box.left || px > box.right || py < box.top || py > box.bottom) return;
    const u = m.a * px + m.c * py + m.e;
    const v = m.b * px + m.d * py + m.f;
    if (u < 0 || v < 0 || u >= frame.right - frame.left || v >= frame.bottom - frame.top) return;
    const s = this.sample;
    if (!picture) samplePlain(sprite.colour!, s);
    else if (sprite.grid) {
      if (!sampleTile(this.levels, moment, sprite, picture, u, v, s)) return;
    } else sampleFrame(this.levels, moment, sprite, picture, 0, frame, u, v, s);
    const alpha = opacity * s[SAMPLE.alpha];
    if (alpha === 0) return;
    const { drift } = this;
    drift.at(moment, plane, sprite, pixels, px, py);
    const glowShare = sprite.selfLit ? 1 : s[SAMPLE.glow];
    // A lantern that is out, or burns low, is lit from outside like all else.
    const ownShare = sprite.selfLit ? 1 : glowShare * Math.min(1, sprite.glowLevel);
    const under = 1 - alpha;
    for (let c = 0; c < 3; c++) {
      const shaded = opacity * s[c] * plane.tint[c] * (1 - ownShare);
      const shining = opacity * s[c] * glowShare * sprite.glowLevel;
      this.albedo[c] = shaded * drift.shade[c] + under * this.albedo[c];
      this.glow[c] = shining * drift.open + alpha * drift.veil[c] + under * this.glow[c];
    }
    const facing = sprite.selfLit ? 0 : alpha;
    let [nx, ny, nz] = [0, 0, 1];
    if (normal) {
      nx = normal[0] * s[SAMPLE.nx] + normal[1] * s[SAMPLE.ny];
      ny = normal[2] * s[SAMPLE.nx] + normal[3] * s[SAMPLE.ny];
      nz = s[SAMPLE.nz];
      const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
      nx /= length;
      ny /= length;
      nz /= length;
    }
    this.normal[0] = facing * nx + under * this.normal[0];
    this.normal[1] = facing * ny + under * this.normal[1];
    this.normal[2] = facing * nz + under * this.normal[2];
    this.rim = facing * s[SAMPLE.rim] * drift.open + under * this.rim;
    this.alpha = alpha + under * this.alpha;
  }

  /** Brings the summed normal to unit length; flat where the sum says nothing. */
  face(): void {
    const [x, y, z] = this.normal;
    const length = Math.sqrt(x * x + y * y + z * z);
    if (length < SHORTEST_SUM) this.normal.set([0, 0, 1]);
    else this.normal.set([x / length, y / length, z / length]);
  }
}

/** Reads a frame of a sprite's art, or of its halved level. */
function sampleFrame(
  levels: Levels,
  { pixelArt, lightSpace, view }: Moment,
  sprite: MomentSprite,
  picture: PicturePixels,
  index: number,
  frame: Rect,
  u: number,
  v: number,
  out: Float64Array,
): void {
  const halvings = pixelArt ? 0 : halvingsOf(sprite, view);
  if (halvings === 0) return samplePicture(picture, frame, u, v, pixelArt, lightSpace, out);
  const level = levels.of(sprite, picture, halvings, lightSpace);
  const { scale } = level;
  samplePicture(level.pixels, levelRect(level, index), u * scale, v * scale, false, lightSpace, out);
}

/** Reads a grid of frames at a place of its own. @returns whether a tile is there */
function sampleTile(
  levels: Levels,
  moment: Moment,
  sprite: MomentSprite,
  picture: PicturePixels,
  u: number,
  v: number,
  out: Float64Array,
): boolean {
  const { cells, columns, cellWidthPx, cellHeightPx, frames } = sprite.grid!;
  const [column, row] = [Math.floor(u / cellWidthPx), Math.floor(v / cellHeightPx)];
  const tile = tileOf(cells[row * columns + column]);
  if (!tile || 4 * tile.frame >= frames.length) return false;
  const [left, top, width, height] = frames.subarray(4 * tile.frame, 4 * tile.frame + 4);
  const { orientation } = tile;
  const [x, y] = placeInTile(
    orientation,
    u - column * cellWidthPx,
    v - row * cellHeightPx,
    cellWidthPx,
    cellHeightPx,
  );
  if (x < 0 || y < 0 || x >= width || y >= height) return false;
  const frame = { left, top, right: left + width, bottom: top + height };
  sampleFrame(levels, moment, sprite, picture, tile.frame, frame, x, y, out);
  // The normal goes the other way: from the tile to its cell.
  const { nx, ny } = SAMPLE;
  if (orientation & DIAGONAL) [out[nx], out[ny]] = [out[ny], out[nx]];
  if (orientation & FLIP_X) out[nx] = -out[nx];
  if (orientation & FLIP_Y) out[ny] = -out[ny];
  return true;
}
