/** The ground of a tilted view: how what comes from the sky lies upon it. */
import { RADIANS_PER_DEGREE, cos, sin } from '../geometry/exact';
import type { MomentSource } from './moment';

/** A direction by the axes of the ground: to the right, away from the viewer, and up. */
export interface GroundWay {
  across: number;
  away: number;
  up: number;
}

/** From the picture's axes to those of the ground. Of length 1, as the direction that it is made of. */
export function groundWay({ x, y, z }: { x: number; y: number; z: number }, viewTiltDeg: number): GroundWay {
  const tilt = viewTiltDeg * RADIANS_PER_DEGREE;
  return { across: x, away: -y * sin(tilt) - z * cos(tilt), up: -y * cos(tilt) + z * sin(tilt) };
}

/**
 * Where the shadows of what has a stature come from in a view that is tilted: a px of height throws as much shadow on the
 * picture as it does for the shapes of standing sprites.
 * @returns null where that is the source itself: seen from the side or from straight above, or where nothing is thrown
 */
export function groundSource(source: MomentSource, viewTiltDeg: number): MomentSource | null {
  if (!source.parallel || viewTiltDeg <= 0 || viewTiltDeg >= 90) return null;
  const { across, away, up } = groundWay(source, viewTiltDeg);
  if (up <= 0) return null;
  const down = -away * sin(viewTiltDeg * RADIANS_PER_DEGREE);
  const length = Math.sqrt(across * across + down * down + up * up);
  return { parallel: true, x: across / length, y: down / length, z: up / length };
}
