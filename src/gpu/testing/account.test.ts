/** The account of a pixel against the reference: over all scenes of the gallery its lines add up to what is shown. */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { accountFor } from '@/core/light/account/account-for';
import { PointRenderer, scenePlace } from '@/core/light/point-renderer';
import { renderReference } from '@/core/light/reference';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { hash01 } from '@/core/time/noise';
import type { GalleryScene } from './parity-page';
import { build, PICTURES, type ParityScene } from './parity-parts';
import { PARITY_SCENES } from './parity-scenes';

const PIXELS = 24;

const gallery: ParityScene[] = readdirSync('e2e/gallery').flatMap((file) =>
  (JSON.parse(readFileSync(`e2e/gallery/${file}`, 'utf8')) as GalleryScene[]).map(
    ({ name, outputPerScenePx = 1, hour, second, passing, ...parts }) => ({
      ...{ name, scene: build(parts), outputPerScenePx, pictures: PICTURES, hour, second, passing },
    }),
  ),
);

describe('the account of a pixel', () => {
  it.each([...PARITY_SCENES, ...gallery].map((one) => [one.name, one] as const))(
    'adds up to what is shown: %s',
    (name, { scene, outputPerScenePx, pictures, passing, hour = 12, second = 0.37 }) => {
      const view = gateView(scene, outputPerScenePx);
      const moment = momentAt(scene, hour, second, { ...NOTHING_PASSING, ...passing }, view);
      const source = (key: string) => pictures[key] ?? null;
      const shown = renderReference(moment, source);
      const point = new PointRenderer({ ...moment, washes: [] }, source);
      for (let k = 0; k < PIXELS; k++) {
        const x = Math.floor(hash01(name.length, 2 * k) * view.widthPx);
        const y = Math.floor(hash01(name.length, 2 * k + 1) * view.heightPx);
        const account = accountFor(moment, source, x, y);
        const at = 4 * (y * view.widthPx + x);
        expect(account.pixel).toEqual([...shown.data.subarray(at, at + 3)]);
        const { x: px, y: py } = scenePlace(moment, x, y);
        const picture = point.at(px, py);
        for (let c = 0; c < 3; c++) expect(account.sum[c]).toBeCloseTo(picture[c], 10);
        // What has a line with a reason gives nothing, and what has none gives something.
        for (const { nothing, rgb } of account.lights)
          expect(
            rgb.every((v) => v === 0),
            JSON.stringify(nothing),
          ).toBe(nothing !== null);
      }
    },
  );
});
