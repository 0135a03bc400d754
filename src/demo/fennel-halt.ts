/** Fennel Halt: a narrow-gauge railway halt in wet hills, at dusk, from the side. */
import { traceAlpha } from '@/core/geometry/trace';
import { alphaOf } from '@/core/raster/image';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newLamp } from '@/core/scene/records/lamp';
import { newFlamePart, newLightPart } from '@/core/scene/records/luminaire';
import { newPath } from '@/core/scene/records/motion';
import { newOccluder } from '@/core/scene/records/occluder';
import { newPlane, newTileGrid } from '@/core/scene/records/plane';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { newSprite, type Sprite } from '@/core/scene/records/sprite';
import { newWick } from '@/core/scene/records/wick';
import { cellEdits, type CellChange } from '@/core/art/tile-edits';
import { cellOf } from '@/core/art/tiles';
import { applyEdits } from '@/core/scene/edits';
import { hash01 } from '@/core/time/noise';
import { HUT } from './art/hut';
import { LAMP } from './art/lamps';
import { HAND } from './art/lamplighter';
import { TILE, TILES } from './art/tiles';
import { ON_LAMPS, placeCues, placeLights, placeWashes, STORM_LAMP } from './fennel-halt-lights';
import { addPieces, pictureKeeper, type DemoScene, type Piece } from './demo-scene';
import { pieces } from './fennel-halt-pieces';
import { GROUND_Y, PLATFORM_Y } from './fennel-halt-places';

/** Snags that are meant so. */
const SET_ASIDE = [
  { about: 'shadows-off lights/light-storm', note: 'It hangs on the wagon, whose outline would shut it in.' },
  {
    about: 'shadows-off lights/light-window',
    note: 'It stands for the whole pane: the hut is not in its way.',
  },
  { about: 'missing-relief artworks/upper-line', note: 'A rail seen from afar has no form.' },
  { about: 'missing-relief artworks/smoke', note: 'Smoke has no surface.' },
];

/** @param sha256 the host's hash of bytes, as hex */
export function fennelHalt(sha256: (bytes: Uint8Array) => string): DemoScene {
  const art = pieces();
  const pictures = new Map<string, Uint8Array>();
  const keep = pictureKeeper(pictures, sha256);
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
      sunRiseHours: 5.75,
      sunSetHours: 18.6,
      sunNoonDeg: 48,
      moonAfterHours: 11,
      // Lamps glow a little into the evening air, and the corners of the gate are a little darker.
      ...{
        bloomLevel: 0.34,
        bloomThreshold: 0.85,
        bloomKnee: 0.35,
        bloomSpread: 0.55,
        bloomColour: '#ffe4c0',
      },
      ...{ vignetteLevel: 0.24, vignetteInner: 0.5, vignetteRoundness: 0.7, vignetteColour: '#0a0e1c' },
      ...{ saturation: 1.06, offsetBlue: 0.006 },
      ...{ cloudScalePx: 300, cloudWindX: 14, cloudSoftness: 0.3, cloudColour: '#66708c' },
      ...{ mistScalePx: 260, mistWindX: 5, mistSoftness: 0.8, mistFarFade: 0.2 },
    }),
    planes: {
      sky: newPlane({
        name: 'Sky',
        order: 'a1',
        parallax: 0.1,
        ground: false,
        takesDrift: false,
        locked: true,
      }),
      hills: newPlane({ name: 'Hills', order: 'a2', parallax: 0.35, ground: false, locked: true }),
      woods: newPlane({ name: 'Woods', order: 'a3', parallax: 0.7, ground: false, locked: true }),
      wall: newPlane({ name: 'Wall', order: 'a4' }),
      line: newPlane({ name: 'Line', order: 'a5' }),
      halt: newPlane({ name: 'Halt', order: 'a6' }),
      front: newPlane({ name: 'Front', order: 'a7', parallax: 1.15 }),
    },
  };
  addPieces(document, art, keep);
  placeSprites(document);
  layWall(document);
  placeLamplighter(document);
  placeOccluders(document, art);
  placeLights(document);
  placeWashes(document);
  placeCues(document);
  settingsOf(document).asides = [...SET_ASIDE];
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
  // It comes by on the upper line, behind the wall, and is away for a while.
  place('upper-line', 'upper-line', 'woods', -90, 187);
  place('train', 'train', 'woods', -420, 188, {
    glowsWithId: 'light-train-0',
    path: newPath({
      ...{ points: [0, 0, 1300, 0], speedPx: 80, ends: 'appear', pauseSeconds: 14 },
      phaseSeconds: 17,
    }),
  });
  place('ground', 'ground', 'line', -70, GROUND_Y - 2);
  place('platform', 'platform', 'line', 268, PLATFORM_Y);
  place('wagon', 'wagon', 'halt', 184, GROUND_Y + 9);
  place('storm-lamp', 'hand-lantern', 'halt', STORM_LAMP.x, STORM_LAMP.y, {
    name: 'Storm lamp',
    glowsWithId: 'light-storm',
  });
  place('name-board', 'name-board', 'halt', 330, PLATFORM_Y + 2);
  place('hut', 'hut', 'halt', 500, PLATFORM_Y + 3, { glowsWithId: 'light-window' });
  place('smoke', 'smoke', 'halt', 532, 94, { opacity: 0.85 });
  place('flag', 'flag', 'halt', 273, PLATFORM_Y + 3);
  place('lamplighter', 'lamplighter', 'halt', 564, PLATFORM_Y + 3);
  place('luggage', 'luggage', 'halt', 458 - 74, PLATFORM_Y + 3);
  place('lamp', 'lamp', 'halt', 416, PLATFORM_Y + 3, { glowsWithId: 'light-platform' });
  place('hand-lantern', 'hand-lantern', 'halt', 289, PLATFORM_Y + 2, { glowsWithId: 'light-guard' });
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
  document.planes.wall.tiles = newTileGrid({
    artworkId: 'wall-tiles',
    x: -72,
    y: GROUND_Y - 4 * side,
    cellWidthPx: side,
    cellHeightPx: side,
  });
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
      newFlamePart({
        id: 'lantern',
        name: 'Lantern',
        artworkId: 'hand-lantern',
        y: 14,
        playing: false,
        answer: 'shaded',
        glowLevel: 1.4,
        glowsWithId: 'flame',
      }),
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
    circuitIds: ON_LAMPS,
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
