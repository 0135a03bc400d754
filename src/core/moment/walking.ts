/** How a figure walks: a step in a direction, along what stops it, and what is left of its way as a path. */
import type { MomentOccluder } from './moment';

/** A figure stays so far from what stops it, px. */
const BERTH_PX = 0.5;

type Place = readonly [number, number];

/** Outlines that a figure does not walk through: directed edges, four numbers each. */
export type Barriers = readonly Float64Array[];

/** The outlines of some occluders. @param but of the figure itself, by their places, which do not stop it */
export function barriersOf(occluders: readonly MomentOccluder[], but: ReadonlySet<number>): Barriers {
  return occluders.flatMap(({ pieces }, i) => (but.has(i) ? [] : pieces.map(({ edges }) => edges)));
}

/** A last step is halved so often until it fits. */
const HALVINGS = 5;

/**
 * Goes from one place toward another: all of the way, or at the same pace along what is in it, or as far as there is room.
 * @returns where it comes to; where it stands already if there is no way at all
 */
export function stepped(
  from: readonly [number, number],
  by: readonly [number, number],
  barriers: Barriers,
): [number, number] {
  const [x, y] = from;
  const [dx, dy] = by;
  const pace = Math.sqrt(dx * dx + dy * dy);
  if (pace === 0) return [x, y];
  const isSlanted = dx !== 0 && dy !== 0;
  const ways: [number, number][] = [[dx, dy]];
  if (isSlanted) ways.push([Math.sign(dx) * pace, 0], [0, Math.sign(dy) * pace]);
  for (let i = 1, part = 0.5; i <= HALVINGS; i++, part /= 2) ways.push([dx * part, dy * part]);
  const [sx, sy] = ways.find(([u, v]) => isFree(x, y, u, v, barriers)) ?? [0, 0];
  return [x + sx, y + sy];
}

/** Whether nothing lies across a way, nor within the berth beyond its end. */
function isFree(x: number, y: number, dx: number, dy: number, barriers: Barriers): boolean {
  const length = Math.sqrt(dx * dx + dy * dy);
  const far = (length + BERTH_PX) / length;
  const [toX, toY] = [x + dx * far, y + dy * far];
  return barriers.every((edges) => {
    for (let i = 0; i < edges.length; i += 4)
      if (crosses(x, y, toX, toY, edges[i], edges[i + 1], edges[i + 2], edges[i + 3])) return false;
    return true;
  });
}

function crosses(
  px: number,
  py: number,
  qx: number,
  qy: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): boolean {
  const side = (ux: number, uy: number, vx: number, vy: number, wx: number, wy: number) =>
    (vx - ux) * (wy - uy) - (vy - uy) * (wx - ux);
  const [a, b] = [side(px, py, qx, qy, ax, ay), side(px, py, qx, qy, bx, by)];
  const [p, q] = [side(ax, ay, bx, by, px, py), side(ax, ay, bx, by, qx, qy)];
  return a < 0 !== b < 0 && p < 0 !== q < 0;
}

/** Rests that are shorter come of rounding, s. */
const SHORTEST_REST = 1e-3;

/** The way of a walk: its corners, and when it left them, so that a path through them is walked alike. */
export class Trail {
  private readonly corners: Place[] = [];
  /** The step at which each corner was left. */
  private readonly leftAt: number[] = [];
  private end: Place | null = null;
  private steps = -1;
  /** px; 0 where it stood. */
  private lastStep = 0;

  /** One step more. @param x,y where the figure is after it */
  add(x: number, y: number): void {
    const { corners, leftAt, end } = this;
    this.steps++;
    if (!end) {
      corners.push([x, y]);
      leftAt.push(0);
      this.end = [x, y];
      return;
    }
    const [ex, ey] = end;
    const step = Math.sqrt((x - ex) * (x - ex) + (y - ey) * (y - ey));
    // A shorter step, as the last one before a wall, takes as long as a whole one.
    const isSteady = Math.abs(step - this.lastStep) <= STRAIGHT_PX;
    this.lastStep = step;
    if (step === 0) return;
    const [cx, cy] = corners.at(-1)!;
    if (ex === cx && ey === cy) leftAt[corners.length - 1] = this.steps - 1;
    else if (!isSteady || !isStraight(cx, cy, ex, ey, x, y)) {
      corners.push([ex, ey]);
      leftAt.push(this.steps - 1);
    }
    this.end = [x, y];
  }

  /** Corner by corner, with where it ends. */
  get points(): Place[] {
    const { corners, end } = this;
    if (!end) return [];
    const [cx, cy] = corners.at(-1)!;
    return end[0] === cx && end[1] === cy ? [...corners] : [...corners, end];
  }

  /**
   * How long a path has to rest at each of its points to be there when the figure was.
   * @param points some of the trail's own, in their order
   * @param stepSeconds how long a step is
   * @param speedPx px a second between the points
   */
  rests(points: readonly Place[], stepSeconds: number, speedPx: number): number[] {
    const all = this.points;
    let now = 0;
    return points.map((point, i) => {
      if (i > 0) {
        const [dx, dy] = [point[0] - points[i - 1][0], point[1] - points[i - 1][1]];
        now += Math.sqrt(dx * dx + dy * dy) / speedPx;
      }
      const left = (this.leftAt[all.indexOf(point)] ?? 0) * stepSeconds;
      const rest = left - now > SHORTEST_REST ? left - now : 0;
      now += rest;
      return rest;
    });
  }
}

/** So far beside the straight way a place is still on it, px: what adding up steps rounds. */
const STRAIGHT_PX = 1e-6;

/** Whether a way goes on as it went. */
function isStraight(ax: number, ay: number, bx: number, by: number, cx: number, cy: number): boolean {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - bx, cy - by];
  const across = ux * vy - uy * vx;
  const length = Math.sqrt(ux * ux + uy * uy);
  return Math.abs(across) <= STRAIGHT_PX * length && ux * vx + uy * vy > 0;
}
