import { number, object, string, type InferType } from 'yup';
import { LIMITS } from '../../limits';
import { writePng } from '../../raster/png-write';
import { inOrder, type SceneDocument } from '../../scene/document';
import type { LightLook } from '../../scene/records/light-look';
import { bundlePictures } from '../bundle';
import { fallPicture, type FallPicture } from '../fall-picture';
import { fileNames } from '../file-names';
import { jsonFile } from '../text-files';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

const options = object({
  sizePx: number()
    .required()
    .integer()
    .min(8)
    .max(LIMITS.lightPicturePx)
    .default(256)
    .meta({ word: 'Side, px', about: 'Pixels on each side of a picture' }),
  depth: number<8 | 16>()
    .oneOf([8, 16])
    .required()
    .default(8)
    .meta({ word: 'Depth', about: 'Bits a channel', choices: { 8: '8 bit', 16: '16 bit' } }),
  pixels: string()
    .oneOf(['grey', 'colour'] as const)
    .required()
    .default('grey')
    .meta({
      ...{ word: 'Pixels', about: 'grey: how bright it is; colour: its colours, with that as alpha' },
      choices: { grey: 'Grey', colour: 'Colour, alpha' },
    }),
});

/** What shines, with the name of its picture. */
interface Shining {
  file: string;
  look: LightLook;
}

/** A picture of how each light falls off, for engines that light with textures. */
export const lights: ExportKind<InferType<typeof options>> = {
  word: 'Lights',
  about: 'A square picture of how each light and luminaire falls off, and all their numbers.',
  contents: [
    ['lights/*.png', 'fall, cone and gobo of a light at level 1, dark at the border; linear, without gamma'],
    ['luminaires/*.png', 'likewise of each light of a luminaire'],
    ['lights.json', 'level, colour, place, height and the picture of each, and where lamps stand'],
  ],
  options,
  async files({ scene, files: kept }, { sizePx, depth, pixels }, { deflate, progress }) {
    const art = bundlePictures({ scene, files: kept });
    const { lights, luminaires, lamps } = shiningIn(scene);
    const all = [...lights.values(), ...[...luminaires.values()].flat()];
    const files: Files = {};
    const made = new Map<LightLook, FallPicture | null>();
    for (const [index, { file, look }] of all.entries()) {
      progress(index, all.length);
      const picture = fallPicture(look, scene.artworks, art, { sizePx, depth, pixels });
      made.set(look, picture);
      if (!picture) continue;
      const text = {
        'Scene px a pixel': String(picture.scenePxPerPixel),
        Level: String(look.level),
      };
      files[file] = await writePng(picture.raster, text, deflate);
    }
    progress(all.length, all.length);
    const rowOf = ({ file, look }: Shining) => row(look, file, made.get(look)!);
    files['lights.json'] = jsonFile({
      ...{ format: 'oilwick-lights', version: 1 },
      lights: [...lights].map(([id, shining]) => {
        const { name, x, y, planeId, circuitIds } = scene.lights[id];
        return { id, name, planeId, circuitIds, x, y, ...rowOf(shining) };
      }),
      luminaires: [...luminaires].map(([id, parts]) => ({
        id,
        name: scene.luminaires[id].name,
        lights: parts.map((shining, i) => {
          const { name, x, y } = scene.luminaires[id].lights[i];
          return { name, x, y, ...rowOf(shining) };
        }),
      })),
      lamps,
    });
    return files;
  },
};

function shiningIn(scene: SceneDocument) {
  const names = fileNames(scene.lights, 'light');
  const lights = new Map<string, Shining>();
  for (const [id, look] of inOrder(scene.lights)) lights.set(id, { file: `lights/${names[id]}.png`, look });
  const kinds = fileNames(scene.luminaires, 'luminaire');
  const luminaires = new Map<string, Shining[]>();
  for (const [id, { lights: parts }] of Object.entries(scene.luminaires)) {
    const own = fileNames(Object.fromEntries(parts.map((part, i) => [i, part])), 'light');
    luminaires.set(
      id,
      parts.map((look, i) => ({ file: `luminaires/${kinds[id]}-${own[i]}.png`, look })),
    );
  }
  const lamps = inOrder(scene.lamps).map(([id, lamp]) => {
    const { name, luminaireId, planeId, circuitIds, x, y, turnDeg, flipX, level, overrides } = lamp;
    return { id, name, luminaireId, planeId, circuitIds, x, y, turnDeg, flipX, level, overrides };
  });
  return { lights, luminaires, lamps };
}

/** The numbers of a light, in the words of the document, and what its picture covers. */
function row(look: LightLook, file: string, picture: FallPicture | null) {
  const { kind, colour, level, blend, heightPx, corePx, reachPx, curve, steepness, squash, bearingDeg } =
    look;
  return {
    ...{ kind, colour, level, blend, heightPx, corePx, reachPx, curve, steepness, squash, bearingDeg },
    picture: picture && {
      file,
      scenePxPerPixel: picture.scenePxPerPixel,
      middleX: picture.middleX,
      middleY: picture.middleY,
    },
  };
}
