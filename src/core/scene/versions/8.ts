import { eachOf, isRecord, type Json, type VersionStep } from './step';

/** Scenes of version 7 and earlier had no sky of their own: this one changes nothing until a light follows it. */
const EARLIER_SKY = {
  sunBy: 'arc',
  sunRiseHours: 6,
  sunSetHours: 18.5,
  sunNoonDeg: 52,
  sunBySouth: true,
  latitudeDeg: 46.5,
  longitudeDeg: 8,
  utcOffsetHours: 1,
  sunYear: 1926,
  sunMonth: 9,
  sunDay: 20,
  moonAfterHours: 12,
  moonNoonDeg: 38,
  headingDeg: 0,
};
/** Nor did anything drift over them. */
const EARLIER_DRIFT = {
  cloudStrength: 0,
  cloudColour: '#5a6478',
  cloudCover: 0.45,
  cloudSoftness: 0.35,
  cloudScalePx: 320,
  cloudSeed: 11,
  cloudWindX: 9,
  cloudWindY: 0,
  cloudFarFade: 0.5,
  cloudUprightShare: 0.7,
  cloudArtworkId: null,
  mistStrength: 0,
  mistColour: '#d5dbe2',
  mistCover: 0.6,
  mistSoftness: 0.7,
  mistScalePx: 320,
  mistSeed: 23,
  mistWindX: 9,
  mistWindY: 0,
  mistFarFade: 0,
  mistUprightShare: 0.7,
  mistArtworkId: null,
  driftLoopSeconds: 240,
  washId: null,
  washStrength: 1,
};
const EARLIER_CIRCUIT = {
  switching: 'always',
  onHours: 18,
  offHours: 6,
  onBelowDeg: -1,
  spreadMinutes: 0,
  fadeSeconds: 0,
};
const EARLIER_CUE = {
  sunColour: null,
  sunLevel: null,
  moonColour: null,
  moonLevel: null,
  cloudStrength: null,
  cloudCover: null,
  cloudColour: null,
  mistStrength: null,
  mistCover: null,
  mistColour: null,
  washId: null,
  washStrength: null,
  exposureStops: null,
  whiteLevel: null,
  circuitLevels: [],
  held: [],
};

const AT_REST = { turning: null, path: null };

const stillSun = (look: Json): Json => ({ follows: 'nothing', ...look });

/** Version 8: the sky and what follows it, what drifts, washes, circuits that are switched, more in a cue, motion; who said which way green points. */
export const toVersion8: VersionStep = {
  added: ['washes'],
  records: {
    settings: (settings) => ({ ...EARLIER_SKY, ...EARLIER_DRIFT, ...settings }),
    circuits: (circuit) => ({ ...EARLIER_CIRCUIT, ...circuit }),
    cues: (cue) => ({ ...structuredClone(EARLIER_CUE), ...cue }),
    planes: (plane) => ({ ground: true, takesDrift: true, ...plane }),
    sprites: (sprite) => ({ glowsWithId: null, ...AT_REST, ...sprite }),
    lights: (light) => ({ ...AT_REST, ...stillSun(light) }),
    lamps: (lamp) => ({ ...AT_REST, ...lamp }),
    luminaires: (luminaire) => ({ ...luminaire, lights: eachOf(luminaire.lights, stillSun) }),
    reliefs: (relief) =>
      isRecord(relief.normals)
        ? { ...relief, normals: { orientationChosen: false, ...relief.normals } }
        : relief,
  },
};
