import { eachOf, type Json, type VersionStep } from './step';

/** Washes were named by the scene and its cues alone, and no snag was set aside. */
const EARLIER_CHOICE = {
  washBy: 'cues',
  washSeed: 1,
  washEverySeconds: 30,
  washFadeSeconds: 4,
  figureId: null,
  asides: [],
};

/** Version 9: chance and the figure's place choose washes too; snags are set aside; the flame of a lamp glows with one of its lights. */
export const toVersion9: VersionStep = {
  added: [],
  records: {
    settings: (settings) => ({ ...structuredClone(EARLIER_CHOICE), ...settings }),
    washes: (wash) => ({ onEntering: false, fadePx: 40, ...wash }),
    luminaires: (luminaire) => ({
      ...luminaire,
      flames: eachOf(luminaire.flames, (flame: Json) => ({ glowsWithId: null, ...flame })),
    }),
  },
};
