import { object } from 'yup';
import { coordinate } from '../../coordinates';
import { file, fileOrNull, flag, id, list, name, namingOrNull, oneOf, within } from '../../fields';
import { LIMITS } from '../../limits';
import { recipeSchema } from '../../relief/recipe';
import { IMPORTED_USES } from '../../relief/source';
import { newRecord, type Given, type RecordKind, type RecordType } from './kind';

const height = () => within(-LIMITS.reliefPx, LIMITS.reliefPx);

const schema = object({
  recipe: recipeSchema,
  borrowedId: namingOrNull('artworks', 'needs').meta({
    about: 'The artwork that lends its relief',
  }),
  layers: list(object({ id: id(), name: name(), hidden: flag() }).required(), LIMITS.strokeLayers)
    .default(() => [])
    .meta({ about: 'Sheets of painted corrections; their strokes name them' }),
  partStrokes: list(
    object({
      kind: oneOf(['join', 'split'] as const),
      points: list(coordinate(), LIMITS.strokePoints).min(2),
    }).required(),
    LIMITS.partStrokes,
  )
    .default(() => [])
    .meta({ about: 'Parts of the body that were joined or split' }),
  normals: object({
    sha: file(),
    yUp: flag(),
    orientationChosen: flag()
      .default(false)
      .meta({ about: 'Whether a person said which way green points; otherwise it was judged' }),
    use: oneOf(IMPORTED_USES),
    share: within(-4, 4),
  })
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'A normal map that was brought along' }),
  heights: object({ sha: file(), lowPx: height(), highPx: height() })
    .nullable()
    .defined()
    .default(null)
    .meta({ about: 'A height map that was brought along: heights of black and of white' }),
  rimSha: fileOrNull(),
  occlusionSha: fileOrNull(),
  madeForSha: fileOrNull().meta({
    isFile: false,
    about: 'The picture that strokes and maps were made for; with another one they are out of date',
  }),
});

export const reliefs = {
  about: "How artworks' heights and normals are made, by the id of the artwork",
  of: 'project',
  most: LIMITS.artworks,
  sharesIdsWith: 'artworks',
  schema,
} as const satisfies RecordKind;

export type Relief = RecordType<typeof reliefs>;
export type StrokeLayer = Relief['layers'][number];

export function newRelief(fields: Given<Relief, 'recipe'>): Relief {
  return newRecord(reliefs, fields);
}
