/** The pixels of a drawn line, each step one pixel on (Bresenham 1965): areas joined by sides do not leak through. */

/**
 * @param points flat [x0, y0, x1, y1, ...] in px, pixel (0, 0) reaching from 0 to 1
 * @param visit called with the index of each pixel that lies in the picture, some of them twice
 */
export function linePixels(
  points: readonly number[],
  width: number,
  height: number,
  visit: (index: number) => void,
): void {
  for (let k = 0; k + 1 < points.length; k += 2) {
    const last = k + 3 < points.length ? k + 2 : k;
    segmentPixels(points[k], points[k + 1], points[last], points[last + 1], (x, y) => {
      if (x >= 0 && y >= 0 && x < width && y < height) visit(y * width + x);
    });
  }
}

function segmentPixels(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  visit: (x: number, y: number) => void,
): void {
  let x = Math.floor(ax);
  let y = Math.floor(ay);
  const toX = Math.floor(bx);
  const toY = Math.floor(by);
  const dx = Math.abs(toX - x);
  const dy = -Math.abs(toY - y);
  const stepX = x < toX ? 1 : -1;
  const stepY = y < toY ? 1 : -1;
  let error = dx + dy;
  for (;;) {
    visit(x, y);
    if (x === toX && y === toY) return;
    const doubled = 2 * error;
    if (doubled >= dy) {
      error += dy;
      x += stepX;
    }
    if (doubled <= dx) {
      error += dx;
      y += stepY;
    }
  }
}
