import { flashWords } from '@/core/checks/flash/flash-words';
import { SceneFlashes, type SceneFlash } from '@/core/checks/flash/scene-flashes';
import { snagsIn, withAsideOf } from '@/core/checks/snags/all-snags';
import { exposureShares, exposureSnags } from '@/core/checks/snags/exposure';
import { bundlePictures, bundleTables } from '@/core/handoff/bundle';
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { settingsOf } from '@/core/scene/document';
import { openBundle } from './bundle-file';
import { checkHour } from './check-hour';

export interface CheckOptions {
  hour?: number;
  flashes: boolean;
  json: boolean;
}

/** The share of the flash check after which it is told again how far it is. */
const TOLD_SHARE = 0.1;

/** @returns the exit code: 1 where a snag is a fault, or where it flashes dangerously */
export async function checkCommand(file: string, { hour, flashes, json }: CheckOptions): Promise<number> {
  checkHour(hour);
  const bundle = await openBundle(file);
  const { scene } = bundle;
  const source = bundlePictures(bundle);
  const tables = bundleTables(bundle);
  const clockHours = hour ?? settingsOf(scene).clockHours;
  const picture = renderReference(
    momentAt(scene, clockHours, 0, NOTHING_PASSING, gateView(scene), tables),
    source,
  );
  const ofPicture = exposureSnags(scene, exposureShares(picture), clockHours);
  const snags = [...snagsIn(scene, source), ...ofPicture.map((snag) => withAsideOf(scene, snag))].filter(
    ({ aside }) => aside === null,
  );
  const found = flashes ? flashesOf(new SceneFlashes(scene, { source, tables }, clockHours)) : [];
  if (json) {
    const rows = [
      ...snags.map(({ snag, isFault, records, words }) => ({
        ...{ kind: 'snag', snag, isFault, words },
        records: records.map(({ collection, id }) => `${collection}/${id}`),
      })),
      ...found.map(({ kind, second, rateHz, areaPx, x, y, cause }) => ({
        ...{ kind: 'flash', flash: kind, isFault: true, second, rateHz, areaPx, x, y },
        cause: cause?.name ?? null,
        records: cause ? [`${cause.record.collection}/${cause.record.id}`] : [],
      })),
    ];
    process.stdout.write(`${JSON.stringify(rows)}\n`);
  } else
    for (const words of [...snags.map((snag) => snag.words), ...found.map(flashWords)])
      process.stdout.write(`${words}\n`);
  return found.length > 0 || snags.some(({ isFault }) => isFault) ? 1 : 0;
}

/** Looks at all frames, and tells on standard error how far it is where it takes long. */
function flashesOf(check: SceneFlashes): SceneFlash[] {
  let told = TOLD_SHARE;
  while (check.step())
    if (check.share >= told) {
      process.stderr.write(`Looking for flashes: ${Math.round(100 * check.share)} %\n`);
      told += TOLD_SHARE;
    }
  return check.report().faults;
}
