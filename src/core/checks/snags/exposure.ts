/** Snags of a finished picture: how much of it is burnt out, and how much is black. */
import type { Image } from '../../raster/image';
import { settingsOf, type SceneDocument } from '../../scene/document';
import { change } from '../../scene/edits';
import { SETTINGS_ID, type SceneSettings } from '../../scene/records/settings';
import { clockText } from '../../time/cues';
import { mendBy, type FoundSnag, type Mend } from './kind';

export interface ExposureShares {
  /** Pixels of which two channels or more are as bright as they can be: their colour is gone. */
  burnt: number;
  /** Pixels in which nothing is seen. */
  black: number;
}

/** The share of a picture from which each is a snag. */
export const EXPOSURE_LIMITS: ExposureShares = { burnt: 0.05, black: 0.5 };

const BURNT_BYTE = 255;
const BLACK_BYTE = 3;
/** What one press changes of the exposure, stops. */
const STEP_STOPS = 0.5;

/** @param picture sRGB bytes, RGBA */
export function exposureShares({ width, height, data }: Image): ExposureShares {
  let [burnt, black] = [0, 0];
  for (let i = 0; i < data.length; i += 4) {
    const [r, g, b] = [data[i], data[i + 1], data[i + 2]];
    const full = Number(r >= BURNT_BYTE) + Number(g >= BURNT_BYTE) + Number(b >= BURNT_BYTE);
    if (full >= 2) burnt++;
    if (Math.max(r, g, b) <= BLACK_BYTE) black++;
  }
  const pixels = Math.max(1, width * height);
  return { burnt: burnt / pixels, black: black / pixels };
}

export interface ExposureSnag extends FoundSnag {
  snag: 'burnt-out' | 'black';
  isFault: false;
}

/**
 * @param shares of the picture of the scene at that hour
 * @param clockHours for the words
 */
export function exposureSnags(
  scene: SceneDocument,
  shares: ExposureShares,
  clockHours: number,
): ExposureSnag[] {
  const found: ExposureSnag[] = [];
  const at = clockText(clockHours);
  const records = [{ collection: 'settings', id: SETTINGS_ID } as const];
  if (shares.burnt > EXPOSURE_LIMITS.burnt)
    found.push({
      ...{ snag: 'burnt-out', isFault: false, records },
      words: `${percent(shares.burnt)} of the picture is burnt out at ${at}: there it has lost its colours.`,
      mends: [...shoulder(scene), ...exposed(scene, -STEP_STOPS, 'Expose half a stop less')],
    });
  if (shares.black > EXPOSURE_LIMITS.black)
    found.push({
      ...{ snag: 'black', isFault: false, records },
      words: `${percent(shares.black)} of the picture is black at ${at}: nothing is seen there.`,
      mends: exposed(scene, STEP_STOPS, 'Expose half a stop more'),
    });
  return found;
}

function shoulder(scene: SceneDocument): Mend[] {
  return settingsOf(scene).tone === 'shoulder'
    ? []
    : changed(scene, 'Let bright light roll off by a shoulder', { tone: 'shoulder' });
}

/** Where cues hold the exposure, the setting does nothing. */
function exposed(scene: SceneDocument, by: number, words: string): Mend[] {
  const isHeld = Object.values(scene.cues).some(({ exposureStops }) => exposureStops !== null);
  const exposureStops = Math.round((settingsOf(scene).exposureStops + by) * 100) / 100;
  return isHeld ? [] : changed(scene, words, { exposureStops });
}

function changed(scene: SceneDocument, words: string, fields: Partial<SceneSettings>): Mend[] {
  return mendBy(words, change(scene, 'settings', SETTINGS_ID, fields));
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}
