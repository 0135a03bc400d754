import { object } from 'yup';
import { settingsOf } from '../../scene/document';
import { bundleTables } from '../bundle';
import { plainName } from '../file-names';
import { textFile } from '../text-files';
import { lookCube } from '../look-cube';
import type { ExportKind } from './kind';

/** What the finish does to colours, for programs that know lookup tables and no other finish. */
export const cube: ExportKind = {
  word: 'Cube',
  about:
    'Tone, grade and lookup table of the finish as one .cube of 33 points, at the hour at which the scene opens.',
  contents: [['NAME.cube', 'what each encoded colour from 0 to 1 becomes; red runs fastest']],
  options: object({}),
  async files({ name, scene, files }) {
    const { clockHours } = settingsOf(scene);
    const tables = bundleTables({ scene, files });
    const text = lookCube({ scene, tables, clockHours, finish: 'own', title: name });
    return { [`${plainName(name)}.cube`]: textFile(text) };
  },
};
