import { object } from 'yup';
import { coordinate } from '../../coordinates';
import { colour, flag, level, list, namingOrNull, oneOf, share, text, whole, within } from '../../fields';
import { FINISH_FIELDS } from '../../finish/all-passes';
import { FOCUS_FIELDS } from '../../finish/focus';
import { LIMITS } from '../../limits';
import { LIGHT_SPACES } from '../../raster/colour';
import { DRIFT_FIELDS } from '../../weather/drift-fields';
import { SKY_FIELDS } from '../../time/sky-fields';
import type { RecordKind, RecordType } from './kind';
import { WASH_CHOOSERS } from './wash';

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
  washBy: oneOf(WASH_CHOOSERS)
    .default('cues')
    .meta({ about: 'Its cues say which wash lies on the picture, or chance does, by a seed' }),
  washSeed: whole(0, 0x7fffffff).default(1),
  washEverySeconds: within(1, 3600).default(30).meta({ about: 'Chance picks another after so long' }),
  washFadeSeconds: within(0, 3600).default(4).meta({ about: 'The next one comes in over so long' }),
  figureId: namingOrNull('sprites', 'names').meta({
    about: "The player's figure: washes notice where it is",
  }),
  asides: list(
    object({ about: text(LIMITS.asideLength), note: text(LIMITS.noteLength) }).required(),
    LIMITS.asides,
  )
    .default(() => [])
    .meta({ about: 'Snags that were set aside: which, about what, and why' }),
  shadowBudget: whole(1, LIMITS.lights)
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'More lights than these that throw shadows at once are a snag; null is no limit' }),
  washStrength: share().default(1).meta({ about: 'Multiplies the opacity of washes' }),
  ...FINISH_FIELDS,
  ...FOCUS_FIELDS,
  lookId: namingOrNull('looks', 'needs').meta({
    about: 'The look that is mixed into the finish where no cue names one',
  }),
  lookShare: share().default(1).meta({ about: 'How much of the look is mixed in' }),
});

export const settings = {
  about: 'What holds for the whole scene; the one record is `scene`',
  of: 'scene',
  most: 1,
  onlyId: SETTINGS_ID,
  schema,
} as const satisfies RecordKind;

export type SceneSettings = RecordType<typeof settings>;
