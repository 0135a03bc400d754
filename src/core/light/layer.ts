/** The premultiplied sums of one layer at places: what is shaded, what shines by itself, where it faces, its rims. */
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
import { onePlace, type Places } from './places';
import { SAMPLE, SAMPLE_SIZE, samplePicture, samplePlain } from './sample';

/** A layer's sums at places: albedo A, glow G and normal N, three values each, rim M and alpha. */
export class LayerSums {
  albedo = new Float64Array(3);
  glow = new Float64Array(3);
  normal = new Float64Array(3);
  rim = new Float64Array(1);
  alpha = new Float64Array(1);
  private readonly sample = new Float64Array(SAMPLE_SIZE);
  private readonly levels = new Levels();
  private readonly drift = new DriftOver();
  private readonly place = onePlace();

  /** Gathers a layer at one scene place. @returns whether anything is there */
  gather(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    pixels: readonly (PicturePixels | null)[],
    px: number,
    py: number,
  ): boolean {
    this.place.x[0] = px;
    this.place.y[0] = py;
    this.gatherAll(moment, plane, layer, pixels, this.place);
    return this.alpha[0] > 0;
  }

  /** Gathers a layer at places: where nothing of it is its alpha is 0, and its normal is not yet of unit length. */
  gatherAll(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    pixels: readonly (PicturePixels | null)[],
    places: Places,
  ): void {
    this.clear(places.count);
    for (const sprite of layer.sprites) {
      const picture = sprite.picture === PLAIN_PICTURE ? null : pixels[sprite.picture];
      if (picture || sprite.colour) this.over(moment, plane, sprite, picture, pixels, places);
    }
  }

  private clear(count: number): void {
    if (this.alpha.length < count) {
      this.albedo = new Float64Array(3 * count);
      this.glow = new Float64Array(3 * count);
      this.normal = new Float64Array(3 * count);
      this.rim = new Float64Array(count);
      this.alpha = new Float64Array(count);
      return;
    }
    for (const values of [this.albedo, this.glow, this.normal]) values.fill(0, 0, 3 * count);
    this.rim.fill(0, 0, count);
    this.alpha.fill(0, 0, count);
  }

  private over(
    moment: Moment,
    plane: MomentPlane,
    sprite: MomentSprite,
    picture: PicturePixels | null,
    pixels: readonly (PicturePixels | null)[],
    { count, x, y }: Places,
  ): void {
    const { box, inverse, normal, frame, opacity, selfLit, glowLevel } = sprite;
    const { left, top, right, bottom } = box;
    const { a, b, c: mc, d, e, f } = inverse;
    const [width, height] = [frame.right - frame.left, frame.bottom - frame.top];
    const [red, green, blue] = plane.tint;
    const { sample: s, drift, albedo, glow, normal: sum, rim, alpha: covers } = this;
    const read = this.reader(moment, sprite, picture);
    for (let i = 0, at = 0; i < count; i++, at += 3) {
      const px = x[i];
      const py = y[i];
      if (px < left || px > right || py < top || py > bottom) continue;
      const u = a * px + mc * py + e;
      const v = b * px + d * py + f;
      if (u < 0 || v < 0 || u >= width || v >= height || !read(u, v)) continue;
      const alpha = opacity * s[SAMPLE.alpha];
      if (alpha === 0) continue;
      drift.at(moment, plane, sprite, pixels, px, py);
      const { shade, veil, open } = drift;
      const glowShare = selfLit ? 1 : s[SAMPLE.glow];
      // A lantern that is out, or burns low, is lit from outside like all else.
      const lit = opacity * (1 - (selfLit ? 1 : glowShare * Math.min(1, glowLevel)));
      const shining = opacity * glowShare * glowLevel * open;
      const under = 1 - alpha;
      albedo[at] = s[0] * red * lit * shade[0] + under * albedo[at];
      albedo[at + 1] = s[1] * green * lit * shade[1] + under * albedo[at + 1];
      albedo[at + 2] = s[2] * blue * lit * shade[2] + under * albedo[at + 2];
      for (let c = 0; c < 3; c++) glow[at + c] = s[c] * shining + alpha * veil[c] + under * glow[at + c];
      const facing = selfLit ? 0 : alpha;
      let nx = 0;
      let ny = 0;
      let nz = 1;
      if (normal) {
        nx = normal[0] * s[SAMPLE.nx] + normal[1] * s[SAMPLE.ny];
        ny = normal[2] * s[SAMPLE.nx] + normal[3] * s[SAMPLE.ny];
        nz = s[SAMPLE.nz];
        const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
        nx /= length;
        ny /= length;
        nz /= length;
      }
      sum[at] = facing * nx + under * sum[at];
      sum[at + 1] = facing * ny + under * sum[at + 1];
      sum[at + 2] = facing * nz + under * sum[at + 2];
      rim[i] = facing * s[SAMPLE.rim] * open + under * rim[i];
      covers[i] = alpha + under * covers[i];
    }
  }

  /** Reads a sprite at places of its frame, into the sample. @returns what says whether anything is there */
  private reader(
    moment: Moment,
    sprite: MomentSprite,
    picture: PicturePixels | null,
  ): (u: number, v: number) => boolean {
    const { sample, levels } = this;
    if (!picture) {
      samplePlain(sprite.colour!, sample);
      return always;
    }
    if (sprite.grid) return (u, v) => sampleTile(levels, moment, sprite, picture, u, v, sample);
    const { pixelArt, lightSpace } = moment;
    if (pixelArt || halvingsOf(sprite, moment.view) === 0)
      return (u, v) => {
        samplePicture(picture, sprite.frame, u, v, pixelArt, lightSpace, sample);
        return true;
      };
    return (u, v) => {
      sampleFrame(levels, moment, sprite, picture, 0, sprite.frame, u, v, sample);
      return true;
    };
  }

  /** Brings the summed normals to unit length; flat where a sum says nothing. */
  face(count = 1): void {
    const { normal } = this;
    for (let at = 0; at < 3 * count; at += 3) {
      const x = normal[at];
      const y = normal[at + 1];
      const z = normal[at + 2];
      const length = Math.sqrt(x * x + y * y + z * z);
      const isFlat = length < SHORTEST_SUM;
      normal[at] = isFlat ? 0 : x / length;
      normal[at + 1] = isFlat ? 0 : y / length;
      normal[at + 2] = isFlat ? 1 : z / length;
    }
  }
}

const always = () => true;

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
