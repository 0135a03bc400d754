import { object } from 'yup';
import { name, oneOf, order, within } from '../../fields';
import { LIMITS } from '../../limits';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

/** The circuit that everything is wired to until someone says otherwise. */
export const HOUSE_CIRCUIT = 'house';

export const SWITCHINGS = ['always', 'hours', 'sun'] as const;
export type Switching = (typeof SWITCHINGS)[number];

const schema = object({
  name: name(),
  order: order(),
  switching: oneOf(SWITCHINGS)
    .default('always')
    .meta({ about: 'Lit always, between two hours, or while the sun is low' }),
  onHours: within(0, 24).default(18),
  offHours: within(0, 24).default(6),
  onBelowDeg: within(-90, 90).default(-1).meta({ about: 'Lit while the sun stands lower than this' }),
  spreadMinutes: within(0, LIMITS.spreadMinutes)
    .default(0)
    .meta({ about: 'Each lamp is lit, and goes out, at its own time within so many minutes of the clock' }),
  fadeSeconds: within(0, LIMITS.fadeSeconds)
    .default(0)
    .meta({ about: 'How long a lamp takes to come up and to go out, seconds of the clock' }),
});

export const circuits = {
  about: 'Wires from lights to sprites; `house` is the one that all are on to begin with',
  of: 'scene',
  most: LIMITS.circuits,
  schema,
} as const satisfies RecordKind;

export type Circuit = RecordType<typeof circuits>;

export function newCircuit(fields: Given<Circuit, 'name' | 'order'>): Circuit {
  return newRecord(circuits, fields);
}
