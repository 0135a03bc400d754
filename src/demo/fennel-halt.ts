/** Fennel Halt: a narrow-gauge railway halt in wet hills, at dusk, from the side. */
import { framesFrom, gridRects } from '@/core/art/cut';
import { encodePng } from '@/core/raster/png';
import { traceAlpha } from '@/core/geometry/trace';
import { alphaOf } from '@/core/raster/image';
import { recipeWith, type Recipe } from '@/core/relief/recipe';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newCue } from '@/core/scene/records/cue';
import { newLamp } from '@/core/scene/records/lamp';
import { newLight } from '@/core/scene/records/light';
import { newLightPart } from '@/core/scene/records/luminaire';
import { newOccluder } from '@/core/scene/records/occluder';
import { newPlane } from '@/core/scene/records/plane';
import { newRelief } from '@/core/scene/records/relief';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { newSprite, type Sprite } from '@/core/scene/records/sprite';
import { newWick } from '@/core/scene/records/wick';
import { cellEdits, type CellChange } from '@/core/art/tile-edits';
import { cellOf } from '@/core/art/tiles';
import { applyEdits } from '@/core/scene/edits';
import { hash01 } from '@/core/time/noise';
import { farHills, nearHills, sky, woods } from './art/landscape';
import { HUT, hut, hutGlow } from './art/hut';
import {
  handLantern,
  handLanternGlow,
  LAMP,
  lamp,
  lampGlow,
  signal,
  signalGlow,
  SIGNAL_POST,
} from './art/lamps';
import { HAND, LAMPLIGHTER, lamplighter } from './art/lamplighter';
import { nameBoard } from './art/lettering';
import { FLAG, flag, SMOKE, smoke } from './art/moving';
import { TILE, TILES, wallTiles } from './art/tiles';
import { wagon } from './art/wagon';
import { churn, ground, luggage, platform, verge } from './art/yard';
import type { Paint } from './paint';

export interface DemoScene {
  projectName: string;
  sceneName: string;
  document: SceneDocument;
  /** Picture files by sha-256. */
  pictures: Map<string, Uint8Array>;
}

interface Piece {
  name: string;
  paint: Paint;
  glow?: Paint;
  recipe?: Recipe;
  /** Pivot, px of the figure; by default the middle of the foot. */
  pivot?: [number, number];
  /** Frames side by side, and how many of them play a second. */
  moving?: { frames: number; rateHz: number };
  /** Tiles of a sheet. */
  sheet?: { columns: number; rows: number };
}

const grainy = (heightPx: number, octaves: number[]) => ({ heightPx, octaves });

const timberwork = recipeWith({
  body: { kind: 'bevel', widthPx: 3, heightPx: 2, profile: 'round' },
  grain: grainy(7, [0.5, 0.9, 0.7, 0.3, 0]),
  pixelArt: 'yes',
});
const castIron = recipeWith({
  body: { kind: 'inflate', fullness: 0.9 },
  grain: grainy(1.5, [0.5, 0.6, 0.2, 0, 0]),
  pixelArt: 'yes',
});
const masonry = recipeWith({
  body: { kind: 'none' },
  grain: grainy(9, [0.4, 0.8, 0.9, 0.4, 0]),
  pixelArt: 'yes',
});
const earth = recipeWith({
  body: { kind: 'none' },
  grain: grainy(5, [0.5, 0.8, 0.6, 0.2, 0]),
  pixelArt: 'yes',
});
const can = recipeWith({
  body: { kind: 'inflate', fullness: 1 },
  grain: grainy(1, [0, 0.6, 0.4, 0, 0]),
  pixelArt: 'yes',
});
const foliage = recipeWith({
  body: { kind: 'bevel', widthPx: 3, heightPx: 3, profile: 'round' },
  grain: grainy(4, [0.6, 0.8, 0.5, 0, 0]),
  pixelArt: 'yes',
});

