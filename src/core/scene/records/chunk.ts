import { array, object } from 'yup';
import { naming, whole } from '../../fields';
import { LIMITS } from '../../limits';
import type { RecordKind, RecordType } from './kind';

/** Columns and rows of a chunk of a tile plane. */
export const CHUNK_CELLS = 32;
/** Frames of a sheet that a cell can name, times its eight orientations. */
export const CELL_LIMIT = 8 * LIMITS.frames;

const schema = object({
  planeId: naming('planes', 'belongs'),
  column: whole(-LIMITS.chunkPlace, LIMITS.chunkPlace).meta({ about: 'Its place among the chunks' }),
  row: whole(-LIMITS.chunkPlace, LIMITS.chunkPlace),
  cells: array()
    .of(whole(0, CELL_LIMIT))
    .required()
    .min(CHUNK_CELLS * CHUNK_CELLS)
    .max(CHUNK_CELLS * CHUNK_CELLS)
    .meta({ about: 'Row by row: 0 is empty, else 1 + frame + 1024 times orientation' }),
});

export const chunks = {
  about: "Squares of a tile plane's cells",
  of: 'scene',
  most: LIMITS.chunks,
  schema,
} as const satisfies RecordKind;

export type Chunk = RecordType<typeof chunks>;
