/** For each snag of lights, occluders and what they light: a scene that has it, one that nearly has it, and its mend. */
import { describe, expect, it } from 'vitest';
import { box, walled, type Parts } from '../../light/testing/wall';
import type { PicturePixels } from '../../moment/moment';
import { recipeWith } from '../../relief/recipe';
import type { SceneDocument } from '../../scene/document';
import { applyEdits } from '../../scene/edits';
import { newArtwork } from '../../scene/records/artwork';
import { newCircuit } from '../../scene/records/circuit';
import { newLamp } from '../../scene/records/lamp';
import { newGobo } from '../../scene/records/light-look';
import { newLightPart } from '../../scene/records/luminaire';
import { newRelief } from '../../scene/records/relief';
import { asideKey, snagsIn, type SnagName } from './all-snags';

type Change = (scene: SceneDocument) => void;

/** A wall in some ambient light, with a lamp that throws shadows and a post in its reach. */
function sound(change: Change = () => undefined, parts: Parts = {}): SceneDocument {
  const scene = walled({
    settings: { ambientLevel: 0.2 },
    lights: [{ name: 'Lamp', reachPx: 60, heightPx: 20 }],
    occluders: [{ name: 'Post', outlines: box(70, 40, 75, 60) }],
    ...parts,
  });
  scene.sprites.s0.name = 'Wall';
  change(scene);
  return scene;
}

const kinds = (scene: SceneDocument) => snagsIn(scene).map(({ snag }) => snag);

const art = (pixelArt: boolean) =>
  newArtwork({ name: 'Hut', imageSha: 'a'.repeat(64), widthPx: 20, heightPx: 20, pixelArt });

const withArt: Change = (scene) => {
  scene.artworks.hut = art(scene.settings.scene.pixelArt);
  scene.sprites.s0 = { ...scene.sprites.s0, artworkId: 'hut', plain: null };
};

