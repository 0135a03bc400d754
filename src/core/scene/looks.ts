/** The parts of records that go from one kind of record to another: a light's look, a flame's look, a fixture's wiring. */
import { NEW_LOOK, NEW_SHADE } from './defaults';
import type { Fixture, FlamePart, LightLook, SceneDocument, Shade } from './document';

function picked<T extends object, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> {
  return Object.fromEntries(keys.map((key) => [key, from[key]])) as Pick<T, K>;
}

const LOOK_KEYS = Object.keys(NEW_LOOK) as (keyof LightLook)[];

/** What a light is, without its name and place. */
export function lookOf(light: LightLook): LightLook {
  return picked(light, LOOK_KEYS);
}

const FLAME_KEYS = ['scaleX', 'scaleY', 'opacity', 'frame', 'playing', 'glowLevel'] as const;

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
] as const;

/** Where a light or a lamp belongs and whom it lights, without its name, place and order. */
export function wiringOf(fixture: Fixture) {
  return picked(fixture, WIRING_KEYS);
}

const SHADE_KEYS = Object.keys(NEW_SHADE) as (keyof Shade)[];

/** How an occluder stops light, without its shape. */
export function shadeOf(occluder: Shade): Shade {
  return picked(occluder, SHADE_KEYS);
}

/** Whether any light gives to rims, and their masks are needed. */
export function hasRimLights({ lights, luminaires }: Pick<SceneDocument, 'lights' | 'luminaires'>): boolean {
  return (
    Object.values(lights).some(({ rim }) => rim) ||
    Object.values(luminaires).some((luminaire) => luminaire.lights.some(({ rim }) => rim))
  );
}
