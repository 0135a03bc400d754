import { neededRecords } from '../../scene/references';
import { reliefJobOf } from '../../scene/relief-job';
import { glowsOf, sourceOf } from '../../relief/job';
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
  async files({ scene, files: kept }, chosen, { deflate, progress }) {
    const own = { ...scene, ...neededRecords(scene, scene) };
    const names = fileNames(own.artworks, 'art');
    const decoded = decodedPictures(kept);
    const files: Files = {};
    const ids = Object.keys(own.artworks);
    for (const [index, id] of ids.entries()) {
      progress(index, ids.length);
      const job = reliefJobOf(own, id);
      if (!job) continue;
      const kinds = chosen.maps.filter((kind) => kind !== 'glow' || glowsOf(job));
      const output = { ...USUAL_OUTPUT, ...chosen, maps: kinds };
      Object.assign(files, await mapFiles(names[id], sourceOf(job, decoded), job, output, deflate));
    }
    progress(ids.length, ids.length);
    return files;
  },
};
