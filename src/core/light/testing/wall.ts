/** A wall that tests light: what falls on a place is read from its colour. */
import { gateView, momentAt } from '../../moment/moment-at';
import { NOTHING_PASSING } from '../../moment/passing';
import type { SceneDocument } from '../../scene/document';
import { newScene } from '../../scene/new-scene';
import { type Light, newLight } from '../../scene/records/light';
import { newOccluder, type Occluder } from '../../scene/records/occluder';
import type { SceneSettings } from '../../scene/records/settings';
import { newSprite, type Sprite } from '../../scene/records/sprite';
import { PointRenderer } from '../point-renderer';

export interface Parts {
  settings?: Partial<SceneSettings>;
  lights?: Partial<Light>[];
  occluders?: Partial<Occluder>[];
  sprites?: Partial<Sprite>[];
}

/** A white wall of 200 x 100 in display light, so that a place's value is the light that falls there. */
export function walled({ settings = {}, lights = [], occluders = [], sprites = [] }: Parts): SceneDocument {
  const scene = newScene({
    lightSpace: 'display',
    ambientLevel: 0,
    gateWidthPx: 200,
    gateHeightPx: 100,
    ...settings,
  });
  const plain = { colour: '#ffffff', widthPx: 200, heightPx: 100 };
  [{}, ...sprites].forEach((sprite, i) => {
    const base = { name: '', planeId: 'plane-middle', order: `a${i}`, artworkId: null, plain, x: 100, y: 50 };
    scene.sprites[`s${i}`] = newSprite({ ...base, ...sprite });
  });
  lights.forEach((light, i) => {
    const base = { name: '', planeId: 'plane-middle', order: 'a', x: 50, y: 50, colour: '#ffffff', level: 1 };
    scene.lights[`l${i}`] = newLight({ ...base, curve: 'even', relief: 0, reachPx: 400, ...light });
  });
  occluders.forEach((occluder, i) => {
    const base = { name: '', planeId: 'plane-middle', kind: 'closed' as const, outlines: [] };
    scene.occluders[`o${i}`] = newOccluder({ ...base, ...occluder });
  });
  return scene;
}

/** The light at a place, per channel. */
export function lightAt(parts: Parts, x: number, y: number): number[] {
  const scene = walled(parts);
  return [
    ...new PointRenderer(momentAt(scene, 12, 0, NOTHING_PASSING, gateView(scene)), () => null).at(x, y),
  ];
}

export const box = (left: number, top: number, right: number, bottom: number) => [
  [left, top, right, top, right, bottom, left, bottom],
];
