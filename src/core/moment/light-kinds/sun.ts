import { parallelSource, plainShape, type LightKindRecord } from './shape';

/** Parallel rays from one direction, the same everywhere. */
export const sun: LightKindRecord = {
  throwsShapes: true,
  darkens: () => false,
  shape(light) {
    const source = parallelSource(light);
    // Below the picture's plane it gives nothing.
    return source.parallel && source.z <= 0 ? null : plainShape(light, source);
  },
};
