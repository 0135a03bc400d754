/** Handles that kinds of lights share. */
import { applyTo, type Affine } from '@/core/geometry/affine';
import { cos, RADIANS_PER_DEGREE, sin } from '@/core/geometry/exact';
import type { Light } from '@/core/scene/records/light';
import { HANDLE_DEG, ISOLUX, isoluxRadius, type IsoluxName } from './isolux';

/** What a handle of a light pulls. */
export type LightHandle = { id: string; label: string; x: number; y: number } & (
  | { kind: 'isolux'; name: IsoluxName; cx: number; cy: number; radius: number; squash: number }
  | { kind: 'bearing' | 'beam' | 'field' | 'light turn' | 'source' }
  | { kind: 'gobo corner' }
  | { kind: 'area point'; outline: number; point: number }
);

/** A picked light where it stands. */
export interface ShownLight {
  id: string;
  light: Light;
  /** From where its place is counted to the scene, and from its own figure, turned. */
  ground: Affine;
  figure: Affine;
  /** How near counts as on, scene px. */
  nearPx: number;
}

/** How far beyond its figure the ring stands that turns a light, as a multiple of how near counts. */
const RING_AWAY = 2.6;
/** How long the arrow of a sun is drawn, as a multiple of how near counts. */
const ARROW = 9;

/**
 * Lines of equal light, to be dragged.
 * @param alongDeg where their handles stand
 * @param spread whether each stands at an angle of its own from there
 */
export function isoluxHandles(
  { id, light, ground }: ShownLight,
  alongDeg: number,
  spread: 0 | 1,
): LightHandle[] {
  const [cx, cy] = applyTo(ground, light.x, light.y);
  return ISOLUX.map((name) => {
    const radius = isoluxRadius(light, name);
    const angle = (alongDeg + spread * HANDLE_DEG[name]) * RADIANS_PER_DEGREE;
    const place = { x: cx + radius * cos(angle), y: cy + (radius * sin(angle)) / light.squash };
    return {
      kind: 'isolux',
      label: 'Shape a light',
      id,
      name,
      cx,
      cy,
      radius,
      squash: light.squash,
      ...place,
    };
  });
}

/** A place some way from the light along an angle of its own. */
function along({ light, ground }: ShownLight, degrees: number, px: number): [number, number] {
  const angle = degrees * RADIANS_PER_DEGREE;
  const [cx, cy] = applyTo(ground, light.x, light.y);
  const [x, y] = applyTo(ground, light.x + cos(angle), light.y + sin(angle));
  const length = Math.sqrt((x - cx) * (x - cx) + (y - cy) * (y - cy)) || 1;
  return [cx + ((x - cx) / length) * px, cy + ((y - cy) / length) * px];
}

function pointed(
  shown: ShownLight,
  kind: 'bearing' | 'beam' | 'field',
  label: string,
  degrees: number,
  px: number,
): LightHandle {
  const [x, y] = along(shown, degrees, px);
  return { kind, label, id: shown.id, x, y };
}

/** The arrow toward where parallel light comes from. */
export function arrowHandle(shown: ShownLight): LightHandle {
  return pointed(shown, 'bearing', 'Bearing', shown.light.bearingDeg, ARROW * shown.nearPx);
}

/** The ring that turns a cone, and the sides of its beam and field. */
export function coneHandles(shown: ShownLight): LightHandle[] {
  const { bearingDeg, beamDeg, fieldDeg, reachPx } = shown.light;
  const side = (kind: 'beam' | 'field', degrees: number, share: number) =>
    pointed(shown, kind, kind === 'beam' ? 'Beam' : 'Field', bearingDeg + degrees / 2, share * reachPx);
  return [
    pointed(shown, 'bearing', 'Bearing', bearingDeg, reachPx + RING_AWAY * shown.nearPx),
    side('beam', beamDeg, 0.6),
    side('field', Math.max(beamDeg, fieldDeg), 0.85),
  ];
}

/** The points of its outlines. */
export function outlineHandles({ id, light, figure }: ShownLight): LightHandle[] {
  return light.outlines.flatMap((points, outline) =>
    Array.from({ length: points.length / 2 }, (_, point): LightHandle => {
      const [x, y] = applyTo(figure, points[2 * point], points[2 * point + 1]);
      return { kind: 'area point', label: 'Move a point', id, outline, point, x, y };
    }),
  );
}

/** Where its light comes from: a place, or a direction. */
export function sourceHandles(shown: ShownLight): LightHandle[] {
  const { id, light, ground, nearPx } = shown;
  if (light.source === 'parallel') return [arrowHandle(shown)];
  const [x, y] = applyTo(ground, light.x + light.sourceX, light.y + light.sourceY);
  // At the light's own place it would cover the light: it stands beside it until it is pulled away.
  const isAtHome = light.sourceX === 0 && light.sourceY === 0;
  const off = isAtHome ? 2 * nearPx : 0;
  return [{ kind: 'source', label: 'Where it comes from', id, x: x + off, y: y - off }];
}

/** The corners of its picture, and the ring that turns it. */
export function goboHandles({ id, light, figure, nearPx }: ShownLight): LightHandle[] {
  const { gobo } = light;
  if (!gobo) return [];
  const [w, h] = [gobo.widthPx / 2, gobo.heightPx / 2];
  const corner = ([u, v]: readonly [number, number]): LightHandle => {
    const [x, y] = applyTo(figure, u, v);
    return { kind: 'gobo corner', label: 'Size of the gobo', id, x, y };
  };
  const corners = [
    [-w, -h],
    [w, -h],
    [w, h],
    [-w, h],
  ] as const;
  const [x, y] = applyTo(figure, 0, -h - RING_AWAY * nearPx);
  return [...corners.map(corner), { kind: 'light turn', label: 'Turn', id, x, y }];
}
