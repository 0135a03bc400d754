/** Normals as bytes and what a surface's facing makes of a light. */
import type { MomentSource } from '../../moment/moment';

/** A byte of a normal map to -1..1; 127 and 128 both are 0, so that flat is exactly flat. */
export const NORMAL_BYTE_TO_VALUE: Float64Array = Float64Array.from({ length: 256 }, (_, c) =>
  c === 127 || c === 128 ? 0 : (2 * c) / 255 - 1,
);

export function normalByte(value: number): number {
  return Math.floor((value + 1) * 127.5 + 0.5);
}

/** A normal shorter than this says nothing, and counts as facing the viewer. */
export const SHORTEST_NORMAL = 0.1;
/** A layer's summed normal shorter than this likewise. */
export const SHORTEST_SUM = 0.01;
/** A light at or below the plane still comes from this height, so that its direction is defined. */
export const LOWEST_HEIGHT_PX = 1;

/**
 * Share of the light that a surface takes.
 * @param dot normal times way to the light
 * @param wrap how far round it reaches surfaces that face away
 * @param relief 0 takes no heed of the facing, 1 all
 */
export function facing(dot: number, wrap: number, relief: number): number {
  const faced = wrap === 0 ? dot : (dot + wrap) / (1 + wrap);
  return 1 + (Math.max(0, faced) - 1) * relief;
}

/**
 * Multiplies shares of a light at places by what the surfaces there take of it: by their normals times the ways to the light.
 * @param light where it comes from, its wrap and its relief
 * @param normals three values a place, of unit length
 * @param share places at 0 are passed over
 */
export function faceAll(
  { source, wrap, relief }: { source: MomentSource; wrap: number; relief: number },
  normals: ArrayLike<number>,
  x: Float64Array,
  y: Float64Array,
  share: Float64Array,
  count: number,
): void {
  if (relief === 0) return;
  const { parallel, x: sx, y: sy } = source;
  const sz = source.parallel ? source.z : Math.max(source.heightPx, LOWEST_HEIGHT_PX);
  for (let i = 0, at = 0; i < count; i++, at += 3) {
    if (share[i] === 0) continue;
    let dot: number;
    if (parallel) dot = normals[at] * sx + normals[at + 1] * sy + normals[at + 2] * sz;
    else {
      const dx = sx - x[i];
      const dy = sy - y[i];
      const across = normals[at] * dx + normals[at + 1] * dy + normals[at + 2] * sz;
      dot = across / Math.sqrt(dx * dx + dy * dy + sz * sz);
    }
    share[i] *= facing(dot, wrap, relief);
  }
}
