import { NO_TABLES, type TableSource } from '../finish/colour-table';
import type { PictureSource } from '../moment/moment';

/** Where a check finds what a scene is drawn with. */
export interface CheckFiles {
  source: PictureSource;
  tables: TableSource;
}

/** No art and no tables: light alone. */
export const NO_FILES: CheckFiles = { source: () => null, tables: NO_TABLES };
