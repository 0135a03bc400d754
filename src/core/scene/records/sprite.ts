import { object } from 'yup';
import { coordinate } from '../../coordinates';
import {
  colour,
  degrees,
  flag,
  hanging,
  level,
  name,
  naming,
  namingAll,
  namingOrNull,
  order,
  scale,
  share,
  whole,
  within,
} from '../../fields';
import { LIMITS } from '../../limits';
import { answerOrNull, SEEN_GAIN } from './answer';
import { HOUSE_CIRCUIT } from './circuit';
import { motionFields } from './motion';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const side = () => within(1, LIMITS.coordinatePx);

const schema = object({
  name: name(),
  planeId: naming('planes', 'belongs'),
  order: order(),
  artworkId: namingOrNull('artworks', 'belongs').meta({
    about: 'Null is a sprite without art, which `plain` describes',
  }),
  plain: object({ colour: colour(), widthPx: side(), heightPx: side() })
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'A rectangle of one colour, its pivot in the middle' }),
  hangsOn: hanging(),
  setIds: namingAll('sets', LIMITS.sets).default(() => []),
  x: coordinate().meta({ about: "Where the artwork's pivot stands" }),
  y: coordinate(),
  turnDeg: degrees().default(0),
  scaleX: scale().default(1),
  scaleY: scale().default(1),
  flipX: flag().default(false),
  flipY: flag().default(false),
  opacity: share().default(1).meta({ about: "Multiplies the art's alpha" }),
  frame: whole(0, LIMITS.frames - 1)
    .default(0)
    .meta({ about: 'The frame that shows, or that playing begins with, from 0' }),
  playing: flag().default(true),
  answer: answerOrNull().meta({ about: "Null takes the plane's" }),
  circuitIds: namingAll('circuits', LIMITS.circuits, 'needs', HOUSE_CIRCUIT)
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'The circuits that it listens to; null takes those of the plane' }),
  ownOccluders: flag().default(false).meta({ about: 'Its own occluders hold, and not those of its artwork' }),
  glowLevel: level()
    .default(1)
    .meta({ about: 'How bright self-lit parts are; 1 shows the art as it was drawn' }),
  glowsWithId: namingOrNull('lights', 'names').meta({
    about: 'A light that its glow goes with: it flickers, fades and goes out as that does',
  }),
  takesShadows: flag().default(true),
  seenGain: level().default(SEEN_GAIN).meta({ about: 'How soon a sprite that is seen when lit shows' }),
  castsShape: flag()
    .default(false)
    .meta({ about: 'It stands on its foot and throws its own shape in the sun' }),
  ...motionFields(),
  hidden: flag().default(false),
  locked: flag().default(false),
});

export const sprites = {
  about: 'Placed copies of artworks',
  of: 'scene',
  most: LIMITS.sprites,
  schema,
} as const satisfies RecordKind;

export type Sprite = RecordType<typeof sprites>;
/** What a sprite without art is. */
export type PlainArt = NonNullable<Sprite['plain']>;
export type Hanging = NonNullable<Sprite['hangsOn']>;

export function newSprite(
  fields: Given<Sprite, 'name' | 'planeId' | 'order' | 'artworkId' | 'x' | 'y'>,
): Sprite {
  return newRecord(sprites, fields);
}
