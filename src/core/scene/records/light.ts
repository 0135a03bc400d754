import { object } from 'yup';
import { namingOrNull } from '../../fields';
import { LIMITS } from '../../limits';
import { fixtureFields } from './fixture';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';
import { lookFields } from './light-look';

export const lights = {
  about: 'Single lights',
  of: 'scene',
  most: LIMITS.lights,
  schema: object({ ...lookFields(), ...fixtureFields(), wickId: namingOrNull('wicks', 'needs') }),
} as const satisfies RecordKind;

export type Light = RecordType<typeof lights>;

export function newLight(fields: Given<Light, 'name' | 'planeId' | 'order' | 'x' | 'y'>): Light {
  return newRecord(lights, fields);
}
