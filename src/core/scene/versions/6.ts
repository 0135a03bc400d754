import { eachOf, eachOverride, isRecord, type Json, type VersionStep } from './step';

/** Gobos of version 5 and earlier played from their first frame at the rate of their art, or showed that frame. */
const EARLIER_GOBO = { frame: 0, speed: 1 };
/** What is seen when lit showed at a quarter of the light of white art, but for sprites. */
const EARLIER_GAIN = { seenGain: 4 };

const withGobo = (look: Json): Json =>
  isRecord(look.gobo) ? { ...look, gobo: { ...EARLIER_GOBO, ...look.gobo } } : look;

/** Version 6: gobos have a frame and a speed, tiles and flames a gain. */
export const toVersion6: VersionStep = {
  added: [],
  records: {
    planes: (plane) => ({
      ...plane,
      tiles: isRecord(plane.tiles) ? { ...EARLIER_GAIN, ...plane.tiles } : plane.tiles,
    }),
    lights: withGobo,
    lamps: (lamp) => eachOverride(lamp, withGobo),
    luminaires: (luminaire) => ({
      ...luminaire,
      lights: eachOf(luminaire.lights, withGobo),
      flames: eachOf(luminaire.flames, (flame) => ({ ...EARLIER_GAIN, ...flame })),
    }),
  },
};
