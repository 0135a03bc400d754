import type { InferType } from 'yup';
import { object } from 'yup';
import { colour, oneOf, share, within } from '../../fields';
import { LIMITS } from '../../limits';
import { defaultsOf } from './defaults-of';

export const OWN_SHADES = ['lit', 'dark'] as const;
export type OwnShade = (typeof OWN_SHADES)[number];

/** How something stops light. */
export const shadeFields = () => ({
  ownShade: oneOf(OWN_SHADES).default('lit').meta({ about: 'Whether what casts the shadow lies in it' }),
  soakPx: within(0, LIMITS.softPx)
    .default(0)
    .meta({ about: 'How far light enters what lies in its own shade' }),
  transmitShare: share().default(0).meta({ about: 'The share of light that comes through' }),
  transmitColour: colour().default('#ffffff').meta({ about: 'And its colour' }),
  staturePx: within(0, LIMITS.heightPx)
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'Height above the ground; null throws endless shadows' }),
});

const schema = object(shadeFields());
export type Shade = InferType<typeof schema>;

/** What stops light altogether, endlessly, and stays lit itself. */
export const NEW_SHADE = defaultsOf(schema) as Shade;
export const SHADE_FIELDS = Object.keys(schema.fields) as (keyof Shade)[];