/** What has it, what nearly has it, the words, and the mend that takes it away; null has none. */
const CASES: [SnagName, Change, Change, string, string | null][] = [
  [
    'shadow-budget',
    (s) => {
      s.lights.weak = { ...s.lights.l0, name: 'Weak', level: 0.4 };
      s.settings.scene.shadowBudget = 1;
    },
    (s) => {
      s.lights.weak = { ...s.lights.l0, name: 'Weak', level: 0.4 };
      s.settings.scene.shadowBudget = 2;
    },
    '2 lights throw shadows, and the limit is 1. These light least of the picture: “Weak”.',
    'Turn the shadows of that one off',
  ],
  [
    'shadows-off',
    (s) => (s.lights.l0.shadows = false),
    (s) => Object.assign(s.lights.l0, { shadows: false, reachPx: 19 }),
    '“Lamp” throws no shadows, although “Post” stands in its reach.',
    'Turn its shadows on',
  ],
  [
    'never-meets',
    (s) => (s.occluders.o0.planeId = 'plane-far') && (s.lights.l0.spanFarId = 'plane-middle'),
    (s) => (s.occluders.o0.planeId = 'plane-far'),
    '“Lamp” never meets “Post” in its reach: that is on the plane “Far”, outside its span.',
    'Let “Post” stop it',
  ],
  [
    'never-meets',
    (s) => (s.lights.l0.stoppedBy = { planeIds: ['plane-near'], setIds: [] }),
    (s) => (s.lights.l0.stoppedBy = { planeIds: ['plane-middle'], setIds: [] }),
    '“Lamp” is stopped by planes and sets to which “Post” in its reach does not belong.',
    'Let “Post” stop it',
  ],
  [
    'light-in-occluder',
    (s) => (s.occluders.o0.outlines = box(40, 40, 75, 60)),
    (s) => (s.occluders.o0.outlines = box(51, 40, 75, 60)),
    '“Lamp” stands within “Post”, and lights its inside alone.',
    'Turn its shadows off',
  ],
  [
    'idle-light',
    (s) => {
      s.circuits.other = newCircuit({ name: 'Other', order: 'z' });
      s.lights.l0.circuitIds = ['other'];
    },
    (s) => {
      s.circuits.other = newCircuit({ name: 'Other', order: 'z' });
      s.lights.l0.circuitIds = ['other', ...s.lights.l0.circuitIds];
    },
    '“Lamp” lights nothing: no sprite listens to a circuit that it feeds.',
    'Feed the house circuit',
  ],
  [
    'idle-light',
    (s) =>
      Object.assign(s.lights.l0, {
        spanFarId: 'plane-near',
        stoppedBy: { planeIds: ['plane-middle'], setIds: [] },
      }),
    (s) => (s.lights.l0.spanFarId = 'plane-middle'),
    '“Lamp” lights nothing: there is no sprite on the planes of its span.',
    'Light all planes',
  ],
  [
    'idle-light',
    (s) => (s.sprites.s0.answer = 'self-lit'),
    (s) => (s.sprites.s0.answer = 'shaded'),
    '“Lamp” lights nothing: all that stands in its reach is self-lit.',
    null,
  ],
  [
    'idle-light',
    (s) => {
      s.sprites.s0.x = 900;
      s.sprites.s0.plain = { colour: '#ffffff', widthPx: 20, heightPx: 20 };
    },
    (s) => (s.sprites.s0.plain = { colour: '#ffffff', widthPx: 20, heightPx: 20 }),
    '“Lamp” lights nothing: no sprite stands in its reach.',
    null,
  ],
  [
    'faint-light',
    (s) => (s.lights.l0.level = 0.0019),
    (s) => (s.lights.l0.level = 0.002),
    '“Lamp” is too faint to be seen: even white art gains less than half a step of a byte.',
    'Level 1',
  ],
  [
    'low-light',
    (s) => Object.assign(s.lights.l0, { relief: 1, heightPx: 2, corePx: 0 }),
    (s) => Object.assign(s.lights.l0, { relief: 1, heightPx: 3, corePx: 0 }),
    '“Lamp” lies so low over its plane that flat art gets next to nothing of it.',
    'Height 15 px',
  ],
  [
    'unlit-sprite',
    (s) => {
      s.settings.scene.ambientLevel = 0;
      s.circuits.other = newCircuit({ name: 'Other', order: 'z' });
      s.sprites.s1 = { ...s.sprites.s0, name: 'Churn', circuitIds: ['other'] };
    },
    (s) => {
      s.circuits.other = newCircuit({ name: 'Other', order: 'z' });
      s.sprites.s1 = { ...s.sprites.s0, name: 'Churn', circuitIds: ['other'] };
    },
    '“Churn” listens to no circuit that a light feeds.',
    'Listen as its plane does',
  ],
  [
    'unlit-sprite',
    (s) => {
      s.settings.scene.ambientLevel = 0;
      const plain = { colour: '#ffffff', widthPx: 10, heightPx: 10 };
      s.sprites.s1 = { ...s.sprites.s0, name: 'Churn', x: 116, plain };
    },
    (s) => {
      s.settings.scene.ambientLevel = 0;
      const plain = { colour: '#ffffff', widthPx: 10, heightPx: 10 };
      s.sprites.s1 = { ...s.sprites.s0, name: 'Churn', x: 114, plain };
    },
    'No light reaches “Churn”, nor does the ambient light.',
    null,
  ],
  [
    'missing-relief',
    (s) => {
      withArt(s);
      s.artworks.other = art(s.settings.scene.pixelArt);
      s.reliefs.other = newRelief({ recipe: recipeWith({}) });
      Object.assign(s.lights.l0, { relief: 1 });
    },
    (s) => {
      withArt(s);
      s.reliefs.hut = newRelief({ recipe: recipeWith({}) });
      Object.assign(s.lights.l0, { relief: 1 });
    },
    '“Hut” has no relief: “Lamp” lights it as a flat sheet.',
    null,
  ],
  [
    'other-art',
    (s) => {
      withArt(s);
      s.artworks.hut = art(!s.settings.scene.pixelArt);
    },
    withArt,
    '“Hut” is painted, and the scene is drawn as pixel art: it is jagged.',
    'Draw the scene as painted art',
  ],
  [
    'blurred-pixels',
    (s) => Object.assign(s.settings.scene, { focusPlaneId: 'plane-middle', blurPx: 1.5 }),
    // Nothing is in focus, so that nothing is out of it.
    (s) => Object.assign(s.settings.scene, { blurPx: 1.5 }),
    'Planes are blurred by their distance from the one in focus: pixel art that is blurred does not sit on its grid.',
    'Keep all planes sharp',
  ],
  [
    'blurred-pixels',
    (s) => Object.assign(s.planes['plane-far'], { name: 'Hills', blurPx: 2 }),
    (s) => {
      Object.assign(s.planes['plane-far'], { name: 'Hills', blurPx: 2 });
      s.settings.scene.pixelArt = false;
    },
    'The plane “Hills” is blurred: pixel art that is blurred does not sit on its grid.',
    'Do not blur it',
  ],
  [
    'empty-occluder',
    (s) => (s.occluders.o1 = { ...s.occluders.o0, name: 'Nothing', outlines: [] }),
    (s) => (s.occluders.o1 = { ...s.occluders.o0, name: 'Nothing' }),
    '“Nothing” has no points, and stops no light.',
    'Delete it',
  ],
  [
    'empty-occluder',
    (s) => {
      s.sprites.s1 = { ...s.sprites.s0, name: 'Gate', hidden: true };
      s.occluders.o1 = { ...s.occluders.o0, name: 'Bars', spriteId: 's1' };
    },
    (s) => {
      s.sprites.s1 = { ...s.sprites.s0, name: 'Gate' };
      s.occluders.o1 = { ...s.occluders.o0, name: 'Bars', spriteId: 's1' };
    },
    '“Bars” belongs to “Gate”, which is hidden: it stops no light.',
    'Show the sprite',
  ],
  [
    'idle-occluder',
    (s) => (s.occluders.o1 = { ...s.occluders.o0, name: 'Far post', outlines: box(120, 40, 125, 60) }),
    (s) => (s.occluders.o1 = { ...s.occluders.o0, name: 'Far post', outlines: box(105, 40, 112, 60) }),
    '“Far post” stops no light: none that throws shadows reaches it.',
    'Delete it',
  ],
];

