import { momentDigest, momentJson } from '@/core/moment/moment-json';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { settingsOf } from '@/core/scene/document';
import { openBundle } from './bundle-file';
import { checkHour } from './check-hour';

export interface MomentOptions {
  hour?: number;
  at: number;
  json: boolean;
}

/** Prints the digest of a bundle's Moment, or the whole of it. */
export async function momentCommand(file: string, { hour, at, json }: MomentOptions): Promise<void> {
  checkHour(hour);
  const { scene } = await openBundle(file);
  const moment = momentAt(
    scene,
    hour ?? settingsOf(scene).clockHours,
    at,
    NOTHING_PASSING,
    gateView(scene, 1),
  );
  process.stdout.write(`${json ? momentJson(moment, 2) : momentDigest(moment)}\n`);
}
