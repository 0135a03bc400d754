/** The parts of records that go from one kind of record to another: a light's look, a flame's look, a fixture's wiring. */
import type { SceneDocument } from './document';
import type { Fixture } from './records/fixture';
import { LOOK_FIELDS, type LightLook } from './records/light-look';
import type { FlamePart } from './records/luminaire';
import { SHADE_FIELDS, type Shade } from './records/shade';

function picked<T extends object, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> {
  return Object.fromEntries(keys.map((key) => [key, from[key]])) as Pick<T, K>;
}

/** What a light is, without its name and place. */
export function lookOf(light: LightLook): LightLook {
  return picked(light, LOOK_FIELDS);
}

const FLAME_KEYS = ['scaleX', 'scaleY', 'opacity', 'frame', 'playing', 'glowLevel', 'seenGain'] as const;

/** How a flame's sprite looks, without its artwork, answer, place, turn and flip. */
export function flameLookOf(sprite: Pick<FlamePart, (typeof FLAME_KEYS)[number]>) {
  return picked(sprite, FLAME_KEYS);
}

const WIRING_KEYS = [
  'planeId',
  'hangsOn',
  'setIds',
  'circuitIds',
  'spanFarId',
  'spanNearId',
  'blockedByCarrier',
  'stoppedBy',
  'turning',
  'path',
] as const;

/** Where a light or a lamp belongs, whom it lights and how it moves, without its name, place and order. */
export function wiringOf(fixture: Fixture) {
  return picked(fixture, WIRING_KEYS);
}

/** How an occluder stops light, without its shape. */
export function shadeOf(occluder: Shade): Shade {
  return picked(occluder, SHADE_FIELDS);
}

/** Whether any light gives to rims, and their masks are needed. */
export function hasRimLights({
  lights,
  luminaires,
  lamps,
}: Pick<SceneDocument, 'lights' | 'luminaires' | 'lamps'>): boolean {
  return (
    Object.values(lights).some(({ rim }) => rim) ||
    Object.values(luminaires).some((luminaire) => luminaire.lights.some(({ rim }) => rim)) ||
    Object.values(lamps).some(({ overrides }) =>
      Object.values(overrides).some((own) => 'rim' in own && own.rim),
    )
  );
}
