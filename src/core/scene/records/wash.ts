import { object } from 'yup';
import { coordinate } from '../../coordinates';
import { colour, flag, list, name, oneOf, order, share, within } from '../../fields';
import { LIMITS } from '../../limits';
import { defaultsOf } from './defaults-of';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

/** What the places of its points are counted from, and where it ends. */
export const WASH_TIES = ['gate', 'scene', 'rectangle'] as const;
export type WashTie = (typeof WASH_TIES)[number];
/** What decides which wash lies on the picture. */
export const WASH_CHOOSERS = ['cues', 'seed'] as const;
export type WashChooser = (typeof WASH_CHOOSERS)[number];
/** How it is laid over the picture. */
export const WASH_BLENDS = ['normal', 'multiply', 'screen', 'add'] as const;
export type WashBlend = (typeof WASH_BLENDS)[number];

const point = object({
  x: coordinate().meta({ about: 'Px of the gate, from its corner, where it is tied to that; else scene px' }),
  y: coordinate(),
  colour: colour().default('#c08890'),
  spreadPx: within(1, LIMITS.coordinatePx).default(160).meta({ about: 'How far its colour goes' }),
  opacity: share().default(1),
});

const schema = object({
  name: name(),
  order: order(),
  tiedTo: oneOf(WASH_TIES).default('gate'),
  blend: oneOf(WASH_BLENDS).default('normal'),
  opacity: share().default(0.2),
  x: coordinate().default(0).meta({ about: 'Of its rectangle, in scene px' }),
  y: coordinate().default(0),
  widthPx: within(1, LIMITS.coordinatePx).default(240),
  heightPx: within(1, LIMITS.coordinatePx).default(135),
  onEntering: flag()
    .default(false)
    .meta({ about: 'It lies on the picture while the figure is within its rectangle, whatever else does' }),
  fadePx: within(0, LIMITS.coordinatePx)
    .default(40)
    .meta({ about: 'It comes in over so many px from the side of its rectangle' }),
  points: list(point.required(), LIMITS.washPoints).default(() => []),
  hidden: flag().default(false),
});

export const washes = {
  about: 'Faint gradients over the picture; the scene or its cues say which one lies on it',
  of: 'scene',
  most: LIMITS.washes,
  schema,
} as const satisfies RecordKind;

export type Wash = RecordType<typeof washes>;
export type WashPoint = Wash['points'][number];

export function newWash(fields: Given<Wash, 'name' | 'order'>): Wash {
  return newRecord(washes, fields);
}

export function newWashPoint(fields: Given<WashPoint, 'x' | 'y'>): WashPoint {
  return { ...(defaultsOf(point) as Partial<WashPoint>), ...fields } as WashPoint;
}
