/** What scenes of the parity test are made of: a few pictures with relief, and a document with the given records. */
import { framesFrom, gridRects } from '@/core/art/cut';
import type { View } from '@/core/geometry/view';
import type { PicturePixels } from '@/core/moment/moment';
import type { Passing } from '@/core/moment/passing';
import { emptyImage, type Image } from '@/core/raster/image';
import { recipeWith } from '@/core/relief/recipe';
import { pictureRelief } from '@/core/relief/relief-of';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import type { Chunk } from '@/core/scene/records/chunk';
import { type Lamp, newLamp } from '@/core/scene/records/lamp';
import { type Light, newLight } from '@/core/scene/records/light';
import { newFlamePart, newLightPart } from '@/core/scene/records/luminaire';
import { newCircuit, type Circuit } from '@/core/scene/records/circuit';
import { newCue, type Cue } from '@/core/scene/records/cue';
import { type Look, newLook } from '@/core/scene/records/look';
import { newOccluder, type Occluder } from '@/core/scene/records/occluder';
import type { Plane } from '@/core/scene/records/plane';
import { newRelief } from '@/core/scene/records/relief';
import type { SceneSettings } from '@/core/scene/records/settings';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { newSprite, type Sprite } from '@/core/scene/records/sprite';
import { newWash, type Wash } from '@/core/scene/records/wash';
import { newWick, type Wick } from '@/core/scene/records/wick';
import { hash01 } from '@/core/time/noise';

export interface ParityScene {
  name: string;
  scene: SceneDocument;
  outputPerScenePx: number;
  pictures: Record<string, PicturePixels>;
  passing?: Partial<Passing>;
  /** When it is looked at. */
  hour?: number;
  second?: number;
  /** Another part of the scene than the gate. */
  view?: Partial<View>;
  /** Soft shadows are held against the exact ones by their own measure. */
  isSoft?: boolean;
}

/** Coloured noise on a disc, or on the whole square, with a soft border where wanted. */
function art(kind: 'full' | 'disc' | 'soft', size: number, seed: number): Image {
  const image = emptyImage(size, size);
  const c = size / 2;
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      const r = Math.sqrt((x + 0.5 - c) * (x + 0.5 - c) + (y + 0.5 - c) * (y + 0.5 - c));
      const alpha =
        kind === 'full'
          ? 255
          : kind === 'disc'
            ? r < c
              ? 255
              : 0
            : Math.round(255 * Math.min(1, Math.max(0, (c - r) / 6)));
      const tone = 110 + 90 * hash01(seed, (y >> 2) * 64 + (x >> 2));
      image.data.set([tone, tone * 0.8, tone * 0.55 + 30, alpha], 4 * (y * size + x));
    }
  }
  return image;
}

const kinds = { full: 'full', disc: 'disc', soft: 'soft' } as const;

function pixelsOf(kind: keyof typeof kinds, withRelief: boolean, glow = false): PicturePixels {
  const image = art(kinds[kind], 48, kind.length);
  const recipe = recipeWith({ body: { kind: 'inflate' }, grain: { heightPx: 3 } });
  return {
    width: 48,
    height: 48,
    rgba: image.data,
    normal: withRelief ? pictureRelief(image, recipe).normals : null,
    glow: glow
      ? Uint8Array.from({ length: 48 * 48 }, (_, i) => (i % 48 > 20 && i % 48 < 28 ? 255 - (i % 48) : 0))
      : null,
    rim: null,
  };
}

/** A mask that rises toward the border of a disc. */
function withRim(pixels: PicturePixels): PicturePixels {
  const rim = Uint8Array.from({ length: 48 * 48 }, (_, i) => {
    const [x, y] = [(i % 48) - 23.5, Math.floor(i / 48) - 23.5];
    return Math.min(255, Math.round((x * x + y * y) / 2));
  });
  return { ...pixels, rim };
}

/** Coloured glass in cells, for light to shine through. */
function leaves(): PicturePixels {
  const rgba = new Uint8Array(48 * 48 * 4);
  for (let y = 0; y < 48; y++) {
    for (let x = 0; x < 48; x++) {
      const tone = hash01(7, (y >> 3) * 8 + (x >> 3));
      rgba.set([255 * tone, 255, 128 + 127 * tone, tone < 0.3 ? 0 : 255], 4 * (y * 48 + x));
    }
  }
  return { width: 48, height: 48, rgba, normal: null, glow: null, rim: null };
}

/** A sheet of two by two: slats that stand at four heights. */
function shutter(): PicturePixels {
  const rgba = new Uint8Array(48 * 48 * 4).fill(255);
  for (let i = 0; i < 48 * 48; i++) {
    const frame = Math.floor((i % 48) / 24) + 2 * Math.floor(i / 48 / 24);
    if (((Math.floor(i / 48) % 24) + frame) % 6 < 2) rgba[4 * i + 3] = 0;
  }
  return { width: 48, height: 48, rgba, normal: null, glow: null, rim: null };
}

const dome = pixelsOf('disc', true);

export const PICTURES: Record<string, PicturePixels> = {
  flat: pixelsOf('full', false),
  wall: pixelsOf('full', true),
  dome,
  leaning: dome,
  veil: pixelsOf('soft', true),
  window: pixelsOf('full', true, true),
  sheet: pixelsOf('full', true),
  crate: pixelsOf('full', true),
  tiles: pixelsOf('full', true),
  rimmed: withRim(pixelsOf('disc', true)),
  leaves: leaves(),
  shutter: shutter(),
};

