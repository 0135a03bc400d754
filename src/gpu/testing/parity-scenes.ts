/** Small scenes that both renderers draw, each with something that could go wrong in one of them alone. */
import { cellOf } from '@/core/art/tiles';
import { type Chunk, CHUNK_CELLS } from '@/core/scene/records/chunk';
import { build, PICTURES, type ParityScene, type Parts } from './parity-parts';
import { newTileGrid } from '@/core/scene/records/plane';
import { WICK_KINDS, wickKind } from '@/core/time/wicks/all-wicks';

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
const GRID = newTileGrid({ artworkId: 'tiles', x: -4, y: -6, cellWidthPx: 24, cellHeightPx: 24 });
const LABEL = { artworkId: null, plain: { colour: '#4080c0', widthPx: 30, heightPx: 12 } };

const make = (name: string, parts: Parts, outputPerScenePx = 1): ParityScene => ({
  name,
  scene: build(parts),
  outputPerScenePx,
  pictures: PICTURES,
});

/** A light on each kind of wick, which moves its level, its reach, its place and its colour. */
const onWicks = (seed: number): Pick<Parts, 'lights' | 'wicks'> => ({
  wicks: Object.fromEntries(
    WICK_KINDS.map((kind) => [
      kind,
      {
        ...{ kind, seed, ...(wickKind(kind).begins as object), levelLow: 0.3, levelHigh: 1.4 },
        ...{ swayXLowPx: -6, swayXHighPx: 6, swayYLowPx: -4, swayYHighPx: 4, warmthLow: 1, warmthHigh: -1 },
        cycleColours: kind === 'beacon' ? ['#ff4020', '#30c060'] : [],
      },
    ]),
  ),
  lights: WICK_KINDS.map((kind, i) => ({
    ...{ wickId: kind, x: 8 + 13 * i, y: 16 + 16 * (i % 3), reachPx: 30, heightPx: 10 },
    stops: i % 2 === 0 ? [] : [{ at: 0.6, colour: '#4060ff' }],
  })),
});

export const PARITY_SCENES: ParityScene[] = [
  make('flat art under one light', { sprites: [{ artworkId: 'flat' }], lights: [{}] }),
  ...[11, 12, 13].map((seed) =>
    make(`lights on every kind of wick, ${seed}`, {
      settings: seed === 13 ? { lightSpace: 'display' } : {},
      sprites: [
        { artworkId: 'wall', x: 24 },
        { artworkId: 'dome', x: 70 },
      ],
      occluders: [{ outlines: [[40, 20, 48, 20, 48, 44, 40, 44]] }],
      ...onWicks(seed),
    }),
  ),
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
  make(
    'tiles of painted art from afar',
    {
      settings: { pixelArt: false },
      planes: { 'plane-middle': { tiles: { ...GRID, x: 1 } } },
      chunks: [painted('plane-middle', ALL_WAYS)],
      lights: [{ x: 37, y: 20.4, heightPx: 12 }],
    },
    0.4,
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
  {
    ...make('unlit', { sprites: [...walls, { artworkId: 'veil' }], lights: coloured }),
    passing: { unlit: true },
  },
];
