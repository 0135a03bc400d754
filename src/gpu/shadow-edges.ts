/** Edges of occluders as instances: those that can stop a light at all, with their stature. */
import type { Box } from '@/core/geometry/affine';
import { distanceToSegment, sideOf } from '@/core/geometry/outline';
import type { EdgePiece, MomentLight, MomentSource, View } from '@/core/moment/moment';
import { EDGE_FLOATS } from './shaders/shadow';

/** What a light reaches, as its mask is drawn. */
export interface LitArea {
  box: Box;
  /** How far from its place it reaches, where it reaches equally far on all sides; null has only the box. */
  reachPx: number | null;
}

/** Whether something near a box of the scene may stop a light that shines into it. */
export function isNear(light: MomentLight, { box }: { box: Box }, lit: Box): boolean {
  const { source, size } = light;
  if (source.parallel) return true;
  const left = Math.min(lit.left, source.x - size);
  const right = Math.max(lit.right, source.x + size);
  const top = Math.min(lit.top, source.y - size);
  const bottom = Math.max(lit.bottom, source.y + size);
  return box.left <= right && box.right >= left && box.top <= bottom && box.bottom >= top;
}

/** Whether an edge of a closed outline lets light of this source out: the source, or a part of it, is on its inner side. */
function letsOut(
  source: MomentSource,
  size: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): boolean {
  const [ex, ey] = [bx - ax, by - ay];
  const length = Math.sqrt(ex * ex + ey * ey);
  if (!source.parallel) return sideOf(ax, ay, bx, by, source.x, source.y) < size * length;
  const planar = Math.sqrt(source.x * source.x + source.y * source.y);
  return ex * source.y - ey * source.x < size * length * planar;
}

/**
 * @param pieces directed edges in scene px
 * @param bothSides they stop light whichever side it comes from
 * @param area what the light reaches; edges farther from its source are left out where they can not matter
 * @returns EDGE_FLOATS an edge, places counted from the view's corner
 */
export function edgeInstances(
  view: View,
  light: MomentLight,
  pieces: readonly EdgePiece[],
  bothSides: boolean,
  staturePx: number | null,
  { box: lit, reachPx }: LitArea,
): number[] {
  const out: number[] = [];
  const source = staturePx === null ? light.source : (light.groundSource ?? light.source);
  // Squashed to less than its width a light reaches farther up and down than its reach says.
  const reach = reachPx === null || light.squash < 1 ? Infinity : reachPx + light.size;
  for (const piece of pieces) {
    if (!isNear(light, piece, lit)) continue;
    const { edges } = piece;
    for (let i = 0; i < edges.length; i += 4) {
      const ax = edges[i];
      const ay = edges[i + 1];
      const bx = edges[i + 2];
      const by = edges[i + 3];
      if (!bothSides && !letsOut(source, light.size, ax, ay, bx, by)) continue;
      if (reach < Infinity && distanceToSegment(light.x, light.y, ax, ay, bx, by) > reach) continue;
      out.push(ax - view.x, ay - view.y, bx - view.x, by - view.y, staturePx ?? -1, bothSides ? 1 : 0, 0, 0);
    }
  }
  return out;
}

export function edgeCount(instances: ArrayLike<number>): number {
  return instances.length / EDGE_FLOATS;
}
