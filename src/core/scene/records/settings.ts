import { object } from 'yup';
import { coordinate } from '../../coordinates';
import { colour, flag, level, namingOrNull, oneOf, share, within } from '../../fields';
import { FINISH_FIELDS } from '../../finish/all-passes';
import { LIMITS } from '../../limits';
import { LIGHT_SPACES } from '../../raster/colour';
import { DRIFT_FIELDS } from '../../weather/drift-fields';
import { SKY_FIELDS } from '../../time/sky-fields';
import type { RecordKind, RecordType } from './kind';

/** The one record of the `settings` collection. */
export const SETTINGS_ID = 'scene';

const schema = object({
  pixelArt: flag().default(true).meta({ about: 'Lit and drawn at scene px, enlarged by whole steps' }),
  lightSpace: oneOf(LIGHT_SPACES)
    .default('linear')
    .meta({ about: 'Where light is added up: on decoded or on encoded values' }),
  backdropColour: colour().default('#2b3038').meta({ about: 'Behind all planes' }),
  backdropLit: flag().default(true).meta({ about: 'The ambient light falls on the backdrop' }),
  gateX: coordinate().default(0).meta({ about: 'Upper left corner of the gate' }),
  gateY: coordinate().default(0),
  gateWidthPx: within(1, LIMITS.gateSidePx).default(480),
  gateHeightPx: within(1, LIMITS.gateSidePx).default(270),
  ambientColour: colour().default('#aab4c4'),
  ambientLevel: level().default(0.35),
  clockHours: within(0, 24).default(19).meta({ about: 'The clock at which the scene opens' }),
  viewTiltDeg: within(0, 90)
    .default(0)
    .meta({ about: '90 is seen from above, 0 from the side: how standing sprites throw their shape' }),
  ...SKY_FIELDS,
  ...DRIFT_FIELDS,
  washId: namingOrNull('washes', 'names').meta({
    about: 'The wash that lies on the picture where no cue names one',
  }),
  washStrength: share().default(1).meta({ about: 'Multiplies the opacity of washes' }),
  ...FINISH_FIELDS,
});

export const settings = {
  about: 'What holds for the whole scene; the one record is `scene`',
  of: 'scene',
  most: 1,
  onlyId: SETTINGS_ID,
  schema,
} as const satisfies RecordKind;

export type SceneSettings = RecordType<typeof settings>;
