import { ownSource, plainShape, type LightKindRecord } from './shape';

/** A picture over a rectangle; its light comes from a source behind it. */
export const gobo: LightKindRecord = {
  throwsShapes: false,
  isParallel: ({ source }) => source === 'parallel',
  darkens: () => false,
  shape(light) {
    const found = light.gobo(light.fields.turnDeg);
    if (!found) return null;
    return { ...plainShape(light, ownSource(light)), figure: 'picture', gobo: found.gobo, box: found.box };
  },
};
