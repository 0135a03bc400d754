import { object } from 'yup';
import { name, order } from '../../fields';
import { LIMITS } from '../../limits';
import type { RecordKind } from './kind';

/** The circuit that everything is wired to until someone says otherwise. */
export const HOUSE_CIRCUIT = 'house';

export const circuits = {
  about: 'Wires from lights to sprites; `house` is the one that all are on to begin with',
  of: 'scene',
  most: LIMITS.circuits,
  schema: object({ name: name(), order: order() }),
} as const satisfies RecordKind;
