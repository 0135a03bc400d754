import { eachOf, isRecord, type VersionStep } from './step';

/** What lights and occluders of version 4 and earlier were: round, added up, hard, and stopped altogether. */
const EARLIER_LOOK = {
  stops: [],
  blend: 'add',
  rim: false,
  replaces: true,
  squash: 1,
  drawnCurve: [0, 1, 1, 0],
  bearingDeg: 90,
  altitudeDeg: 45,
  beamDeg: 24,
  fieldDeg: 46,
  outlines: [],
  smooth: [],
  featherPx: 10,
  turnDeg: 0,
  source: 'point',
  sourceX: 0,
  sourceY: 0,
  gobo: null,
  bands: 0,
  dither: false,
  blockPx: 0,
  wrap: 0,
  sizePx: 0,
  sizeDeg: 0.5,
  shadowOpacity: 1,
  shadowColour: '#000000',
  still: false,
};
const EARLIER_SHADE = { soakPx: 0, transmitShare: 0, transmitColour: '#ffffff', staturePx: null };

/** Version 5 has every kind of light, soft and coloured shadows, rims, and a finish. */
export const toVersion5: VersionStep = {
  added: [],
  records: {
    settings: (settings) => ({
      viewTiltDeg: 0,
      exposureStops: 0,
      tone: 'clip',
      whiteLevel: 4,
      ...settings,
    }),
    planes: (plane) => ({
      ...plane,
      tiles: isRecord(plane.tiles) ? { ...EARLIER_SHADE, ...plane.tiles } : plane.tiles,
    }),
    sprites: (sprite) => ({ seenGain: 4, castsShape: false, ...sprite }),
    lights: (light) => ({ ...EARLIER_LOOK, stoppedBy: null, ...light }),
    lamps: (lamp) => ({ stoppedBy: null, ...lamp }),
    occluders: (occluder) => ({ ...EARLIER_SHADE, ...occluder }),
    artworks: (artwork) => ({
      ...artwork,
      occluders: eachOf(artwork.occluders ?? [], (occluder) => ({ ...EARLIER_SHADE, ...occluder })),
    }),
    luminaires: (luminaire) => ({
      ...luminaire,
      lights: eachOf(luminaire.lights, (part) => ({ ...EARLIER_LOOK, ...part })),
    }),
  },
};
