import type { TurningRecord } from './kind';

/** Round and round. */
export const steady: TurningRecord = {
  angle: ({ degreesPerSecond, phaseSeconds }, seconds) => (degreesPerSecond * (seconds + phaseSeconds)) % 360,
};
