/** What is drawn for a picked light: its figure by its kind, the edges that stop it and the outline of what it reaches. */
import { applyTo, type Affine } from '@/core/geometry/affine';
import { sideOf } from '@/core/geometry/outline';
import { flattenedOutlines } from '@/core/geometry/smooth';
import { visiblePolygon } from '@/core/geometry/visibility';
import type { Moment, MomentLight } from '@/core/moment/moment';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { SceneDocument } from '@/core/scene/document';
import type { Light } from '@/core/scene/records/light';
import type { LightHandle } from './handle-makers';
import { LIGHT_SCREENS } from './kinds/all-kinds';
import { lightMaps } from './light-handles';
import { ISOLUX_WORDS } from './isolux';
import type { Overlay } from '../surface/overlay';

const NO_VIEW = { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };

/** What a light meets, worked out once for a scene that stands still. */
export class LightReach {
  private readonly maker = new MomentMaker();
  private known: { scene: SceneDocument; id: string; seconds: number; found: Reached | null } | null = null;

  /** @returns null where nothing can stop the light */
  of(scene: SceneDocument, id: string, clockHours: number, seconds: number): Reached | null {
    const { known } = this;
    if (known?.scene === scene && known.id === id && known.seconds === seconds) return known.found;
    const passing = { ...NOTHING_PASSING, solo: new Set([id]) };
    const moment = this.maker.at(scene, clockHours, seconds, passing, NO_VIEW);
    const light = moment.lights[0];
    const found = light ? reached(moment, light) : null;
    this.known = { scene, id, seconds, found };
    return found;
  }
}

export interface Reached {
  /** Edges by which light leaves what stops it, [ax, ay, bx, by] in scene px. */
  edges: number[][];
  /** What the light's middle sees of what it reaches, x and y in turn; empty for parallel light. */
  polygon: Float64Array;
}

function reached(moment: Moment, light: MomentLight): Reached | null {
  const { source, box } = light;
  if (light.occluders.length === 0 || source.parallel) return null;
  const edges: number[][] = [];
  for (const index of light.occluders) {
    const { closed, pieces } = moment.occluders[index];
    for (const { edges: all } of pieces) {
      for (let i = 0; i < all.length; i += 4) {
        const [ax, ay, bx, by] = all.subarray(i, i + 4);
        if (!closed || sideOf(ax, ay, bx, by, source.x, source.y) < 0) edges.push([ax, ay, bx, by]);
      }
    }
  }
  if (!(box.right > box.left && box.bottom > box.top)) return null;
  const bounds = [box.left, box.top, box.right, box.bottom] as const;
  return { edges, polygon: visiblePolygon(Float64Array.from(edges.flat()), source.x, source.y, bounds) };
}

/** The outline of what a light reaches, and the edges that stop it, as far as its figure goes. */
export function drawReached(
  overlay: Overlay,
  light: Light,
  [x, y]: readonly [number, number],
  { edges, polygon }: Reached,
): void {
  const { colours, context } = overlay;
  context.save();
  if (LIGHT_SCREENS[light.kind].figure.round)
    overlay.clipTo(x, y, light.reachPx, light.reachPx / light.squash, coneSides(light));
  for (const [ax, ay, bx, by] of edges) overlay.polyline([ax, ay, bx, by], false, colours.held, 1.4);
  overlay.polyline(polygon, true, colours.picked, 0.8, [1, 3]);
  context.restore();
}

/** The figure of a picked light, under its handles. */
export function drawFigure(overlay: Overlay, scene: SceneDocument, light: Light, seconds: number): void {
  const maps = lightMaps(scene, light, seconds);
  if (!maps) return;
  const { colours } = overlay;
  const { figure, ground } = maps;
  const line = (points: readonly number[], closed: boolean, dash: number[] = []) =>
    overlay.polyline(mapped(figure, points), closed, colours.picked, 1.2, dash);
  const { outlines, gobo, source } = LIGHT_SCREENS[light.kind].figure;
  if (outlines)
    for (const points of flattenedOutlines(light.outlines, light.smooth, true)) line(points, true);
  if (gobo && light.gobo) {
    const [w, h] = [light.gobo.widthPx / 2, light.gobo.heightPx / 2];
    line([-w, -h, w, -h, w, h, -w, h], true);
  }
  const hasSource = source && light.source === 'point';
  if (hasSource && (light.sourceX !== 0 || light.sourceY !== 0)) {
    const [x, y] = applyTo(ground, light.x, light.y);
    const [sx, sy] = applyTo(ground, light.x + light.sourceX, light.y + light.sourceY);
    overlay.polyline([x, y, sx, sy], false, colours.picked, 1, [2, 3]);
  }
}

function mapped(map: Affine, points: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = 0; i < points.length; i += 2) out.push(...applyTo(map, points[i], points[i + 1]));
  return out;
}

/** A handle of a light, with the line that it pulls. */
export function drawLightHandle(
  overlay: Overlay,
  light: Light,
  place: [number, number],
  handle: LightHandle,
): void {
  const { colours } = overlay;
  const [cx, cy] = place;
  switch (handle.kind) {
    case 'isolux': {
      const dash = { full: [], half: [4, 3], eighth: [2, 3], end: [] }[handle.name];
      const sides = coneSides(light);
      overlay.ellipse(cx, cy, handle.radius, handle.radius / light.squash, colours.picked, dash, sides);
      overlay.pointMark(handle.x, handle.y, true);
      const words = handle.name === 'end' ? `${Math.round(handle.radius)} px` : ISOLUX_WORDS[handle.name];
      overlay.words(handle.x, handle.y, words, 8, 4);
      return;
    }
    case 'beam':
    case 'field':
      for (const sign of [1, -1]) {
        const [x, y] = mirroredAcross(light, place, handle, sign);
        overlay.polyline([cx, cy, x, y], false, colours.picked, 1, handle.kind === 'field' ? [4, 3] : []);
      }
      overlay.pointMark(handle.x, handle.y, true);
      overlay.words(handle.x, handle.y, handle.kind, 8, 4);
      return;
    case 'bearing':
      overlay.polyline([cx, cy, handle.x, handle.y], false, colours.picked, 1, [2, 3]);
      overlay.ring(handle.x, handle.y);
      return;
    case 'source':
      overlay.ring(handle.x, handle.y);
      overlay.words(handle.x, handle.y, 'source', 8, 4);
      return;
    case 'light turn':
      overlay.ring(handle.x, handle.y);
      return;
    default:
      overlay.pointMark(handle.x, handle.y, true);
  }
}

/** Both sides of a spot's field as angles on the picture, radians; null where it is a whole circle. */
function coneSides({ kind, bearingDeg, beamDeg, fieldDeg }: Light): [number, number] | null {
  if (LIGHT_SCREENS[kind].figure.round !== 'cone') return null;
  const field = Math.max(beamDeg, fieldDeg);
  if (field >= 360) return null;
  return [((bearingDeg - field / 2) * Math.PI) / 180, ((bearingDeg + field / 2) * Math.PI) / 180];
}

/** The place of a side's handle, or of its twin across the bearing. */
function mirroredAcross(
  { bearingDeg }: Light,
  [cx, cy]: [number, number],
  { x, y }: { x: number; y: number },
  sign: number,
): [number, number] {
  if (sign > 0) return [x, y];
  const axis = (bearingDeg * Math.PI) / 180;
  const [ux, uy] = [Math.cos(axis), Math.sin(axis)];
  const along = (x - cx) * ux + (y - cy) * uy;
  return [cx + 2 * along * ux - (x - cx), cy + 2 * along * uy - (y - cy)];
}
