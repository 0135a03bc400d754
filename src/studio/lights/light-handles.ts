/** Handles of a picked light by its kind, and what dragging them makes of it. */
import { affineOf, applyTo, composed, inverse, type Affine } from '@/core/geometry/affine';
import { atan2, cos, RADIANS_PER_DEGREE, sin } from '@/core/geometry/exact';
import { groundMap } from '@/core/moment/standing';
import type { SceneDocument } from '@/core/scene/document';
import type { Light } from '@/core/scene/records/light';
import { HANDLE_DEG, ISOLUX, isoluxRadius, type IsoluxName } from './isolux';

/** What a handle of a light pulls. */
export type LightHandle = { id: string; label: string; x: number; y: number } & (
  | { kind: 'isolux'; name: IsoluxName; cx: number; cy: number; radius: number; squash: number }
  | { kind: 'bearing' | 'beam' | 'field' | 'light turn' | 'source' }
  | { kind: 'gobo corner' }
  | { kind: 'area point'; outline: number; point: number }
);

/** How far beyond its figure the ring stands that turns a light, as a multiple of how near counts. */
const RING_AWAY = 2.6;
/** How long the arrow of a sun is drawn, as a multiple of how near counts. */
const ARROW = 9;

/** The maps of a light: from where its place is counted, and from its own figure, turned. */
export function lightMaps(
  scene: SceneDocument,
  light: Light,
  seconds: number,
): { ground: Affine; figure: Affine } | null {
  const ground = groundMap(scene, light, seconds);
  if (!ground) return null;
  const { x, y, turnDeg } = light;
  const placing = { x, y, turnDeg, scaleX: 1, scaleY: 1, flipX: false, flipY: false };
  return { ground, figure: composed(ground, affineOf(placing, 0, 0)) };
}

export function lightHandles(
  scene: SceneDocument,
  id: string,
  nearPx: number,
  seconds: number,
): LightHandle[] {
  const light = scene.lights[id];
  const maps = light && lightMaps(scene, light, seconds);
  if (!maps) return [];
  const { ground } = maps;
  const [cx, cy] = applyTo(ground, light.x, light.y);
  switch (light.kind) {
    case 'point':
      return isoluxHandles(id, light, cx, cy, 0, 1);
    case 'spot':
      return [
        ...isoluxHandles(id, light, cx, cy, light.bearingDeg, 0),
        ...spotHandles(id, light, ground, nearPx),
      ];
    case 'sun':
      return [pointed(id, 'bearing', 'Bearing', light, ground, light.bearingDeg, ARROW * nearPx)];
    case 'area':
      return [...areaHandles(id, light, maps.figure), ...sourceHandles(id, light, ground, nearPx)];
    case 'ambient':
      return areaHandles(id, light, maps.figure);
    case 'gobo':
      return [...goboHandles(id, light, maps.figure, nearPx), ...sourceHandles(id, light, ground, nearPx)];
  }
}

