/** Handles of a picked light by its kind, and what dragging them makes of it. */
import { applyTo, inverse } from '@/core/geometry/affine';
import { atan2, RADIANS_PER_DEGREE } from '@/core/geometry/exact';
import type { LightLook } from '@/core/scene/records/light-look';
import type { LightHandle } from './handle-makers';
import { LIGHT_SCREENS } from './kinds/all-kinds';
import type { PickedLight } from './picked-light';

export function lightHandles(picked: PickedLight, nearPx: number): LightHandle[] {
  return LIGHT_SCREENS[picked.light.kind].handles({ ...picked, nearPx });
}

/** What dragging a handle to a place of the scene makes of a light; null where that says nothing. */
export function pulledLight(
  picked: PickedLight,
  handle: Exclude<LightHandle, { kind: 'isolux' }>,
  to: { x: number; y: number; shift: boolean; alt: boolean },
): Partial<LightLook> | null {
  const { light } = picked;
  const ground = inverse(picked.ground);
  const figure = inverse(picked.figure);
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
