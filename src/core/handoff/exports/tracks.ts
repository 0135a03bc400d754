import { number, object, type InferType } from 'yup';
import { LIMITS } from '../../limits';
import { dayTrack } from '../day-track';
import { flickerTracks } from '../flicker-tracks';
import { jsonFile, textFile } from '../text-files';
import { trackCsv, trackJson } from '../track';
import type { Files } from '../zip';
import type { ExportKind } from './kind';

/** Steps of the day that part it evenly. */
const DAY_STEPS = [1, 2, 5, 10, 15, 20, 30, 60] as const;

const options = object({
  rate: number()
    .required()
    .min(1)
    .max(LIMITS.trackRate)
    .default(30)
    .meta({ word: 'Flicker, samples a second', about: 'Samples a second of what wicks do' }),
  dayMinutes: number()
    .required()
    .oneOf([...DAY_STEPS])
    .default(10)
    .meta({
      ...{ word: 'Day, a row every', about: 'Minutes of the clock from row to row of the day' },
      choices: Object.fromEntries(DAY_STEPS.map((minutes) => [minutes, `${minutes} min`])),
    }),
});

/** What changes with time, sampled: for engines that play numbers. */
export const tracks: ExportKind<InferType<typeof options>> = {
  word: 'Tracks',
  about: 'The flicker of each light over its loop, and everything that the day changes over 24 hours.',
  contents: [
    [
      'day.csv',
      'ambient, sun and moon, circuits, drift, wash and finish by the hour; the last row is the first again',
    ],
    [
      'flicker/*.csv',
      'level, reach, sway, warmth and colour of each light with a wick, over one loop that closes',
    ],
    ['*.json', 'the same, with names and units of the columns'],
  ],
  options,
  async files({ scene }, { rate, dayMinutes }) {
    const files: Files = {};
    const add = (path: string, track: Parameters<typeof trackCsv>[0]) => {
      files[`${path}.csv`] = textFile(trackCsv(track));
      files[`${path}.json`] = jsonFile(trackJson(track));
    };
    add('day', dayTrack(scene, dayMinutes));
    for (const track of flickerTracks(scene, rate)) add(`flicker/${track.name}`, track);
    return files;
  },
};
