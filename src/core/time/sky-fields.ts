/** The fields of a scene that say where its sun and its moon stand. */
import { flag, oneOf, whole, within } from '../fields';

export const SUN_WAYS = ['arc', 'place'] as const;
export type SunWay = (typeof SUN_WAYS)[number];

export const SKY_FIELDS = {
  sunBy: oneOf(SUN_WAYS)
    .default('arc')
    .meta({ about: 'The sun goes along an arc of your own, or as it does at a place on a date' }),
  sunRiseHours: within(0, 24).default(6),
  sunSetHours: within(0, 24).default(18.5),
  sunNoonDeg: within(0, 90).default(52).meta({ about: 'How high it stands half way' }),
  sunBySouth: flag().default(true).meta({ about: 'It goes from east by south to west, or by north' }),
  latitudeDeg: within(-90, 90).default(46.5).meta({ about: 'North is positive' }),
  longitudeDeg: within(-180, 180).default(8).meta({ about: 'East is positive' }),
  utcOffsetHours: within(-14, 14).default(1).meta({ about: 'Of the clock, against UTC' }),
  sunYear: whole(1900, 2100).default(1926),
  sunMonth: whole(1, 12).default(9),
  sunDay: whole(1, 31).default(20),
  moonAfterHours: within(0, 24)
    .default(12)
    .meta({ about: 'How long after the sun the moon of an arc comes by; 12 is a full moon' }),
  moonNoonDeg: within(0, 90).default(38).meta({ about: 'How high the moon of an arc stands half way' }),
  headingDeg: within(-360, 360)
    .default(0)
    .meta({ about: 'The direction of the compass at the top of the picture, or behind it; 90 is east' }),
};

/** What stands in the sky. */
export const SKY_BODIES = ['sun', 'moon'] as const;
export type SkyBody = (typeof SKY_BODIES)[number];
/** What a sun can follow. */
export const FOLLOWED = ['nothing', ...SKY_BODIES] as const;
export type Followed = (typeof FOLLOWED)[number];
