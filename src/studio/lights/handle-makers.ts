/** Handles that kinds of lights share. */
import { applyTo, type Affine } from '@/core/geometry/affine';
import { atan2, cos, RADIANS_PER_DEGREE, sin } from '@/core/geometry/exact';
import type { LightName, PickedLight } from './picked-light';
import { HANDLE_DEG, ISOLUX, isoluxRadius, type IsoluxName } from './isolux';

/** What a handle of a light pulls. */
export type LightHandle = LightName & { label: string; x: number; y: number } & (
    | { kind: 'isolux'; name: IsoluxName; cx: number; cy: number; radius: number; squash: number }
    | { kind: 'bearing' | 'beam' | 'field' | 'light turn' | 'source' }
    | { kind: 'gobo corner' }
    | { kind: 'area point'; outline: number; point: number }
  );

/** A picked light where it stands. */
export interface ShownLight extends Omit<PickedLight, 'fixture'> {
  /** How near counts as on, scene px. */
  nearPx: number;
}

/** How far beyond its figure the ring stands that turns a light, as a multiple of how near counts. */
const RING_AWAY = 2.6;
/** How long the arrow of a sun is drawn, as a multiple of how near counts. */
const ARROW = 9;

/** Lines of equal light, to be dragged: each at an angle of its own, or all along the light's bearing. */
export function isoluxHandles(
  { id, partId, light, ground, place: [cx, cy] }: ShownLight,
  where: 'spread' | 'along',
): LightHandle[] {
  const along = where === 'along' ? figureAngle(light.squash, seenAngle(ground, light.bearingDeg)) : 0;
  return ISOLUX.map((name) => {
    const radius = isoluxRadius(light, name);
    const angle = where === 'along' ? along : HANDLE_DEG[name] * RADIANS_PER_DEGREE;
    const place = { x: cx + radius * cos(angle), y: cy + (radius * sin(angle)) / light.squash };
    return {
      kind: 'isolux',
      label: 'Shape a light',
      id,
      partId,
      name,
      cx,
      cy,
      radius,
      squash: light.squash,
      ...place,
    };
  });
}

/** A direction of the light's own as an angle on the picture, radians: what carries it turns it along. */
export function seenAngle({ a, b, c, d }: Affine, degrees: number): number {
  const [u, v] = [cos(degrees * RADIANS_PER_DEGREE), sin(degrees * RADIANS_PER_DEGREE)];
  return atan2(b * u + d * v, a * u + c * v);
}

/** The angle at which an ellipse that is so many times wider than high has the point that lies in a direction, radians. */
export function figureAngle(squash: number, angle: number): number {
  return atan2(squash * sin(angle), cos(angle));
}

/** How far a figure goes in a direction, where it goes so far to the right. */
export function edgeAway(squash: number, angle: number, reachPx: number): number {
  const [x, y] = [cos(angle), squash * sin(angle)];
  return reachPx / Math.sqrt(x * x + y * y);
}

/** A place some way from the light along an angle of its own. */
function along({ place: [cx, cy], ground }: ShownLight, degrees: number, px: number): [number, number] {
  const angle = seenAngle(ground, degrees);
  return [cx + cos(angle) * px, cy + sin(angle) * px];
}

function pointed(
  shown: ShownLight,
  kind: 'bearing' | 'beam' | 'field',
  label: string,
  degrees: number,
  px: number,
): LightHandle {
  const [x, y] = along(shown, degrees, px);
  return { kind, label, id: shown.id, partId: shown.partId, x, y };
}

/** The arrow toward where parallel light comes from. */
export function arrowHandle(shown: ShownLight): LightHandle {
  return pointed(shown, 'bearing', 'Bearing', shown.light.bearingDeg, ARROW * shown.nearPx);
}

/** The ring that turns a cone, and the sides of its beam and field. */
export function coneHandles(shown: ShownLight): LightHandle[] {
  const { bearingDeg, beamDeg, fieldDeg, reachPx, squash } = shown.light;
  const edge = (degrees: number) => edgeAway(squash, seenAngle(shown.ground, degrees), reachPx);
  const side = (kind: 'beam' | 'field', degrees: number, share: number) => {
    const at = bearingDeg + degrees / 2;
    return pointed(shown, kind, kind === 'beam' ? 'Beam' : 'Field', at, share * edge(at));
  };
  return [
    pointed(shown, 'bearing', 'Bearing', bearingDeg, edge(bearingDeg) + RING_AWAY * shown.nearPx),
    side('beam', beamDeg, 0.6),
    side('field', Math.max(beamDeg, fieldDeg), 0.85),
  ];
}

/** The points of its outlines. */
export function outlineHandles({ id, partId, light, figure }: ShownLight): LightHandle[] {
  return light.outlines.flatMap((points, outline) =>
    Array.from({ length: points.length / 2 }, (_, point): LightHandle => {
      const [x, y] = applyTo(figure, points[2 * point], points[2 * point + 1]);
      return { kind: 'area point', label: 'Move a point', id, partId, outline, point, x, y };
    }),
  );
}

/** Where its light comes from: a place, or a direction. */
export function sourceHandles(shown: ShownLight): LightHandle[] {
  const { id, partId, light, ground, nearPx } = shown;
  if (light.source === 'parallel') return [arrowHandle(shown)];
  const [x, y] = applyTo(ground, light.x + light.sourceX, light.y + light.sourceY);
  // At the light's own place it would cover the light: it stands beside it until it is pulled away.
  const isAtHome = light.sourceX === 0 && light.sourceY === 0;
  const off = isAtHome ? 2 * nearPx : 0;
  return [{ kind: 'source', label: 'Where it comes from', id, partId, x: x + off, y: y - off }];
}

/** The corners of its picture, and the ring that turns it. */
export function goboHandles({ id, partId, light, figure, nearPx }: ShownLight): LightHandle[] {
  const { gobo } = light;
  if (!gobo) return [];
  const [w, h] = [gobo.widthPx / 2, gobo.heightPx / 2];
  const corner = ([u, v]: readonly [number, number]): LightHandle => {
    const [x, y] = applyTo(figure, u, v);
    return { kind: 'gobo corner', label: 'Size of the gobo', id, partId, x, y };
  };
  const corners = [
    [-w, -h],
    [w, -h],
    [w, h],
    [-w, h],
  ] as const;
  const [x, y] = applyTo(figure, 0, -h - RING_AWAY * nearPx);
  return [...corners.map(corner), { kind: 'light turn', label: 'Turn', id, partId, x, y }];
}
