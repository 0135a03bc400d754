/** What stops light: occluders of the scene, those that artworks bring to their sprites, and walls of tile planes. */
import type { Affine, Box } from '../geometry/affine';
import {
  compare,
  settingsOf,
  type ArtworkOccluder,
  type SceneDocument,
  type Sprite,
} from '../scene/document';
import { sameItems } from '../same-items';
import { isStillRow, type Drawn, type DrawOrder } from './draw-order';
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
}

export function occludersOf(
  scene: SceneDocument,
  planeIndex: ReadonlyMap<string, number>,
  order: DrawOrder,
  seconds: number,
): FoundOccluders {
  const occluders: MomentOccluder[] = [];
  const sources: OccluderSource[] = [];
  const put = (
    source: OccluderSource,
    { kind, ownShade }: Pick<ArtworkOccluder, 'kind' | 'ownShade'>,
    pieces: readonly EdgePiece[],
  ) => {
    const { planeId } = source;
    if (pieces.length === 0 || scene.planes[planeId].overlay) return;
    const closed = kind === 'closed';
    const box = pieces.length === 1 ? pieces[0].box : boxAround(pieces.map((piece) => piece.box));
    occluders.push({
      plane: planeIndex.get(planeId)!,
      closed,
      ownDark: closed && ownShade === 'dark',
      pieces,
      box,
    });
    sources.push(source);
  };
  for (const id of Object.keys(scene.occluders).sort(compare)) {
    const occluder = scene.occluders[id];
    const sprite = occluder.spriteId === null ? null : scene.sprites[occluder.spriteId];
    if (sprite === undefined || occluder.hidden) continue;
    const planeId = sprite ? sprite.planeId : occluder.planeId;
    if (!isShown(scene, sprite ?? { planeId, hidden: false, hangsOn: null })) continue;
    const map = sprite
      ? spriteAffine(scene, sprite, seconds)
      : groundMap(scene, { planeId, hangsOn: null }, seconds);
    const { name, spriteId } = occluder;
    if (map) put({ id, name, planeId, spriteId }, occluder, piecesOf(occluder, occluder, map));
  }
  for (const planeId of planeIndex.keys()) {
    for (const { source, occluder, pieces } of broughtTo(scene, planeId, order.get(planeId) ?? [], seconds))
      put(source, occluder, pieces);
    const plane = scene.planes[planeId];
    const artwork = plane.tiles?.blocks && !plane.hidden && scene.artworks[plane.tiles.artworkId];
    if (plane.tiles && artwork) {
      const pieces = wallPieces(scene, planeId, plane.tiles, artwork, gridMap(scene, plane, plane.tiles));
      put(
        { id: planeId, name: plane.name, planeId, spriteId: null },
        { kind: 'closed', ownShade: plane.tiles.ownShade },
        pieces,
      );
    }
  }
  return { occluders, sources };
}

interface Brought {
  source: OccluderSource;
  occluder: ArtworkOccluder;
  pieces: EdgePiece[];
}

/** What artworks bring to a row that stands still, and what that was made of. */
const stillBrought = new WeakMap<readonly Drawn[], { of: readonly unknown[]; brought: Brought[] }>();

/** The occluders that the sprites of a plane have from their artworks. */
function broughtTo(
  scene: SceneDocument,
  planeId: string,
  row: readonly Drawn[],
  seconds: number,
): readonly Brought[] {
  const out: Brought[] = [];
  if (row.length === 0) return out;
  const put = (source: OccluderSource, occluder: ArtworkOccluder, pieces: EdgePiece[]) =>
    void out.push({ source, occluder, pieces });
  if (!isStillRow(row, scene.artworks)) {
    for (const thing of row) brought(scene, thing, seconds, put);
    return out;
  }
  const { gateX, gateY } = settingsOf(scene);
  const of = [scene.planes[planeId], gateX, gateY, scene.artworks];
  const known = stillBrought.get(row);
  if (known && sameItems(known.of, of)) return known.brought;
  for (const thing of row) brought(scene, thing, seconds, put);
  stillBrought.set(row, { of, brought: out });
  return out;
}

/** The occluders that a sprite has from its artwork. */
function brought(
  scene: SceneDocument,
  { kind, id, record }: Drawn,
  seconds: number,
  put: (source: OccluderSource, of: ArtworkOccluder, pieces: EdgePiece[]) => void,
): void {
  if (kind !== 'sprite' || record.ownOccluders) return;
  const artwork = artOf(scene, record);
  if (!artwork || artwork.occluders.length === 0 || !isShown(scene, record)) return;
  const map = spriteAffine(scene, record, seconds);
  if (!map) return;
  const frame = frameNumber(record, artwork, seconds);
  for (const occluder of artwork.occluders)
    put(
      { id: `${id}/${occluder.id}`, name: occluder.name, planeId: record.planeId, spriteId: id },
      occluder,
      piecesOf(record, outlinesAt(artwork, occluder, frame), map),
    );
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
