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
 * The unit vector from a point to what lights it.
 * @param out three values, overwritten
 */
export function wayToLight(source: MomentSource, px: number, py: number, out: Float64Array): Float64Array {
  if (source.parallel) {
    out[0] = source.x;
    out[1] = source.y;
    out[2] = source.z;
    return out;
  }
  const dx = source.x - px;
  const dy = source.y - py;
  const h = Math.max(source.heightPx, LOWEST_HEIGHT_PX);
  const length = Math.sqrt(dx * dx + dy * dy + h * h);
  out[0] = dx / length;
  out[1] = dy / length;
  out[2] = h / length;
  return out;
}

/**
 * Share of the light that a surface takes.
 * @param dot normal times way to the light
 * @param wrap how far round it reaches surfaces that face away
 * @param relief 0 takes no heed of the facing, 1 all
 */
export function facing(dot: number, wrap: number, relief: number): number {
  return 1 + (Math.max(0, (dot + wrap) / (1 + wrap)) - 1) * relief;
}
