/** The luminaires that come with Oilwick: sound records, art with hard edges, lights that light. */
import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { encodePng } from '@/core/raster/png';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { NOTHING_PASSING } from '@/core/moment/passing';
import { newScene } from '@/core/scene/new-scene';
import { readScene } from '@/core/scene/read-scene';
import { newLamp } from '@/core/scene/records/lamp';
import { READY_LUMINAIRE_IDS, readyLuminaire } from './all-luminaires';
import { paintingsOf, readyRecords } from './luminaire';
import type { Paint } from './paint';

const shaOf = ({ image }: Paint) => createHash('sha256').update(encodePng(image)).digest('hex');

describe('the luminaires of the shelf', () => {
  it('are a dozen, each by another name', () => {
    const names = READY_LUMINAIRE_IDS.map((id) => readyLuminaire(id).name);
    expect(names.length).toBeGreaterThanOrEqual(12);
    expect(new Set(names).size).toBe(names.length);
  });

  for (const id of READY_LUMINAIRE_IDS)
    it(`${id}: a lamp of it stands in a sound scene and burns`, () => {
      const { luminaire, artworks } = readyRecords(readyLuminaire(id), id, shaOf);
      const scene = newScene();
      scene.luminaires[id] = luminaire;
      Object.assign(scene.artworks, artworks);
      const place = { planeId: 'plane-near', order: 'a', x: 240, y: 135 };
      scene.lamps.one = newLamp({ name: luminaire.name, luminaireId: id, ...place });
      const read = readScene(JSON.parse(JSON.stringify(scene)));
      expect(read.luminaires[id]).toEqual(luminaire);
      const moment = momentAt(read, 22, 3, NOTHING_PASSING, gateView(read));
      const parts = luminaire.lights.map((part) => `one/${part.id}`);
      // A tube that fails may be dark in one second.
      if (id !== 'failing-tube') expect(moment.lightIds).toEqual(expect.arrayContaining(parts));
      for (const { artworkId, glowsWithId } of luminaire.flames) {
        expect(artworks[artworkId]).toBeDefined();
        if (glowsWithId !== null) expect(luminaire.lights.map((part) => part.id)).toContain(glowsWithId);
      }
      for (const { gobo } of luminaire.lights) if (gobo) expect(artworks[gobo.artworkId]).toBeDefined();
    });

  it('are drawn with hard edges, and the same way twice', () => {
    for (const id of READY_LUMINAIRE_IDS) {
      const paintings = paintingsOf(readyLuminaire(id));
      for (const { image } of paintings)
        for (let p = 3; p < image.data.length; p += 4) expect([0, 255]).toContain(image.data[p]);
      expect(paintingsOf(readyLuminaire(id)).map(shaOf)).toEqual(paintings.map(shaOf));
    }
  });
});
