import { describe, expect, it } from 'vitest';
import { decodePng } from '../../raster/png';
import { coneAt } from '../../light/terms/cone';
import { fallAt } from '../../light/terms/fall';
import { CURVE_EASED, CURVE_NATURAL } from '../../moment/moment';
import { HOST, litYard, yardSource } from '../testing/lit-yard';
import { exportOptions } from './kind';
import { lights } from './lights';

const RADIANS = Math.PI / 180;

async function exported(given: object) {
  const scene = litYard();
  const files = await lights.files(yardSource(scene), exportOptions(lights, { ...given }), HOST);
  return { scene, files, told: JSON.parse(new TextDecoder().decode(files['lights.json'])) };
}

describe('pictures of lights', () => {
  it('are fall times cone about the light, by formula, and dark at the border', async () => {
    const { scene, files, told } = await exported({ sizePx: 64 });
    const of = (id: string) => told.lights.find((light: { id: string }) => light.id === id);
    for (const [id, share] of [
      ['stove', (dx: number, dy: number) => fallAt(Math.sqrt(dx * dx + dy * dy), 2, 20, CURVE_NATURAL, 1)],
      [
        'spot',
        (dx: number, dy: number) =>
          fallAt(Math.sqrt(dx * dx + dy * dy), scene.lights.spot.corePx, 40, CURVE_EASED, 1) *
          coneAt(
            {
              ...{ x: Math.cos(60 * RADIANS), y: Math.sin(60 * RADIANS) },
              ...{ beam: 15 * RADIANS, field: 40 * RADIANS },
            },
            dx,
            dy,
          ),
      ],
    ] as const) {
      const { picture, level } = of(id);
      expect(level).toBe(scene.lights[id].level);
      const { image } = decodePng(files[picture.file]);
      let brightest = 0;
      for (let y = 0; y < 64; y++)
        for (let x = 0; x < 64; x++) {
          const value = image.data[4 * (y * 64 + x)];
          const isBorder = x === 0 || y === 0 || x === 63 || y === 63;
          const dx = picture.middleX + (x - 31.5) * picture.scenePxPerPixel;
          const dy = picture.middleY + (y - 31.5) * picture.scenePxPerPixel;
          expect(Math.abs(value - (isBorder ? 0 : 255 * share(dx, dy)))).toBeLessThanOrEqual(0.5001);
          brightest = Math.max(brightest, value);
        }
      expect(brightest).toBeGreaterThan(200);
    }
  });

  it('have their scale and level in the file, sixteen bits, and colours with how bright it is as alpha', async () => {
    const { files } = await exported({ sizePx: 32, depth: 16, pixels: 'colour' });
    const bytes = files['lights/stove.png'];
    expect(Buffer.from(bytes).toString('latin1')).toMatch(/Level\0 *2/);
    // The header says 16 bits of RGBA.
    expect([...bytes.subarray(24, 26)]).toEqual([16, 6]);
    const { image } = decodePng(bytes);
    const middle = image.data.subarray(4 * (16 * 32 + 16), 4 * (16 * 32 + 16) + 4);
    expect([...middle]).toEqual([0xff, 0xd9, 0xa0, 255]);
  });

  it('are none of a sun, and there is one for each light of a luminaire, wherever its lamps stand', async () => {
    const { files, told } = await exported({ sizePx: 16 });
    expect(Object.keys(files).sort()).toEqual([
      'lights.json',
      'lights/spot.png',
      'lights/stove.png',
      'luminaires/lantern-flame.png',
    ]);
    expect(told.lights.find(({ id }: { id: string }) => id === 'sun').picture).toBeNull();
    expect(told.lamps).toMatchObject([{ name: 'First', luminaireId: 'lantern', x: 40, y: 30 }]);
  });
});
