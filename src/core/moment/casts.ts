/** The shapes that standing sprites throw onto the ground in the sun. */
import { rectOf } from '../art/frames';
import { applyTo, composed, inverse, mappedBox, type Affine } from '../geometry/affine';
import { compare, settingsOf, type Artwork } from '../scene/document';
import { RADIANS_PER_DEGREE, cos, sin } from '../geometry/exact';
import type { Lighting } from './lights';
import type { MomentCast, MomentLight, MomentSource } from './moment';
import { artOf, isShown, spriteShown } from './standing';

/** Shadows of a low sun are no longer than this many times what throws them. */
export const LONGEST_CAST = 8;
/** A sun from the side still throws a shape as high as this share of what throws it. */
export const FLATTEST_CAST = 0.15;

/** A sun straight above, or from the side, is off by a little of the last bits of its sines. */
const ROUNDING = 1e-9;

/** Where a shape goes for each px above the foot, as a way on the picture; null where nothing is thrown. */
export function castWay(source: MomentSource, viewTiltDeg: number): [number, number] | null {
  if (!source.parallel || viewTiltDeg <= 0) return null;
  const tilt = viewTiltDeg * RADIANS_PER_DEGREE;
  // From the picture's axes to those of the ground: to the right, away from the viewer, up.
  const up = -source.y * cos(tilt) + source.z * sin(tilt);
  const away = -source.y * sin(tilt) - source.z * cos(tilt);
  if (up <= 0) return null;
  const planar = Math.sqrt(source.x * source.x + away * away);
  if (planar < ROUNDING) return [0, FLATTEST_CAST];
  const cot = Math.min(LONGEST_CAST, planar / up);
  const across = (-cot * source.x) / planar;
  const down = (cot * away * sin(tilt)) / planar;
  if (Math.abs(down) >= FLATTEST_CAST) return [across, down];
  return [across, down < -ROUNDING ? -FLATTEST_CAST : FLATTEST_CAST];
}

/** The shapes of all standing sprites, for each sun that throws shadows; the lights are told which are theirs. */
export function castsOf(
  { scene, planeIndex, pictureIndex, seconds }: Omit<Lighting, 'passing'>,
  lights: readonly MomentLight[],
): MomentCast[] {
  const standing = Object.entries(scene.sprites)
    .filter(([, sprite]) => sprite.castsShape && sprite.artworkId !== null && isShown(scene, sprite))
    .sort(([a], [b]) => compare(a, b));
  if (standing.length === 0) return [];
  const casts: MomentCast[] = [];
  for (const light of lights) {
    const way = light.throwsShapes ? castWay(light.source, settingsOf(scene).viewTiltDeg) : null;
    if (!way) continue;
    for (const [, sprite] of standing) {
      const plane = planeIndex.get(sprite.planeId)!;
      if (plane < light.spanFar || plane > light.spanNear) continue;
      const shown = spriteShown(scene, sprite, seconds);
      const back = shown && inverse(shown.map);
      const artwork = artOf(scene, sprite);
      if (!back || !artwork) continue;
      const { frame, map } = shown;
      const [, footY] = footOf(artwork, map, frame.shiftX, frame.shiftY, frame.widthPx, frame.heightPx);
      const thrown = thrownBy(way, footY);
      light.casts.push(casts.length);
      casts.push({
        picture: pictureIndex.get(sprite.artworkId!)!,
        frame: rectOf(frame),
        opacity: sprite.opacity,
        inverse: composed(back, inverse(thrown)!),
        above: [0, 1 / way[1], -footY / way[1]],
        spread: light.size * Math.sqrt(back.a * back.a + back.b * back.b),
        plane,
        box: mappedBox(composed(thrown, map), frame.widthPx, frame.heightPx),
      });
    }
  }
  return casts;
}

/** From where a px of the figure is drawn to where its shadow falls. */
function thrownBy([across, down]: readonly [number, number], footY: number): Affine {
  return { a: 1, b: 0, c: -across, d: -down, e: across * footY, f: footY + down * footY };
}

/** Where a figure stands: its foot, or the middle of its lower side. */
function footOf(
  { foot }: Artwork,
  map: Affine,
  shiftX: number,
  shiftY: number,
  widthPx: number,
  heightPx: number,
): [number, number] {
  if (foot.length === 0) return applyTo(map, widthPx / 2, heightPx);
  const [x, y] = foot.length === 2 ? foot : [(foot[0] + foot[2]) / 2, (foot[1] + foot[3]) / 2];
  return applyTo(map, x - shiftX, y - shiftY);
}
