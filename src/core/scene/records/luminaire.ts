import { object, type InferType } from 'yup';
import { coordinate } from '../../coordinates';
import {
  degrees,
  flag,
  id,
  idOrNull,
  level,
  list,
  name,
  naming,
  oneOf,
  scale,
  share,
  whole,
} from '../../fields';
import { LIMITS } from '../../limits';
import { ANSWERS, SEEN_GAIN } from './answer';
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
  x: coordinate().default(0),
  y: coordinate().default(0),
  turnDeg: degrees().default(0),
  scaleX: scale().default(1),
  scaleY: scale().default(1),
  flipX: flag().default(false),
  opacity: share().default(1),
  frame: whole(0, LIMITS.frames - 1).default(0),
  playing: flag().default(true),
  answer: oneOf(ANSWERS).default('self-lit'),
  glowLevel: level().default(1),
  seenGain: level().default(SEEN_GAIN),
  glowsWithId: idOrNull().meta({
    about: "The light of its luminaire whose wick its glow goes by, by that part's id",
  }),
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

export function newFlamePart(fields: Given<FlamePart, 'id' | 'name' | 'artworkId'>): FlamePart {
  return { ...(defaultsOf(flamePart) as Partial<FlamePart>), ...fields } as FlamePart;
}

export function newLightPart(fields: Given<LightPart, 'id' | 'name'>): LightPart {
  return { ...(defaultsOf(lightPart) as Partial<LightPart>), ...fields } as LightPart;
}