function isoluxHandles(
  id: string,
  light: Light,
  cx: number,
  cy: number,
  alongDeg: number,
  spread: 0 | 1,
): LightHandle[] {
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
function along(light: Light, ground: Affine, degrees: number, px: number): [number, number] {
  const angle = degrees * RADIANS_PER_DEGREE;
  const [cx, cy] = applyTo(ground, light.x, light.y);
  const [x, y] = applyTo(ground, light.x + cos(angle), light.y + sin(angle));
  const length = Math.sqrt((x - cx) * (x - cx) + (y - cy) * (y - cy)) || 1;
  return [cx + ((x - cx) / length) * px, cy + ((y - cy) / length) * px];
}

function pointed(
  id: string,
  kind: 'bearing' | 'beam' | 'field',
  label: string,
  light: Light,
  ground: Affine,
  degrees: number,
  px: number,
): LightHandle {
  const [x, y] = along(light, ground, degrees, px);
  return { kind, label, id, x, y };
}

function spotHandles(id: string, light: Light, ground: Affine, nearPx: number): LightHandle[] {
  const { bearingDeg, beamDeg, fieldDeg, reachPx } = light;
  const side = (kind: 'beam' | 'field', degrees: number, share: number) =>
    pointed(
      id,
      kind,
      kind === 'beam' ? 'Beam' : 'Field',
      light,
      ground,
      bearingDeg + degrees / 2,
      share * reachPx,
    );
  return [
    pointed(id, 'bearing', 'Bearing', light, ground, bearingDeg, reachPx + RING_AWAY * nearPx),
    side('beam', beamDeg, 0.6),
    side('field', Math.max(beamDeg, fieldDeg), 0.85),
  ];
}

function areaHandles(id: string, light: Light, figure: Affine): LightHandle[] {
  return light.outlines.flatMap((points, outline) =>
    Array.from({ length: points.length / 2 }, (_, point): LightHandle => {
      const [x, y] = applyTo(figure, points[2 * point], points[2 * point + 1]);
      return { kind: 'area point', label: 'Move a point', id, outline, point, x, y };
    }),
  );
}

function sourceHandles(id: string, light: Light, ground: Affine, nearPx: number): LightHandle[] {
  if (light.source === 'parallel')
    return [pointed(id, 'bearing', 'Bearing', light, ground, light.bearingDeg, ARROW * nearPx)];
  const [x, y] = applyTo(ground, light.x + light.sourceX, light.y + light.sourceY);
  // At the light's own place it would cover the light: it stands beside it until it is pulled away.
  const isAtHome = light.sourceX === 0 && light.sourceY === 0;
  const off = isAtHome ? 2 * nearPx : 0;
  return [{ kind: 'source', label: 'Where it comes from', id, x: x + off, y: y - off }];
}

function goboHandles(id: string, light: Light, figure: Affine, nearPx: number): LightHandle[] {
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

/** What dragging a handle to a place of the scene makes of a light; null where that says nothing. */
export function pulledLight(
  scene: SceneDocument,
  handle: Exclude<LightHandle, { kind: 'isolux' }>,
  to: { x: number; y: number; shift: boolean; alt: boolean },
  seconds: number,
): Partial<Light> | null {
  const light = scene.lights[handle.id];
  const maps = lightMaps(scene, light, seconds);
  const ground = maps && inverse(maps.ground);
  const figure = maps && inverse(maps.figure);
  if (!ground || !figure) return null;
  const [x, y] = applyTo(ground, to.x, to.y);
  const angle = atan2(y - light.y, x - light.x) / RADIANS_PER_DEGREE;
  const step = to.shift ? 15 : 1;
  const stepped = (degrees: number) => Math.round(degrees / step) * step;
  switch (handle.kind) {
    case 'bearing':
      return { bearingDeg: wrapped(stepped(angle)) };
    case 'beam':
    case 'field': {
      const opened = Math.min(360, Math.max(0, stepped(2 * Math.abs(wrapped(angle - light.bearingDeg)))));
      return handle.kind === 'beam'
        ? { beamDeg: opened, fieldDeg: Math.max(light.fieldDeg, opened) }
        : { fieldDeg: opened, beamDeg: Math.min(light.beamDeg, opened) };
    }
    case 'light turn':
      return { turnDeg: wrapped(stepped(angle + 90)) };
    case 'source':
      return { sourceX: Math.round(x - light.x), sourceY: Math.round(y - light.y) };
    case 'gobo corner': {
      const [u, v] = applyTo(figure, to.x, to.y);
      const { gobo } = light;
      const widthPx = Math.max(1, Math.round(2 * Math.abs(u)));
      const heightPx = to.shift
        ? Math.max(1, Math.round((widthPx * gobo!.heightPx) / gobo!.widthPx))
        : Math.max(1, Math.round(2 * Math.abs(v)));
      return { gobo: { ...gobo!, widthPx, heightPx } };
    }
    case 'area point': {
      const [u, v] = applyTo(figure, to.x, to.y).map((at) => Math.round(at * 10) / 10);
      const pulled = (points: number[]) => {
        if (!to.alt) return points.toSpliced(2 * handle.point, 2, u, v);
        // All of its outline goes along.
        const by = [u - points[2 * handle.point], v - points[2 * handle.point + 1]];
        return points.map((at, i) => at + by[i % 2]);
      };
      return {
        outlines: light.outlines.map((points, o) => (o === handle.outline ? pulled(points) : points)),
      };
    }
  }
}

/** Degrees brought into -180 up to, but not including, 180. */
function wrapped(degrees: number): number {
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
}
