/**
 * The fields of a scene that say what drifts over it: shadows of clouds, and mist. Both are a pattern that the wind moves; each
 * has its own fields, named by it.
 */
import { colour, namingOrNull, share, whole, within } from '../fields';
import { LIMITS } from '../limits';

export const DRIFTS = ['cloud', 'mist'] as const;
export type DriftName = (typeof DRIFTS)[number];

const fields = (begins: {
  colour: string;
  softness: number;
  cover: number;
  seed: number;
  farFade: number;
}) => ({
  strength: share().default(0).meta({ about: '0 is none' }),
  colour: colour().default(begins.colour),
  cover: share().default(begins.cover).meta({ about: 'About how much of the scene it lies on' }),
  softness: share().default(begins.softness).meta({ about: 'How gently it ends' }),
  scalePx: within(8, LIMITS.coordinatePx)
    .default(320)
    .meta({ about: 'After so many scene px the pattern begins anew; a finer one over it hides that' }),
  seed: whole(0, 0x7fffffff).default(begins.seed),
  windX: within(-4096, 4096).default(9).meta({ about: 'Scene px a second; rounded so that the loop closes' }),
  windY: within(-4096, 4096).default(0),
  farFade: share().default(begins.farFade).meta({ about: 'How much weaker it is on the farthest plane' }),
  uprightShare: share().default(0.7).meta({
    about: 'How far what stands takes it from where its foot is: its edge would run up a wall else',
  }),
  artworkId: namingOrNull('artworks', 'needs').meta({
    about: 'A tile of your own, light where it is dense, in the place of the noise',
  }),
});

type Fields = ReturnType<typeof fields>;
type Named<P extends string> = { [K in keyof Fields as `${P}${Capitalize<K>}`]: Fields[K] };

function named<P extends DriftName>(name: P, of: Fields): Named<P> {
  return Object.fromEntries(
    Object.entries(of).map(([field, schema]) => [
      `${name}${field[0].toUpperCase()}${field.slice(1)}`,
      schema,
    ]),
  ) as Named<P>;
}

export const DRIFT_FIELDS = {
  ...named('cloud', fields({ colour: '#5a6478', softness: 0.35, cover: 0.45, seed: 11, farFade: 0.5 })),
  ...named('mist', fields({ colour: '#d5dbe2', softness: 0.7, cover: 0.6, seed: 23, farFade: 0 })),
  driftLoopSeconds: within(1, 3600)
    .default(240)
    .meta({ about: 'After so long what drifts stands as it did in the beginning' }),
};
