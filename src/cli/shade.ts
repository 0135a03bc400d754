import { writeFile } from 'node:fs/promises';
import { snagsIn } from '@/core/checks/snags/all-snags';
import { InputFault } from '@/core/faults';
import { bundlePictures } from '@/core/handoff/bundle';
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { emptyImage, type Image } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { settingsOf } from '@/core/scene/document';
import { openBundle } from './bundle-file';
import { checkHour } from './check-hour';

export interface ShadeOptions {
  out: string;
  hour?: number;
  at: number;
  enlarge: number;
  unlit: boolean;
}

const MOST_TIMES = 16;

export async function shadeCommand(
  file: string,
  { out, hour, at, enlarge, unlit }: ShadeOptions,
): Promise<void> {
  checkHour(hour);
  if (!Number.isInteger(enlarge) || enlarge < 1 || enlarge > MOST_TIMES) {
    throw new InputFault(`--enlarge is a whole number from 1 to ${MOST_TIMES}; got ${enlarge}.`);
  }
  const bundle = await openBundle(file);
  // What cannot be drawn as the document says is named, and the rest drawn.
  for (const { words, snag, isFault } of snagsIn(bundle.scene))
    if (isFault || snag === 'lost-name') process.stderr.write(`${file}: ${words}\n`);
  const settings = settingsOf(bundle.scene);
  // Pixel art is lit at scene px and enlarged by whole steps; painted art is lit at output pixels.
  const view = gateView(bundle.scene, settings.pixelArt ? 1 : enlarge);
  const moment = momentAt(bundle.scene, hour ?? settings.clockHours, at, { ...NOTHING_PASSING, unlit }, view);
  const picture = renderReference(moment, bundlePictures(bundle));
  await writeFile(out, encodePng(settings.pixelArt ? enlarged(picture, enlarge) : picture));
}

function enlarged(image: Image, times: number): Image {
  if (times === 1) return image;
  const out = emptyImage(image.width * times, image.height * times);
  for (let y = 0; y < out.height; y++) {
    for (let x = 0; x < out.width; x++) {
      const from = 4 * (Math.floor(y / times) * image.width + Math.floor(x / times));
      out.data.set(image.data.subarray(from, from + 4), 4 * (y * out.width + x));
    }
  }
  return out;
}
