import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { groundText, jobText, picturesOf } from '../relief/job';
import { readRecipe, recipeWith } from '../relief/recipe';
import type { Stroke as BrushStroke } from '../relief/strokes/stroke';
import { strokeWith } from '../relief/testing/strokes';
import { activePasses, finishNumbers } from '../finish/all-passes';
import { SCENE_VERSION, type SceneDocument } from './document';
import { newScene } from './new-scene';
import { newArtwork } from './records/artwork';
import { newRelief } from './records/relief';
import { create } from './edits';
import { borrowersOf, reliefJobOf, reliefStateOf } from './relief-job';
import { checkEdited, readScene } from './read-scene';
import { applyEdits } from './edits';

function scene(): SceneDocument {
  const document = newScene();
  for (const id of ['a', 'b', 'c']) {
    document.artworks[id] = newArtwork({
      name: id,
      imageSha: id.repeat(64),
      widthPx: 8,
      heightPx: 8,
      pixelArt: true,
    });
    document.reliefs[id] = newRelief({ recipe: recipeWith({}) });
  }
  document.reliefs.a.layers = [
    { id: 'low', name: 'Low', hidden: false },
    { id: 'high', name: 'High', hidden: false },
  ];
  const stroke = (order: string, layerId: string, fields: Partial<BrushStroke> = {}) => ({
    ...strokeWith({ points: [1, 2, 1], ...fields }),
    artworkId: 'a',
    layerId,
    order,
  });
  document.strokes = {
    s3: stroke('a3', 'low', { kind: 'smooth' }),
    s1: stroke('a1', 'high', { kind: 'face' }),
    s2: stroke('a2', 'low'),
  };
  return document;
}

const fixture = (version: number) =>
  JSON.parse(readFileSync(new URL(`./fixtures/version-${version}.json`, import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;

describe('a document of version 3', () => {
  it('is wired to the house circuit, hangs on nothing, and brings no outlines', () => {
    const read = readScene(fixture(3));
    expect(read.version).toBe(SCENE_VERSION);
    expect(Object.keys(read.circuits)).toEqual(['house']);
    expect(read.circuits.house).toMatchObject({ name: 'House', order: 'a1', switching: 'always' });
    expect(read.planes['plane-near']).toMatchObject({ circuitIds: ['house'], overlay: false, tiles: null });
    expect(read.sprites.s1).toMatchObject({ opacity: 0.8, frame: 1, hangsOn: null, circuitIds: null });
    expect(read.lights.l1).toMatchObject({ level: 1.5, circuitIds: ['house'], hangsOn: null });
    expect(read.occluders.o1).toMatchObject({ smooth: [], setIds: [] });
    expect(read.artworks.churn).toMatchObject({ occluders: [], lamps: [], tags: ['dairy'] });
    expect([read.chunks, read.lamps, read.sets, read.luminaires]).toEqual([{}, {}, {}, {}]);
  });
});

describe('a document of version 4', () => {
  it('has lights as they were: round, added up, hard; and occluders that stop light altogether', () => {
    const read = readScene(fixture(4));
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.settings.scene).toMatchObject({ exposureStops: 0, tone: 'clip', viewTiltDeg: 0 });
    const round = { blend: 'add', squash: 1, sizePx: 0, stops: [], gobo: null, bands: 0, shadowOpacity: 1 };
    for (const light of Object.values(read.lights))
      expect(light).toMatchObject({ ...round, stoppedBy: null });
    for (const { lights } of Object.values(read.luminaires))
      for (const light of lights) expect(light).toMatchObject(round);
    const solid = { soakPx: 0, transmitShare: 0, staturePx: null };
    const brought = Object.values(read.artworks).flatMap(({ occluders }) => occluders);
    for (const occluder of [...Object.values(read.occluders), ...brought])
      expect(occluder).toMatchObject(solid);
    expect(Object.values(read.planes).find(({ tiles }) => tiles)?.tiles).toMatchObject(solid);
    expect(brought.length).toBeGreaterThan(0);
    for (const sprite of Object.values(read.sprites)) expect(sprite.castsShape).toBe(false);
  });
});

describe('a document of version 6', () => {
  it('has wicks that are breezes without gusts, and leave place and colour alone', () => {
    const read = readScene(fixture(6));
    expect(read.version).toBe(SCENE_VERSION);
    const wicks = [
      ...Object.values(read.wicks),
      ...Object.values(read.luminaires).flatMap(({ lights }) => lights.flatMap(({ wick }) => wick ?? [])),
    ];
    expect(wicks.length).toBeGreaterThan(1);
    for (const wick of wicks)
      expect(wick).toMatchObject({
        ...{ kind: 'breeze', gusts: 0, levelLagSeconds: 0, swayXHighPx: 0, warmthHigh: 0, inStep: false },
        cycleColours: [],
      });
  });
});

describe('a document of version 7', () => {
  it('has suns that follow nothing, circuits that are always lit, ground everywhere, and nobody who said how green points', () => {
    const read = readScene(fixture(7));
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.settings.scene).toMatchObject({ sunBy: 'arc', headingDeg: 0, sunNoonDeg: 52 });
    const looks = [
      ...Object.values(read.lights),
      ...Object.values(read.luminaires).flatMap(({ lights }) => lights),
    ];
    expect(looks.length).toBe(2);
    for (const { follows } of looks) expect(follows).toBe('nothing');
    for (const circuit of Object.values(read.circuits))
      expect(circuit).toMatchObject({ switching: 'always', spreadMinutes: 0 });
    for (const { ground } of Object.values(read.planes)) expect(ground).toBe(true);
    const normals = Object.values(read.reliefs).flatMap((relief) => relief.normals ?? []);
    expect(normals.map(({ orientationChosen }) => orientationChosen)).toEqual([false]);
  });
});

describe('a document of version 8', () => {
  it('has washes that only cues choose, no figure, and flames that glow by themselves', () => {
    const read = readScene(fixture(8));
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.settings.scene).toMatchObject({ washBy: 'cues', washId: 'dusk', figureId: null });
    expect(read.washes.dusk).toMatchObject({ tiedTo: 'rectangle', onEntering: false, fadePx: 40 });
    const flames = Object.values(read.luminaires).flatMap((luminaire) => luminaire.flames);
    expect(flames.map(({ glowsWithId }) => glowsWithId)).toEqual([null]);
  });
});

