/** The shapes that standing sprites throw onto the ground in the sun. */
import { rectOf } from '../art/frames';
import { applyTo, composed, inverse, mappedBox, moved, type Affine, type Box } from '../geometry/affine';
import { RADIANS_PER_DEGREE, sin } from '../geometry/exact';
import { compare } from '../scene/document';
import type { Artwork, ArtworkFrame } from '../scene/records/artwork';
import { groundWay } from './ground';
import type { MomentCast, MomentLight, MomentSource } from './moment';
import type { MomentStage } from './stage';
import { shownFrame } from './standing';

/** Shadows of a low sun are no longer than this many times what throws them. */
export const LONGEST_CAST = 8;
/** A sun from the side still throws a shape as high as this share of what throws it. */
export const FLATTEST_CAST = 0.15;

/** A foot line narrower than this has no slope. */
const UPRIGHT_PX = 1e-6;
/** The most that the softening of a shape may grow with each px that it is grown by already. */
const WIDEST_GROWTH = 0.9;

/** A sun straight above, or from the side, is off by a little of the last bits of its sines. */
const ROUNDING = 1e-9;

/** Where a shape goes for each px above the foot, as a way on the picture; null where nothing is thrown. */
export function castWay(source: MomentSource, viewTiltDeg: number): [number, number] | null {
  if (!source.parallel || viewTiltDeg <= 0) return null;
  const { away, up } = groundWay(source, viewTiltDeg);
  if (up <= 0) return null;
  const planar = Math.sqrt(source.x * source.x + away * away);
  if (planar < ROUNDING) return [0, FLATTEST_CAST];
  const cot = Math.min(LONGEST_CAST, planar / up);
  const across = (-cot * source.x) / planar;
  const down = (cot * away * sin(viewTiltDeg * RADIANS_PER_DEGREE)) / planar;
  if (Math.abs(down) >= FLATTEST_CAST) return [across, down];
  return [across, down < -ROUNDING ? -FLATTEST_CAST : FLATTEST_CAST];
}

/** Finds the shapes that standing sprites throw, light by light, and keeps them in their order. */
export class Casts {
  readonly all: MomentCast[] = [];
  private standers: readonly Stander[] | null = null;

  constructor(private readonly stage: MomentStage) {}

  /** @returns the numbers of the shapes in a sun */
  in(light: MomentLight): number[] {
    const { settings } = this.stage;
    const way = castWay(light.source, settings.viewTiltDeg);
    if (!way) return [];
    this.standers ??= standersOf(this.stage);
    const numbers: number[] = [];
    for (const stander of this.standers) {
      if (stander.plane < light.spanFar || stander.plane > light.spanNear) continue;
      numbers.push(this.all.length);
      this.all.push(castOf(stander, way, light.size));
    }
    return numbers;
  }
}

/** A sprite that throws its shape, with all of it that is the same for every sun. */
interface Stander {
  picture: number;
  plane: number;
  opacity: number;
  frame: ArtworkFrame;
  map: Affine;
  back: Affine;
  foot: Foot;
}

/** By id, so that their order in the document changes no bit. */
function standersOf({ scene, standing, planeStack: planeOrder, pictureIndex }: MomentStage): Stander[] {
  return Object.entries(scene.sprites)
    .filter(([, sprite]) => sprite.castsShape && sprite.artworkId !== null && standing.shows(sprite))
    .sort(([a], [b]) => compare(a, b))
    .flatMap(([, sprite]) => {
      const stood = standing.sprite(sprite);
      if (!stood) return [];
      const { frame, map } = shownFrame(stood);
      const back = inverse(map);
      if (!back) return [];
      return [
        {
          picture: pictureIndex.get(sprite.artworkId!)!,
          plane: planeOrder.index.get(sprite.planeId)!,
          opacity: sprite.opacity * standing.presence(sprite),
          ...{ frame, map, back, foot: footOf(stood.artwork, map, frame) },
        },
      ];
    });
}

function castOf(
  { picture, plane, opacity, frame, map, back, foot }: Stander,
  way: readonly [number, number],
  size: number,
): MomentCast {
  const { thrown, above } = thrownBy(way, foot);
  const spread = size * Math.sqrt(back.a * back.a + back.b * back.b);
  return {
    ...{ picture, plane, opacity, above, spread },
    frame: rectOf(frame),
    inverse: composed(back, inverse(thrown)!),
    box: softenedBox(composed(thrown, map), above, spread, frame),
  };
}

/** The line on which a figure stands, in the scene: y = at + slope x. */
interface Foot {
  at: number;
  slope: number;
}

/**
 * Where the ground place of a height above a foot line lies, and how high above it a ground place stands for. A px at
 * (x, y) is t = at + slope x - y above its foot; its shadow falls t ways from there.
 */
function thrownBy(
  [across, down]: readonly [number, number],
  { at, slope }: Foot,
): { thrown: Affine; above: MomentCast['above'] } {
  // How far each px of height leads away from the foot line; along it a shape would have no width.
  const apart = down - across * slope;
  const away = Math.abs(apart) >= FLATTEST_CAST ? apart : apart < -ROUNDING ? -FLATTEST_CAST : FLATTEST_CAST;
  const step = away + across * slope;
  return {
    thrown: {
      a: 1 + across * slope,
      b: slope + step * slope,
      c: -across,
      d: -step,
      e: across * at,
      f: at + step * at,
    },
    above: [-slope / away, 1 / away, -at / away],
  };
}

/** Where a figure stands: its foot, or the lower side of its frame. A foot line that stands upright counts as its middle. */
function footOf({ foot }: Artwork, map: Affine, frame: ArtworkFrame): Foot {
  const { shiftX, shiftY, widthPx, heightPx } = frame;
  if (foot.length === 0) return { at: applyTo(map, widthPx / 2, heightPx)[1], slope: 0 };
  const [ax, ay] = applyTo(map, foot[0] - shiftX, foot[1] - shiftY);
  if (foot.length === 2) return { at: ay, slope: 0 };
  const [bx, by] = applyTo(map, foot[2] - shiftX, foot[3] - shiftY);
  if (Math.abs(bx - ax) < UPRIGHT_PX) return { at: (ay + by) / 2, slope: 0 };
  const slope = (by - ay) / (bx - ax);
  return { at: ay - slope * ax, slope };
}

/**
 * The box of a shape that is softened: a place shows what lies up to `spread` times its height to its sides, so the frame is
 * grown by as much as its highest place, itself grown, asks for.
 */
function softenedBox(
  forward: Affine,
  [a, b, c]: MomentCast['above'],
  spread: number,
  { widthPx, heightPx }: ArtworkFrame,
): Box {
  const plain = mappedBox(forward, widthPx, heightPx);
  if (spread === 0) return plain;
  const heightAt = (u: number, v: number) => {
    const [x, y] = applyTo(forward, u, v);
    return a * x + b * y + c;
  };
  const corner = heightAt(0, 0);
  const perU = (heightAt(widthPx, 0) - corner) / widthPx;
  const perV = (heightAt(0, heightPx) - corner) / heightPx;
  const highest = corner + Math.max(0, perU * widthPx) + Math.max(0, perV * heightPx);
  // A sun so large that a shape would widen faster than it rises is held to this.
  const growth = Math.min(WIDEST_GROWTH, spread * (Math.abs(perU) + Math.abs(perV)));
  const room = (spread * Math.max(0, highest)) / (1 - growth);
  return mappedBox(moved(forward, -room, -room), widthPx + 2 * room, heightPx + 2 * room);
}
