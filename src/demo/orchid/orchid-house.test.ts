import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { snagsIn } from '@/core/checks/snags/all-snags';
import { bundlePictures } from '@/core/handoff/bundle';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { decodePng } from '@/core/raster/png';
import { readScene } from '@/core/scene/read-scene';
import { orchidHouse } from './orchid-house';

const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const momentOf = (document: ReturnType<typeof orchidHouse>['document'], hour: number, second: number) =>
  momentAt(document, hour, second, NOTHING_PASSING, gateView(document));

describe('the Orchid House', () => {
  const { document, pictures } = orchidHouse(sha256);

  it('is a sound scene of at least sixty lights and a hundred and fifty sprites', () => {
    expect(() => readScene(JSON.parse(JSON.stringify(document)))).not.toThrow();
    const { lights } = momentOf(document, 22.5, 6);
    expect(lights.length).toBeGreaterThanOrEqual(60);
    expect(Object.keys(document.sprites).length).toBeGreaterThanOrEqual(150);
    for (const { imageSha, glowSha } of Object.values(document.artworks))
      for (const sha of [imageSha, glowSha]) if (sha !== null) expect(pictures.has(sha)).toBe(true);
  });

  it('has no snags but those that are meant so', () => {
    const open = snagsIn(document, bundlePictures({ scene: document, files: pictures })).filter(
      ({ aside }) => aside === null,
    );
    expect(open.map(({ words }) => words)).toEqual([]);
  });

  it('is lit by few lamps at noon, and sees its gardener go round with a lamp', () => {
    expect(momentOf(document, 13, 0).lights.length).toBeLessThan(
      momentOf(document, 23, 0).lights.length - 20,
    );
    const at = (second: number) => {
      const moment = momentOf(document, 23, second);
      return moment.lights[moment.lightIds.indexOf(`${gardenersLamp()}/flame`)];
    };
    const [first, later] = [at(0), at(10)];
    expect(Math.abs(first.x - later.x) + Math.abs(first.y - later.y)).toBeGreaterThan(30);
  });

  it('has panes through which tinted light comes, and staging whose shadows end', () => {
    const { occluders } = momentOf(document, 23, 0);
    expect(Object.values(document.occluders).filter(({ transmitShare }) => transmitShare > 0).length).toBe(6);
    expect(Object.values(document.occluders).filter(({ staturePx }) => staturePx !== null).length).toBe(6);
    expect(occluders.length).toBeGreaterThan(12);
  });

  it('is drawn with hard edges, and the same way twice', () => {
    for (const bytes of pictures.values()) {
      const { data } = decodePng(bytes).image;
      for (let p = 3; p < data.length; p += 4) expect(data[p] % 255).toBe(0);
    }
    expect([...orchidHouse(sha256).pictures.keys()]).toEqual([...pictures.keys()]);
  });

  function gardenersLamp(): string {
    return Object.entries(document.lamps).find(([, { hangsOn }]) => hangsOn !== null)![0];
  }
});
