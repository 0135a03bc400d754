/** Small scenes for the browser tests, with sharp light and plain colours that can be read off the stage. */
import type { SceneDocument } from '../src/core/scene/document';
import { newScene } from '../src/core/scene/new-scene';
import { type Artwork, newArtwork } from '../src/core/scene/records/artwork';
import { type Light, newLight } from '../src/core/scene/records/light';
import { newSprite, type Sprite } from '../src/core/scene/records/sprite';
import { png } from './helpers';

/** What `lamp` throws on the wall, and where it does not reach. */
export const RED = [160, 0, 0];
export const BLACK = [0, 0, 0];
/** What `lamplight` throws on the wall. */
export const WHITE = [200, 200, 200];
/** The backdrop of `bright`. */
export const BACKDROP = [10, 10, 14];

/** That most of the picture is black is meant so. */
export const MEANT_DARK = { about: 'black settings/scene', note: '' };

export const man = () => png(20, 40, () => [180, 150, 120, 255]);

/** An artwork whose picture `openDocument` brings. */
export const art = (name: string, widthPx: number, heightPx: number): Artwork =>
  newArtwork({ name, imageSha: 'a'.repeat(64), widthPx, heightPx, pixelArt: true });

/** The art of `man`, who holds out a hand 8 px right of his middle and 10 px above it. */
export const manArt = (): Artwork => ({
  ...art('Man', 20, 40),
  brackets: [{ id: 'hand', name: 'hand', x: 18, y: 10, turnDeg: 0, places: [] }],
});

export const standing = (fields: Partial<Sprite> & Pick<Sprite, 'name' | 'x' | 'y'>): Sprite =>
  newSprite({ planeId: 'plane-near', order: 'a1', artworkId: null, ...fields });

/** A light grey wall that fills the gate, behind everything. */
export const wall = (): Sprite =>
  standing({
    name: 'Wall',
    planeId: 'plane-far',
    plain: { colour: '#c8c8c8', widthPx: 480, heightPx: 270 },
    x: 240,
    y: 135,
    locked: true,
  });

/** A red light of 20 px that ends sharply and is stopped by nothing. */
export const lamp = (name: string, x: number, y: number, order: string): Light =>
  newLight({
    name,
    planeId: 'plane-near',
    order,
    x,
    y,
    colour: '#ff0000',
    level: 0.8,
    curve: 'even',
    reachPx: 20,
    relief: 0,
    shadows: false,
  });

/** Evenly lit, on a dark backdrop that is as it is. */
export function bright(): SceneDocument {
  return newScene({
    lightSpace: 'display',
    ambientColour: '#ffffff',
    ambientLevel: 1,
    backdropColour: '#0a0a0e',
    backdropLit: false,
  });
}

/** A dark wall with one red lamp. */
export function lampScene(): SceneDocument {
  const scene = bright();
  scene.settings.scene.asides = [MEANT_DARK];
  scene.settings.scene.ambientLevel = 0;
  scene.sprites.wall = wall();
  scene.lights = { l1: lamp('Lamp one', 100, 60, 'a1') };
  return scene;
}

/** A white even light at the middle of the wall; whatever stops it leaves black behind. */
export function lamplight(): SceneDocument {
  const scene = newScene({ lightSpace: 'display', ambientLevel: 0, asides: [MEANT_DARK] });
  scene.sprites.wall = wall();
  scene.lights.l = newLight({
    name: 'Lamp',
    planeId: 'plane-near',
    order: 'a1',
    x: 240,
    y: 135,
    colour: '#ffffff',
    level: 1,
    curve: 'even',
    reachPx: 400,
    relief: 0,
    locked: true,
  });
  return scene;
}

/** A sheet of two frames of 20 px, the first white, the second black. */
export const twoFrames = () => png(40, 20, (x) => (x < 20 ? [255, 255, 255, 255] : [0, 0, 0, 255]));
/** The artwork of it, playing. */
export const sheet = () => {
  const frame = { top: 0, widthPx: 20, heightPx: 20, shiftX: 0, shiftY: 0, seconds: null };
  return newArtwork({
    ...art('Sheet', 40, 20),
    rateHz: 2,
    frames: [
      { ...frame, name: 'White', left: 0 },
      { ...frame, name: 'Black', left: 20 },
    ],
  });
};
