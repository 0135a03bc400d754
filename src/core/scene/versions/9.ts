import { eachOf, isRecord, type Json, type VersionStep } from './step';

/** Washes were named by the scene and its cues alone, and no snag was set aside. */
const EARLIER_CHOICE = {
  washBy: 'cues',
  washSeed: 1,
  washEverySeconds: 30,
  washFadeSeconds: 4,
  figureId: null,
  asides: [],
};

/** Things went along their paths without a rest. */
const neverResting = (thing: Json): Json =>
  isRecord(thing.path) ? { ...thing, path: { restSeconds: [], ...thing.path } } : thing;

/** Version 9: chance and the figure's place choose washes too; snags are set aside; the flame of a lamp glows with one of its lights; paths have rests. */
export const toVersion9: VersionStep = {
  added: [],
  records: {
    settings: (settings) => ({ ...structuredClone(EARLIER_CHOICE), ...settings }),
    washes: (wash) => ({ onEntering: false, fadePx: 40, ...wash }),
    sprites: neverResting,
    lights: neverResting,
    lamps: neverResting,
    luminaires: (luminaire) => ({
      ...luminaire,
      flames: eachOf(luminaire.flames, (flame: Json) => ({ glowsWithId: null, ...flame })),
    }),
  },
};
