import { neededRecords } from '../../scene/references';
import { reliefOrderOf } from '../../scene/relief-order';
import { glowsOf, sourceOf } from '../../relief/order';
import { decodedPictures } from '../decoded-pictures';
import { fileNames } from '../file-names';
import { mapFiles, MAP_OPTIONS, USUAL_OUTPUT, type MapOptions } from '../maps';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

/** Normal, height, rim, occlusion and glow maps of the artworks that a scene uses. */
export const maps: ExportKind<MapOptions> = {
  word: 'Maps',
  about: 'Normal, height, rim, occlusion and glow maps of the artworks, as PNG.',
  contents: [
    ['*_n.png', 'normals, under the pattern of the names'],
    ['*_h.png', 'heights as 16-bit grey'],
    ['*_rim.png', 'what catches a rim light'],
    ['*_occlusion.png', 'how open it lies'],
    ['*_glow.png', 'what shines by itself, of artworks that have a glow mask'],
  ],
  options: MAP_OPTIONS,
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
      const output = { ...USUAL_OUTPUT, ...chosen, maps: kinds };
      Object.assign(files, await mapFiles(names[id], sourceOf(order, decoded), order, output, deflate));
    }
    progress(ids.length, ids.length);
    return files;
  },
};
