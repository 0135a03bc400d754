/** Small scenes that both renderers draw, each with something that could go wrong in one of them alone. */
import { framesFrom, gridRects } from '@/core/art/cut';
import type { PicturePixels } from '@/core/moment/moment';
import { emptyImage, type Image } from '@/core/raster/image';
import { recipeWith } from '@/core/relief/recipe';
import { pictureRelief } from '@/core/relief/relief-of';
import {
  newArtwork,
  newLamp,
  newLight,
  newLightPart,
  newOccluder,
  newRelief,
  newScene,
  newSprite,
} from '@/core/scene/defaults';
import { cellOf } from '@/core/art/tiles';
import {
  CHUNK_CELLS,
  type Chunk,
  type Lamp,
  type Light,
  type Occluder,
  type Plane,
  type SceneDocument,
  type SceneSettings,
  type Sprite,
  type TileGrid,
} from '@/core/scene/document';
import { hash01 } from '@/core/time/noise';

export interface ParityScene {
  name: string;
  scene: SceneDocument;
  outputPerScenePx: number;
  pictures: Record<string, PicturePixels>;
  /** Whether the picture is the art alone, without light. */
  unlit?: boolean;
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
  };
}

const pictures: Record<string, PicturePixels> = {
  flat: pixelsOf('full', false),
  wall: pixelsOf('full', true),
  dome: pixelsOf('disc', true),
  veil: pixelsOf('soft', true),
  window: pixelsOf('full', true, true),
  sheet: pixelsOf('full', true),
  crate: pixelsOf('full', true),
  tiles: pixelsOf('full', true),
};

interface Parts {
  settings?: Partial<SceneSettings>;
  planes?: Record<string, Partial<Plane>>;
  sprites?: (Partial<Sprite> & Pick<Sprite, 'artworkId'>)[];
  lights?: Partial<Light>[];
  occluders?: Partial<Occluder>[];
  chunks?: Pick<Chunk, 'planeId' | 'column' | 'row' | 'cells'>[];
  lamps?: Partial<Lamp>[];
}

