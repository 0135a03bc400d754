import { object, type InferType } from 'yup';
import { coordinate } from '../../coordinates';
import { degrees, flag, id, level, list, name, naming, oneOf, scale, share, whole } from '../../fields';
import { LIMITS } from '../../limits';
import { ANSWERS } from './answer';
import { defaultsOf } from './defaults-of';
import type { Given, RecordKind } from './kind';
import { lookFields } from './light-look';
import { wickSchema } from './wick';

/** A light of a luminaire, placed from the luminaire's own middle. Its wick is its own, so that it fits every scene. */
export const lightPartFields = () => ({
  id: id(),
  name: name(),
  x: coordinate().default(0),
  y: coordinate().default(0),
  ...lookFields(),
  wick: wickSchema.nullable().defined().default(null),
});

/** The sprite of a luminaire's flame or glass. */
export const flameFields = () => ({
  id: id(),
  name: name(),
  artworkId: naming('artworks', 'needs'),
  x: coordinate(),
  y: coordinate(),
  turnDeg: degrees(),
  scaleX: scale(),
  scaleY: scale(),
  flipX: flag(),
  opacity: share(),
  frame: whole(0, LIMITS.frames - 1),
  playing: flag(),
  answer: oneOf(ANSWERS),
  glowLevel: level(),
});

const lightPart = object(lightPartFields());
const flamePart = object(flameFields());
export type LightPart = InferType<typeof lightPart>;
export type FlamePart = InferType<typeof flamePart>;

export const luminaires = {
  about: 'Kinds of lamps on the shelf',
  of: 'project',
  most: LIMITS.luminaires,
  schema: object({
    name: name(),
    lights: list(lightPart.required(), LIMITS.luminaireParts),
    flames: list(flamePart.required(), LIMITS.luminaireParts),
  }),
} as const satisfies RecordKind;

export function newLightPart(fields: Given<LightPart, 'id' | 'name'>): LightPart {
  return { ...(defaultsOf(lightPart) as Partial<LightPart>), ...fields } as LightPart;
}
