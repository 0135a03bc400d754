import { array, object, type InferType } from 'yup';
import { coordinate } from '../../coordinates';
import {
  degrees,
  file,
  fileOrNull,
  flag,
  id,
  list,
  name,
  naming,
  oneOf,
  outlineFields,
  picturePx,
  text,
  whole,
  within,
} from '../../fields';
import { LIMITS } from '../../limits';
import { cellsSchema } from '../../relief/recipe';
import { answerOrNull } from './answer';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';
import { OCCLUDER_KINDS } from './occluder';
import { shadeFields } from './shade';

export const FRAME_LOOPS = ['round', 'to-and-fro', 'once'] as const;
export type FrameLoop = (typeof FRAME_LOOPS)[number];

const frameNumber = () => whole(0, LIMITS.frames - 1);

/** A part of an artwork's picture. */
const frame = object({
  name: name(),
  left: whole(0, LIMITS.pictureSidePx - 1).meta({ about: 'px of the picture' }),
  top: whole(0, LIMITS.pictureSidePx - 1),
  widthPx: picturePx(1),
  heightPx: picturePx(1),
  shiftX: coordinate().meta({
    about: "Where the frame's corner lies in the figure, so that frames of any size stand rightly",
  }),
  shiftY: coordinate(),
  seconds: within(0.001, 3600)
    .nullable()
    .defined()
    .default(null)
    .meta({ about: "How long it stands; null is one beat of the artwork's rate" }),
});

const bracketPlace = () => ({ x: coordinate(), y: coordinate(), turnDeg: degrees() });

/** A named point of an artwork on which lamps and sprites hang; px of the figure. */
const bracket = object({
  id: id(),
  name: name(),
  ...bracketPlace(),
  places: list(object({ frame: frameNumber(), ...bracketPlace() }).required(), LIMITS.frames).meta({
    about: 'Where it is in single frames; in the others it is where it is in general',
  }),
});

/** An outline that an artwork brings to each of its sprites; px of the figure. */
const occluder = object({
  id: id(),
  name: name(),
  kind: oneOf(OCCLUDER_KINDS),
  ...shadeFields(),
  ...outlineFields(),
  frames: list(object({ frame: frameNumber(), ...outlineFields() }).required(), LIMITS.frames).meta({
    about: 'Outlines of single frames; in the others those in general hold',
  }),
});

/** A luminaire that comes with each placed copy of an artwork. */
const broughtLamp = object({
  luminaireId: naming('luminaires', 'needs'),
  bracketId: id().nullable().defined().default(null),
  x: coordinate().meta({ about: 'From the bracket, or px of the figure' }),
  y: coordinate(),
});

const schema = object({
  name: name(),
  imageSha: file().meta({ about: 'The picture' }),
  widthPx: picturePx(1),
  heightPx: picturePx(1),
  pixelArt: flag(),
  frames: list(frame.required(), LIMITS.frames)
    .default(() => [])
    .meta({ about: 'The parts of the picture that show one at a time; none shows all of it' }),
  rateHz: within(0.01, 240).default(8).meta({ about: 'Frames a second' }),
  loop: oneOf(FRAME_LOOPS).default('round'),
  pivotX: coordinate().meta({
    about: 'The point of the figure that is put where the sprite stands; the middle of a new one',
  }),
  pivotY: coordinate(),
  foot: array()
    .of(coordinate())
    .required()
    .min(0)
    .max(4)
    .test('ends', '${path} must be empty, a point or a line', (at) => [0, 2, 4].includes(at?.length ?? 0))
    .default(() => [])
    .meta({ about: 'Where it stands on the ground: [x, y] or [x0, y0, x1, y1]; empty is its lower side' }),
  brackets: list(bracket.required(), LIMITS.brackets).default(() => []),
  occluders: list(occluder.required(), LIMITS.artworkOccluders).default(() => []),
  lamps: list(broughtLamp.required(), LIMITS.artworkLamps).default(() => []),
  answer: answerOrNull().meta({ about: 'What a sprite of it answers when it is placed' }),
  takesShadows: flag().default(true),
  tags: list(text(LIMITS.tagLength), LIMITS.tags).default(() => []),
  binned: flag().default(false).meta({ about: 'Out of sight, still there for what uses it' }),
  glowSha: fileOrNull().meta({
    about: 'A grey picture that says which share of each pixel is self-lit',
  }),
  cells: cellsSchema
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'The cells of a sheet; null is a picture of its own' }),
});

export const artworks = {
  about: 'Pieces of art: picture or frames, brackets, foot, outlines, lamps',
  of: 'project',
  most: LIMITS.artworks,
  schema,
} as const satisfies RecordKind;

export type Artwork = RecordType<typeof artworks>;
export type ArtworkFrame = InferType<typeof frame>;
export type Bracket = InferType<typeof bracket>;
export type BracketPlace = Pick<Bracket, 'x' | 'y' | 'turnDeg'>;
export type ArtworkOccluder = InferType<typeof occluder>;

export function newArtwork(
  fields: Given<Artwork, 'name' | 'imageSha' | 'widthPx' | 'heightPx' | 'pixelArt'>,
): Artwork {
  return newRecord(artworks, { pivotX: fields.widthPx / 2, pivotY: fields.heightPx / 2, ...fields });
}
