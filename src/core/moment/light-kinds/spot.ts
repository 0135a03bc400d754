import { coneOf, roundShape, type LightKindRecord } from './shape';

/** A cone along its bearing; a gobo turns with it. */
export const spot: LightKindRecord = {
  throwsShapes: false,
  isParallel: () => false,
  darkens: () => false,
  shape(light) {
    const { turnDeg, bearingDeg } = light.fields;
    return { ...roundShape(light, turnDeg + bearingDeg), figure: 'cone', cone: coneOf(light) };
  },
};
