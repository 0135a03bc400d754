import { metered, meterGround, type WholeReading } from '@/core/checks/meter/meter';
import { InputFault } from '@/core/faults';
import { bundlePictures, bundleTables } from '@/core/handoff/bundle';
import { gateView } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { settingsOf } from '@/core/scene/document';
import { openBundle } from './bundle-file';
import { checkHour } from './check-hour';

export interface AccountOptions {
  hour?: number;
  at: number;
  x: number;
  y: number;
  json: boolean;
}

/** Prints what a pixel of a bundle's gate is made of. */
export async function accountCommand(file: string, { hour, at, x, y, json }: AccountOptions): Promise<void> {
  checkHour(hour);
  const bundle = await openBundle(file);
  const { scene } = bundle;
  const view = gateView(scene, 1);
  checkPlace('--x', x, view.widthPx);
  checkPlace('--y', y, view.heightPx);
  const maker = new MomentMaker(bundleTables(bundle));
  const moment = maker.at(scene, hour ?? settingsOf(scene).clockHours, at, NOTHING_PASSING, view);
  const reading = metered(meterGround(maker, scene, moment, NOTHING_PASSING, bundlePictures(bundle)), x, y);
  process.stdout.write(json ? `${JSON.stringify(asJson(reading))}\n` : asText(reading));
}

/** @throws InputFault where a pixel is none of the gate's */
function checkPlace(option: string, value: number, size: number): void {
  if (!Number.isInteger(value) || value < 0 || value >= size)
    throw new InputFault(`${option} is a pixel of the gate, 0 to ${size - 1}; got ${value}.`);
}

function asText({ account, surface, gives, dark, finish }: WholeReading): string {
  const { pixel, later } = finish;
  const values = (rgb: readonly number[]) => rgb.map((v) => v.toFixed(4).padStart(8)).join(' ');
  return [
    `${surface.words} at ${account.x}, ${account.y}: ${pixel.join(' ')}`,
    ...gives.map(
      ({ words, rgb, stopped }) =>
        `${values(rgb)}  ${words}${stopped.length > 0 ? `, partly behind ${stopped[0].words}` : ''}`,
    ),
    `${values(account.sum)}  all together`,
    ...later.map(({ words, to }) => `${values(to)}  after ${words[0].toLowerCase()}${words.slice(1)}`),
    ...dark.map(({ words, reason }) => `${words}: ${reason.words}`),
    '',
  ].join('\n');
}

function asJson({ account, surface, gives, dark, finish }: WholeReading): object {
  const { pixel, later } = finish;
  const named = (record: { collection: string; id: string } | null) =>
    record && `${record.collection}/${record.id}`;
  return {
    ...{ x: account.x, y: account.y, pixel, sum: account.sum },
    surface: { words: surface.words, record: named(surface.record), ...account.surface },
    gives: gives.map(({ words, record, rgb, stopped }) => ({
      ...{ words, record: named(record), rgb, stoppedBy: stopped.map((one) => named(one.record)) },
    })),
    nothing: dark.map(({ words, record, why, reason }) => ({
      ...{ words, record: named(record), why, reason: reason.words, names: reason.records.map(named) },
    })),
    later,
  };
}
