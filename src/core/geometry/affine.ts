import { cos, sin, RADIANS_PER_DEGREE } from './exact';

/** x' = a x + c y + e, y' = b x + d y + f. */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
}

/** How a thing is placed: its pivot goes to (x, y); flip, then scale, then turn. Degrees, clockwise as seen. */
export interface Placing {
  x: number;
  y: number;
  turnDeg: number;
  scaleX: number;
  scaleY: number;
  flipX: boolean;
  flipY: boolean;
}

/** Sine and cosine of whole quarter turns are exact, so that art turned by 90 degrees keeps its pixels. */
export function turnOf(degrees: number): { cosine: number; sine: number } {
  const turns = ((degrees % 360) + 360) % 360;
  if (turns === 0) return { cosine: 1, sine: 0 };
  if (turns === 90) return { cosine: 0, sine: 1 };
  if (turns === 180) return { cosine: -1, sine: 0 };
  if (turns === 270) return { cosine: 0, sine: -1 };
  return { cosine: cos(turns * RADIANS_PER_DEGREE), sine: sin(turns * RADIANS_PER_DEGREE) };
}

/** The map from an artwork's pixels to the scene, for a pivot given in the artwork's pixels. */
export function affineOf(placing: Placing, pivotX: number, pivotY: number): Affine {
  const { cosine, sine } = turnOf(placing.turnDeg);
  const sx = placing.flipX ? -placing.scaleX : placing.scaleX;
  const sy = placing.flipY ? -placing.scaleY : placing.scaleY;
  const a = cosine * sx;
  const b = sine * sx;
  const c = -sine * sy;
  const d = cosine * sy;
  return { a, b, c, d, e: placing.x - a * pivotX - c * pivotY, f: placing.y - b * pivotX - d * pivotY };
}

export function determinant(m: Affine): number {
  return m.a * m.d - m.b * m.c;
}

/** The inverse map, or null where the map flattens everything to a line. */
export function inverse(m: Affine): Affine | null {
  const det = determinant(m);
  if (det === 0 || !Number.isFinite(det)) return null;
  const a = m.d / det;
  const b = -m.b / det;
  const c = -m.c / det;
  const d = m.a / det;
  return { a, b, c, d, e: -(a * m.e + c * m.f), f: -(b * m.e + d * m.f) };
}

export function applyTo(m: Affine, x: number, y: number): [number, number] {
  return [m.a * x + m.c * y + m.e, m.b * x + m.d * y + m.f];
}

/** The map that does `inner` first and `outer` then. */
export function composed(outer: Affine, inner: Affine): Affine {
  const [e, f] = applyTo(outer, inner.e, inner.f);
  return {
    a: outer.a * inner.a + outer.c * inner.b,
    b: outer.b * inner.a + outer.d * inner.b,
    c: outer.a * inner.c + outer.c * inner.d,
    d: outer.b * inner.c + outer.d * inner.d,
    e,
    f,
  };
}

/** The map of things that stand at (x, y) of what the given one maps. */
export function moved(m: Affine, x: number, y: number): Affine {
  const [e, f] = applyTo(m, x, y);
  return { ...m, e, f };
}

/**
 * The 2x2 matrix that turns the planar part of a normal along with its surface: sqrt(|det M|) times the inverse
 * transpose of M, row by row [xx, xy, yx, yy]. Uniform scale gives a pure turn. Null where det M is 0.
 */
export function normalMatrix(m: Affine): [number, number, number, number] | null {
  const det = determinant(m);
  if (det === 0 || !Number.isFinite(det)) return null;
  const s = Math.sqrt(Math.abs(det)) / det;
  return [m.d * s, -m.b * s, -m.c * s, m.a * s];
}

/** The box of a rectangle (0, 0, width, height) under a map. */
export function mappedBox(m: Affine, width: number, height: number): Box {
  const corners = [applyTo(m, 0, 0), applyTo(m, width, 0), applyTo(m, 0, height), applyTo(m, width, height)];
  const xs = corners.map((p) => p[0]);
  const ys = corners.map((p) => p[1]);
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}

export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}
