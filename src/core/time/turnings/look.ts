import { atan2, RADIANS_PER_DEGREE } from '../../geometry/exact';
import type { TurningRecord } from './kind';

/** It looks at a sprite, or at a bracket of one. */
export const look: TurningRecord = {
  angle(turning, _seconds, { target, axisDeg }) {
    const way = target(turning);
    return way ? atan2(way[1], way[0]) / RADIANS_PER_DEGREE - axisDeg : 0;
  },
};
