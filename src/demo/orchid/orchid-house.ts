/** The Orchid House: a glasshouse from above, at night. */
import { cellEdits, type CellChange } from '@/core/art/tile-edits';
import { cellOf } from '@/core/art/tiles';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import { applyEdits } from '@/core/scene/edits';
import { newScene } from '@/core/scene/new-scene';
import { newPath } from '@/core/scene/records/motion';
import { newOccluder } from '@/core/scene/records/occluder';
import { newPlane, newTileGrid } from '@/core/scene/records/plane';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { newSprite, type Sprite } from '@/core/scene/records/sprite';
import { hash01 } from '@/core/time/noise';
import { addPieces, pictureKeeper, type DemoScene } from '../demo-scene';
import { WALL_TILE, WALL_TILES } from './house';
import { LANTERN, placeDay, placeLamps } from './lamps';
import { orchidPieces } from './pieces';

/** The stagings: their middles, and how long each is. */
export const STAGINGS = [
  { x: 96, y: 60, width: 110 },
  { x: 214, y: 60, width: 78 },
  { x: 96, y: 212, width: 110 },
  { x: 214, y: 212, width: 78 },
  { x: 358, y: 56, width: 110 },
  { x: 358, y: 216, width: 110 },
] as const;
/** The partition of glass between the warm and the cool house. */
export const PARTITION_X = 276;
const STAGING_HIGH_PX = 18;

/** @param sha256 the host's hash of bytes, as hex */
export function orchidHouse(sha256: (bytes: Uint8Array) => string): DemoScene {
  const pictures = new Map<string, Uint8Array>();
  const keep = pictureKeeper(pictures, sha256);
  const document: SceneDocument = {
    ...newScene({
      ...{ gateX: 0, gateY: 0, gateWidthPx: 480, gateHeightPx: 270 },
      ...{ pixelArt: true, lightSpace: 'linear', backdropColour: '#1a2430', viewTiltDeg: 90 },
      ...{ ambientColour: '#5a74a8', ambientLevel: 0.26, clockHours: 22.5, tone: 'shoulder', whiteLevel: 5 },
      // Panes and lamps glow softly through the damp air.
      ...{ bloomLevel: 0.4, bloomThreshold: 0.9, bloomKnee: 0.4, bloomSpread: 0.5, bloomColour: '#fff0dc' },
      ...{ vignetteLevel: 0.3, vignetteInner: 0.45, vignetteColour: '#04080e' },
      ...{ saturation: 1.08, slopeRed: 1.02, offsetBlue: 0.006 },
      ...{ sunRiseHours: 5.5, sunSetHours: 19, sunNoonDeg: 56, moonAfterHours: 12, moonNoonDeg: 50 },
      ...{ mistScalePx: 190, mistWindX: 3, mistWindY: 2, mistSoftness: 0.85, mistColour: '#b8d0c8' },
    }),
    planes: {
      garden: newPlane({ name: 'Garden', order: 'a1', locked: true }),
      floor: newPlane({ name: 'Floor', order: 'a2' }),
      walls: newPlane({ name: 'Walls', order: 'a3' }),
      staging: newPlane({ name: 'Staging', order: 'a4' }),
      plants: newPlane({ name: 'Plants', order: 'a5' }),
      people: newPlane({ name: 'People', order: 'a6' }),
      roof: newPlane({ name: 'Roof', order: 'a7', ground: false, parallax: 1.06, takesDrift: false }),
    },
  };
  addPieces(document, orchidPieces(), keep);
  layWalls(document);
  furnish(document);
  plant(document);
  placeLamps(document, keep);
  placeDay(document);
  settingsOf(document).asides = setAside(document);
  // Its many lights take the reference renderer long: a part of the gate is picture enough.
  const still = { x: 104, y: 92, widthPx: 160, heightPx: 90 };
  return { projectName: 'Orchid House', sceneName: 'Night round', document, pictures, still };
}

/** Why lights of a luminaire throw no shadows here, and are meant so. */
const NO_SHADOWS: Readonly<Record<string, string>> = {
  'greenhouse-heater': 'It glows from under the staging.',
  'carriage-lamp': 'Its red glass stains only what is near.',
  'roof-light': 'Its halo hangs in the mist.',
  'failing-tube': 'It is too long to throw any edge.',
  'carbide-lamp': 'Its jet lights only its own bench.',
  'paraffin-stove': 'Its blue ring lights only itself.',
  'glow-worm': 'It is too small.',
};

