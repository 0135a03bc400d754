import { describe, expect, it } from 'vitest';
import type { CollectionName } from './records/all-records';
import { SETTINGS_ID } from './records/settings';
import { readScene } from './read-scene';
import { danglingReferences, filesNamedBy, neededRecords, renamedRecords, withoutGone } from './references';
import { fullScene, sha } from './testing';
import { newGobo } from './records/light-look';

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

describe('what a lamp overrides', () => {
  it('is needed too', () => {
    const scene = fullScene();
    const gobo = newGobo({ artworkId: 'spare', widthPx: 9, heightPx: 9 });
    scene.lamps.carried = { ...scene.lamps.carried, overrides: { glow: { gobo } } };
    expect(Object.keys(neededRecords(scene, { lamps: scene.lamps }).artworks)).toContain('spare');
    const renamed = renamedRecords({ lamps: scene.lamps }, (_, id) => `${id}-2`);
    expect(renamed.lamps['carried-2'].overrides.glow).toMatchObject({ gobo: { artworkId: 'spare-2' } });
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

describe('what names something that goes', () => {
  const gone =
    (...names: string[]) =>
    (collection: CollectionName, id: string) =>
      names.includes(`${collection}/${id}`);
  const gobo = newGobo({ artworkId: 'man', widthPx: 9, heightPx: 9 });

  it('names nothing any more where it may, and leaves out what cannot be without it', () => {
    const { lights, lamps, luminaires, artworks, planes } = fullScene();
    expect(withoutGone('lights', { ...lights.l, gobo }, gone('artworks/man', 'wicks/w'))).toEqual({
      gobo: null,
      wickId: null,
    });
    expect(withoutGone('luminaires', luminaires.lantern, gone('artworks/flame'))).toEqual({ flames: [] });
    expect(withoutGone('artworks', artworks.man, gone('luminaires/lantern'))).toEqual({ lamps: [] });
    expect(withoutGone('planes', planes['plane-middle'], gone('artworks/sheet'))).toEqual({ tiles: null });
    const carried = { ...lamps.carried, overrides: { glow: { gobo, level: 2 } } };
    expect(withoutGone('lamps', carried, gone('artworks/man'))).toEqual({
      overrides: { glow: { gobo: null, level: 2 } },
    });
  });

  it('is wired to the house again where it was wired to nothing else', () => {
    const { lights, sprites } = fullScene();
    expect(withoutGone('lights', lights.l, gone('circuits/blue'))).toEqual({ circuitIds: ['house'] });
    expect(withoutGone('sprites', sprites.plain, gone('circuits/blue'))).toEqual({ circuitIds: ['house'] });
    expect(withoutGone('sprites', { ...sprites.plain, circuitIds: [] }, gone('circuits/blue'))).toBeNull();
  });

  it('stays as it is where it names something else', () => {
    const { lights } = fullScene();
    expect(withoutGone('lights', lights.l, gone('sprites/man'))).toBeNull();
  });
});

describe('names that lead nowhere', () => {
  it('are none in a sound scene', () => {
    expect(danglingReferences(fullScene())).toEqual([]);
  });

  it('are told with the field that holds them, in overrides too', () => {
    const scene = fullScene();
    const { blue: _blue, ...circuits } = scene.circuits;
    scene.circuits = circuits;
    const gobo = newGobo({ artworkId: 'lost', widthPx: 9, heightPx: 9 });
    scene.lamps.carried = { ...scene.lamps.carried, overrides: { glow: { gobo } } };
    expect(danglingReferences(scene)).toEqual([
      { collection: 'sprites', id: 'plain', path: 'circuitIds.0', to: 'circuits', missing: 'blue' },
      { collection: 'lights', id: 'l', path: 'circuitIds.0', to: 'circuits', missing: 'blue' },
      {
        collection: 'lamps',
        id: 'carried',
        path: 'overrides.glow.gobo.artworkId',
        to: 'artworks',
        missing: 'lost',
      },
    ]);
  });
});

describe('files', () => {
  it('are those that pictures, masks and pasted strokes name, and not the picture that a relief was made for', () => {
    const { artworks, reliefs } = fullScene();
    expect(filesNamedBy('artworks', { ...artworks.man, glowSha: sha('e') })).toEqual([sha('a'), sha('e')]);
    const normals = { sha: sha('f'), yUp: true, orientationChosen: false, use: 'facings', share: 1 };
    expect(filesNamedBy('reliefs', { ...reliefs.man, normals, madeForSha: sha('9') })).toEqual([sha('f')]);
    expect(filesNamedBy('sprites', {})).toEqual([]);
  });
});
