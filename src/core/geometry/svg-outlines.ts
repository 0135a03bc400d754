/**
 * Outlines of the shapes in an SVG file. The file is read as data: shapes and their transforms are taken, everything else,
 * scripts and styles among it, is passed over and never run or shown.
 */
import { SaxesParser, type SaxesTagPlain } from 'saxes';
import svgpath from 'svgpath';
import { InputFault, wordsOf } from '../faults';
import { LIMITS } from '../limits';

export interface SvgOutlines {
  /** Outlines that lead back to where they begin, flat points without the first one again at the end. */
  closed: number[][];
  open: number[][];
}

/** Pieces of one curve. */
const CURVE_PIECES = 12;

type Attributes = Record<string, string>;

/** @throws InputFault where the file is no SVG, or has no shape */
export function readSvgOutlines(text: string): SvgOutlines {
  if (text.length > LIMITS.textFileBytes)
    throw new InputFault(
      `An SVG file has at most ${LIMITS.textFileBytes} characters; this one has ${text.length}.`,
    );
  const out: SvgOutlines = { closed: [], open: [] };
  /** Of each element that is open: from its own px to those of the file. */
  const matrices: Matrix[] = [];
  let points = 0;
  let sawSvg = false;
  const parser = new SaxesParser();
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', (tag: SaxesTagPlain) => {
    const name = tag.name.replace(/^.*:/, '').toLowerCase();
    sawSvg ||= name === 'svg';
    if (matrices.length >= LIMITS.svgDepth)
      throw new InputFault(`Elements of an SVG lie at most ${LIMITS.svgDepth} deep within each other.`);
    const outer = matrices.at(-1) ?? NO_TRANSFORM;
    const { transform } = tag.attributes;
    matrices.push(transform ? multiplied(outer, matrixOf(transform)) : outer);
    const d = pathOf(name, tag.attributes);
    if (d === null) return;
    points += addOutlines(d, matrices.at(-1)!, out);
    if (points > LIMITS.outlinePoints) throw tooMany();
  });
  parser.on('closetag', () => void matrices.pop());
  try {
    parser.write(text).close();
  } catch (cause) {
    if (cause instanceof InputFault) throw cause;
    throw new InputFault(`This is not an SVG file: ${wordsOf(cause)}`, undefined, { cause });
  }
  if (!sawSvg) throw new InputFault('This is not an SVG file: it has no svg element.');
  if (out.closed.length + out.open.length === 0)
    throw new InputFault('This SVG file has no path, polygon, line, rectangle, circle or ellipse.');
  return out;
}

function tooMany(): InputFault {
  return new InputFault(`An occluder has at most ${LIMITS.outlinePoints} points; this file has more.`);
}

/** An element's shape as path data; null for what is no shape. */
function pathOf(name: string, a: Attributes): string | null {
  const n = (key: string) => Number.parseFloat(a[key] ?? '0') || 0;
  switch (name) {
    case 'path':
      return a.d ?? null;
    case 'polygon':
      return a.points ? `M${a.points}Z` : null;
    case 'polyline':
      return a.points ? `M${a.points}` : null;
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'rect':
      return n('width') > 0 && n('height') > 0
        ? `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}Z`
        : null;
    case 'circle':
      return ellipse(n('cx'), n('cy'), n('r'), n('r'));
    case 'ellipse':
      return ellipse(n('cx'), n('cy'), n('rx'), n('ry'));
    default:
      return null;
  }
}

function ellipse(cx: number, cy: number, rx: number, ry: number): string | null {
  if (rx <= 0 || ry <= 0) return null;
  return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
}

/** As SVG writes it: a, b, c, d, e, f. */
type Matrix = [number, number, number, number, number, number];

const NO_TRANSFORM: Matrix = [1, 0, 0, 1, 0, 0];

/** What a transform does to the corner and the two axes is all that there is to it. */
function matrixOf(transform: string): Matrix {
  if (transform.length > LIMITS.svgTransformLength)
    throw new InputFault(`A transform of this SVG has more than ${LIMITS.svgTransformLength} characters.`);
  const places: [number, number][] = [];
  svgpath('M0 0L1 0L0 1')
    .transform(transform)
    .iterate((segment) => void places.push([segment[1] as number, segment[2] as number]));
  const [[e, f], [ax, ay], [bx, by]] = places;
  return [ax - e, ay - f, bx - e, by - f, e, f];
}

