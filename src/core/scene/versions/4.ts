import type { VersionStep } from './step';

const HOUSE = 'house';

/** Version 4 has tile planes, lamps, sets, circuits, things that hang on others, and outlines kept with artworks. */
export const toVersion4: VersionStep = {
  added: ['chunks', 'lamps', 'sets', 'luminaires'],
  records: {
    planes: (plane) => ({ circuitIds: [HOUSE], overlay: false, tiles: null, ...plane }),
    sprites: (sprite) => ({
      plain: null,
      hangsOn: null,
      setIds: [],
      circuitIds: null,
      ownOccluders: false,
      ...sprite,
    }),
    lights: (light) => ({
      hangsOn: null,
      blockedByCarrier: false,
      setIds: [],
      circuitIds: [HOUSE],
      ...light,
    }),
    occluders: (occluder) => ({ smooth: [], setIds: [], ...occluder }),
    artworks: (artwork) => ({ lamps: [], occluders: [], ...artwork }),
  },
  document: (document) => ({
    ...document,
    circuits: document.circuits ?? { [HOUSE]: { name: 'House', order: 'a1' } },
  }),
};
