/** Heights of a relief along a line across it. */

const MOST_STEPS = 2000;
const STEPS_A_PX = 2;

/**
 * @param heights px, of `width` times `height` pixels, row by row
 * @param line from and to, px of the art: [ax, ay, bx, by]
 * @returns heights of the pixels that the line crosses, two for every px of its length; 0 beyond the art
 */
export function heightsAlong(
  heights: Float32Array,
  width: number,
  height: number,
  [ax, ay, bx, by]: readonly [number, number, number, number],
): number[] {
  const [dx, dy] = [bx - ax, by - ay];
  const wanted = Math.ceil(Math.sqrt(dx * dx + dy * dy) * STEPS_A_PX);
  const steps = Math.max(2, Math.min(MOST_STEPS, wanted));
  return Array.from({ length: steps }, (_, i) => {
    const x = Math.floor(ax + (dx * i) / (steps - 1));
    const y = Math.floor(ay + (dy * i) / (steps - 1));
    return x < 0 || y < 0 || x >= width || y >= height ? 0 : heights[y * width + x];
  });
}
