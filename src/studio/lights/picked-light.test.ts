import { describe, expect, it } from 'vitest';
import { applyEdits } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLamp } from '@/core/scene/records/lamp';
import { newLight } from '@/core/scene/records/light';
import { newLightPart } from '@/core/scene/records/luminaire';
import { newSprite } from '@/core/scene/records/sprite';
import { edgeAway, figureAngle } from './handle-makers';
import { lightHandles, pulledLight } from './light-handles';
import { lightEdits, lightOf, pickedLight } from './picked-light';

/** A spot on a sprite that is turned by 90 degrees, and a flipped lamp of two spots. */
function scene() {
  const scene = newScene();
  const base = { planeId: 'plane-near', order: 'a' };
  scene.artworks.man = newArtwork({
    name: '',
    imageSha: 'a'.repeat(64),
    widthPx: 8,
    heightPx: 8,
    pixelArt: true,
  });
  scene.sprites.man = newSprite({ ...base, name: '', artworkId: 'man', x: 100, y: 100, turnDeg: 90 });
  const spot = { kind: 'spot' as const, bearingDeg: 0, beamDeg: 20, fieldDeg: 60, reachPx: 50 };
  scene.lights.hung = newLight({
    ...{ ...base, ...spot, name: '', x: 0, y: 0 },
    hangsOn: { spriteId: 'man', bracketId: null },
  });
  scene.luminaires.kind = {
    name: '',
    lights: [
      newLightPart({ id: 'a', name: '', ...spot, x: 10 }),
      newLightPart({ id: 'b', name: '', ...spot }),
    ],
    flames: [],
  };
  scene.lamps.lamp = newLamp({ ...base, name: '', luminaireId: 'kind', x: 200, y: 50, flipX: true });
  return scene;
}

const TO = { shift: false, alt: false };

describe('a picked light', () => {
  it('that hangs turns its figure with what carries it', () => {
    const picked = pickedLight(scene(), { collection: 'lights', id: 'hung' }, null, 0)!;
    const bearing = lightHandles(picked, 4).find(({ kind }) => kind === 'bearing')!;
    const [x, y] = picked.place;
    expect(bearing.x - x).toBeCloseTo(0, 6);
    expect(bearing.y - y).toBeGreaterThan(50);
    if (bearing.kind === 'isolux') throw new Error('no bearing');
    // Pulled to the left on the picture it points up along the turned ground.
    expect(pulledLight(picked, bearing, { ...TO, x: x - 40, y })).toEqual({ bearingDeg: 90 });
  });

  it('of a lamp is one of its parts, where the lamp puts it, and what is pulled is its override', () => {
    const document = scene();
    const picked = pickedLight(document, { collection: 'lamps', id: 'lamp' }, 'a', 0)!;
    expect(picked.place).toEqual([190, 50]);
    const handles = lightHandles(picked, 4);
    const bearing = handles.find(({ kind }) => kind === 'bearing')!;
    expect(bearing.x).toBeLessThan(190 - 50);
    const end = handles.find((one) => one.kind === 'isolux' && one.name === 'end')!;
    expect(end).toMatchObject({ partId: 'a', radius: 50 });
    const edited = applyEdits(document, lightEdits(document, picked, { reachPx: 80 }));
    expect(edited.lamps.lamp.overrides).toEqual({ a: { reachPx: 80 } });
    expect(lightOf(edited, picked)!.reachPx).toBe(80);
    expect(edited.luminaires).toEqual(document.luminaires);
    expect(applyEdits(edited, lightEdits(edited, picked, { reachPx: 50 })).lamps.lamp.overrides).toEqual({});
  });

  it('of a lamp is its first part where none is chosen', () => {
    expect(pickedLight(scene(), { collection: 'lamps', id: 'lamp' }, null, 0)?.partId).toBe('a');
    expect(pickedLight(scene(), { collection: 'sprites', id: 'man' }, null, 0)).toBeNull();
  });
});

describe('the sides of a spot', () => {
  it('end on the ellipse that its light ends on, in the direction in which they are seen', () => {
    for (const squash of [0.5, 1, 2.5])
      for (const angle of [0, 0.4, 1.2, 2.9, -2]) {
        const away = edgeAway(squash, angle, 50);
        const [x, y] = [away * Math.cos(angle), away * Math.sin(angle)];
        expect((x / 50) ** 2 + ((y * squash) / 50) ** 2).toBeCloseTo(1, 9);
        const at = figureAngle(squash, angle);
        expect(50 * Math.cos(at)).toBeCloseTo(x, 9);
        expect((50 / squash) * Math.sin(at)).toBeCloseTo(y, 9);
      }
  });
});
