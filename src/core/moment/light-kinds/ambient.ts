import { areaShape, ownPlace, plainShape, type LightKindRecord } from './shape';

/** Even light without facing or shadows, everywhere or within outlines: in the place of the scene's own, or added to it. */
export const ambient: LightKindRecord = {
  throwsShapes: false,
  isParallel: () => false,
  // Darkness that takes the place of the scene's ambient light is light of level 0.
  darkens: ({ replaces }) => replaces,
  shape(light) {
    const { outlines, replaces } = light.fields;
    const source = ownPlace(light);
    const shape = outlines.length > 0 ? areaShape(light, source) : plainShape(light, source);
    return shape && { ...shape, ambient: replaces ? 'instead' : 'added' };
  },
};
