/** Normals as bytes and what a surface's facing makes of a light. */

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
 * Share of the light from a point that a surface takes.
 * @param dx,dy from the surface to the light, px
 * @param relief 0 takes no heed of the facing, 1 all
 */
export function facing(
  nx: number,
  ny: number,
  nz: number,
  dx: number,
  dy: number,
  heightPx: number,
  relief: number,
): number {
  const h = Math.max(heightPx, LOWEST_HEIGHT_PX);
  const dot = (nx * dx + ny * dy + nz * h) / Math.sqrt(dx * dx + dy * dy + h * h);
  return 1 + (Math.max(0, dot) - 1) * relief;
}
