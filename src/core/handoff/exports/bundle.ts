import { object } from 'yup';
import { writeBundle } from '../bundle';
import { plainName } from '../file-names';
import type { ExportKind } from './kind';

/** The whole of a scene in one archive. */
export const bundle: ExportKind = {
  word: 'Bundle',
  about: 'The whole scene in one archive, for any engine. It opens again in Oilwick without loss.',
  contents: [
    ['scene.json', 'planes, sprites, lights, wicks, cues and recipes, described by scene.schema.json'],
    ['art/', 'every picture that the scene uses, byte for byte'],
    ['normals/', 'normal maps, Y up, with the alpha of the art'],
    ['heights/', 'heights as 16-bit grey'],
    [
      'rims/, occlusions/, glows/',
      'masks: what catches a rim light, how open it lies, what shines by itself',
    ],
    ['brought/', 'maps and corrections that reliefs are made of'],
    ['tables/', 'lookup tables of the finish, byte for byte'],
    ['occluders.json', 'every outline as directed edges in scene px'],
    ['CONVENTIONS.md', 'axes, units, colour space and formulas of this scene'],
  ],
  options: object({}),
  async files({ name, scene, files }, _options, { deflate, progress }) {
    return { [`${plainName(name)}.zip`]: await writeBundle(name, scene, files, deflate, progress) };
  },
};
