import { describe, expect, it } from 'vitest';
import { SETTINGS_ID, type CollectionName } from './document';
import { readScene } from './read-scene';
import { neededRecords, renamedRecords } from './references';
import { fullScene } from './testing';

describe('what a scene needs of its project', () => {
  it('is its artworks with those that lend them relief, its luminaires and the art of their flames', () => {
    const scene = fullScene();
    const needed = neededRecords(scene, scene);
    expect(Object.keys(needed.artworks)).toEqual(['flame', 'man', 'sheet']);
    expect(Object.keys(needed.reliefs)).toEqual(['flame', 'man']);
    expect(Object.keys(needed.luminaires)).toEqual(['lantern']);
  });

  it('is what an artwork brings along too, though no lamp of it was placed', () => {
    const scene = fullScene();
    const { sprites } = scene;
    expect(Object.keys(neededRecords(scene, { sprites: { man: sprites.man } }).luminaires)).toEqual([
      'lantern',
    ]);
    expect(Object.keys(neededRecords(scene, { sprites: { plain: sprites.plain } }).artworks)).toEqual([]);
  });

  it('is found where things need each other in a circle', () => {
    const scene = fullScene();
    scene.artworks.flame.lamps = [{ luminaireId: 'lantern', bracketId: null, x: 0, y: 0 }];
    scene.reliefs.man = { ...scene.reliefs.man, borrowedId: 'flame' };
    expect(Object.keys(neededRecords(scene, { sprites: { man: scene.sprites.man } }).artworks)).toEqual([
      'flame',
      'man',
    ]);
  });
});

describe('records under other ids', () => {
  it('name each other rightly, in every field that names anything', () => {
    const { format, version, ...records } = fullScene();
    const other = (collection: CollectionName, id: string) => (collection === 'settings' ? id : `${id}-2`);
    const renamed = renamedRecords(records, other);
    // Nothing of the old names is left but the names of people, brackets and parts.
    const text = JSON.stringify(renamed);
    for (const id of [
      'plane-near',
      'plane-middle',
      'crew',
      'blue',
      'house',
      'lantern',
      'flame',
      'sheet',
      'w',
    ]) {
      expect(text).not.toContain(`"${id}"`);
    }
    expect(() => readScene({ format, version, ...renamed })).not.toThrow();
    expect(renamed.settings[SETTINGS_ID]).toEqual(records.settings[SETTINGS_ID]);
    expect(renamed.reliefs['flame-2'].borrowedId).toBe('man-2');
    expect(renamed.lamps['carried-2'].hangsOn).toEqual({ spriteId: 'man-2', bracketId: 'hand' });
    const back = renamedRecords(renamed, (collection, id) =>
      collection === 'settings' ? id : id.slice(0, -2),
    );
    expect(back).toEqual(records);
  });
});
