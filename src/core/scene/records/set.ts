import { object } from 'yup';
import { name, order } from '../../fields';
import { LIMITS } from '../../limits';
import type { RecordKind } from './kind';

export const sets = {
  about: 'Lights, sprites or occluders that are named together; they name the set',
  of: 'scene',
  most: LIMITS.sets,
  schema: object({ name: name(), order: order() }),
} as const satisfies RecordKind;
