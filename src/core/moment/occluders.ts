/** What stops light: occluders of the scene, those that artworks bring to their sprites, and walls of tile planes. */
import type { Affine, Box } from '../geometry/affine';
import { insetEdges } from '../geometry/inset';
import { hexInLightSpace, type LightSpace, type Rgb } from '../raster/colour';
import {
  compare,
  settingsOf,
  type ArtworkOccluder,
  type SceneDocument,
  type Shade,
  type Sprite,
} from '../scene/document';
import { RowMemory, type Drawn, type DrawOrder } from './draw-order';
import type { EdgePiece, MomentOccluder } from './moment';
import { boxOfEdges, localEdges, mappedEdges, outlinesAt, sameMap, type Outlined } from './occluder-edges';
import { artOf, frameNumber, groundMap, isShown, spriteAffine } from './standing';
import { gridMap } from './tile-sprites';
import { wallPieces } from './tile-walls-of';

export interface FoundOccluders {
  occluders: MomentOccluder[];
  /** What each of them comes from. */
  sources: OccluderSource[];
}

export interface OccluderSource {
  id: string;
  name: string;
  planeId: string;
  /** The sprite that it belongs to; null stands free. */
  spriteId: string | null;
  setIds: readonly string[];
}

/** What stops light, before it is put into numbers. */
interface Found {
  source: OccluderSource;
  shape: Pick<ArtworkOccluder, 'kind'> & Shade;
  pieces: readonly EdgePiece[];
}

export function occludersOf(
  scene: SceneDocument,
  planeIndex: ReadonlyMap<string, number>,
  order: DrawOrder,
  seconds: number,
): FoundOccluders {
  const found = [
    ...placedOccluders(scene, seconds),
    ...[...planeIndex.keys()].flatMap((planeId) => [
      ...broughtTo(scene, planeId, order.get(planeId) ?? NOTHING_DRAWN, seconds),
      ...wallsOf(scene, planeId),
    ]),
  ].filter(({ source, pieces }) => pieces.length > 0 && !scene.planes[source.planeId].overlay);
  const space = settingsOf(scene).lightSpace;
  return {
    sources: found.map(({ source }) => source),
    occluders: found.map(({ source, shape, pieces }) => ({
      plane: planeIndex.get(source.planeId)!,
      closed: shape.kind === 'closed',
      pieces,
      inner:
        shape.kind === 'closed' && shape.ownShade === 'dark' ? innerPieces(pieces, shape.soakPx) : NO_PIECES,
      transmits: transmittance(shape, space),
      staturePx: shape.staturePx,
      box: pieces.length === 1 ? pieces[0].box : boxAround(pieces.map((piece) => piece.box)),
    })),
  };
}

const NO_PIECES: readonly EdgePiece[] = [];

/** The light that comes through; null is none. */
function transmittance({ transmitShare, transmitColour }: Shade, space: LightSpace): Rgb | null {
  if (transmitShare === 0) return null;
  return hexInLightSpace(transmitColour, space).map((v) => v * transmitShare) as Rgb;
}

const inset = new WeakMap<readonly EdgePiece[], { soakPx: number; pieces: readonly EdgePiece[] }>();

/** The edges that stop light within an occluder: its own, drawn in by what light soaks into. */
function innerPieces(pieces: readonly EdgePiece[], soakPx: number): readonly EdgePiece[] {
  if (soakPx === 0) return pieces;
  const known = inset.get(pieces);
  if (known?.soakPx === soakPx) return known.pieces;
  const edges = insetEdges(
    pieces.map((piece) => piece.edges),
    soakPx,
  );
  const made = edges.length === 0 ? NO_PIECES : [{ edges, box: boxOfEdges(edges) }];
  inset.set(pieces, { soakPx, pieces: made });
  return made;
}

const NOTHING_DRAWN: readonly Drawn[] = [];

