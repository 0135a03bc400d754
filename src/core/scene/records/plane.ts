import { object } from 'yup';
import { coordinate } from '../../coordinates';
import { colour, flag, level, name, naming, namingAll, oneOf, order, picturePx, within } from '../../fields';
import { planeBlurPx } from '../../finish/focus';
import { LIMITS } from '../../limits';
import { ANSWERS, SEEN_GAIN } from './answer';
import { HOUSE_CIRCUIT } from './circuit';
import { defaultsOf } from './defaults-of';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';
import { shadeFields } from './shade';

const tiles = object({
  artworkId: naming('artworks', 'needs').meta({ about: 'The tile sheet: its frames are the tiles' }),
  x: coordinate().default(0).meta({ about: 'Corner of cell 0, 0' }),
  y: coordinate().default(0),
  cellWidthPx: picturePx(1),
  cellHeightPx: picturePx(1),
  blocks: flag().default(true).meta({ about: "The tiles' own outlines stop light, joined to whole walls" }),
  seenGain: level().default(SEEN_GAIN).meta({ about: 'How soon tiles that are seen when lit show' }),
  ...shadeFields(),
});

const schema = object({
  name: name(),
  order: order(),
  parallax: within(-4, 4)
    .default(1)
    .meta({ about: '1 moves with the gate as the scene does; 0 stands still in the gate, as a far sky' }),
  tint: colour().default('#ffffff').meta({ about: 'Multiplies the art of its sprites' }),
  answer: oneOf(ANSWERS)
    .default('shaded')
    .meta({ about: 'How its sprites take light unless they say so themselves' }),
  circuitIds: namingAll('circuits', LIMITS.circuits, 'needs', HOUSE_CIRCUIT)
    .default(() => [HOUSE_CIRCUIT])
    .meta({ about: 'The circuits that its sprites listen to unless they say so themselves' }),
  ground: flag()
    .default(true)
    .meta({ about: 'The shapes that standing sprites throw in the sun fall on it' }),
  takesDrift: flag().default(true).meta({ about: 'Shadows of clouds and mist drift over it' }),
  blurPx: planeBlurPx().nullable().defined().default(null).meta({
    about: 'Its own blur, in the place of that by its distance from the plane in focus; scene px',
  }),
  overlay: flag().default(false).meta({ about: 'Unlit and drawn last of all: labels, an interface' }),
  tiles: tiles
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'The grid of a plane that is painted with tiles; the cells lie in `chunks`' }),
  hidden: flag().default(false),
  locked: flag().default(false),
});

export const planes = {
  about: 'Depths of scenery, far to near',
  of: 'scene',
  most: LIMITS.planes,
  schema,
} as const satisfies RecordKind;

export type Plane = RecordType<typeof planes>;
export type TileGrid = NonNullable<Plane['tiles']>;

export function newPlane(fields: Given<Plane, 'name' | 'order'>): Plane {
  return newRecord(planes, fields);
}

export function newTileGrid(fields: Given<TileGrid, 'artworkId' | 'cellWidthPx' | 'cellHeightPx'>): TileGrid {
  return { ...(defaultsOf(tiles) as Partial<TileGrid>), ...fields } as TileGrid;
}