describe('a document of version 9', () => {
  it('has paths without rests, and no budget of shadows', () => {
    const read = readScene(fixture(9));
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.settings.scene.shadowBudget).toBe(null);
    const paths = Object.values(read.sprites).flatMap(({ path }) => path ?? []);
    expect(paths.map(({ restSeconds }) => restSeconds)).toEqual([[]]);
  });
});

describe('a document of version 10', () => {
  it('has a finish of exposure and tone alone, cues that hold no more of it, and every plane in focus', () => {
    const read = readScene(fixture(10));
    expect(read.version).toBe(SCENE_VERSION);
    expect(activePasses(finishNumbers(read.settings.scene), 'light')).toEqual([]);
    expect(read.settings.scene).toMatchObject({ lookId: null, tableId: null, focusPlaneId: null, blurPx: 0 });
    expect(read.cues.dusk).toMatchObject({
      exposureStops: 0.5,
      whiteLevel: 6,
      bloomLevel: null,
      lookId: null,
    });
    expect(Object.values(read.planes).map(({ blurPx }) => blurPx)).toEqual([null, null, null]);
    expect([read.looks, read.tables]).toEqual([{}, {}]);
  });
});

describe('a document of version 5', () => {
  it('has gobos that play from their first frame at the rate of their art, and a gain wherever things are seen when lit', () => {
    const read = readScene(fixture(5));
    expect(read.version).toBe(SCENE_VERSION);
    const gobos = [
      ...Object.values(read.lights).map(({ gobo }) => gobo),
      ...Object.values(read.luminaires).flatMap(({ lights }) => lights.map(({ gobo }) => gobo)),
      ...Object.values(read.lamps).flatMap(({ overrides }) =>
        Object.values(overrides).map((own) => ('gobo' in own ? own.gobo : null)),
      ),
    ].filter(Boolean);
    expect(gobos.length).toBe(3);
    for (const gobo of gobos) expect(gobo).toMatchObject({ frame: 0, speed: 1 });
    for (const { flames } of Object.values(read.luminaires))
      for (const flame of flames) expect(flame.seenGain).toBe(4);
    const grids = Object.values(read.planes).flatMap(({ tiles }) => tiles ?? []);
    expect(grids.map(({ seenGain }) => seenGain)).toEqual([4]);
  });
});

