/** The edits that a long run is made of, each made from a number: what a hand, a clock and a network do to a scene. */
import { TONES } from '@/core/finish/tone';
import type { PicturePixels, View } from '@/core/moment/moment';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import { type Light, newLight } from '@/core/scene/records/light';
import { type LookFields, newLook } from '@/core/scene/records/look';
import type { LightLook } from '@/core/scene/records/light-look';
import { newCue } from '@/core/scene/records/cue';
import { newPath, NEW_TURNING } from '@/core/scene/records/motion';
import { newWash, newWashPoint, WASH_BLENDS, WASH_TIES } from '@/core/scene/records/wash';
import { newOccluder, type Occluder } from '@/core/scene/records/occluder';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { newSprite } from '@/core/scene/records/sprite';
import { hash01 } from '@/core/time/noise';
import { PICTURES } from './parity-parts';
import { newGobo } from '@/core/scene/records/light-look';

/** What is seen. */
export interface SequenceState {
  scene: SceneDocument;
  clockHours: number;
  seconds: number;
  view: View;
  passing: Passing;
  /** Pictures that differ from those that scenes begin with; null is one that is not there. */
  pictures: Record<string, PicturePixels | null>;
  /** Raised where the graphics card loses everything. */
  contexts: number;
}

const PLACES: readonly (readonly [number, number])[] = [
  [30, 20],
  [62, 44],
  [48, 30],
];
const FINISHES = ['dawn', 'print'];

/** A finish by chance: about half of the passes at rest. */
function finishOf(v: number): Partial<LookFields> {
  const or = <T>(k: number, rest: T, value: T) => (share(v, k) < 0.5 ? rest : value);
  return {
    exposureStops: or(1, 0, 2 * share(v, 2) - 1),
    fringePx: or(3, 0, 6 * share(v, 4) - 3),
    bloomLevel: or(5, 0, share(v, 6)),
    bloomThreshold: share(v, 7),
    bloomSpread: share(v, 8),
    vignetteLevel: or(9, 0, share(v, 10)),
    vignetteRoundness: share(v, 11),
    tone: pickOf(TONES, share(v, 12)),
    saturation: or(13, 1, 2 * share(v, 14)),
    offsetBlue: or(15, 0, 0.2 * share(v, 16)),
    tableId: pickOf([null, null, 'mixed', 'curves'], share(v, 17)),
    tableShare: share(v, 18),
  };
}

const WASHES = ['dawn', 'dusk'];
const ART = ['flat', 'wall', 'dome', 'window', 'rimmed'] as const;

export const pickOf = <T>(all: readonly T[], v: number): T => all[Math.floor(v * 7919) % all.length];
/** Another number from the same one. */
const share = (v: number, k: number) => hash01(Math.floor(v * 1e6), k);

function changedLight(state: SequenceState, v: number, fields: Partial<Light>): SequenceState {
  const ids = Object.keys(state.scene.lights).sort();
  if (ids.length === 0) return state;
  const id = pickOf(ids, v);
  const lights = { ...state.scene.lights, [id]: { ...state.scene.lights[id], ...fields } };
  return { ...state, scene: { ...state.scene, lights } };
}

function changedOccluder(state: SequenceState, v: number, fields: Partial<Occluder>): SequenceState {
  const ids = Object.keys(state.scene.occluders).sort();
  if (ids.length === 0) return state;
  const id = pickOf(ids, v);
  const occluders = { ...state.scene.occluders, [id]: { ...state.scene.occluders[id], ...fields } };
  return { ...state, scene: { ...state.scene, occluders } };
}

function withSettings(state: SequenceState, fields: object): SequenceState {
  const settings = { [SETTINGS_ID]: { ...settingsOf(state.scene), ...fields } };
  return { ...state, scene: { ...state.scene, settings } };
}

/** Another picture of the same artwork, of its size or of another one. */
function repainted(key: string, seed: number, side: number): PicturePixels {
  const rgba = new Uint8Array(4 * side * side);
  for (let i = 0; i < side * side; i++)
    rgba.set([255 * hash01(seed, i >> 3), 180, 90, hash01(seed, i >> 4) < 0.2 ? 0 : 255], 4 * i);
  const normal = seed % 2 ? Uint8Array.from(rgba, (c, i) => (i % 4 === 2 ? 220 : c >> 1)) : null;
  return {
    width: side,
    height: side,
    rgba,
    normal,
    glow: PICTURES[key]?.glow?.length === side * side ? PICTURES[key].glow : null,
    rim: null,
  };
}

