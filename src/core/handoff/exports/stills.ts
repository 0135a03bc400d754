import { array, boolean, number, object, type InferType } from 'yup';
import { InputFault } from '../../faults';
import { LIMITS } from '../../limits';
import type { Image } from '../../raster/image';
import { opaquePng } from '../../raster/png-write';
import { settingsOf } from '../../scene/document';
import { bundleTables } from '../bundle';
import { GatePictures } from '../gate-pictures';
import { clockText, hourSheet, type HourPicture } from '../hour-sheet';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

const options = object({
  hours: array()
    .of(number().required().min(0).max(24))
    .required()
    .min(0)
    .max(LIMITS.stills)
    .default((): number[] => [])
    .meta({ word: 'Hours', about: 'Hours of the day, as 6,18.5; none is the hour at which the scene opens' }),
  seconds: array()
    .of(number().required().min(0).max(LIMITS.stillSeconds))
    .required()
    .min(1)
    .max(LIMITS.stills)
    .default((): number[] => [0])
    .meta({ word: 'Seconds', about: 'Seconds of the flames, as 0,1.5' }),
  enlarge: array()
    .of(number().required().integer().min(1).max(LIMITS.enlarge))
    .required()
    .min(1)
    .max(LIMITS.enlarge)
    .default((): number[] => [1])
    .meta({ word: 'Enlarged', about: 'Whole times the size of the gate, as 1,2,4' }),
  sheet: boolean()
    .required()
    .default(false)
    .meta({
      ...{ word: 'Sheet', about: 'Whether all hours lie on one sheet, with their hours written below' },
      choices: { true: 'One sheet', false: 'One by one' },
    }),
});

interface Still {
  clockHours: number;
  seconds: number;
  enlarge: number;
  file: string;
}

/** Pictures of the gate by the reference renderer. */
export const stills: ExportKind<InferType<typeof options>> = {
  word: 'Stills',
  about:
    'The gate at chosen hours and seconds, by the reference renderer, one by one or as a sheet of the day.',
  contents: [
    ['1830.png', 'the gate at half past six; -1.5s where it is not second 0, -x2 where it is enlarged'],
    ['sheet.png', 'all hours on one sheet, where that is chosen'],
  ],
  options,
  async files({ scene, files: kept }, { hours, seconds, enlarge, sheet }, { deflate, progress, draw }) {
    const gate = new GatePictures(scene, bundleTables({ scene, files: kept }));
    const clock = hours.length > 0 ? hours : [settingsOf(scene).clockHours];
    const wanted = enlarge.flatMap((times) =>
      seconds.flatMap((second) => clock.map((hour) => stillOf(hour, second, times))),
    );
    const pixels = wanted.reduce((sum, one) => sum + gate.pixels(one.enlarge), 0);
    const largest = Math.max(...enlarge.map((times) => gate.pixels(times)));
    if (largest > LIMITS.stillPixels || (sheet && pixels > LIMITS.stillPixels))
      throw new InputFault(
        `A picture has at most ${Math.round(LIMITS.stillPixels / 1e6)} million pixels.`,
        'enlarge',
      );
    const drawing = await draw({ scene, files: kept }, pixels);
    const files: Files = {};
    const encoded = (picture: Image) => opaquePng(picture, deflate);
    const onSheets = new Map<string, HourPicture[]>();
    try {
      const moments = wanted.map((one) => gate.moment(one.clockHours, one.seconds, one.enlarge));
      let done = 0;
      progress(0, wanted.length);
      for await (const drawn of drawing.pool.renderAll(moments)) {
        const one = wanted[done++];
        const picture = gate.sized(drawn, one.enlarge);
        if (sheet) {
          const name = `sheet${suffixOf(one)}.png`;
          onSheets.set(name, [...(onSheets.get(name) ?? []), { clockHours: one.clockHours, picture }]);
        } else files[one.file] = await encoded(picture);
        progress(done, wanted.length);
      }
    } finally {
      await drawing.close();
    }
    for (const [name, pictures] of onSheets) files[name] = await encoded(hourSheet(pictures));
    return files;
  },
};

function stillOf(clockHours: number, seconds: number, enlarge: number): Still {
  const one = { clockHours, seconds, enlarge };
  return { ...one, file: `${clockText(clockHours, '')}${suffixOf(one)}.png` };
}

function suffixOf({ seconds, enlarge }: Pick<Still, 'seconds' | 'enlarge'>): string {
  return `${seconds === 0 ? '' : `-${seconds}s`}${enlarge === 1 ? '' : `-x${enlarge}`}`;
}