export interface Parts {
  settings?: Partial<SceneSettings>;
  planes?: Record<string, Partial<Plane>>;
  sprites?: (Partial<Sprite> & Pick<Sprite, 'artworkId'>)[];
  lights?: Partial<Light>[];
  occluders?: Partial<Occluder>[];
  chunks?: Pick<Chunk, 'planeId' | 'column' | 'row' | 'cells'>[];
  lamps?: Partial<Lamp>[];
  wicks?: Record<string, Partial<Wick>>;
  circuits?: Record<string, Partial<Circuit>>;
  washes?: Record<string, Partial<Wash>>;
  cues?: Partial<Cue>[];
  looks?: Record<string, Partial<Look>>;
}

export function build({
  settings,
  planes = {},
  sprites = [],
  lights = [],
  occluders = [],
  chunks = [],
  lamps = [],
  wicks = {},
  circuits = {},
  cues = [],
  washes = {},
  looks = {},
}: Parts): SceneDocument {
  const scene = newScene({ gateWidthPx: 96, gateHeightPx: 64, ambientLevel: 0.15, ...settings });
  for (const [id, wick] of Object.entries(wicks)) scene.wicks[id] = newWick({ name: id, seed: 11, ...wick });
  for (const [id, { normal }] of Object.entries(PICTURES)) {
    scene.artworks[id] = newArtwork({
      name: id,
      imageSha: 'a'.repeat(64),
      widthPx: 48,
      heightPx: 48,
      pixelArt: true,
    });
    if (normal) scene.reliefs[id] = newRelief({ recipe: recipeWith({}) });
  }
  const frames = gridRects(art('full', 48, 1), { columns: 2, rows: 2, marginPx: 0, gapPx: 0 }, true);
  scene.artworks.sheet = {
    ...scene.artworks.wall,
    frames: framesFrom(frames, 'sheet'),
    pivotX: 12,
    pivotY: 12,
  };
  scene.reliefs.sheet = newRelief({ recipe: recipeWith({}) });
  scene.artworks.shutter = { ...scene.artworks.sheet, rateHz: 4 };
  scene.artworks.crate = {
    ...scene.artworks.wall,
    occluders: [
      {
        id: 'rim',
        name: '',
        kind: 'closed',
        ...NEW_SHADE,
        outlines: [[8, 8, 40, 8, 40, 40, 8, 40]],
        smooth: [[1, 2]],
        frames: [],
      },
    ],
    brackets: [{ id: 'hook', name: '', x: 44, y: 6, turnDeg: 90, places: [] }],
  };
  scene.reliefs.crate = scene.reliefs.sheet;
  // It stands on a line that rises to the right.
  scene.artworks.leaning = { ...scene.artworks.dome, foot: [6, 46, 42, 30] };
  scene.artworks.tiles = {
    ...scene.artworks.sheet,
    occluders: [
      {
        id: 'body',
        name: '',
        kind: 'closed',
        ...NEW_SHADE,
        outlines: [],
        smooth: [],
        frames: [
          { frame: 1, outlines: [[0, 0, 24, 0, 24, 24, 0, 24]], smooth: [] },
          { frame: 3, outlines: [[0, 24, 24, 0, 24, 24]], smooth: [] },
        ],
      },
    ],
  };
  scene.reliefs.tiles = scene.reliefs.sheet;
  scene.luminaires.lantern = {
    name: '',
    lights: [
      newLightPart({ id: 'body', name: '', reachPx: 60, heightPx: 14, x: 0, y: 3 }),
      newLightPart({
        id: 'halo',
        name: '',
        reachPx: 24,
        level: 0.7,
        air: 0.5,
        shadows: false,
        colour: '#ff9040',
      }),
    ],
    flames: [
      newFlamePart({
        id: 'glass',
        name: '',
        artworkId: 'sheet',
        turnDeg: 180,
        opacity: 0.9,
        playing: false,
        glowLevel: 1.2,
      }),
    ],
  };
  scene.circuits.blue = newCircuit({ name: 'Blue', order: 'a2' });
  for (const [id, fields] of Object.entries(circuits))
    scene.circuits[id] = newCircuit({ name: id, order: id, ...fields });
  for (const [id, fields] of Object.entries(washes))
    scene.washes[id] = newWash({ name: id, order: id, ...fields });
  for (const [id, fields] of Object.entries(looks))
    scene.looks[id] = newLook({ name: id, order: id, ...fields });
  cues.forEach((cue, i) => (scene.cues[`q${i}`] = newCue({ clockHours: i, ...cue })));
  for (const [id, fields] of Object.entries(planes)) scene.planes[id] = { ...scene.planes[id], ...fields };
  chunks.forEach((chunk, i) => (scene.chunks[`c${i}`] = chunk));
  lamps.forEach((lamp, i) => {
    scene.lamps[`m${i}`] = newLamp({
      name: '',
      luminaireId: 'lantern',
      planeId: 'plane-middle',
      order: `b${i}`,
      x: 48,
      y: 32,
      ...lamp,
    });
  });
  sprites.forEach((sprite, i) => {
    scene.sprites[`s${i}`] = newSprite({
      name: '',
      planeId: 'plane-middle',
      order: `a${i}`,
      x: 48,
      y: 32,
      ...sprite,
    });
  });
  lights.forEach((light, i) => {
    scene.lights[`l${i}`] = newLight({
      name: '',
      planeId: 'plane-middle',
      order: `a${i}`,
      x: 60,
      y: 20,
      reachPx: 70,
      ...light,
    });
  });
  occluders.forEach((occluder, i) => {
    scene.occluders[`o${i}`] = newOccluder({
      name: '',
      planeId: 'plane-middle',
      kind: 'closed',
      outlines: [],
      ...occluder,
    });
  });
  return scene;
}