function build({
  settings,
  planes = {},
  sprites = [],
  lights = [],
  occluders = [],
  chunks = [],
  lamps = [],
}: Parts): SceneDocument {
  const scene = newScene({ gateWidthPx: 96, gateHeightPx: 64, ambientLevel: 0.15, ...settings });
  for (const [id, { normal }] of Object.entries(pictures)) {
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
  scene.artworks.crate = {
    ...scene.artworks.wall,
    occluders: [
      {
        id: 'rim',
        name: '',
        kind: 'closed',
        ownShade: 'lit',
        outlines: [[8, 8, 40, 8, 40, 40, 8, 40]],
        smooth: [[1, 2]],
        frames: [],
      },
    ],
    brackets: [{ id: 'hook', name: '', x: 44, y: 6, turnDeg: 90, places: [] }],
  };
  scene.reliefs.crate = scene.reliefs.sheet;
  scene.artworks.tiles = {
    ...scene.artworks.sheet,
    occluders: [
      {
        id: 'body',
        name: '',
        kind: 'closed',
        ownShade: 'lit',
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
      {
        id: 'glass',
        name: '',
        artworkId: 'sheet',
        x: 0,
        y: 0,
        turnDeg: 180,
        scaleX: 1,
        scaleY: 1,
        flipX: false,
        opacity: 0.9,
        frame: 0,
        playing: false,
        answer: 'self-lit',
        glowLevel: 1.2,
      },
    ],
  };
  scene.circuits.blue = { name: 'Blue', order: 'a2' };
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

const walls = [
  { artworkId: 'wall', x: 24 },
  { artworkId: 'wall', x: 72 },
  { artworkId: 'wall', x: 24, y: 56 },
  { artworkId: 'wall', x: 72, y: 56 },
];
const coloured = [
  { x: 30, y: 25, colour: '#ff5a3c', level: 2.5 },
  { x: 55, y: 40, colour: '#3cff80', level: 1.5, curve: 'eased' as const, steepness: 1.7 },
  { x: 70, y: 22, colour: '#5a78ff', level: 3, curve: 'straight' as const, corePx: 12, heightPx: 8 },
];
const boxes = [
  { outlines: [[30, 12, 38.5, 14, 36, 24, 29, 22]] },
  { outlines: [[60, 40, 72, 38, 70, 50]], ownShade: 'dark' as const },
  { kind: 'line' as const, outlines: [[12, 40, 30, 46.5, 40, 44]] },
];

/** A chunk whose upper left corner holds rows of tiles, `frame orientation` each; null is empty. */
const painted = (planeId: string, rows: (readonly [number, number] | null)[][]): Chunk => {
  const cells = new Array<number>(CHUNK_CELLS * CHUNK_CELLS).fill(0);
  rows.forEach((row, y) =>
    row.forEach((tile, x) => {
      if (tile) cells[y * CHUNK_CELLS + x] = cellOf({ frame: tile[0], orientation: tile[1] });
    }),
  );
  return { planeId, column: 0, row: 0, cells };
};
const ALL_WAYS = [
  [[0, 0], [0, 1], [0, 2], [0, 3], null],
  [
    [2, 4],
    [2, 5],
    [2, 6],
    [2, 7],
    [1, 0],
  ],
  [null, [3, 0], [1, 0], [3, 1], [1, 4]],
] as (readonly [number, number] | null)[][];
const GRID: TileGrid = {
  artworkId: 'tiles',
  x: -4,
  y: -6,
  cellWidthPx: 24,
  cellHeightPx: 24,
  blocks: true,
  ownShade: 'lit',
};
const LABEL = { artworkId: null, plain: { colour: '#4080c0', widthPx: 30, heightPx: 12 } };

const make = (name: string, parts: Parts, outputPerScenePx = 1): ParityScene => ({
  name,
  scene: build(parts),
  outputPerScenePx,
  pictures,
});

export const PARITY_SCENES: ParityScene[] = [
  make('flat art under one light', { sprites: [{ artworkId: 'flat' }], lights: [{}] }),
  make('relief under one light', {
    sprites: [
      { artworkId: 'wall', x: 24 },
      { artworkId: 'dome', x: 70 },
    ],
    lights: [{ x: 47, heightPx: 12 }],
  }),
  make('flipped, turned and scaled sprites', {
    sprites: [
      { artworkId: 'dome', x: 24, flipX: true },
      { artworkId: 'dome', x: 72, turnDeg: 90, flipY: true },
      { artworkId: 'dome', x: 48, y: 52, turnDeg: 33, scaleX: 0.3, scaleY: 0.5 },
    ],
    lights: [{ x: 48, y: 10, heightPx: 10 }],
  }),
  make('several planes with translucent edges', {
    settings: { gateX: 10, gateY: 4 },
    sprites: [
      { artworkId: 'wall', planeId: 'plane-far', x: 40 },
      { artworkId: 'veil', x: 50 },
      { artworkId: 'veil', planeId: 'plane-near', x: 75, y: 40 },
    ],
    lights: [{ air: 0.4 }, { x: 30, planeId: 'plane-far', spanNearId: 'plane-middle', colour: '#80c0ff' }],
  }),
  make('one sprite over another on one plane', {
    sprites: [
      { artworkId: 'wall', x: 40 },
      { artworkId: 'veil', x: 55 },
      { artworkId: 'dome', x: 66, answer: 'self-lit', glowLevel: 1.4 },
    ],
    lights: [{ x: 40, heightPx: 14, level: 2 }],
  }),
  make('hard shadows with own shade', {
    sprites: walls,
    lights: [
      { x: 45, y: 20 },
      { x: 20.5, y: 58, colour: '#a0c0ff' },
    ],
    occluders: boxes,
  }),
  make('coloured overlapping lights in linear light', { sprites: walls, lights: coloured }),
  make('coloured overlapping lights in display light', {
    settings: { lightSpace: 'display' },
    sprites: walls,
    lights: coloured,
  }),
  make(
    'painted art at two and a half times',
    {
      settings: { pixelArt: false },
      sprites: [
        { artworkId: 'wall', x: 30, turnDeg: 12 },
        { artworkId: 'veil', x: 66, scaleX: 1.4, scaleY: 1.4 },
      ],
      lights: [{ x: 48, y: 16 }],
    },
    2.5,
  ),
  make(
    'hard shadows on painted art',
    {
      settings: { pixelArt: false, lightSpace: 'display' },
      sprites: walls,
      lights: [{ x: 47.3, y: 21.2, heightPx: 50, reachPx: 28 }],
      occluders: boxes.slice(0, 2),
    },
    2,
  ),
  make('a glow mask, and a sprite that takes no shadows', {
    sprites: [
      { artworkId: 'window', x: 24 },
      { artworkId: 'wall', x: 72, takesShadows: false },
    ],
    lights: [{ x: 45, y: 20 }],
    occluders: boxes,
  }),
  make('a lamp within its lantern', {
    sprites: walls,
    lights: [{ x: 48, y: 32, heightPx: 40, curve: 'even', level: 0.8 }],
    occluders: [
      {
        outlines: [
          [44, 28, 46, 28, 46, 36, 44, 36],
          [50, 28, 52, 28, 52, 36, 50, 36],
        ],
      },
      { outlines: [[40, 38, 56, 38, 48, 44]], ownShade: 'dark' },
    ],
  }),
  make('frames of a sheet, and sprites that are half there', {
    sprites: [
      { artworkId: 'sheet', x: 24, frame: 1, playing: false, turnDeg: 20 },
      { artworkId: 'sheet', x: 60, frame: 3, playing: false, opacity: 0.5 },
      { artworkId: 'veil', x: 70, y: 40, opacity: 0.3 },
    ],
    lights: [{ x: 40, y: 18, heightPx: 12 }],
  }),
  make(
    'frames of painted art, which are never mixed with their neighbours',
    {
      settings: { pixelArt: false },
      sprites: [
        { artworkId: 'sheet', x: 24, frame: 2, playing: false, scaleX: 1.7, scaleY: 1.7 },
        { artworkId: 'sheet', x: 70, frame: 1, playing: false, opacity: 0.7, turnDeg: 7 },
      ],
      lights: [{ x: 48, y: 16 }],
    },
    2.5,
  ),
  make('tiles in all orientations, under a light that grazes them', {
    planes: { 'plane-middle': { tiles: { ...GRID, blocks: false } } },
    chunks: [painted('plane-middle', ALL_WAYS)],
    lights: [{ x: 40, y: 30, heightPx: 10 }],
  }),
  make('walls of tiles, joined, throw one shadow', {
    planes: { 'plane-middle': { tiles: GRID } },
    sprites: walls.map((wall) => ({ ...wall, planeId: 'plane-far' })),
    chunks: [painted('plane-middle', ALL_WAYS)],
    lights: [
      { x: 30, y: 38 },
      { x: 84.5, y: 52, colour: '#80a0ff' },
    ],
  }),
  make(
    'tiles of painted art',
    {
      settings: { pixelArt: false },
      planes: { 'plane-middle': { tiles: { ...GRID, x: 1, ownShade: 'dark' } } },
      chunks: [painted('plane-middle', ALL_WAYS)],
      lights: [{ x: 37, y: 20.4, reachPx: 24 }],
    },
    2,
  ),
  make('plain sprites, an overlay plane, and circuits', {
    planes: {
      'plane-near': { overlay: true, tint: '#fff0d0' },
      'plane-middle': { circuitIds: ['house', 'blue'] },
    },
    sprites: [
      { artworkId: 'wall', x: 24 },
      { artworkId: 'dome', x: 70, circuitIds: ['blue'] },
      { ...LABEL, x: 40, y: 50, turnDeg: 20, opacity: 0.8 },
      { ...LABEL, x: 60, y: 14, planeId: 'plane-near', opacity: 0.6 },
      { artworkId: 'veil', x: 80, y: 50, planeId: 'plane-near' },
    ],
    lights: [{ x: 30 }, { x: 66, y: 40, colour: '#5080ff', circuitIds: ['blue'], heightPx: 12 }],
  }),
  make(
    'an overlay over painted art in display light',
    {
      settings: { pixelArt: false, lightSpace: 'display' },
      planes: { 'plane-near': { overlay: true } },
      sprites: [
        { artworkId: 'wall', x: 40 },
        { artworkId: 'veil', x: 60, planeId: 'plane-near', opacity: 0.22 },
        { ...LABEL, x: 48, y: 40, planeId: 'plane-near', opacity: 0.7 },
      ],
      lights: [{ x: 48, y: 16 }],
    },
    2,
  ),
  make('things that hang on brackets, and outlines that artworks bring', {
    sprites: [
      { artworkId: 'wall', planeId: 'plane-far', x: 48, scaleX: 2, scaleY: 2 },
      { artworkId: 'crate', x: 30, y: 34, turnDeg: 90 },
      {
        artworkId: 'sheet',
        x: 3,
        y: 2,
        playing: false,
        hangsOn: { spriteId: 's1', bracketId: 'hook' },
      },
      { artworkId: 'crate', x: 84, y: 54, flipX: true, ownOccluders: true },
    ],
    lights: [
      { x: 2, y: 4, hangsOn: { spriteId: 's1', bracketId: 'hook' }, heightPx: 12 },
      {
        x: 20,
        y: 52,
        hangsOn: { spriteId: 's1', bracketId: null },
        blockedByCarrier: true,
        colour: '#80c0ff',
      },
    ],
    lamps: [
      { x: 74, y: 20 },
      { x: 0, y: 0, hangsOn: { spriteId: 's3', bracketId: 'hook' }, level: 0.6, flipX: true },
    ],
  }),
  { ...make('unlit', { sprites: [...walls, { artworkId: 'veil' }], lights: coloured }), unlit: true },
];
