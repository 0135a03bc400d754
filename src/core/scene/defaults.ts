/** What a new record holds before anyone has touched it. */
import type {
  Artwork,
  Cue,
  Lamp,
  Light,
  LightLook,
  LightPart,
  Occluder,
  Plane,
  Relief,
  SceneDocument,
  SceneSettings,
  Shade,
  Sprite,
  Wick,
} from './document';
import { HOUSE_CIRCUIT, SCENE_FORMAT, SCENE_VERSION, SETTINGS_ID } from './document';

export const NEW_SETTINGS: SceneSettings = {
  pixelArt: true,
  lightSpace: 'linear',
  backdropColour: '#2b3038',
  backdropLit: true,
  gateX: 0,
  gateY: 0,
  gateWidthPx: 480,
  gateHeightPx: 270,
  ambientColour: '#aab4c4',
  ambientLevel: 0.35,
  clockHours: 19,
  viewTiltDeg: 0,
  exposureStops: 0,
  tone: 'clip',
  whiteLevel: 4,
};

export function newPlane(fields: Pick<Plane, 'name' | 'order'> & Partial<Plane>): Plane {
  return {
    parallax: 1,
    tint: '#ffffff',
    answer: 'shaded',
    circuitIds: [HOUSE_CIRCUIT],
    overlay: false,
    tiles: null,
    hidden: false,
    locked: false,
    ...fields,
  };
}

/** How soon things show that are seen when lit: at a quarter of the light of white art. */
export const SEEN_GAIN = 4;

export function newSprite(
  fields: Pick<Sprite, 'name' | 'planeId' | 'order' | 'artworkId' | 'x' | 'y'> & Partial<Sprite>,
): Sprite {
  return {
    plain: null,
    hangsOn: null,
    setIds: [],
    turnDeg: 0,
    scaleX: 1,
    scaleY: 1,
    flipX: false,
    flipY: false,
    opacity: 1,
    frame: 0,
    playing: true,
    answer: null,
    circuitIds: null,
    ownOccluders: false,
    glowLevel: 1,
    takesShadows: true,
    seenGain: SEEN_GAIN,
    castsShape: false,
    hidden: false,
    locked: false,
    ...fields,
  };
}

export const NEW_LOOK: LightLook = {
  kind: 'point',
  colour: '#ffd9a0',
  stops: [],
  level: 1.5,
  blend: 'add',
  rim: false,
  replaces: true,
  corePx: 6,
  reachPx: 120,
  squash: 1,
  curve: 'natural',
  drawnCurve: [0, 1, 0.35, 0.55, 1, 0],
  steepness: 1,
  heightPx: 32,
  bearingDeg: 90,
  altitudeDeg: 45,
  beamDeg: 24,
  fieldDeg: 46,
  outlines: [],
  smooth: [],
  featherPx: 10,
  turnDeg: 0,
  source: 'point',
  sourceX: 0,
  sourceY: 0,
  gobo: null,
  bands: 0,
  dither: false,
  blockPx: 0,
  air: 0,
  wrap: 0,
  relief: 1,
  shadows: true,
  sizePx: 0,
  sizeDeg: 0.5,
  shadowOpacity: 1,
  shadowColour: '#000000',
  still: false,
};

/** What stops light altogether, endlessly, and stays lit itself. */
export const NEW_SHADE: Shade = {
  ownShade: 'lit',
  soakPx: 0,
  transmitShare: 0,
  transmitColour: '#ffffff',
  staturePx: null,
};

const NEW_FIXTURE = {
  hangsOn: null,
  blockedByCarrier: false,
  stoppedBy: null,
  spanFarId: null,
  spanNearId: null,
  hidden: false,
  locked: false,
};

export function newLight(
  fields: Pick<Light, 'name' | 'planeId' | 'order' | 'x' | 'y'> & Partial<Light>,
): Light {
  return {
    ...NEW_LOOK,
    ...NEW_FIXTURE,
    setIds: [],
    circuitIds: [HOUSE_CIRCUIT],
    wickId: null,
    ...fields,
  };
}

export function newLamp(
  fields: Pick<Lamp, 'name' | 'luminaireId' | 'planeId' | 'order' | 'x' | 'y'> & Partial<Lamp>,
): Lamp {
  return {
    ...NEW_FIXTURE,
    setIds: [],
    circuitIds: [HOUSE_CIRCUIT],
    turnDeg: 0,
    flipX: false,
    level: 1,
    overrides: {},
    ...fields,
  };
}

export function newLightPart(fields: Pick<LightPart, 'id' | 'name'> & Partial<LightPart>): LightPart {
  return { ...NEW_LOOK, x: 0, y: 0, wick: null, ...fields };
}

export function newOccluder(
  fields: Pick<Occluder, 'name' | 'planeId' | 'kind' | 'outlines'> & Partial<Occluder>,
): Occluder {
  return {
    spriteId: null,
    smooth: [],
    ...NEW_SHADE,
    setIds: [],
    hidden: false,
    locked: false,
    ...fields,
  };
}

export function newWick(fields: Pick<Wick, 'name' | 'seed'> & Partial<Wick>): Wick {
  return {
    kind: 'breeze',
    rateHz: 1.6,
    roughness: 0.5,
    levelLow: 0.75,
    levelHigh: 1.1,
    reachLow: 0.95,
    reachHigh: 1.03,
    reachLagSeconds: 0.05,
    loopSeconds: 20,
    ...fields,
  };
}

export function newCue(fields: Pick<Cue, 'clockHours'> & Partial<Cue>): Cue {
  return { ambientColour: null, ambientLevel: null, ...fields };
}

export function newArtwork(
  fields: Pick<Artwork, 'name' | 'imageSha' | 'widthPx' | 'heightPx' | 'pixelArt'> & Partial<Artwork>,
): Artwork {
  return {
    frames: [],
    rateHz: 8,
    loop: 'round',
    pivotX: fields.widthPx / 2,
    pivotY: fields.heightPx / 2,
    foot: [],
    brackets: [],
    occluders: [],
    lamps: [],
    answer: null,
    takesShadows: true,
    tags: [],
    binned: false,
    glowSha: null,
    cells: null,
    ...fields,
  };
}

export function newRelief(fields: Pick<Relief, 'recipe'> & Partial<Relief>): Relief {
  return {
    borrowedId: null,
    layers: [],
    partStrokes: [],
    normals: null,
    heights: null,
    rimSha: null,
    occlusionSha: null,
    madeForSha: null,
    ...fields,
  };
}

/** A scene with nothing in it but three planes. */
export function newScene(settings: Partial<SceneSettings> = {}): SceneDocument {
  return {
    format: SCENE_FORMAT,
    version: SCENE_VERSION,
    settings: { [SETTINGS_ID]: { ...NEW_SETTINGS, ...settings } },
    planes: {
      'plane-far': newPlane({ name: 'Far', order: 'a1' }),
      'plane-middle': newPlane({ name: 'Middle', order: 'a2' }),
      'plane-near': newPlane({ name: 'Near', order: 'a3' }),
    },
    sprites: {},
    lights: {},
    occluders: {},
    wicks: {},
    cues: {},
    chunks: {},
    lamps: {},
    sets: {},
    circuits: { [HOUSE_CIRCUIT]: { name: 'House', order: 'a1' } },
    artworks: {},
    reliefs: {},
    strokes: {},
    recipes: {},
    luminaires: {},
  };
}