describe('a document of version 2', () => {
  it('has planes that answer, sprites of one frame with the answer they had, and artworks that were not cut', () => {
    const read = readScene(fixture(2));
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.planes['plane-near'].answer).toBe('shaded');
    expect(read.sprites.s1).toMatchObject({ opacity: 1, frame: 0, playing: true, answer: 'self-lit' });
    expect(read.artworks.churn).toMatchObject({
      frames: [],
      brackets: [],
      foot: [],
      tags: [],
      answer: null,
      binned: false,
      cells: { columns: 2 },
    });
    expect(read.strokes.k1).toMatchObject({ kind: 'raise', layerId: 'l1' });
    expect(read.recipes.bold.name).toBe('Bold');
  });
});

describe('a document of version 1', () => {
  const raw = fixture(1);

  it('is brought to the newest, and loses nothing', () => {
    const read = readScene(raw) as SceneDocument & { notes: unknown };
    expect(read.version).toBe(SCENE_VERSION);
    expect(read.strokes).toEqual({});
    expect(read.artworks.churn).toMatchObject({ name: 'Churn', cells: null });
    expect(read.reliefs.churn).toMatchObject({ borrowedId: null, layers: [] });
    expect(readRecipe(read.reliefs.churn.recipe)).toMatchObject({
      strength: 1.5,
      grain: { outlineGuard: 0.7 },
    });
    expect(read.notes).toEqual({ kept: 'what is not known stays' });
  });

  it('of a version that is not known is refused by its number', () => {
    expect(() => readScene({ ...raw, version: 99 })).toThrow(/Version 99/);
  });
});

describe('the job of a relief', () => {
  it('has the strokes by layer, lowest first, in the order in which they were drawn', () => {
    const job = reliefJobOf(scene(), 'a')!;
    expect(job.layers.map((layer) => layer.map(({ kind }) => kind))).toEqual([['raise', 'smooth'], ['face']]);
    expect(job.layers[0][0]).toEqual(strokeWith({ points: [1, 2, 1] }));
  });

  it('leaves hidden layers out, and stands on the same ground without them', () => {
    const document = scene();
    const all = reliefJobOf(document, 'a')!;
    document.reliefs.a.layers[0].hidden = true;
    const some = reliefJobOf(document, 'a')!;
    expect(some.layers.length).toBe(1);
    expect(jobText(some)).not.toBe(jobText(all));
    expect(groundText(some)).toBe(groundText(all));
  });

  it('brings the lender with it, and refuses a circle by name', () => {
    const document = scene();
    document.reliefs.b.borrowedId = 'a';
    document.reliefs.c.borrowedId = 'b';
    expect(reliefJobOf(document, 'c')!.borrowed!.borrowed!.layers.length).toBe(2);
    expect(borrowersOf(document.reliefs, 'a').sort()).toEqual(['b', 'c']);
    document.reliefs.a.borrowedId = 'c';
    expect(() => reliefJobOf(document, 'a')).toThrow(/"a" from "c" from "b" from "a"/);
  });

  it('says so where the lender is gone, and never makes another body in silence', () => {
    const document = scene();
    document.reliefs.b.borrowedId = 'a';
    delete document.artworks.a;
    delete document.reliefs.a;
    expect(() => reliefJobOf(document, 'b')).toThrow(/"b" borrows the relief of an artwork that is gone/);
  });

  it('names every picture that it needs', () => {
    const document = scene();
    const sha = (letter: string) => letter.repeat(64);
    document.reliefs.b.borrowedId = 'a';
    document.reliefs.b.normals = {
      sha: sha('1'),
      yUp: true,
      orientationChosen: false,
      use: 'facings',
      share: 1,
    };
    document.reliefs.b.heights = { sha: sha('2'), lowPx: 0, highPx: 4 };
    document.strokes.p = { ...document.strokes.s1, kind: 'paste-height', pictureSha: sha('3') };
    expect(picturesOf(reliefJobOf(document, 'b')!)).toEqual({
      images: [sha('b'), sha('1'), sha('a')],
      heights: [sha('2'), sha('3')],
    });
  });

  it('is none where there is no relief', () => {
    const document = scene();
    delete document.reliefs.c;
    expect(reliefJobOf(document, 'c')).toBeNull();
  });
});

