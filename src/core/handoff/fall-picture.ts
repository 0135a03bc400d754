/**
 * What a light gives to a plain surface around it, before its level, facing and shadows, as a square picture: fall, cone, bands
 * and gobo. Colours are those of the light, at a level of 1.
 */
import type { Moment, PictureSource } from '../moment/moment';
import { gateView, momentAt } from '../moment/moment-at';
import { NOTHING_PASSING } from '../moment/passing';
import { Emission } from '../light/emission';
import { srgbEncode } from '../raster/colour';
import type { Raster } from '../raster/png-write';
import type { SceneDocument } from '../scene/document';
import { newScene } from '../scene/new-scene';
import { newLight, type Light } from '../scene/records/light';
import type { LightLook } from '../scene/records/light-look';
import { HOUSE_CIRCUIT } from '../scene/records/circuit';

export interface FallPicture {
  raster: Raster;
  /** Scene px that a pixel is wide and high. */
  scenePxPerPixel: number;
  /** The middle of the picture, from the light's place, scene px. */
  middleX: number;
  middleY: number;
}

export interface FallPictureOptions {
  /** Pixels on a side. */
  sizePx: number;
  depth: 8 | 16;
  /** `grey`: how bright it is. `colour`: its colours, sRGB, with how bright it is as alpha. */
  pixels: 'grey' | 'colour';
}

/** Pixels at each border that stay dark, so that what a game reads beyond the picture is dark too. */
const BORDER_PX = 1;

/** @returns null where the light has no end, as that of a sun: it is the same everywhere */
export function fallPicture(
  look: LightLook,
  artworks: SceneDocument['artworks'],
  pictures: PictureSource,
  { sizePx, depth, pixels }: FallPictureOptions,
): FallPicture | null {
  const moment = alone(look, artworks);
  const [light] = moment.lights;
  const { left, top, right, bottom } = light?.box ?? ENDLESS;
  if (!Number.isFinite(right - left + bottom - top)) return null;
  const middleX = (left + right) / 2;
  const middleY = (top + bottom) / 2;
  const scenePxPerPixel = Math.max(right - left, bottom - top) / (sizePx - 2 * BORDER_PX);
  const emission = new Emission(
    moment.pictures.map(({ key }) => pictures(key)),
    moment.lightSpace,
  );
  const most = depth === 16 ? 65535 : 255;
  const channels = pixels === 'grey' ? 1 : 4;
  const data = new (depth === 16 ? Uint16Array : Uint8Array)(channels * sizePx * sizePx);
  const byte = (share: number) => Math.round(most * Math.min(1, Math.max(0, share)));
  for (let y = BORDER_PX; y < sizePx - BORDER_PX; y++)
    for (let x = BORDER_PX; x < sizePx - BORDER_PX; x++) {
      const px = middleX + (x + 0.5 - sizePx / 2) * scenePxPerPixel;
      const py = middleY + (y + 0.5 - sizePx / 2) * scenePxPerPixel;
      if (!emission.at(light, ORIGIN, px, py)) continue;
      const [r, g, b] = emission.rgb.subarray(0, 3);
      const brightest = Math.max(r, g, b);
      const at = channels * (y * sizePx + x);
      if (pixels === 'grey') data[at] = byte(brightest);
      else
        data.set(
          [r, g, b, 0].map((v, c) => (c === 3 ? byte(brightest) : byte(srgbEncode(v / brightest)))),
          at,
        );
    }
  return { raster: { width: sizePx, height: sizePx, channels, data }, scenePxPerPixel, middleX, middleY };
}

const ORIGIN = { originX: 0, originY: 0 };
const ENDLESS = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

/** A light at the corner of an empty scene: steady, lit, and with nothing to do with the day. */
function alone(look: LightLook, artworks: SceneDocument['artworks']): Moment {
  const scene = newScene({ lightSpace: 'linear' });
  scene.artworks = artworks;
  const own: Partial<Light> = {
    level: 1,
    still: true,
    follows: 'nothing',
    dither: false,
    blockPx: 0,
    air: 0,
  };
  scene.lights.light = newLight({
    ...(look as Light),
    ...{ name: '', planeId: 'plane-middle', order: 'a', x: 0, y: 0, ...own },
    ...{
      circuitIds: [HOUSE_CIRCUIT],
      spanFarId: null,
      spanNearId: null,
      hidden: false,
      wickId: null,
      hangsOn: null,
      path: null,
      turning: null,
    },
  });
  return momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene));
}
