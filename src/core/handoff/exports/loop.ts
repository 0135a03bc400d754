import { number, object, string, type InferType } from 'yup';
import { InputFault } from '../../faults';
import { LIMITS } from '../../limits';
import { ApngWriter } from '../../raster/apng';
import { opaquePng } from '../../raster/png-write';
import { settingsOf } from '../../scene/document';
import { bundleTables } from '../bundle';
import { plainName } from '../file-names';
import { GatePictures } from '../gate-pictures';
import { isSeamless, seamlessLengths } from '../loop-lengths';
import { jsonFile } from '../text-files';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

/** What a loop lasts where nothing is said and nothing comes round soon enough. */
const USUAL_SECONDS = 4;

const options = object({
  hour: number()
    .nullable()
    .defined()
    .min(0)
    .max(24)
    .default(null)
    .meta({ word: 'Hour', about: 'Hour of the day; nothing is the hour at which the scene opens' }),
  from: number()
    .required()
    .min(0)
    .max(LIMITS.stillSeconds)
    .default(0)
    .meta({ word: 'From second', about: 'The second of the flames that it begins with' }),
  seconds: number().nullable().defined().moreThan(0).max(LIMITS.loopSeconds).default(null).meta({
    word: 'Lasts, seconds',
    about: 'How long it lasts; nothing is the shortest length after which everything has gone round, or 4',
  }),
  rate: number()
    .required()
    .integer()
    .min(1)
    .max(60)
    .default(15)
    .meta({ word: 'Frames a second', about: 'Frames a second' }),
  enlarge: number()
    .required()
    .integer()
    .min(1)
    .max(LIMITS.enlarge)
    .default(1)
    .meta({ word: 'Enlarged', about: 'Whole times the size of the gate' }),
  format: string()
    .oneOf(['apng', 'png'] as const)
    .required()
    .default('apng')
    .meta({
      ...{ word: 'File', about: 'apng: one file that moves; png: a numbered file for each frame' },
      choices: { apng: 'One that moves', png: 'Numbered PNG' },
    }),
});

/** The gate as it lives at one hour. */
export const loop: ExportKind<InferType<typeof options>> = {
  word: 'Loop',
  about:
    'The gate as it moves at one hour, by the reference renderer. It closes without a jump where all that lives has gone round by its end.',
  contents: [
    ['NAME.png', 'a PNG that moves (APNG), or 0001.png, 0002.png, ... for each frame'],
    ['loop.json', 'hour, seconds, rate, whether it closes, and lengths after which it does'],
  ],
  options,
  async files({ name, scene, files: kept }, chosen, { deflate, progress, draw }) {
    const { hour, from, rate, enlarge, format } = chosen;
    const lengths = seamlessLengths(scene, LIMITS.loopSeconds);
    const seconds = chosen.seconds ?? lengths[0] ?? USUAL_SECONDS;
    const count = Math.max(1, Math.round(seconds * rate));
    const gate = new GatePictures(scene, bundleTables({ scene, files: kept }));
    checkSize(count, gate.pixels(enlarge));
    const clockHours = hour ?? settingsOf(scene).clockHours;
    // Parted evenly, so that the last frame is as far from the first as any other from the next.
    const secondOf = (frame: number) => from + (frame * seconds) / count;
    const moments = function* () {
      for (let i = 0; i < count; i++) yield gate.moment(clockHours, secondOf(i), enlarge);
    };
    const drawing = await draw({ scene, files: kept }, count * gate.pixels(enlarge));
    const files: Files = {};
    try {
      let apng: ApngWriter | null = null;
      let done = 0;
      progress(0, count);
      for await (const drawn of drawing.pool.renderAll(moments())) {
        const picture = gate.sized(drawn, enlarge);
        done++;
        if (format === 'png')
          files[`${String(done).padStart(4, '0')}.png`] = await opaquePng(picture, deflate);
        else {
          apng ??= new ApngWriter(picture.width, picture.height, rate, deflate);
          await apng.add(picture);
        }
        progress(done, count);
      }
      if (apng) files[`${plainName(name)}.png`] = apng.file();
    } finally {
      await drawing.close();
    }
    files['loop.json'] = jsonFile({
      ...{ format: 'oilwick-loop', version: 1, clockHours, from, seconds, rate, frames: count },
      closes: isSeamless(scene, seconds),
      closingLengths: lengths.slice(0, PROPOSED),
    });
    return files;
  },
};

/** Lengths that are told. */
const PROPOSED = 12;

function checkSize(frames: number, pixels: number): void {
  if (frames > LIMITS.loopFrames)
    throw new InputFault(
      `A loop has at most ${LIMITS.loopFrames} frames; this one has ${frames}.`,
      'seconds',
    );
  if (pixels > LIMITS.loopPixels)
    throw new InputFault(
      `A frame of a loop has at most ${Math.round(LIMITS.loopPixels / 1e6)} million pixels.`,
      'enlarge',
    );
}