describe('snags of light', () => {
  it('are none in a sound scene', () => {
    expect(snagsIn(sound())).toEqual([]);
  });

  it.each(CASES.map((one, i) => [`${one[0]} (${i + 1})`, one] as const))(
    '%s',
    (_name, [snag, has, nearly, words, mend]) => {
      const scene = sound(has);
      const found = snagsIn(scene).find((one) => one.snag === snag && one.words === words);
      expect(found, JSON.stringify(snagsIn(scene).map((one) => one.words))).toBeDefined();
      expect(kinds(sound(nearly))).not.toContain(snag);
      expect(found!.mends.at(0)?.words ?? null).toBe(mend);
      if (mend === null) return;
      const mended = applyEdits(scene, found!.mends[0].edits);
      expect(snagsIn(mended).map((one) => one.words)).not.toContain(words);
    },
  );

  it('are mended in one lamp alone, as an override of its luminaire', () => {
    const scene = sound((s) => {
      s.lights = {};
      s.luminaires.lantern = {
        name: 'Lantern',
        lights: [newLightPart({ id: 'flame', name: 'Flame', shadows: false, reachPx: 60, curve: 'even' })],
        flames: [],
      };
      const lamp = { planeId: 'plane-middle', luminaireId: 'lantern', x: 50, y: 50 };
      s.lamps.one = newLamp({ ...lamp, name: 'One', order: 'a' });
      s.lamps.two = newLamp({ ...lamp, name: 'Two', order: 'b' });
    });
    const found = (one: SceneDocument) => snagsIn(one).filter(({ snag }) => snag === 'shadows-off');
    const [first, second] = found(scene);
    expect(first.words).toBe('“One, Flame” throws no shadows, although “Post” stands in its reach.');
    const mended = applyEdits(scene, first.mends[0].edits);
    expect(mended.lamps.one.overrides).toEqual({ flame: { shadows: true } });
    expect(found(mended).map(({ words }) => words)).toEqual([second.words]);
  });

  it('finds a gobo that is bright at its border by its pixels', () => {
    const picture = (border: number): PicturePixels => {
      const rgba = new Uint8Array(4 * 20 * 20).fill(255);
      for (let i = 0; i < 20; i++)
        for (const at of [i, 20 * 19 + i, 20 * i, 20 * i + 19]) rgba.fill(border, 4 * at, 4 * at + 3);
      return { width: 20, height: 20, rgba, normal: null, glow: null, rim: null };
    };
    const scene = sound((s) => {
      s.artworks.leaves = art(s.settings.scene.pixelArt);
      Object.assign(s.lights.l0, {
        kind: 'gobo',
        gobo: newGobo({ artworkId: 'leaves', widthPx: 60, heightPx: 40 }),
      });
    });
    const found = (border: number, one = scene) =>
      snagsIn(one, () => picture(border)).filter(({ snag }) => snag === 'bright-gobo');
    expect(found(20)).toEqual([]);
    const [snag] = found(200);
    expect(snag.words).toBe('The gobo of “Lamp” is bright at its border: its square is seen where it ends.');
    expect(found(200, applyEdits(scene, snag.mends[0].edits))).toEqual([]);
  });

  it('asks which way green points until it is said', () => {
    const scene = sound((s) => {
      withArt(s);
      const normals = { sha: 'b'.repeat(64), yUp: true, orientationChosen: false };
      s.reliefs.hut = newRelief({ recipe: recipeWith({}) });
      s.reliefs.hut = { ...s.reliefs.hut, normals: { ...normals, use: 'facings', share: 1 } as never };
    });
    const [snag] = snagsIn(scene).filter(({ snag: kind }) => kind === 'doubtful-orientation');
    expect(snag.mends.map(({ words }) => words)).toEqual(['Green points up', 'Green points down']);
    const down = applyEdits(scene, snag.mends[1].edits);
    expect(down.reliefs.hut.normals).toMatchObject({ yUp: false, orientationChosen: true });
    expect(kinds(down)).not.toContain('doubtful-orientation');
  });

  it('are told as set aside where somebody did so, and others of their kind are not', () => {
    const scene = sound((s) => (s.lights.l0.shadows = false));
    const [snag] = snagsIn(scene);
    expect(snag.aside).toBeNull();
    scene.settings.scene = {
      ...scene.settings.scene,
      asides: [{ about: asideKey(snag), note: 'A soft fill' }],
    };
    expect(snagsIn(scene)[0].aside).toBe('A soft fill');
    // It is the lamp that it is meant for, and no other one.
    scene.lights.l1 = { ...scene.lights.l0, name: 'Other lamp' };
    expect(snagsIn(scene).map(({ words, aside }) => [words.slice(0, 12), aside])).toEqual([
      ['“Lamp” throw', 'A soft fill'],
      ['“Other lamp”', null],
    ]);
  });
});
