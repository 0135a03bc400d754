/** How a sprite, a light or a lamp moves by itself. */
import { array, object, type InferType } from 'yup';
import { coordinates } from '../../coordinates';
import { degrees, flag, id, namingOrNull, oneOf, whole, within } from '../../fields';
import { LIMITS } from '../../limits';
import { PATH_ENDS, PATH_EASINGS } from '../../time/path-run';
import { TURNING_KINDS } from '../../time/turnings/all-turnings';
import { defaultsOf } from './defaults-of';
import type { Given } from './kind';

const seconds = () => within(0, LIMITS.motionSeconds);

const turning = object({
  kind: oneOf(TURNING_KINDS).default('steady'),
  degreesPerSecond: within(-3600, 3600)
    .default(45)
    .meta({ about: 'Of a steady turn; below 0 it goes the other way' }),
  fromDeg: degrees().default(-20).meta({ about: 'Of a swing, added to how it stands' }),
  toDeg: degrees().default(20),
  periodSeconds: within(0.05, LIMITS.motionSeconds).default(4).meta({ about: 'There and back again' }),
  phaseSeconds: seconds().default(0).meta({ about: 'So long before second 0 it began' }),
  atSpriteId: namingOrNull('sprites', 'names').meta({ about: 'What it looks at' }),
  atBracketId: id()
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'A bracket of that; null is the pivot of its figure' }),
  lagSeconds: within(0, LIMITS.lagSeconds)
    .default(0)
    .meta({ about: 'It looks at where that was on average so long before' }),
});

const path = object({
  points: coordinates(2 * LIMITS.pathPoints)
    .min(4)
    .test('pairs', '${path} must hold x and y in pairs', (points) => (points?.length ?? 0) % 2 === 0)
    .meta({ about: 'Flat points [x0, y0, ...], scene px from its own place' }),
  smooth: array()
    .of(whole(0, LIMITS.pathPoints))
    .required()
    .min(0)
    .max(LIMITS.pathPoints)
    .default(() => [])
    .meta({ about: 'The numbers of its smooth points; the others are corners' }),
  speedPx: within(0.1, LIMITS.coordinatePx).default(40).meta({ about: 'Scene px a second' }),
  easing: oneOf(PATH_EASINGS)
    .default('even')
    .meta({ about: 'It sets off and arrives slowly, or goes evenly' }),
  ends: oneOf(PATH_ENDS).default('back').meta({
    about: 'The last point leads to the first, or it goes back, or it vanishes there and appears anew',
  }),
  restSeconds: array()
    .of(seconds())
    .required()
    .min(0)
    .max(LIMITS.pathPoints)
    .default(() => [])
    .meta({ about: 'How long it rests at each of its points, as far as it goes evenly' }),
  pauseSeconds: seconds().default(0).meta({ about: 'It rests at an end, or is away, for so long' }),
  fadeSeconds: seconds().default(0).meta({ about: 'Of one that appears and vanishes: with its lights' }),
  phaseSeconds: seconds().default(0).meta({ about: 'So long before second 0 it began' }),
  flips: flag().default(false).meta({ about: 'It is mirrored while it goes to the left' }),
});

export type Turning = InferType<typeof turning>;
export type MotionPath = InferType<typeof path>;

export const motionFields = () => ({
  turning: turning.nullable().defined().default(null).meta({ about: 'How it turns about its own place' }),
  path: path.nullable().defined().default(null).meta({ about: 'The way along which it goes' }),
});

export const NEW_TURNING = defaultsOf(turning) as Turning;

export function newPath(fields: Given<MotionPath, 'points'>): MotionPath {
  return { ...(defaultsOf(path) as Partial<MotionPath>), ...fields } as MotionPath;
}