function pieces(): Record<string, Piece> {
  return {
    sky: { name: 'Sky', paint: sky(780, 190), pivot: [0, 0] },
    'hills-far': { name: 'Far hills', paint: farHills(820, 110), pivot: [0, 110] },
    'hills-near': { name: 'Near hills', paint: nearHills(860, 86), pivot: [0, 86] },
    woods: { name: 'Woods', paint: woods(900, 92), recipe: foliage, pivot: [0, 92] },
    ground: { name: 'Ground and track', paint: ground(900, 66), recipe: earth, pivot: [0, 0] },
    platform: { name: 'Platform', paint: platform(520, 45), recipe: masonry, pivot: [0, 0] },
    hut: { name: 'Waiting hut', paint: hut(), glow: hutGlow(), recipe: timberwork },
    lamp: { name: 'Oil lamp', paint: lamp(), glow: lampGlow(), recipe: castIron },
    wagon: { name: 'Goods wagon', paint: wagon(), recipe: timberwork },
    'name-board': { name: 'Name board', paint: nameBoard(), recipe: timberwork },
    signal: { name: 'Signal', paint: signal(), glow: signalGlow(), recipe: castIron },
    'hand-lantern': { name: 'Hand lantern', paint: handLantern(), glow: handLanternGlow(), recipe: castIron },
    luggage: { name: 'Luggage', paint: luggage(), recipe: can },
    churn: { name: 'Milk churn', paint: churn(), recipe: can },
    smoke: { name: 'Stove smoke', paint: smoke(), moving: SMOKE, pivot: [6, SMOKE.height] },
    flag: { name: 'Flag', paint: flag(), recipe: can, moving: FLAG, pivot: [3, FLAG.height] },
    'wall-tiles': {
      name: 'Wall tiles',
      paint: wallTiles(),
      recipe: masonry,
      pivot: [0, 0],
      sheet: { columns: TILES.columns, rows: TILES.rows },
    },
    lamplighter: {
      name: 'Lamplighter',
      paint: lamplighter(),
      recipe: can,
      moving: LAMPLIGHTER,
      pivot: [11, 39],
    },
    verge: { name: 'Verge', paint: verge(820, 58), recipe: foliage, pivot: [0, 58] },
  };
}

/** Ground line of the halt and top of the platform, scene px. */
const GROUND_Y = 224;
const PLATFORM_Y = 193;

/** @param sha256 the host's hash of bytes, as hex */
export function fennelHalt(sha256: (bytes: Uint8Array) => string): DemoScene {
  const art = pieces();
  const pictures = new Map<string, Uint8Array>();
  const keep = (paint: Paint) => {
    const bytes = encodePng(paint.image);
    const sha = sha256(bytes);
    pictures.set(sha, bytes);
    return sha;
  };
  const document: SceneDocument = {
    ...newScene({
      gateX: 120,
      gateY: 10,
      gateWidthPx: 480,
      gateHeightPx: 270,
      pixelArt: true,
      lightSpace: 'linear',
      backdropColour: '#5d6f98',
      ambientColour: '#8288c0',
      ambientLevel: 0.42,
      clockHours: 19.2,
    }),
    planes: {
      sky: newPlane({ name: 'Sky', order: 'a1', parallax: 0.1, locked: true }),
      hills: newPlane({ name: 'Hills', order: 'a2', parallax: 0.35, locked: true }),
      woods: newPlane({ name: 'Woods', order: 'a3', parallax: 0.7, locked: true }),
      wall: newPlane({ name: 'Wall', order: 'a4' }),
      line: newPlane({ name: 'Line', order: 'a5' }),
      halt: newPlane({ name: 'Halt', order: 'a6' }),
      front: newPlane({ name: 'Front', order: 'a7', parallax: 1.15 }),
    },
  };
  for (const [id, { name, paint, glow, recipe, pivot, moving, sheet }] of Object.entries(art)) {
    const grid = moving ? { columns: moving.frames, rows: 1 } : sheet;
    const cells = grid ? { ...grid, marginPx: 0, gapPx: 0 } : null;
    document.artworks[id] = newArtwork({
      name,
      imageSha: keep(paint),
      widthPx: paint.width,
      heightPx: paint.height,
      pixelArt: true,
      pivotX: pivot?.[0] ?? paint.width / 2,
      pivotY: pivot?.[1] ?? paint.height,
      glowSha: glow ? keep(glow) : null,
      cells,
      ...(cells && { frames: framesFrom(gridRects(paint.image, cells, true), name) }),
      ...(moving && { rateHz: moving.rateHz }),
    });
    if (recipe) document.reliefs[id] = newRelief({ recipe });
  }
  placeSprites(document);
  layWall(document);
  placeLamplighter(document);
  placeOccluders(document, art);
  placeLights(document);
  placeCues(document);
  return { projectName: 'Fennel Halt', sceneName: 'Evening train', document, pictures };
}

