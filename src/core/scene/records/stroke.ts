import { object } from 'yup';
import { coordinates } from '../../coordinates';
import { fileOrNull, id, naming, oneOf, order, share, within } from '../../fields';
import { LIMITS } from '../../limits';
import { STROKE_AREAS, STROKE_KINDS } from '../../relief/strokes/stroke';
import type { RecordKind, RecordType } from './kind';

const schema = object({
  artworkId: naming('artworks', 'belongs'),
  layerId: id().meta({ about: 'The layer of its relief' }),
  order: order(),
  kind: oneOf(STROKE_KINDS),
  area: oneOf(STROKE_AREAS).meta({
    about: 'Along the line, or all over what lies under its first point, or within its points',
  }),
  points: coordinates(3 * LIMITS.strokePoints)
    .test(
      'triples',
      '${path} must hold x, y and pressure in turn',
      (points) => (points?.length ?? 0) % 3 === 0,
    )
    .meta({ about: 'Flat [x, y, pressure, ...]: px of the art, pressure 0 to 1' }),
  sizePx: within(0.5, LIMITS.pictureSidePx).meta({ about: 'Diameter of the brush' }),
  hardness: share().meta({ about: 'Share of the brush that is full; 1 has a hard border' }),
  opacity: share(),
  heightPx: within(0, 512).meta({ about: 'How far raise and lower go at full opacity' }),
  faceX: within(-1, 1).meta({ about: 'The facing: x and y of a unit normal, y down' }),
  faceY: within(-1, 1),
  level: share().meta({ about: 'What a mask is painted to' }),
  pictureSha: fileOrNull().meta({ about: 'The picture that is pasted' }),
});

export const strokes = {
  about: "Painted corrections of an artwork's relief",
  of: 'project',
  most: LIMITS.strokes,
  schema,
} as const satisfies RecordKind;

export type Stroke = RecordType<typeof strokes>;
