import { object } from 'yup';
import { flag, name, naming, namingAll, namingOrNull, oneOf, outlineFields } from '../../fields';
import { LIMITS } from '../../limits';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';
import { shadeFields } from './shade';

export const OCCLUDER_KINDS = ['closed', 'line'] as const;
export type OccluderKind = (typeof OCCLUDER_KINDS)[number];

const schema = object({
  name: name(),
  planeId: naming('planes', 'belongs'),
  spriteId: namingOrNull('sprites', 'belongs').meta({
    about: 'The sprite that it belongs to and moves with; its points are then px of the figure',
  }),
  kind: oneOf(OCCLUDER_KINDS),
  ...outlineFields(),
  ...shadeFields(),
  setIds: namingAll('sets', LIMITS.sets).default(() => []),
  hidden: flag().default(false),
  locked: flag().default(false),
});

export const occluders = {
  about: 'What stops light, standing free or belonging to one sprite',
  of: 'scene',
  most: LIMITS.occluders,
  sum: {
    of: (record) =>
      (record as { outlines: number[][] }).outlines.reduce((points, { length }) => points + length / 2, 0),
    most: LIMITS.scenePoints,
    word: 'points of outlines',
  },
  schema,
} as const satisfies RecordKind;

export type Occluder = RecordType<typeof occluders>;

export function newOccluder(fields: Given<Occluder, 'name' | 'planeId' | 'kind' | 'outlines'>): Occluder {
  return newRecord(occluders, fields);
}
