/** Open lines, flat points [x0, y0, x1, y1, ...] each. */

/** How near ends of two lines are one, px. */
const SAME_END_PX = 1.5;

/** Lines with their ends put together where they meet, whichever way round they run. */
export function joinedLines(lines: readonly number[][]): number[][] {
  const out: number[][] = [];
  for (const line of lines) {
    let current = [...line];
    for (let i = 0; i < out.length;) {
      const both = together(out[i], current);
      if (both) {
        current = both;
        out.splice(i, 1);
        i = 0;
      } else i++;
    }
    out.push(current);
  }
  return out;
}

function together(a: readonly number[], b: readonly number[]): number[] | null {
  for (const [first, second] of [
    [a, b],
    [a, turned(b)],
    [turned(a), b],
    [b, a],
  ]) {
    const [x, y] = first.slice(-2);
    if (Math.abs(x - second[0]) <= SAME_END_PX && Math.abs(y - second[1]) <= SAME_END_PX)
      return [...first, ...second.slice(2)];
  }
  return null;
}

function turned(points: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = points.length - 2; i >= 0; i -= 2) out.push(points[i], points[i + 1]);
  return out;
}
