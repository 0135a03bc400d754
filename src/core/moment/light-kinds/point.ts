import { roundShape, type LightKindRecord } from './shape';

/** All round its place. */
export const point: LightKindRecord = {
  throwsShapes: false,
  isParallel: () => false,
  darkens: () => false,
  shape: (light) => roundShape(light, light.fields.turnDeg),
};
