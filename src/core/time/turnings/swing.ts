import { cos } from '../../geometry/exact';
import type { TurningRecord } from './kind';

const TURN = 6.283185307179586;

/** To and fro between two angles, as a pendulum does. */
export const swing: TurningRecord = {
  angle({ fromDeg, toDeg, periodSeconds, phaseSeconds }, seconds) {
    const at = (seconds + phaseSeconds) / periodSeconds;
    return fromDeg + ((toDeg - fromDeg) * (1 - cos(TURN * (at - Math.floor(at))))) / 2;
  },
};