function placeSprites(document: SceneDocument): void {
  let order = 0;
  const place = (
    id: string,
    artworkId: string,
    planeId: string,
    x: number,
    y: number,
    fields: Partial<Sprite> = {},
  ) => {
    document.sprites[id] = newSprite({
      name: document.artworks[artworkId].name,
      artworkId,
      planeId,
      order: `a${String.fromCharCode(65 + order++)}`,
      x,
      y,
      ...fields,
    });
  };
  place('sky', 'sky', 'sky', -150, 0);
  place('hills-far', 'hills-far', 'hills', -110, 186);
  place('hills-near', 'hills-near', 'hills', -120, 226);
  place('woods', 'woods', 'woods', -90, 226);
  place('ground', 'ground', 'line', -70, GROUND_Y - 2);
  place('platform', 'platform', 'line', 268, PLATFORM_Y);
  place('wagon', 'wagon', 'halt', 184, GROUND_Y + 9);
  place('name-board', 'name-board', 'halt', 330, PLATFORM_Y + 2);
  place('hut', 'hut', 'halt', 500, PLATFORM_Y + 3);
  place('smoke', 'smoke', 'halt', 532, 94, { opacity: 0.85 });
  place('flag', 'flag', 'halt', 273, PLATFORM_Y + 3);
  place('lamplighter', 'lamplighter', 'halt', 564, PLATFORM_Y + 3);
  place('luggage', 'luggage', 'halt', 458 - 74, PLATFORM_Y + 3);
  place('lamp', 'lamp', 'halt', 416, PLATFORM_Y + 3);
  place('hand-lantern', 'hand-lantern', 'halt', 289, PLATFORM_Y + 2);
  place('signal', 'signal', 'halt', 589, PLATFORM_Y + 3);
  place('churn-a', 'churn', 'front', 468, 281);
  place('churn-b', 'churn', 'front', 495, 285, { flipX: true });
  place('churn-c', 'churn', 'front', 517, 279);
  place('verge', 'verge', 'front', -60, 312);
}

/** The yard wall, painted with tiles: it stops light as one piece, its slope as a slope. */
function layWall(document: SceneDocument): void {
  const { side } = TILES;
  const square = [[0, 0, side, 0, side, side, 0, side]];
  const outlines: Partial<Record<number, number[][]>> = { [TILE.slope]: [[0, 0, side, side, 0, side]] };
  document.artworks['wall-tiles'].occluders = [
    {
      id: 'body',
      name: 'Body',
      kind: 'closed',
      ...NEW_SHADE,
      outlines: [],
      smooth: [],
      frames: Object.values(TILE).map((frame) => ({
        frame,
        outlines: outlines[frame] ?? square,
        smooth: [],
      })),
    },
  ];
  const grid = {
    artworkId: 'wall-tiles',
    x: -72,
    y: GROUND_Y - 4 * side,
    cellWidthPx: side,
    cellHeightPx: side,
  };
  document.planes.wall.tiles = { ...grid, blocks: true, ...NEW_SHADE };
  const columns = 21;
  const cells: CellChange[] = [];
  const lay = (x: number, y: number, frame: number) => cells.push([x, y, cellOf({ frame, orientation: 0 })]);
  for (let x = 0; x < columns; x++) {
    lay(x, 0, hash01(61, x) < 0.35 ? TILE.copingMoss : TILE.coping);
    for (let y = 1; y < 3; y++) lay(x, y, hash01(62, 8 * x + y) < 0.25 ? TILE.brickWorn : TILE.brick);
    if (x % 7 === 3) lay(x, 2, TILE.vent);
    lay(x, 3, x % 7 === 5 ? TILE.arch : TILE.footing);
  }
  // It comes down to the ground in steps.
  for (let y = 0; y < 4; y++) {
    lay(columns + y, y, TILE.slope);
    for (let below = y + 1; below < 4; below++)
      lay(columns + y, below, below === 3 ? TILE.footing : TILE.brick);
  }
  Object.assign(document, applyEdits(document, cellEdits(document, 'wall', cells)));
}

