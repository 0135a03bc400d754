import { areaShape, ownSource, type LightKindRecord } from './shape';

/** The inside of outlines, with a feather around; its light comes from a source behind it. */
export const area: LightKindRecord = {
  throwsShapes: false,
  isParallel: ({ source }) => source === 'parallel',
  darkens: () => false,
  shape(light) {
    const shape = areaShape(light, ownSource(light));
    return shape && { ...shape, gobo: light.gobo(light.fields.turnDeg)?.gobo ?? null };
  },
};