/** The inner one first, then the outer one. */
function multiplied([a, b, c, d, e, f]: Matrix, [p, q, r, s, t, u]: Matrix): Matrix {
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

/** How many numbers lead to one point, by the letter of the command. */
const NUMBERS: Record<string, number> = { m: 2, l: 2, t: 2, h: 1, v: 1, c: 6, s: 4, q: 4, a: 7 };

/** How many points path data has, curves counted as one. */
function pointsOf(d: string): number {
  let points = 0;
  for (const [, letter, rest] of d.matchAll(/([mlhvcsqtaz])([^mlhvcsqtaz]*)/gi)) {
    const numbers = rest.match(/(\d+\.?\d*|\.\d+)(e[+-]?\d+)?/gi)?.length ?? 0;
    points += numbers / (NUMBERS[letter.toLowerCase()] ?? 1);
  }
  return points;
}

/** @returns how many points were added */
function addOutlines(d: string, matrix: Matrix, out: SvgOutlines): number {
  // Read as a path only then: many numbers behind one letter take the square of their number.
  if (pointsOf(d) > LIMITS.outlinePoints) throw tooMany();
  const path = svgpath(d).matrix(matrix);
  const parts: { points: number[]; isClosed: boolean }[] = [];
  path
    .abs()
    .unarc()
    .unshort()
    .iterate((segment, _, x, y) => {
      const [command, ...v] = segment as [string, ...number[]];
      if (command === 'M') parts.push({ points: [v[0], v[1]], isClosed: false });
      const part = parts.at(-1);
      if (!part) return;
      if (command === 'L') part.points.push(v[0], v[1]);
      else if (command === 'H') part.points.push(v[0], y);
      else if (command === 'V') part.points.push(x, v[0]);
      else if (command === 'C') part.points.push(...cubic(x, y, v));
      else if (command === 'Q') {
        const [qx, qy, ex, ey] = v;
        const raised = [
          x + (2 * (qx - x)) / 3,
          y + (2 * (qy - y)) / 3,
          ex + (2 * (qx - ex)) / 3,
          ey + (2 * (qy - ey)) / 3,
        ];
        part.points.push(...cubic(x, y, [...raised, ex, ey]));
      } else if (command.toUpperCase() === 'Z') part.isClosed = true;
    });
  let added = 0;
  for (const { points, isClosed } of parts) {
    const tidy = withoutRepeats(points, isClosed);
    if (!tidy.every(Number.isFinite)) throw new InputFault('A path of this SVG has numbers that are none.');
    if (tidy.some((v) => Math.abs(v) > LIMITS.coordinatePx))
      throw new InputFault(`A path of this SVG reaches beyond ${LIMITS.coordinatePx} px.`);
    if (tidy.length < (isClosed ? 6 : 4)) continue;
    (isClosed ? out.closed : out.open).push(tidy);
    added += tidy.length / 2;
  }
  return added;
}

/** Points of a cubic after its first one. */
function cubic(x: number, y: number, [ax, ay, bx, by, ex, ey]: readonly number[]): number[] {
  const out: number[] = [];
  for (let k = 1; k <= CURVE_PIECES; k++) {
    const t = k / CURVE_PIECES;
    const s = 1 - t;
    const [p, q, r, u] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
    out.push(p * x + q * ax + r * bx + u * ex, p * y + q * ay + r * by + u * ey);
  }
  return out;
}

/** How near two points are one. */
const SAME_PX = 1e-6;

function withoutRepeats(points: readonly number[], isClosed: boolean): number[] {
  const out: number[] = [];
  for (let i = 0; i < points.length; i += 2) {
    const [x, y] = [points[i], points[i + 1]];
    if (out.length > 0 && isSame(out.at(-2)!, out.at(-1)!, x, y)) continue;
    out.push(x, y);
  }
  if (isClosed && out.length > 2 && isSame(out[0], out[1], out.at(-2)!, out.at(-1)!)) out.splice(-2);
  return out.map((v) => Math.round(v * 1000) / 1000);
}

function isSame(ax: number, ay: number, bx: number, by: number): boolean {
  return Math.abs(ax - bx) < SAME_PX && Math.abs(ay - by) < SAME_PX;
}
