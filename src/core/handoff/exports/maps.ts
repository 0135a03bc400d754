import { array, boolean, number, object, string, type InferType } from 'yup';
import { neededRecords } from '../../scene/references';
import { reliefOrderOf } from '../../scene/relief-order';
import { glowsOf, sourceOf } from '../../relief/order';
import { decodedPictures } from '../decoded-pictures';
import { fileNames } from '../file-names';
import { mapFiles, MAP_KINDS, USUAL_OUTPUT } from '../maps';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

const options = object({
  maps: array()
    .of(string().oneOf(MAP_KINDS).required())
    .required()
    .min(1)
    .default(() => ['normals'])
    .meta({ word: 'Maps', about: `Which maps: ${MAP_KINDS.join(', ')}` }),
  depth: number()
    .oneOf([8, 16])
    .required()
    .default(8)
    .meta({ word: 'Depth', about: 'Bits a channel of normal maps' }),
  yUp: boolean().required().default(true).meta({ word: 'Y up', about: 'Green points up, else down' }),
  alpha: boolean().required().default(true).meta({ word: 'Alpha', about: "Normals carry the art's alpha" }),
  padding: string()
    .oneOf(['outward', 'flat'] as const)
    .required()
    .default('outward')
    .meta({ word: 'Beyond', about: 'Beyond the silhouette facings are carried on for two px, or flat' }),
  names: string()
    .required()
    .default(USUAL_OUTPUT.names)
    .meta({ word: 'Names', about: "* is the art's name, ? the map's suffix; a slash makes a folder" }),
});

/** Normal, height, rim, occlusion and glow maps of the artworks that a scene uses. */
export const maps: ExportKind<InferType<typeof options>> = {
  word: 'Maps',
  about: 'Normal, height, rim, occlusion and glow maps of the artworks, as PNG.',
  contents: [
    ['*_n.png', 'normals, under the pattern of the names'],
    ['*_h.png', 'heights as 16-bit grey'],
    ['*_rim.png', 'what catches a rim light'],
    ['*_occlusion.png', 'how open it lies'],
    ['*_glow.png', 'what shines by itself, of artworks that have a glow mask'],
  ],
  options,
  async files({ scene, pictures }, chosen, { deflate, progress }) {
    const own = { ...scene, ...neededRecords(scene, scene) };
    const names = fileNames(own);
    const decoded = decodedPictures(pictures);
    const files: Files = {};
    const ids = Object.keys(own.artworks);
    for (const [index, id] of ids.entries()) {
      progress(index, ids.length);
      const order = reliefOrderOf(own, id);
      if (!order) continue;
      const kinds = chosen.maps.filter((kind) => kind !== 'glow' || glowsOf(order));
      const output = { ...USUAL_OUTPUT, ...chosen, depth: chosen.depth as 8 | 16, maps: kinds };
      Object.assign(files, await mapFiles(names[id], sourceOf(order, decoded), order, output, deflate));
    }
    progress(ids.length, ids.length);
    return files;
  },
};