/** The occluders that stand in the scene by themselves, or belong to one sprite alone. */
function placedOccluders(scene: SceneDocument, seconds: number): Found[] {
  return Object.keys(scene.occluders)
    .sort(compare)
    .flatMap((id) => {
      const occluder = scene.occluders[id];
      const { name, spriteId, hidden } = occluder;
      const sprite = spriteId === null ? null : scene.sprites[spriteId];
      if (sprite === undefined || hidden) return [];
      const planeId = sprite ? sprite.planeId : occluder.planeId;
      const standing = sprite ?? { planeId, hidden: false, hangsOn: null };
      if (!isShown(scene, standing)) return [];
      const map = sprite ? spriteAffine(scene, sprite, seconds) : groundMap(scene, standing, seconds);
      if (!map) return [];
      const source = { id, name, planeId, spriteId, setIds: occluder.setIds };
      return [{ source, shape: occluder, pieces: piecesOf(occluder, occluder, map) }];
    });
}

const rowOccluders = new RowMemory<Found[]>();

/** The occluders that the sprites of a plane have from their artworks. */
function broughtTo(
  scene: SceneDocument,
  planeId: string,
  row: readonly Drawn[],
  seconds: number,
): readonly Found[] {
  const { gateX, gateY } = settingsOf(scene);
  const of = [scene.planes[planeId], gateX, gateY, scene.artworks];
  return rowOccluders.recall(row, scene.artworks, of, () =>
    row.flatMap((thing) => brought(scene, thing, seconds)),
  );
}

function brought(scene: SceneDocument, { kind, id, record }: Drawn, seconds: number): Found[] {
  if (kind !== 'sprite' || record.ownOccluders) return [];
  const artwork = artOf(scene, record);
  if (!artwork || artwork.occluders.length === 0 || !isShown(scene, record)) return [];
  const map = spriteAffine(scene, record, seconds);
  if (!map) return [];
  const frame = frameNumber(record, artwork, seconds);
  return artwork.occluders.map((occluder) => ({
    source: {
      id: `${id}/${occluder.id}`,
      name: occluder.name,
      planeId: record.planeId,
      spriteId: id,
      setIds: record.setIds,
    },
    shape: occluder,
    pieces: piecesOf(record, outlinesAt(artwork, occluder, frame), map),
  }));
}

/** The walls of a plane of tiles, all of them one occluder. */
function wallsOf(scene: SceneDocument, planeId: string): Found[] {
  const plane = scene.planes[planeId];
  const { tiles, name, hidden } = plane;
  const artwork = tiles && scene.artworks[tiles.artworkId];
  if (!tiles?.blocks || hidden || !artwork) return [];
  return [
    {
      source: { id: planeId, name, planeId, spriteId: null, setIds: [] },
      shape: { ...tiles, kind: 'closed' },
      pieces: wallPieces(scene, planeId, tiles, artwork, gridMap(scene, plane, tiles)),
    },
  ];
}

/** The last pieces of each record by their outlines: while neither these nor the place changes the same ones come back. */
const placed = new WeakMap<object, Map<readonly number[][], { map: Affine; pieces: EdgePiece[] }>>();

function piecesOf(record: Sprite | Outlined, outlined: Outlined, map: Affine): EdgePiece[] {
  let known = placed.get(record);
  if (!known) placed.set(record, (known = new Map()));
  const last = known.get(outlined.outlines);
  if (last && sameMap(last.map, map)) return last.pieces;
  const edges = mappedEdges(localEdges(outlined), map);
  const pieces = edges.length === 0 ? [] : [{ edges, box: boxOfEdges(edges) }];
  known.set(outlined.outlines, { map, pieces });
  return pieces;
}

function boxAround(boxes: readonly Box[]): Box {
  return boxes.reduce((sum, box) => ({
    left: Math.min(sum.left, box.left),
    top: Math.min(sum.top, box.top),
    right: Math.max(sum.right, box.right),
    bottom: Math.max(sum.bottom, box.bottom),
  }));
}
