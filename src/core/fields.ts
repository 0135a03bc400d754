/**
 * The fields that records, wicks and passes are made of: each says what it must be, what it is when nobody said (its default),
 * what it means, and which record it names. Types, checks, references, the JSON Schema and the tables of docs/formats.md all
 * follow from them. A field without a default must be given.
 */
import { array, boolean, number, object, string, type AnyObjectSchema, type ISchema } from 'yup';
import { coordinates } from './coordinates';
import { LIMITS } from './limits';

/** What becomes of a record when the one that it names goes. */
export type Bond =
  /** It goes along, and is copied along. */
  | 'belongs'
  /** It stays, without the name; copies and bundles take what is named with them. */
  | 'needs'
  /** It stays, without the name. */
  | 'names';

/** That a field names a record. */
export interface Reference {
  /** The collection of the record. */
  to: string;
  bond: Bond;
  /** What a list that would be left empty names instead. */
  orElse?: string;
}

declare module 'yup' {
  interface CustomSchemaMetadata {
    /** What the field means, in a phrase. */
    about?: string;
    /** The name of an option as the screen says it, where a person sets it there, and of what can be chosen. */
    word?: string;
    choices?: Readonly<Record<string, string>>;
    /** Of a group: the list whose members it has fields for; only those that are on the list matter. */
    membersOf?: string;
    refers?: Reference;
    /** The field names a file by the sha-256 of its bytes. */
    isFile?: boolean;
    /** The field holds any number of values by ids, each with some of these fields. */
    valueFields?: AnyObjectSchema;
  }
}

export const ID = /^[a-z0-9-]{1,64}$/;
const COLOUR = /^#[0-9a-fA-F]{6}$/;
const ORDER_KEY = /^[0-9A-Za-z]{1,200}$/;
const SHA_256 = /^[0-9a-f]{64}$/;

/** Bounds also keep out what is not finite. */
export const within = (low: number, high: number) => number().strict().required().min(low).max(high);
export const whole = (low: number, high: number) => within(low, high).integer();
/** A whole number of px within a picture. */
export const picturePx = (low = 0) => whole(low, LIMITS.pictureSidePx);
/** A length in scene px that may be 0. */
export const lengthPx = () => within(0, LIMITS.coordinatePx);
export const degrees = () => within(-36_000, 36_000);
export const share = () => within(0, 1);
/** A strength: 1 is the white of paper. */
export const level = () => within(0, 256);
/** Scales reach down to a hundredth and never to zero, which would flatten a sprite. */
export const scale = () => within(0.01, 64);
export const flag = () => boolean().strict().required();
export const text = (most: number) => string().strict().defined().max(most);
export const name = () => text(LIMITS.nameLength);
export const oneOf = <T extends string>(values: readonly T[]) => string().strict().required().oneOf(values);
export const colour = () =>
  string().strict().required().matches(COLOUR, '${path} must be a colour like #c9a25c');
export const order = () =>
  string()
    .strict()
    .required()
    .matches(ORDER_KEY, '${path} must be an order key')
    .meta({ about: 'Place among its like: a key that sorts by code unit; between two another one fits' });
export const id = () => string().strict().required().matches(ID, '${path} must be an id');
/** The id of another record. */
export const naming = (to: string, bond: Bond) => id().meta({ refers: { to, bond } });
/** The id of another record, or none. */
export const idOrNull = () => id().nullable().defined().default(null);
export const namingOrNull = (to: string, bond: Bond) => naming(to, bond).nullable().defined().default(null);
/** Ids of other records. */
export const namingAll = (to: string, most: number, bond: Bond = 'needs', orElse?: string) =>
  array()
    .of(id().meta({ refers: { to, bond, ...(orElse ? { orElse } : {}) } }))
    .required()
    .min(0)
    .max(most);
const sha = () => string().strict().required().matches(SHA_256, '${path} must be a sha-256');
/** A file, named by the sha-256 of its bytes. */
export const file = () => sha().meta({ isFile: true });
export const fileOrNull = () => file().nullable().defined().default(null);

/** A list of any length up to a limit; empty by default. */
export const list = <T>(of: ISchema<T>, most: number) => array().of(of).required().min(0).max(most);

/** Flat points [x0, y0, x1, y1, ...], scene px or those of what they belong to. */
export const outline = () =>
  coordinates(2 * LIMITS.outlinePoints)
    .min(4)
    .test('pairs', '${path} must hold x and y in pairs', (points) => (points?.length ?? 0) % 2 === 0);

/** Outlines, and which of their points are smooth. */
export const outlineFields = () => ({
  outlines: array().of(outline()).required().min(0).max(LIMITS.outlines).meta({
    about: 'Flat points [x0, y0, x1, y1, ...] each; several closed ones are read together, even-odd',
  }),
  smooth: array()
    .of(array().of(whole(0, LIMITS.outlinePoints)).required().min(0).max(LIMITS.outlinePoints))
    .required()
    .min(0)
    .max(LIMITS.outlines)
    .default(() => [])
    .meta({ about: 'For each outline the numbers of its smooth points; the others are corners' }),
});

/** On whose bracket a thing hangs. */
export const hanging = () =>
  object({
    spriteId: naming('sprites', 'belongs').meta({ about: 'The sprite that carries it' }),
    bracketId: id()
      .nullable()
      .defined()
      .default(null)
      .meta({ about: "A bracket of the carrier's artwork; null counts from the corner of its figure" }),
  })
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'What carries it; its place and turn are then counted from there' });
