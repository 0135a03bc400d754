import { readFile, writeFile } from 'node:fs/promises';
import { snagsIn } from '@/core/checks/snags/all-snags';
import { InputFault, wordsOf } from '@/core/faults';
import { bundleTables } from '@/core/handoff/bundle';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { LIMITS } from '@/core/limits';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { enlarged } from '@/core/raster/image';
import { encodePng } from '@/core/raster/png';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import type { SceneSettings } from '@/core/scene/records/settings';
import { readLook } from '@/core/scene/read-look';
import { openBundle } from './bundle-file';
import { checkHour } from './check-hour';
import { renderThreads } from './render-threads';
import { threadsFor } from './threads';

export interface ShadeOptions {
  out: string;
  hour?: number;
  at: number;
  enlarge: number;
  unlit: boolean;
  /** A file with a look, or `none`. */
  finish?: string;
  /** Threads; as many as the machine has where nothing is said. */
  jobs?: number;
}

export async function shadeCommand(
  file: string,
  { out, hour, at, enlarge, unlit, finish, jobs }: ShadeOptions,
): Promise<void> {
  checkHour(hour);
  const bundle = await openBundle(file);
  const settings = settingsOf(bundle.scene);
  checkEnlarge(enlarge, settings);
  // What cannot be drawn as the document says is named, and the rest drawn.
  for (const { words, snag, isFault } of snagsIn(bundle.scene))
    if (isFault || snag === 'lost-name') process.stderr.write(`${file}: ${words}\n`);
  // Pixel art is lit at scene px and enlarged by whole steps; painted art is lit at output pixels.
  const view = gateView(bundle.scene, settings.pixelArt ? 1 : enlarge);
  const passing = { ...NOTHING_PASSING, unlit, finish: await finishOf(finish, bundle.scene) };
  const moment = momentAt(bundle.scene, hour ?? settings.clockHours, at, passing, view, bundleTables(bundle));
  const { pool, close } = await renderThreads(bundle, jobs ?? threadsFor(view.widthPx * view.heightPx));
  const picture = await pool.render(moment).finally(close);
  await writeFile(out, encodePng(settings.pixelArt ? enlarged(picture, enlarge) : picture));
}

/** @throws InputFault where the picture would not be of whole steps, or too large */
function checkEnlarge(enlarge: number, { gateWidthPx, gateHeightPx }: SceneSettings): void {
  const most = Math.max(1, Math.floor(Math.sqrt(LIMITS.stillPixels / (gateWidthPx * gateHeightPx))));
  if (Number.isInteger(enlarge) && enlarge >= 1 && enlarge <= most) return;
  const gate = `${gateWidthPx} × ${gateHeightPx} px`;
  throw new InputFault(
    `--enlarge is a whole number from 1 to ${most} for a gate of ${gate}; got ${enlarge}.`,
  );
}

/** The scene's own finish where nothing is said. */
async function finishOf(named: string | undefined, { tables }: SceneDocument): Promise<Passing['finish']> {
  if (named === undefined) return 'own';
  if (named === 'none') return 'none';
  try {
    const look = readLook(JSON.parse(await readFile(named, 'utf8')));
    if (look.tableId !== null && !tables[look.tableId])
      throw new InputFault(`The bundle has no lookup table “${look.tableId}”.`);
    return look;
  } catch (thrown) {
    throw new InputFault(`${named}: ${wordsOf(thrown)}`);
  }
}
