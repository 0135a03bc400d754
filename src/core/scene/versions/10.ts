import { isRecord, type Json, type VersionStep } from './step';

/** Things went along their paths without a rest. */
const neverResting = (thing: Json): Json =>
  isRecord(thing.path) ? { ...thing, path: { restSeconds: [], ...thing.path } } : thing;

/** Version 10: paths have rests; a scene may have a budget of lights that throw shadows. */
export const toVersion10: VersionStep = {
  added: [],
  records: {
    settings: (settings) => ({ shadowBudget: null, ...settings }),
    sprites: neverResting,
    lights: neverResting,
    lamps: neverResting,
  },
};
