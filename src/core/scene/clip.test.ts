import { describe, expect, it } from 'vitest';
import { clipOf, pasteEdits, type Clip } from './clip';
import type { SceneDocument } from './document';
import { newScene } from './new-scene';
import { applyEdits } from './edits';
import { checkEdited, readScene } from './read-scene';
import { fullScene } from './testing';

const nowhere = () => null;

function pasted(scene: SceneDocument, clip: Clip, shift: [number, number] = [0, 0]) {
  let n = 0;
  const result = pasteEdits(scene, clip, { newId: () => `new-${n++}`, planeId: 'plane-near', shift });
  const after = applyEdits(scene, result.edits);
  expect(() => checkEdited(after, result.edits)).not.toThrow();
  expect(() => readScene(after)).not.toThrow();
  return { ...result, after };
}

const man = [{ collection: 'sprites' as const, id: 'man' }];

describe('a clip', () => {
  it('takes along what hangs on a sprite, its own outlines, and all that these need', () => {
    const { records, planeNames } = clipOf(fullScene(), 'here', man, nowhere)!;
    expect(Object.keys(records.sprites)).toEqual(['man']);
    expect(Object.keys(records.lamps)).toEqual(['carried']);
    expect(Object.keys(records.occluders)).toEqual(['o']);
    expect(Object.keys(records.artworks)).toEqual(['flame', 'man']);
    expect(Object.keys(records.luminaires)).toEqual(['lantern']);
    expect(Object.keys(records.sets)).toEqual(['crew']);
    expect(planeNames).toEqual({ 'plane-near': 'Near' });
  });

  it('of a lamp without its carrier stands where it was drawn', () => {
    const clip = clipOf(fullScene(), 'here', [{ collection: 'lamps', id: 'carried' }], () => ({
      x: 106,
      y: 48,
    }))!;
    expect(clip.records.lamps.carried).toMatchObject({ hangsOn: null, x: 106, y: 48 });
  });

  it('of nothing is none', () => {
    expect(clipOf(fullScene(), 'here', [{ collection: 'settings', id: 'scene' }], nowhere)).toBeNull();
  });

  it('comes into a scene of another project with everything, and stands on the plane of the same name', () => {
    const clip = clipOf(fullScene(), 'here', [...man, { collection: 'lights', id: 'l' }], nowhere)!;
    const { after, picked } = pasted(newScene(), clip);
    const [sprite] = Object.values(after.sprites);
    expect(after.artworks[sprite.artworkId!].name).toBe('Man');
    expect(sprite.planeId).toBe('plane-near');
    const [lamp] = Object.values(after.lamps);
    expect(after.sprites[lamp.hangsOn!.spriteId]).toBe(sprite);
    expect(after.luminaires[lamp.luminaireId].name).toBe('Lantern');
    expect(after.artworks[after.luminaires[lamp.luminaireId].flames[0].artworkId].name).toBe('Flame');
    expect(
      Object.values(after.reliefs).some(
        ({ borrowedId }) => borrowedId !== null && after.artworks[borrowedId].name === 'Man',
      ),
    ).toBe(true);
    const [light] = Object.values(after.lights);
    expect(after.wicks[light.wickId!].name).toBe('Wick');
    expect(after.circuits[light.circuitIds[0]].name).toBe('Blue');
    expect(after.sets[sprite.setIds[0]].name).toBe('Crew');
    expect(picked.map(({ collection }) => collection).sort()).toEqual(['lamps', 'lights', 'sprites']);
  });

  it('put in where it came from uses what is there, and lies in front', () => {
    const scene = fullScene();
    const { after, edits } = pasted(scene, clipOf(scene, 'here', man, nowhere)!, [8, 4]);
    expect(edits.map(({ collection }) => collection).sort()).toEqual(['lamps', 'occluders', 'sprites']);
    const copy = Object.entries(after.sprites).find(([id]) => id.startsWith('new'))![1];
    expect(copy).toMatchObject({ x: 108, y: 54, artworkId: 'man', setIds: ['crew'] });
    expect(copy.order > 'a3').toBe(true);
    const lamp = Object.entries(after.lamps).find(([id]) => id.startsWith('new'))![1];
    // What hangs is not moved twice.
    expect(lamp).toMatchObject({ x: 0, y: 0, luminaireId: 'lantern' });
  });

  it('of a plane has all that stands on it, tiles too', () => {
    const clip = clipOf(fullScene(), 'here', [{ collection: 'planes', id: 'plane-middle' }], nowhere)!;
    const { after, picked } = pasted(newScene(), clip);
    expect(picked).toHaveLength(1);
    const plane = after.planes[picked[0].id];
    expect(after.artworks[plane.tiles!.artworkId].name).toBe('Sheet');
    expect(Object.values(after.chunks)[0].planeId).toBe(picked[0].id);
  });

  it('brings a changed luminaire as another one, and the same art only once', () => {
    const scene = fullScene();
    const clip = clipOf(scene, 'here', man, nowhere)!;
    scene.luminaires.lantern = { ...scene.luminaires.lantern, name: 'Storm lantern' };
    const { after } = pasted(scene, clip);
    expect(
      Object.values(after.luminaires)
        .map(({ name }) => name)
        .sort(),
    ).toEqual(['Lantern', 'Storm lantern']);
    expect(Object.keys(after.artworks)).toEqual(Object.keys(scene.artworks));
  });
});