const LOOKS: readonly Partial<LightLook>[] = [
  { kind: 'point' },
  { kind: 'spot', bearingDeg: 40, beamDeg: 40, fieldDeg: 80 },
  { kind: 'area', outlines: [[-12, -8, 12, -8, 10, 9, -11, 7]], featherPx: 14 },
  {
    kind: 'gobo',
    gobo: newGobo({ artworkId: 'shutter', widthPx: 60, heightPx: 50, fadePx: 4 }),
  },
  { gobo: newGobo({ artworkId: 'leaves', widthPx: 70, heightPx: 70, playing: false }) },
  { kind: 'sun', altitudeDeg: 40, bearingDeg: 200 },
  { kind: 'ambient', replaces: true, level: 0.3 },
];

type Edit = (state: SequenceState, v: number) => SequenceState;

/** The kinds of edits, by name. */
export const EDITS: Record<string, Edit> = {
  'a light goes to where another stands': (state, v) => {
    const [x, y] = pickOf(PLACES, share(v, 1));
    return changedLight(state, v, { x, y });
  },
  'a reach trembles': (state, v) => changedLight(state, v, { reachPx: 40 * (0.9 + 0.2 * share(v, 1)) }),
  'a reach changes': (state, v) => changedLight(state, v, { reachPx: 8 + 90 * share(v, 1) }),
  'a light becomes of another kind': (state, v) =>
    changedLight(state, v, { gobo: null, ...pickOf(LOOKS, share(v, 1)) }),
  'what stops a light changes': (state, v) => {
    const named = { planeIds: [share(v, 1) < 0.5 ? 'plane-far' : 'plane-near'], setIds: [] };
    return changedLight(state, v, { stoppedBy: share(v, 2) < 0.4 ? null : named });
  },
  'a light changes in other ways': (state, v) =>
    changedLight(state, v, {
      shadows: share(v, 1) < 0.8,
      sizePx: share(v, 2) < 0.5 ? 0 : 4 * share(v, 3),
      shadowOpacity: share(v, 4) < 0.6 ? 1 : 0.5,
      blend: pickOf(['add', 'add', 'lighten', 'uncover', 'subtract'], share(v, 5)),
      blockPx: share(v, 6) < 0.8 ? 0 : 4,
      bands: share(v, 7) < 0.8 ? 0 : 4,
      air: share(v, 8) < 0.8 ? 0 : 0.3,
      rim: share(v, 9) < 0.1,
      wickId: share(v, 10) < 0.5 ? 'flame' : null,
      stops: share(v, 11) < 0.7 ? [] : [{ at: 1, colour: '#4060ff' }],
      curve: pickOf(['natural', 'even', 'drawn'], share(v, 12)),
    }),
  'a light comes': (state, v) => {
    const [x, y] = share(v, 1) < 0.6 ? pickOf(PLACES, share(v, 2)) : [96 * share(v, 3), 64 * share(v, 4)];
    const plane = pickOf(['plane-middle', 'plane-near'], share(v, 5));
    const light = newLight({
      name: '',
      planeId: plane,
      order: 'a',
      x,
      y,
      reachPx: 20 + 40 * share(v, 6),
      level: 0.8,
    });
    const lights = { ...state.scene.lights, [`n${Math.floor(v * 24)}`]: light };
    return { ...state, scene: { ...state.scene, lights } };
  },
  'a light goes': (state, v) => {
    const ids = Object.keys(state.scene.lights).sort();
    if (ids.length < 3) return state;
    const { [pickOf(ids, v)]: _gone, ...lights } = state.scene.lights;
    return { ...state, scene: { ...state.scene, lights } };
  },
  'an occluder is drawn anew': (state, v) => {
    const [x, y] = [10 + 70 * share(v, 1), 6 + 48 * share(v, 2)];
    const outline = [x, y, x + 6 + 10 * share(v, 3), y, x + 8, y + 4 + 9 * share(v, 4), x - 2, y + 8];
    return changedOccluder(state, v, { outlines: [outline], smooth: share(v, 5) < 0.3 ? [[0, 2]] : [] });
  },
  'an occluder changes': (state, v) =>
    changedOccluder(state, v, {
      kind: share(v, 1) < 0.3 ? 'line' : 'closed',
      ownShade: share(v, 2) < 0.5 ? 'lit' : 'dark',
      soakPx: share(v, 3) < 0.5 ? 0 : 2,
      transmitShare: share(v, 4) < 0.6 ? 0 : 0.5,
      transmitColour: share(v, 5) < 0.5 ? '#ffffff' : '#40ff80',
      staturePx: share(v, 6) < 0.7 ? null : 12,
      hidden: share(v, 7) < 0.1,
    }),
  'an occluder comes': (state, v) => {
    const [x, y] = [96 * share(v, 1), 64 * share(v, 2)];
    const outlines = [[x, y, x + 9, y, x + 9, y + 7, x, y + 7]];
    const planeId = pickOf(['plane-far', 'plane-middle', 'plane-near'], share(v, 3));
    const occluder = newOccluder({ name: '', planeId, kind: 'closed', outlines });
    const occluders = { ...state.scene.occluders, [`n${Math.floor(v * 6)}`]: occluder };
    return { ...state, scene: { ...state.scene, occluders } };
  },
  'a sprite moves': (state, v) => {
    const ids = Object.keys(state.scene.sprites).sort();
    const id = pickOf(ids, v);
    const sprite = { ...state.scene.sprites[id], x: 96 * share(v, 1), turnDeg: share(v, 2) < 0.5 ? 0 : 30 };
    return { ...state, scene: { ...state.scene, sprites: { ...state.scene.sprites, [id]: sprite } } };
  },
  'a sprite comes, or becomes another one': (state, v) => {
    const sprite = newSprite({
      ...{ name: '', planeId: pickOf(['plane-middle', 'plane-near'], share(v, 1)), order: 'b' },
      ...{ artworkId: pickOf(ART, share(v, 2)), x: 96 * share(v, 3), y: 64 * share(v, 4) },
      castsShape: share(v, 5) < 0.2,
      takesShadows: share(v, 6) < 0.8,
      opacity: share(v, 7) < 0.7 ? 1 : 0.5,
      scaleX: share(v, 8) < 0.7 ? 1 : 0.4,
      scaleY: share(v, 8) < 0.7 ? 1 : 0.4,
    });
    const sprites = { ...state.scene.sprites, [`n${Math.floor(v * 5)}`]: sprite };
    return { ...state, scene: { ...state.scene, sprites } };
  },
  'a picture goes': (state, v) => {
    const key = pickOf([...ART, 'leaves', 'shutter'], share(v, 1));
    return { ...state, pictures: { ...state.pictures, [key]: null } };
  },
  'a picture comes back': (state, v) => {
    const key = pickOf([...ART, 'leaves', 'shutter'], share(v, 1));
    const { [key]: _gone, ...pictures } = state.pictures;
    const artworks = {
      ...state.scene.artworks,
      [key]: { ...state.scene.artworks[key], widthPx: 48, heightPx: 48 },
    };
    return { ...state, pictures, scene: { ...state.scene, artworks } };
  },
  'a picture is painted over': (state, v) => {
    const key = pickOf([...ART, 'leaves', 'shutter'], share(v, 1));
    const side = state.scene.artworks[key].widthPx;
    return { ...state, pictures: { ...state.pictures, [key]: repainted(key, Math.floor(v * 1000), side) } };
  },
  'a picture is made of another size': (state, v) => {
    const key = pickOf(ART, share(v, 1));
    const side = 16 + Math.floor(200 * share(v, 2));
    const artworks = {
      ...state.scene.artworks,
      [key]: { ...state.scene.artworks[key], widthPx: side, heightPx: side },
    };
    return {
      ...state,
      scene: { ...state.scene, artworks },
      pictures: { ...state.pictures, [key]: repainted(key, Math.floor(v * 1000), side) },
    };
  },
  'the view goes elsewhere': (state, v) => ({
    ...state,
    view: { ...state.view, x: Math.floor(40 * share(v, 1)) - 20, y: Math.floor(24 * share(v, 2)) - 12 },
  }),
  'the view comes back': (state) => ({ ...state, view: { ...state.view, x: 0, y: 0, outputPerScenePx: 1 } }),
  'the view changes its scale': (state, v) => ({
    ...state,
    view: { ...state.view, outputPerScenePx: pickOf([0.5, 1, 1, 1.5], share(v, 1)) },
  }),
  'the view changes its size': (state, v) => ({
    ...state,
    view: {
      ...state.view,
      widthPx: pickOf([96, 96, 64, 130], share(v, 1)),
      heightPx: pickOf([64, 64, 40], share(v, 2)),
    },
  }),
  'the gate moves': (state, v) => withSettings(state, { gateX: Math.floor(20 * share(v, 1)) }),
  'art is read another way': (state, v) => withSettings(state, { pixelArt: share(v, 1) < 0.5 }),
  'light is added up in another space': (state, v) =>
    withSettings(state, { lightSpace: share(v, 1) < 0.5 ? 'linear' : 'display' }),
  'the ambient changes': (state, v) =>
    withSettings(state, { ambientLevel: share(v, 1), viewTiltDeg: 60 * share(v, 2) }),
  'the weather changes': (state, v) =>
    withSettings(state, {
      cloudStrength: share(v, 1) < 0.5 ? 0 : share(v, 2),
      mistStrength: share(v, 3) < 0.5 ? 0 : 0.8 * share(v, 4),
      mistCover: share(v, 5),
      cloudScalePx: 16 + 60 * share(v, 6),
      cloudSeed: share(v, 7) < 0.7 ? 11 : Math.floor(9 * share(v, 8)),
      mistArtworkId: share(v, 9) < 0.8 ? null : 'leaves',
      cloudWindX: 40 * share(v, 10) - 20,
    }),
  'a wash comes, or becomes another one': (state, v) => {
    const wash = newWash({
      ...{ name: '', order: 'a', opacity: share(v, 1), blend: pickOf(WASH_BLENDS, share(v, 2)) },
      ...{ tiedTo: pickOf(WASH_TIES, share(v, 3)), x: 20, y: 10, widthPx: 50, heightPx: 40 },
      onEntering: share(v, 4) < 0.2,
      points: Array.from({ length: 1 + Math.floor(4 * share(v, 5)) }, (_, k) =>
        newWashPoint({
          ...{ x: 96 * share(v, 10 + k), y: 64 * share(v, 20 + k) },
          colour: pickOf(['#d08a86', '#4a5a78', '#ffffff'], share(v, 30 + k)),
          spreadPx: 4 + 40 * share(v, 40 + k),
        }),
      ),
    });
    const washes = { ...state.scene.washes, [pickOf(WASHES, share(v, 6))]: wash };
    return { ...state, scene: { ...state.scene, washes } };
  },
  'the finish changes': (state, v) => withSettings(state, finishOf(v)),
  'a look comes, changes, or goes': (state, v) => {
    const id = pickOf(FINISHES, share(v, 30));
    const { [id]: _gone, ...others } = state.scene.looks;
    const look = newLook({ name: id, order: id, ...finishOf(v) });
    const looks = share(v, 31) < 0.3 ? others : { ...others, [id]: look };
    return withSettings(
      { ...state, scene: { ...state.scene, looks } },
      { lookId: pickOf([null, ...Object.keys(looks)], share(v, 32)), lookShare: share(v, 33) },
    );
  },
  'what is in focus changes': (state, v) =>
    withSettings(state, {
      focusPlaneId: pickOf([null, 'plane-far', 'plane-middle'], share(v, 1)),
      blurPx: share(v, 2) < 0.5 ? 0 : 2 * share(v, 3),
    }),
  'another wash is chosen': (state, v) =>
    withSettings(state, {
      washId: pickOf([null, ...WASHES.filter((id) => state.scene.washes[id])], share(v, 1)),
      washBy: share(v, 2) < 0.7 ? 'cues' : 'seed',
      washEverySeconds: 2,
      figureId: share(v, 3) < 0.5 ? null : Object.keys(state.scene.sprites)[0],
    }),
  'a cue is recorded': (state, v) => {
    const cue = newCue({
      clockHours: Math.floor(24 * share(v, 1)),
      ambientLevel: share(v, 2) < 0.5 ? null : share(v, 3),
      cloudStrength: share(v, 4) < 0.6 ? null : share(v, 5),
      washId: pickOf([null, ...WASHES.filter((id) => state.scene.washes[id])], share(v, 6)),
      held: share(v, 7) < 0.7 ? [] : ['ambientLevel'],
    });
    const id = `c${cue.clockHours}`;
    return { ...state, scene: { ...state.scene, cues: { ...state.scene.cues, [id]: cue } } };
  },
  'the clock is turned': (state, v) => ({ ...state, clockHours: 24 * share(v, 1) }),
  'a light moves by itself, or follows the sky': (state, v) =>
    changedLight(state, v, {
      turning: share(v, 1) < 0.5 ? null : { ...NEW_TURNING, degreesPerSecond: 90 },
      path: share(v, 2) < 0.6 ? null : newPath({ points: [0, 0, 20, 8, 4, 20], speedPx: 30 }),
      follows: pickOf(['nothing', 'nothing', 'sun', 'moon'], share(v, 3)),
    }),
  'a plane changes': (state, v) => {
    const id = pickOf(['plane-middle', 'plane-near'], share(v, 1));
    const plane = {
      ...state.scene.planes[id],
      overlay: share(v, 2) < 0.15,
      hidden: share(v, 3) < 0.1,
      parallax: share(v, 4) < 0.7 ? 1 : 0.5,
      takesDrift: share(v, 5) < 0.8,
      ground: share(v, 6) < 0.8,
      blurPx: share(v, 7) < 0.8 ? null : 1.5,
    };
    return { ...state, scene: { ...state.scene, planes: { ...state.scene.planes, [id]: plane } } };
  },
  'time passes': (state, v) => ({ ...state, seconds: state.seconds + 0.3 * share(v, 1) }),
  'nothing happens': (state) => state,
  'something is looked at': (state, v) => ({
    ...state,
    passing: {
      ...NOTHING_PASSING,
      unlit: share(v, 1) < 0.1,
      shadows: share(v, 2) < 0.8,
      relief: share(v, 3) < 0.8,
      workLamp: share(v, 4) < 0.8 ? 0 : 0.4,
      finish: share(v, 5) < 0.9 ? 'own' : 'none',
    },
  }),
  'the context is lost': (state) => ({ ...state, contexts: state.contexts + 1 }),
};
