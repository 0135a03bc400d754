import { object } from 'yup';
import { chainedEdges } from '../../geometry/chained';
import { flattened } from '../../geometry/smooth';
import { settingsOf } from '../../scene/document';
import type { ArtworkOccluder } from '../../scene/records/artwork';
import { neededRecords } from '../../scene/references';
import { fileNames } from '../file-names';
import { occluderFile, occludersAtRest } from '../occluder-file';
import { svgFile, type SvgShape } from '../svg-file';
import { jsonFile, textFile } from '../text-files';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

/** What stops light, as outlines. */
export const occluders: ExportKind = {
  word: 'Occluders',
  about: 'Every outline that stops light: of the scene in scene px, of each artwork in its own px.',
  contents: [
    [
      'occluders.json',
      'every outline as directed edges in scene px, with what it lets through; walls of tiles joined',
    ],
    ['occluders.svg', 'the same as shapes, over the gate'],
    ['artworks.json', 'outlines that artworks bring along, in px of their frames'],
    ['artworks/*.svg', 'the same as shapes, those that hold for no single frame'],
  ],
  options: object({}),
  async files({ scene }) {
    const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
    const found = occludersAtRest(scene);
    const shapes = found.occluders.map(({ pieces }, i): SvgShape => {
      const edges = Float64Array.from(pieces.flatMap((piece) => [...piece.edges]));
      return { ...found.sources[i], ...chainedEdges(edges) };
    });
    const gate = { left: gateX, top: gateY, width: gateWidthPx, height: gateHeightPx };
    const files: Files = {
      'occluders.json': jsonFile(occluderFile(scene)),
      'occluders.svg': textFile(svgFile(gate, shapes)),
    };
    const { artworks } = neededRecords(scene, scene);
    const names = fileNames(artworks, 'art');
    const rows = Object.entries(artworks).filter(([, artwork]) => artwork.occluders.length > 0);
    for (const [id, { widthPx, heightPx, occluders: own }] of rows) {
      const box = { left: 0, top: 0, width: widthPx, height: heightPx };
      files[`artworks/${names[id]}.svg`] = textFile(svgFile(box, own.map(shapeOf)));
    }
    files['artworks.json'] = jsonFile({
      ...{ format: 'oilwick-artwork-occluders', version: 1 },
      artworks: rows.map(([id, { name, occluders: own }]) => ({ id, name, file: names[id], occluders: own })),
    });
    return files;
  },
};

/** As it is in frames that have no outlines of their own. */
function shapeOf({ id, name, kind, outlines, smooth }: ArtworkOccluder): SvgShape {
  const isClosed = kind === 'closed';
  const all = outlines.map((points, i) => flattened(points, smooth[i] ?? [], isClosed));
  return { id, name, closed: isClosed ? all : [], open: isClosed ? [] : all };
}
