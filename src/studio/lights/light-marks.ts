/** What is drawn for a picked light: its figure by its kind, the edges that stop it and the outline of what it reaches. */
import { applyTo, type Affine, type Box } from '@/core/geometry/affine';
import { sideOf } from '@/core/geometry/outline';
import { flattenedOutlines } from '@/core/geometry/smooth';
import { visiblePolygon } from '@/core/geometry/visibility';
import { partId as momentId } from '@/core/moment/part-names';
import type { Moment, MomentLight } from '@/core/moment/moment';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import { edgeAway, figureAngle, seenAngle, type LightHandle } from './handle-makers';
import { LIGHT_SCREENS } from './kinds/all-kinds';
import { ISOLUX_WORDS, namedIsolux } from './isolux';
import type { LightName, PickedLight } from './picked-light';
import type { Overlay } from '../surface/overlay';

const NO_VIEW = { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };

/** Parallel light is drawn as if it came from so far away, px. */
const FAR_PX = 1e7;

/** What a light meets, worked out once for a scene that stands still. */
export class LightReach {
  private readonly maker = new MomentMaker();
  private known: { scene: SceneDocument; name: string; seconds: number; found: Reached | null } | null = null;

  /** @returns null where nothing can stop the light */
  of(scene: SceneDocument, { id, partId }: LightName, clockHours: number, seconds: number): Reached | null {
    const { known } = this;
    const name = partId === null ? id : momentId(id, { id: partId });
    if (known?.scene === scene && known.name === name && known.seconds === seconds) return known.found;
    const passing = { ...NOTHING_PASSING, solo: new Set([id]) };
    const moment = this.maker.at(scene, clockHours, seconds, passing, NO_VIEW);
    const light = moment.lights[moment.lightIds.indexOf(name)];
    const found = light ? reached(moment, light, gateBox(scene)) : null;
    this.known = { scene, name, seconds, found };
    return found;
  }
}

export interface Reached {
  /** Edges by which light leaves what stops it, [ax, ay, bx, by] in scene px. */
  edges: number[][];
  /** What the light's middle sees of what it reaches, x and y in turn. */
  polygon: Float64Array;
  /** What it reaches lies in here. */
  box: Box;
}

/** Where parallel light is drawn that reaches everything: the gate and as much around it. */
function gateBox(scene: SceneDocument): Box {
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  return {
    left: gateX - gateWidthPx,
    top: gateY - gateHeightPx,
    right: gateX + 2 * gateWidthPx,
    bottom: gateY + 2 * gateHeightPx,
  };
}

function reached(moment: Moment, { source, box, occluders }: MomentLight, gate: Box): Reached | null {
  const seen = {
    left: Math.max(box.left, gate.left),
    top: Math.max(box.top, gate.top),
    right: Math.min(box.right, gate.right),
    bottom: Math.min(box.bottom, gate.bottom),
  };
  const shown = source.parallel ? seen : box;
  const from = source.parallel ? farPlace(source, shown) : source;
  if (occluders.length === 0 || !from || !(shown.right > shown.left && shown.bottom > shown.top)) return null;
  const edges: number[][] = [];
  for (const index of occluders) {
    const { closed, pieces } = moment.occluders[index];
    for (const { edges: all } of pieces) {
      for (let i = 0; i < all.length; i += 4) {
        const [ax, ay, bx, by] = all.subarray(i, i + 4);
        if (!closed || sideOf(ax, ay, bx, by, from.x, from.y) < 0) edges.push([ax, ay, bx, by]);
      }
    }
  }
  const bounds = [shown.left, shown.top, shown.right, shown.bottom] as const;
  const polygon = visiblePolygon(Float64Array.from(edges.flat()), from.x, from.y, bounds);
  return { edges, polygon, box: shown };
}

/** @returns a place far away from which light comes as good as parallel; null where it comes from straight above */
function farPlace({ x, y }: { x: number; y: number }, { left, top, right, bottom }: Box) {
  const length = Math.sqrt(x * x + y * y);
  if (length < 1e-6) return null;
  return { x: (left + right) / 2 + (x / length) * FAR_PX, y: (top + bottom) / 2 + (y / length) * FAR_PX };
}