describe('the state of a relief', () => {
  it('says how it came about, and when what was made by hand is for other art', () => {
    const document = scene();
    const state = (id: string) =>
      reliefStateOf(document, id, (of) => Object.values(document.strokes).some((s) => s.artworkId === of));
    expect([state('a'), state('b')]).toEqual(['painted', 'made']);
    document.reliefs.b.borrowedId = 'a';
    document.reliefs.c.normals = {
      sha: 'f'.repeat(64),
      yUp: true,
      orientationChosen: false,
      use: 'facings',
      share: 1,
    };
    document.reliefs.c.madeForSha = document.artworks.c.imageSha;
    expect([state('b'), state('c')]).toEqual(['borrowed', 'imported']);
    document.artworks.c.imageSha = '9'.repeat(64);
    expect(state('c')).toBe('out-of-date');
    delete document.reliefs.b;
    expect(state('b')).toBe('none');
  });
});

describe('frames, feet and brackets in a document', () => {
  it('are checked field by field', () => {
    const document = scene();
    const frame = {
      name: 'a',
      left: 0,
      top: 0,
      widthPx: 2,
      heightPx: 2,
      shiftX: 0,
      shiftY: -1,
      seconds: null,
    };
    const bracket = {
      id: 'b',
      name: 'Hand',
      x: 1,
      y: 2,
      turnDeg: 0,
      places: [{ frame: 1, x: 1, y: 1, turnDeg: 5 }],
    };
    const keep = (fields: object) => {
      const edits = [create('artworks', 'x', { ...document.artworks.a, ...fields })];
      checkEdited(applyEdits(document, edits), edits);
    };
    expect(() => keep({ frames: [frame], foot: [1, 2], brackets: [bracket], tags: ['night'] })).not.toThrow();
    expect(() => keep({ frames: [{ ...frame, widthPx: 0 }] })).toThrow(/frames\[0\]\.widthPx/);
    expect(() => keep({ frames: [{ ...frame, seconds: 0 }] })).toThrow(/seconds/);
    expect(() => keep({ foot: [1, 2, 3] })).toThrow(/foot.*point or a line/);
    expect(() =>
      keep({ brackets: [{ ...bracket, places: [{ frame: 0.5, x: 0, y: 0, turnDeg: 0 }] }] }),
    ).toThrow(/places\[0\]\.frame/);
    expect(() => keep({ loop: 'back' })).toThrow(/loop/);
    expect(() => keep({ frames: Array.from({ length: 1025 }, () => frame) })).toThrow(/frames/);
  });
});

describe('strokes in a document', () => {
  it('are checked field by field', () => {
    const document = scene();
    const bad = (fields: object) => {
      const edits = [create('strokes', 'x', { ...document.strokes.s1, ...fields })];
      checkEdited(applyEdits(document, edits), edits);
    };
    expect(() => bad({})).not.toThrow();
    expect(() => bad({ points: [1, 2] })).toThrow(/strokes\.x.*pressure/);
    expect(() => bad({ kind: 'scratch' })).toThrow(/kind/);
    expect(() => bad({ sizePx: 0 })).toThrow(/sizePx/);
    expect(() => bad({ pictureSha: 'x' })).toThrow(/sha/);
  });
});