/** The lamplighter, whose artwork brings his lantern along: a lamp of the luminaire that hangs on his hand. */
function placeLamplighter(document: SceneDocument): void {
  const artwork = document.artworks.lamplighter;
  const [x, y] = HAND[0];
  artwork.brackets = [
    {
      id: 'hand',
      name: 'hand',
      x,
      y,
      turnDeg: 0,
      places: HAND.map(([hx, hy], frame) => ({ frame, x: hx, y: hy, turnDeg: 0 })),
    },
  ];
  artwork.lamps = [{ luminaireId: 'hand-lantern', bracketId: 'hand', x: 0, y: 0 }];
  document.luminaires['hand-lantern'] = {
    name: 'Hand lantern',
    lights: [
      newLightPart({
        id: 'flame',
        name: 'Flame',
        y: 8,
        colour: '#ffb060',
        level: 2.4,
        corePx: 8,
        reachPx: 110,
        heightPx: 24,
        air: 0.05,
        wick: newWick({
          name: 'Draughty flame',
          seed: 44,
          rateHz: 3.2,
          roughness: 0.7,
          levelLow: 0.7,
          levelHigh: 1.15,
        }),
      }),
    ],
    flames: [
      {
        id: 'lantern',
        name: 'Lantern',
        artworkId: 'hand-lantern',
        x: 0,
        y: 14,
        turnDeg: 0,
        scaleX: 1,
        scaleY: 1,
        flipX: false,
        opacity: 1,
        frame: 0,
        playing: false,
        answer: 'shaded',
        glowLevel: 1.4,
      },
    ],
  };
  document.lamps['lamplighter-lantern'] = newLamp({
    name: 'Hand lantern',
    luminaireId: 'hand-lantern',
    planeId: 'halt',
    order: 'az',
    x: 0,
    y: 0,
    hangsOn: { spriteId: 'lamplighter', bracketId: 'hand' },
    spanFarId: 'wall',
  });
}

function placeOccluders(document: SceneDocument, art: Record<string, Piece>): void {
  const { x, y, w, h } = LAMP.glass;
  document.occluders = {
    // Two corner posts, the roof and the oil pan: between them the light leaves the lantern.
    lantern: newOccluder({
      name: 'Lantern frame',
      planeId: 'halt',
      spriteId: 'lamp',
      kind: 'closed',
      outlines: [
        [x - 3, y - 2, x + w + 3, y - 2, x + w / 2, 2],
        [x + 4, y + h, x + w - 4, y + h, x + w - 5, y + h + 4, x + 5, y + h + 4],
        [x - 1, y + 7.6, x, y + 7.6, x, y + 8.8, x - 1, y + 8.8],
        [x + w, y + 7.6, x + w + 1, y + 7.6, x + w + 1, y + 8.8, x + w, y + 8.8],
        [x - 0.4, y + h - 2, x + 0.4, y + h - 2, x + 0.4, y + h - 1.2, x - 0.4, y + h - 1.2],
        [x + w - 0.4, y + h - 2, x + w + 0.4, y + h - 2, x + w + 0.4, y + h - 1.2, x + w - 0.4, y + h - 1.2],
      ],
    }),
    platform: newOccluder({
      name: 'Platform',
      planeId: 'line',
      spriteId: 'platform',
      kind: 'closed',
      outlines: [[0, 1, 520, 1, 520, 45, 0, 45]],
    }),
    hut: newOccluder({
      name: 'Hut',
      planeId: 'halt',
      spriteId: 'hut',
      kind: 'closed',
      outlines: [
        [
          9,
          104,
          9,
          41,
          1,
          40,
          22,
          4,
          HUT.width - 22,
          4,
          HUT.width - 1,
          40,
          HUT.width - 9,
          41,
          HUT.width - 9,
          104,
        ],
      ],
    }),
    wagon: newOccluder({
      name: 'Wagon',
      planeId: 'halt',
      spriteId: 'wagon',
      kind: 'closed',
      outlines: traceAlpha(
        alphaOf(art.wagon.paint.image),
        art.wagon.paint.width,
        art.wagon.paint.height,
        128,
        1.5,
      ),
    }),
    board: newOccluder({
      name: 'Name board',
      planeId: 'halt',
      spriteId: 'name-board',
      kind: 'closed',
      outlines: [[0, 2, 62, 2, 62, 17, 0, 17]],
    }),
  };
}

