/** What of a scene changes over the day, by the hour: everything that the cues, the sky and the switching of circuits make of it. */
import { linearToHex } from '../raster/colour';
import { inOrder, type SceneDocument } from '../scene/document';
import { CUE_VALUE_NAMES, cueValueRow, isCueColour } from '../time/cue-values';
import { Day } from '../time/day';
import { DAY_HOURS } from '../time/periodic';
import { SKY_BODIES } from '../time/sky-fields';
import { litShare } from '../time/switching';
import { fileNames } from './file-names';
import type { Track, TrackColumn } from './track';

type Reading = TrackColumn & { at(clockHours: number): number | string };

const MINUTES_PER_HOUR = 60;

/** @param stepMinutes a whole part of a day; the last row is that of the first an hour of 24 later */
export function dayTrack(scene: SceneDocument, stepMinutes: number): Track {
  const day = new Day(scene);
  const readings = [hour, ...values(day), ...skies(day), ...circuits(scene, day), ...named(scene, day)];
  const steps = Math.round((DAY_HOURS * MINUTES_PER_HOUR) / stepMinutes);
  return {
    name: 'day',
    columns: readings.map(({ name, unit }) => ({ name, unit })),
    rows: Array.from({ length: steps + 1 }, (_, i) => {
      const clockHours = (i * DAY_HOURS) / steps;
      // The end of the day is its beginning: the track closes.
      return [clockHours, ...readings.slice(1).map(({ at }) => at(clockHours % DAY_HOURS))];
    }),
  };
}

const hour: Reading = { name: 'hour', unit: 'h', at: (clockHours) => clockHours };

/** What cues can hold: of the scene's settings always, of sun and moon where a cue does. */
function values(day: Day): Reading[] {
  return CUE_VALUE_NAMES.flatMap((name): Reading[] => {
    const { own, unit = null } = cueValueRow(name);
    const column = { name: snake(name), unit };
    if (own === 'settings')
      return [
        {
          ...column,
          at: (hours) => (day.settingsAt(hours) as unknown as Record<string, number | string>)[name],
        },
      ];
    if (isCueColour(name))
      return day.colour(name, 0) ? [{ ...column, at: (hours) => linearToHex(day.colour(name, hours)!) }] : [];
    return day.number(name, 0) === null ? [] : [{ ...column, at: (hours) => day.number(name, hours)! }];
  });
}

function skies({ sky }: Day): Reading[] {
  return SKY_BODIES.flatMap((body): Reading[] => [
    { name: `${body}_altitude`, unit: 'deg', at: (hours) => sky.at(body, hours).altitudeDeg },
    { name: `${body}_strength`, unit: null, at: (hours) => sky.light(body, hours).strength },
    ...(['x', 'y', 'z'] as const).map((axis, k) => ({
      ...{ name: `${body}_toward_${axis}`, unit: null },
      at: (hours: number) => sky.light(body, hours).toward[k],
    })),
  ]);
}

function circuits(scene: SceneDocument, day: Day): Reading[] {
  const names = fileNames(scene.circuits, 'circuit');
  return inOrder(scene.circuits).flatMap(([id, circuit]): Reading[] => [
    { name: `circuit_${names[id]}_level`, unit: null, at: (hours) => day.circuitLevel(id, hours) },
    {
      ...{ name: `circuit_${names[id]}_lit`, unit: null },
      // As a lamp without a delay of its own has it.
      at: (hours) => litShare({ ...circuit, id, spreadMinutes: 0 }, day.litSpans(id), '', hours),
    },
  ]);
}

/** How much of each wash and each look there is. */
function named(scene: SceneDocument, day: Day): Reading[] {
  const shareOf = (shares: readonly { id: string; share: number }[], id: string) =>
    shares.find((one) => one.id === id)?.share ?? 0;
  const [washes, looks] = [fileNames(scene.washes, 'wash'), fileNames(scene.looks, 'look')];
  return [
    ...inOrder(scene.washes).map(([id]): Reading => ({
      ...{ name: `wash_${washes[id]}`, unit: null },
      at: (hours) => shareOf(day.washesAt(hours), id),
    })),
    ...inOrder(scene.looks).map(([id]): Reading => ({
      ...{ name: `look_${looks[id]}`, unit: null },
      at: (hours) => shareOf(day.looksAt(hours), id),
    })),
  ];
}

function snake(name: string): string {
  return name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
}
