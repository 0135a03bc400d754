/** Where a light or a lamp is, and whom it lights. */
import { object, type InferType } from 'yup';
import { coordinate } from '../../coordinates';
import { flag, hanging, name, naming, namingAll, namingOrNull, order } from '../../fields';
import { LIMITS } from '../../limits';
import { HOUSE_CIRCUIT } from './circuit';
import { motionFields } from './motion';

export const fixtureFields = () => ({
  name: name(),
  planeId: naming('planes', 'belongs'),
  order: order(),
  hangsOn: hanging(),
  blockedByCarrier: flag()
    .default(false)
    .meta({ about: 'Whether the outlines of what carries it stop its light' }),
  stoppedBy: object({
    planeIds: namingAll('planes', LIMITS.planes, 'names').default(() => []),
    setIds: namingAll('sets', LIMITS.sets).default(() => []),
  })
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'The occluders that stop it; null is those of the planes that it reaches' }),
  setIds: namingAll('sets', LIMITS.sets).default(() => []),
  circuitIds: namingAll('circuits', LIMITS.circuits, 'needs', HOUSE_CIRCUIT)
    .default(() => [HOUSE_CIRCUIT])
    .meta({ about: 'The circuits that it feeds' }),
  x: coordinate(),
  y: coordinate(),
  spanFarId: namingOrNull('planes', 'names').meta({
    about: 'The farthest plane that it reaches; null is open',
  }),
  spanNearId: namingOrNull('planes', 'names').meta({
    about: 'The nearest plane that it reaches; null is open',
  }),
  ...motionFields(),
  hidden: flag().default(false),
  locked: flag().default(false),
});

// For its type alone.
const _fixture = object(fixtureFields());
export type Fixture = InferType<typeof _fixture>;