/** Snags that are meant so. */
function setAside({ lamps, lights, sprites, artworks }: SceneDocument): { about: string; note: string }[] {
  const all = (ids: readonly string[], note: string) => ids.map((about) => ({ about, note }));
  return [
    ...Object.entries(lamps).flatMap(([id, { luminaireId }]) =>
      NO_SHADOWS[luminaireId] ? [{ about: `shadows-off lamps/${id}`, note: NO_SHADOWS[luminaireId] }] : [],
    ),
    ...all(
      Object.keys(lights).flatMap((id) => (/^(pond|grow)/.test(id) ? [`shadows-off lights/${id}`] : [])),
      'It lies in the water, or hangs close over its trays.',
    ),
    ...all(
      Object.keys(sprites).flatMap((id) =>
        id.startsWith('night-flower') ? [`unlit-sprite sprites/${id}`] : [],
      ),
      'The gardener’s lamp finds it on the round.',
    ),
    ...all(
      Object.keys(artworks).flatMap((id) =>
        /^(truss|garden)$/.test(id) ? [`missing-relief artworks/${id}`] : [],
      ),
      'It has no form worth a relief.',
    ),
  ];
}

/** The dwarf wall all around, with a doorway below; it stops light. */
function layWalls(document: SceneDocument): void {
  const { side } = WALL_TILES;
  document.artworks['wall-tiles'].occluders = [
    {
      ...{ id: 'body', name: 'Body', kind: 'closed' as const, outlines: [], smooth: [] },
      ...NEW_SHADE,
      staturePx: 26,
      frames: Object.values(WALL_TILE).map((frame) => ({
        frame,
        outlines: [[0, 0, side, 0, side, side, 0, side]],
        smooth: [],
      })),
    },
  ];
  document.planes.walls.tiles = newTileGrid({
    ...{ artworkId: 'wall-tiles', x: 16, y: 15, cellWidthPx: side, cellHeightPx: side },
  });
  const [columns, rows] = [28, 15];
  const cells: CellChange[] = [];
  for (let x = 0; x < columns; x++)
    for (let y = 0; y < rows; y++) {
      const isEdge = x === 0 || y === 0 || x === columns - 1 || y === rows - 1;
      const isDoor = y === rows - 1 && (x === 9 || x === 10);
      if (!isEdge || isDoor) continue;
      const isCorner = (x === 0 || x === columns - 1) && (y === 0 || y === rows - 1);
      const tile = isCorner
        ? WALL_TILE.corner
        : y === 0 && x % 3 === 1
          ? WALL_TILE.sill
          : hash01(71, 64 * y + x) < 0.3
            ? WALL_TILE.worn
            : WALL_TILE.brick;
      cells.push([x, y, cellOf({ frame: tile, orientation: 0 })]);
    }
  Object.assign(document, applyEdits(document, cellEdits(document, 'walls', cells)));
}

type Place = (artworkId: string, planeId: string, x: number, y: number, fields?: Partial<Sprite>) => string;

/** Puts sprites one over the other, in the order in which they come. */
function placer(document: SceneDocument): Place {
  return (artworkId, planeId, x, y, fields = {}) => {
    const count = Object.keys(document.sprites).length;
    const id = `${artworkId}-${count}`;
    document.sprites[id] = newSprite({
      ...{ name: document.artworks[artworkId].name, artworkId, planeId, x, y },
      order: `a${String(count).padStart(4, '0')}`,
      ...fields,
    });
    return id;
  };
}

function furnish(document: SceneDocument): void {
  const place = placer(document);
  place('garden', 'garden', -20, -20);
  place('floor', 'floor', 32, 31);
  place('mat', 'floor', 176, 232);
  place('bed-round', 'floor', 150, 136);
  for (const [x, y] of [
    [54, 110],
    [54, 162],
    [244, 110],
    [244, 162],
  ])
    place('bed-corner', 'floor', x, y);
  place('bed-long', 'floor', 358, 98);
  place('bed-long', 'floor', 358, 178);
  place('pond', 'floor', 362, 138);
  for (const [i, { x, y, width }] of STAGINGS.entries()) {
    place(width > 100 ? 'staging-long' : 'staging-short', 'staging', x, y);
    // Light passes under its shadow's end: what stands on the floor behind it is lit again.
    document.occluders[`staging-${i}`] = newOccluder({
      ...{ name: `Staging ${i + 1}`, planeId: 'floor', kind: 'closed', staturePx: STAGING_HIGH_PX },
      outlines: [
        [x - width / 2, y - 12, x + width / 2, y - 12, x + width / 2, y + 12, x - width / 2, y + 12],
      ],
    });
  }
  placePartition(document, place);
  place('can', 'staging', 262, 224, { turnDeg: 20 });
  place('can', 'staging', 306, 128, { turnDeg: -70 });
  for (const y of [58, 112, 166, 220]) place('truss', 'roof', 240, y, { opacity: 0.55 });
  for (const [x, y] of [
    [126, 96],
    [196, 176],
    [310, 176],
    [416, 100],
  ])
    place('basket', 'roof', x, y);
}