/** The outline of what a light reaches, and the edges that stop it, as far as its figure goes. */
export function drawReached(overlay: Overlay, picked: PickedLight, { edges, polygon, box }: Reached): void {
  const { colours, context } = overlay;
  const { light, place } = picked;
  context.save();
  if (LIGHT_SCREENS[light.kind].figure.round)
    overlay.clipTo(...place, light.reachPx, light.reachPx / light.squash, coneSides(picked));
  else overlay.clipToBox(box);
  for (const [ax, ay, bx, by] of edges) overlay.polyline([ax, ay, bx, by], false, colours.held, 1.4);
  overlay.polyline(polygon, true, colours.picked, 0.8, [1, 3]);
  context.restore();
}

/** The figure of a picked light, under its handles. */
export function drawFigure(overlay: Overlay, { light, figure, ground, place }: PickedLight): void {
  const { colours } = overlay;
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
    const [sx, sy] = applyTo(ground, light.x + light.sourceX, light.y + light.sourceY);
    overlay.polyline([...place, sx, sy], false, colours.picked, 1, [2, 3]);
  }
}

function mapped(map: Affine, points: readonly number[]): number[] {
  const out: number[] = [];
  for (let i = 0; i < points.length; i += 2) out.push(...applyTo(map, points[i], points[i + 1]));
  return out;
}

/** How far apart lines stand whose words do not touch, CSS px. */
const WORD_PX = 16;

/** A handle of a light, with the line that it pulls. */
export function drawLightHandle(overlay: Overlay, picked: PickedLight, handle: LightHandle): void {
  const { colours } = overlay;
  const { light } = picked;
  const [cx, cy] = picked.place;
  switch (handle.kind) {
    case 'isolux': {
      const dash = { full: [], half: [4, 3], eighth: [2, 3], end: [] }[handle.name];
      const sides = coneSides(picked);
      overlay.ellipse(cx, cy, handle.radius, handle.radius / light.squash, colours.picked, dash, sides);
      overlay.pointMark(handle.x, handle.y, true);
      const words = handle.name === 'end' ? `${Math.round(handle.radius)} px` : ISOLUX_WORDS[handle.name];
      const roomPx = (WORD_PX * overlay.pixelRatio) / overlay.place.zoom;
      if (namedIsolux(light, roomPx).has(handle.name)) overlay.words(handle.x, handle.y, words, 8, 4);
      return;
    }
    case 'beam':
    case 'field':
      for (const [x, y] of sideEnds(picked, handle.kind))
        overlay.polyline([cx, cy, x, y], false, colours.picked, 1, handle.kind === 'field' ? [4, 3] : []);
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

/** The angles of both sides of a spot's beam or field on the picture, radians; null where it is a whole circle. */
function sideAngles({ light, ground }: PickedLight, which: 'beam' | 'field'): [number, number] | null {
  const { kind, bearingDeg, beamDeg, fieldDeg } = light;
  if (LIGHT_SCREENS[kind].figure.round !== 'cone') return null;
  const opened = which === 'beam' ? beamDeg : Math.max(beamDeg, fieldDeg);
  if (opened >= 360) return null;
  const middle = seenAngle(ground, bearingDeg);
  const half = (opened * Math.PI) / 360;
  return [middle - half, middle + half];
}

/** Between which angles of its ellipse the field of a spot lies; null where it is a whole circle. */
function coneSides(picked: PickedLight): [number, number] | null {
  const sides = sideAngles(picked, 'field');
  if (!sides) return null;
  const [from, to] = sides.map((angle) => figureAngle(picked.light.squash, angle));
  return [from, to <= from ? to + 2 * Math.PI : to];
}

/** Where both sides of a beam or a field end: on the line where the light ends. */
function sideEnds(picked: PickedLight, which: 'beam' | 'field'): [number, number][] {
  const { light, place } = picked;
  return (sideAngles(picked, which) ?? []).map((angle) => {
    const away = edgeAway(light.squash, angle, light.reachPx);
    return [place[0] + Math.cos(angle) * away, place[1] + Math.sin(angle) * away];
  });
}
