import { atan2, smoothstep01 } from '../../geometry/exact';
import type { MomentCone } from '../../moment/moment';

/** Share of the cone at a way from the light: by branches, so that equal angles make a hard edge. */
export function coneAt({ x, y, beam, field }: MomentCone, dx: number, dy: number): number {
  if (dx === 0 && dy === 0) return 1;
  const across = x * dy - y * dx;
  const along = x * dx + y * dy;
  const angle = atan2(Math.abs(across), along);
  if (angle <= beam) return 1;
  if (angle >= field) return 0;
  return 1 - smoothstep01((angle - beam) / (field - beam));
}
