import { describe, expect, it } from 'vitest';
import { box, walled, type Parts } from '../../light/testing/wall';
import { gateView } from '../../moment/moment-at';
import { MomentMaker } from '../../moment/moment-maker';
import { NOTHING_PASSING, type Passing } from '../../moment/passing';
import type { SceneDocument } from '../../scene/document';
import { applyEdits } from '../../scene/edits';
import { newCircuit } from '../../scene/records/circuit';
import type { SceneSettings } from '../../scene/records/settings';
import { fullScene } from '../../scene/testing';
import { finishStepsAt } from '../../light/finished';
import { metered, meteredQuickly, meterGround, withFinish, type DarkLine, type Metered } from './meter';

function read(scene: SceneDocument, x: number, y: number, passing: Partial<Passing> = {}): Metered {
  const maker = new MomentMaker();
  const all = { ...NOTHING_PASSING, ...passing };
  const moment = maker.at(scene, 12, 0, all, gateView(scene));
  return metered(
    meterGround(maker, scene, moment, all, () => null),
    x,
    y,
  );
}

const lamp = (parts: Parts, change: (scene: SceneDocument) => void = () => undefined) => {
  const scene = walled(parts);
  scene.lights.l0.name = 'Lamp';
  change(scene);
  return scene;
};

/** The one light that gives nothing, and what its first mend makes of it. */
function mended(scene: SceneDocument, passing: Partial<Passing> = {}): { dark: DarkLine; after: Metered } {
  const [dark] = read(scene, 100, 50, passing).dark;
  const [mend] = dark.reason.mends;
  return { dark, after: read(applyEdits(scene, mend.edits), 100, 50) };
}

describe('the meter', () => {
  it('names lights, what is seen, and what stands in the way', () => {
    const scene = lamp({ lights: [{}], occluders: [{ name: 'Post', outlines: box(70, 0, 75, 100) }] });
    scene.sprites.s0.name = 'Wall';
    const { surface, gives, dark } = read(scene, 100, 50);
    expect(surface).toEqual({ words: 'Wall', record: { collection: 'sprites', id: 's0' } });
    expect(gives).toEqual([]);
    expect(dark.map(({ words, why, reason }) => [words, why, reason.words])).toEqual([
      ['Lamp', 'blocked', '“Post” stands in its way.'],
    ]);
    expect(dark[0].reason.records).toEqual([{ collection: 'occluders', id: 'o0' }]);
    expect(read(scene, 60, 50).gives.map(({ words, colour }) => [words, colour])).toEqual([
      ['Lamp', '#ffffff'],
    ]);
  });

  it('mends what it can in one edit: then the light is seen', () => {
    const blocked = lamp({ lights: [{}], occluders: [{ outlines: box(70, 0, 75, 100) }] });
    const shade = lamp({ lights: [{}], occluders: [{ outlines: box(90, 0, 110, 100), ownShade: 'dark' }] });
    const cases: [string, SceneDocument][] = [
      ['blocked', blocked],
      ['own shade', shade],
      ['span', lamp({ lights: [{ spanFarId: 'plane-near' }] })],
      ['span', lamp({ lights: [{ spanNearId: 'plane-far' }] })],
      ['steps', lamp({ lights: [{ bands: 2, curve: 'straight', reachPx: 60 }] })],
      ['self-lit', lamp({ lights: [{}] }, (s) => (s.sprites.s0.answer = 'self-lit'))],
      ['hidden', lamp({ lights: [{}] }, (s) => (s.lights.l0.hidden = true))],
      ['level', lamp({ lights: [{ level: 0 }] })],
      [
        'circuits',
        lamp({ lights: [{}] }, (s) => {
          s.circuits.other = newCircuit({ name: 'Other', order: 'z' });
          s.lights.l0.circuitIds = ['other'];
        }),
      ],
    ];
    for (const [why, scene] of cases) {
      const { dark, after } = mended(scene);
      expect(dark.why).toBe(why);
      expect(after.dark, why).toEqual([]);
      expect(
        after.gives.map(({ words }) => words),
        why,
      ).toContain('Lamp');
    }
  });

  it('says of lights that do not burn why', () => {
    const scene = lamp({ lights: [{}, {}] });
    const whys = (passing: Partial<Passing>) =>
      read(scene, 100, 50, passing).dark.map(({ why, reason }) => [why, reason.mends[0].passing]);
    expect(whys({ muted: new Set(['l0']) })).toEqual([['muted', 'unmute']]);
    expect(whys({ solo: new Set(['l1']) })).toEqual([['not soloed', 'end solo']]);
    const night = lamp({ lights: [{ kind: 'sun', follows: 'sun' }] });
    night.settings.scene.sunRiseHours = 13;
    expect(read(night, 100, 50).dark[0].why).toBe('below the horizon');
    const dark = lamp({ lights: [{}] }, (s) => {
      const [id] = s.lights.l0.circuitIds;
      s.circuits[id] = { ...s.circuits[id], name: 'Lamps', switching: 'hours', onHours: 18, offHours: 6 };
    });
    expect(read(dark, 100, 50).dark[0].reason.words).toBe('Its circuit “Lamps” is dark at this hour.');
  });

  it('has a name for everything that a full scene shows', () => {
    const scene = fullScene();
    for (let y = 4; y < 270; y += 24)
      for (let x = 4; x < 480; x += 24) {
        const { surface, gives, dark } = read(scene, x, y);
        for (const { words } of [surface, ...gives, ...dark]) expect(words).not.toBe('');
        expect(gives.length + dark.length).toBeGreaterThan(0);
      }
  });
});

describe('a reading that is wanted at once', () => {
  const groundOf = (fields: Partial<SceneSettings>) => {
    const scene = walled({ lights: [{}], settings: fields });
    const maker = new MomentMaker();
    const moment = maker.at(scene, 12, 0, NOTHING_PASSING, gateView(scene));
    return meterGround(maker, scene, moment, NOTHING_PASSING, () => null);
  };

  it('is whole where the finish looks at no other pixel', () => {
    const ground = groundOf({ exposureStops: 1, saturation: 0.5 });
    expect(meteredQuickly(ground, 60, 50)).toEqual(metered(ground, 60, 50));
    expect(meteredQuickly(ground, 60, 50).finish!.later.map(({ words }) => words)).toEqual([
      'Exposure',
      'Grade',
    ]);
  });

  it.each([
    ['bloom', { bloomLevel: 1, bloomThreshold: 0.1 }],
    ['fringe', { fringePx: 3 }],
    ['automatic exposure', { autoShare: 1 }],
  ])('has all but its finish where %s is on, and comes to the same when that is there', (_, fields) => {
    const ground = groundOf(fields);
    const quick = meteredQuickly(ground, 60, 50);
    expect(quick.finish).toBeNull();
    const finished = finishStepsAt(ground.moment, ground.source, 60, 50);
    expect(withFinish(ground, quick, finished, 60, 50)).toEqual(metered(ground, 60, 50));
  });
});
