/** The finish of a scene as a `.cube` file. */
import type { TableSource } from '../finish/colour-table';
import { cubeText } from '../finish/cube-file';
import { lookTable } from '../finish/look-table';
import { momentAt } from '../moment/moment-at';
import { NOTHING_PASSING, type Passing } from '../moment/passing';
import type { SceneDocument } from '../scene/document';

const ANYWHERE = { x: 0, y: 0, widthPx: 1, heightPx: 1, outputPerScenePx: 1 };

export interface CubeOf {
  scene: SceneDocument;
  tables: TableSource;
  clockHours: number;
  /** The scene's own finish at the hour, or a look. */
  finish: Passing['finish'];
  title: string;
}

/** @returns the text of a cube with what tone, grade and table do to colours; see `lookTable` */
export function lookCube({ scene, tables, clockHours, finish, title }: CubeOf): string {
  const passing = { ...NOTHING_PASSING, unlit: true, finish };
  const moment = momentAt(scene, clockHours, 0, passing, ANYWHERE, tables);
  return cubeText(lookTable(moment.finish, title), title);
}
