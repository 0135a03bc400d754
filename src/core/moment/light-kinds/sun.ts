import { parallelSource, plainShape, type LightKindRecord } from './shape';

/** Parallel rays from one direction, the same everywhere. */
export const sun: LightKindRecord = {
  throwsShapes: true,
  isParallel: () => true,
  darkens: () => false,
  shape(light) {
    const source = parallelSource(light);
    // One of its own that is below the picture's plane gives nothing; one of the sky may stand behind the picture.
    return source.parallel && source.z <= 0 && !light.sky ? null : plainShape(light, source);
  },
};