/** Panes of green and amber glass between the houses; a gap in the middle is the way through. */
function placePartition(document: SceneDocument, place: Place): void {
  const colours = ['#8fe6b4', '#a8e8d0', '#f0c070', '#8fe6b4'];
  [44, 70, 96, 176, 202, 228].forEach((y, i) => {
    place('pane', 'staging', PARTITION_X, y);
    document.occluders[`pane-${i}`] = newOccluder({
      ...{ name: `Pane ${i + 1}`, planeId: 'staging', kind: 'closed' },
      ...{ transmitShare: 0.6, transmitColour: colours[i % colours.length] },
      outlines: [
        [PARTITION_X - 1, y - 13, PARTITION_X + 1, y - 13, PARTITION_X + 1, y + 13, PARTITION_X - 1, y + 13],
      ],
    });
  });
}

const POTS = ['orchid-pink', 'orchid-white', 'orchid-gold', 'orchid-red', 'cactus'] as const;

function plant(document: SceneDocument): void {
  const place = placer(document);
  const seed = (n: number) => hash01(401, Object.keys(document.sprites).length * 8 + n);
  const turned = () => ({ turnDeg: Math.round(seed(1) * 12) * 30 });
  // Two rows of pots on each staging; seedlings stand at the end of some.
  for (const [i, { x, y, width }] of STAGINGS.entries()) {
    const hasTrays = i === 3 || i === 5;
    for (let left = 9; left < width - (hasTrays ? 34 : 6); left += 13)
      for (const row of [-6, 6]) {
        const kind = POTS[Math.floor(seed(2) * (i < 4 ? POTS.length : 4))];
        place(kind, 'plants', Math.round(x - width / 2 + left + 2 * seed(3)), y + row, {
          flipX: seed(4) > 0.5,
        });
      }
    if (hasTrays) for (const row of [-6, 7]) place('seedlings', 'plants', x + width / 2 - 17, y + row);
  }
  const treeFern = place('tree-fern', 'plants', 150, 136);
  document.sprites[treeFern].name = 'Great tree fern';
  for (const [x, y] of [
    [126, 118],
    [174, 118],
    [126, 156],
    [174, 156],
  ])
    place('fern-b', 'plants', x, y, turned());
  for (const [x, y] of [
    [46, 106],
    [64, 116],
    [46, 158],
    [64, 168],
    [236, 106],
    [252, 116],
    [236, 158],
    [252, 168],
  ])
    place(seed(5) > 0.5 ? 'fern-a' : 'broad-leaf', 'plants', x, y, turned());
  for (let i = 0; i < 18; i++)
    place(i % 2 === 0 ? 'cushion-a' : 'cushion-b', 'plants', 306 + (i % 9) * 13, i < 9 ? 92 : 184, turned());
  for (let i = 0; i < 9; i++)
    place('night-flower', 'plants', 310 + (i % 5) * 24, i < 5 ? 102 : 174, {
      ...{ answer: 'seen-when-lit', seenGain: 5, circuitIds: [LANTERN] },
      ...turned(),
    });
  for (const [i, [x, y]] of [
    [338, 122],
    [352, 150],
    [372, 128],
    [386, 148],
    [334, 144],
    [396, 132],
    [366, 140],
  ].entries())
    place(i % 3 === 0 ? 'lily-a' : 'lily-b', 'plants', x, y, turned());
  for (let i = 0; i < 12; i++) {
    const isTop = i < 6;
    place(i % 2 === 0 ? 'vine-a' : 'vine-b', 'plants', 60 + (i % 6) * 68, isTop ? 36 : 236, {
      flipY: !isTop,
      flipX: seed(6) > 0.5,
    });
  }
  for (const y of [70, 100, 176, 206]) place('vine-b', 'plants', 444, y, { turnDeg: 90 });
  document.sprites.gardener = newSprite({
    ...{ name: 'Gardener', artworkId: 'gardener', planeId: 'people', order: 'a9', x: 176, y: 200 },
    path: newPath({
      points: [
        0, 0, 24, -26, 30, -64, -22, -100, -78, -92, -92, -62, -60, -24, 30, -58, 128, -60, 134, -18, 252,
        -14, 258, -100, 140, -108, 126, -62, 36, -56,
      ],
      ...{ speedPx: 26, ends: 'closed', smooth: [1, 2, 3, 4, 5, 6, 9, 10, 11, 12], flips: true },
    }),
  });
  document.artworks.gardener.brackets = [{ id: 'hand', name: 'hand', x: 15, y: 14, turnDeg: 0, places: [] }];
}