function placeLights(document: SceneDocument): void {
  document.wicks = {
    'calm-flame': newWick({
      name: 'Calm flame',
      seed: 1907,
      rateHz: 1.7,
      levelLow: 0.78,
      levelHigh: 1.12,
      reachLow: 0.94,
      reachHigh: 1.04,
    }),
    'draughty-flame': newWick({
      name: 'Draughty flame',
      seed: 44,
      rateHz: 3.2,
      roughness: 0.7,
      levelLow: 0.55,
      levelHigh: 1.2,
    }),
  };
  const lampX = 416 - LAMP.width / 2;
  const lampY = PLATFORM_Y + 3 - LAMP.height;
  document.lights = {
    'light-platform': newLight({
      name: 'Platform lamp',
      planeId: 'halt',
      order: 'a1',
      x: lampX + LAMP.flame.x,
      y: lampY + LAMP.flame.y,
      colour: '#ffb45e',
      level: 4,
      corePx: 22,
      reachPx: 225,
      steepness: 0.72,
      heightPx: 44,
      sizePx: 1.5,
      air: 0.045,
      spanFarId: 'woods',
      wickId: 'calm-flame',
    }),
    'light-sky': newLight({
      name: 'Sky on edges',
      kind: 'sun',
      planeId: 'halt',
      order: 'a5',
      x: 120,
      y: 40,
      colour: '#8fa8ff',
      level: 0.22,
      bearingDeg: -112,
      altitudeDeg: 30,
      rim: true,
      shadows: false,
      spanFarId: 'line',
      spanNearId: 'halt',
    }),
    'light-window': newLight({
      name: 'Hut window',
      planeId: 'halt',
      order: 'a2',
      x: 500 - HUT.width / 2 + 37,
      y: PLATFORM_Y + 3 - HUT.height + 66,
      colour: '#ffcf8a',
      level: 1.5,
      corePx: 12,
      reachPx: 84,
      curve: 'eased',
      steepness: 1.4,
      heightPx: 26,
      shadows: false,
      spanFarId: 'line',
      wickId: 'calm-flame',
    }),
    'light-signal': newLight({
      name: 'Signal lamp',
      planeId: 'halt',
      order: 'a3',
      x: 589 - SIGNAL_POST.width / 2 + 26.5,
      y: PLATFORM_Y + 3 - SIGNAL_POST.height + 14.5,
      colour: '#ff4a30',
      level: 2.4,
      corePx: 4,
      reachPx: 74,
      heightPx: 14,
      air: 0.14,
      spanFarId: 'woods',
    }),
    'light-guard': newLight({
      name: "Guard's lantern",
      planeId: 'halt',
      order: 'a4',
      x: 289,
      y: PLATFORM_Y - 3.5,
      colour: '#ffa04a',
      level: 2.2,
      corePx: 8,
      reachPx: 96,
      heightPx: 20,
      air: 0.05,
      spanFarId: 'line',
      wickId: 'draughty-flame',
    }),
  };
}

function placeCues(document: SceneDocument): void {
  const cue = (clockHours: number, ambientColour: string, ambientLevel: number) =>
    newCue({ clockHours, ambientColour, ambientLevel });
  document.cues = {
    'cue-small-hours': cue(2, '#3a4a80', 0.14),
    'cue-first-light': cue(5.5, '#8a94c4', 0.32),
    'cue-morning': cue(8, '#f2e6d4', 0.85),
    'cue-noon': cue(13, '#fff8ec', 1.02),
    'cue-low-sun': cue(17.5, '#ffcf9c', 0.78),
    'cue-dusk': cue(19.25, '#8288c0', 0.42),
    'cue-night': cue(21.5, '#4a5a98', 0.22),
  };
}
