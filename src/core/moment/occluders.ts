/** What stops light: occluders of the scene, those that artworks bring to their sprites, and walls of tile planes. */
import type { ChunkIndex } from '../art/tiles';
import type { Box } from '../geometry/affine';
import { boxOfEdges } from '../geometry/outline';
import { BoxIndex } from '../geometry/box-index';
import { insetEdges } from '../geometry/inset';
import { hexInLightSpace, type LightSpace, type Rgb } from '../raster/colour';
import { Remembered } from '../remembered';
import { compare } from '../scene/document';
import type { ArtworkOccluder } from '../scene/records/artwork';
import type { Shade } from '../scene/records/shade';
import { NOTHING_DRAWN, RowMemory, type Drawn } from './rows';
import type { EdgePiece, MomentOccluder } from './moment';
import { outlinesAt, PieceMemory } from './occluder-edges';
import type { MomentStage } from './stage';
import { gridMap } from './tile-sprites';
import { TileWalls } from './tile-walls-of';

export class FoundOccluders {
  private boxes: BoxIndex | null = null;

  /** @param sources what each of the occluders comes from */
  constructor(
    readonly occluders: MomentOccluder[],
    readonly sources: OccluderSource[],
  ) {}

  /** The places of those that may meet a box; null where they are so few that each may be looked at. */
  near(box: Box): readonly number[] | null {
    if (this.occluders.length < MANY) return null;
    this.boxes ??= new BoxIndex(this.occluders.map((occluder) => occluder.box));
    return this.boxes.meeting(box);
  }
}

/** From so many occluders on an index of their boxes is worth its making. */
const MANY = 200;

export const NO_OCCLUDERS = new FoundOccluders([], []);

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

const NO_PIECES: readonly EdgePiece[] = [];

export class OccluderFinder {
  private readonly pieces = new PieceMemory();
  private readonly insets = new Remembered<readonly EdgePiece[], readonly EdgePiece[]>();
  private readonly rows = new RowMemory<Found[]>();
  private readonly walls = new TileWalls();

  find(stage: MomentStage, chunks: ChunkIndex): FoundOccluders {
    const { scene, planes, planeStack: planeOrder, space } = stage;
    const found = [
      ...this.placed(stage),
      ...planes.flatMap(([planeId]) => [
        ...this.broughtTo(stage, planeId),
        ...this.wallsOf(stage, chunks, planeId),
      ]),
    ].filter(({ source, pieces }) => pieces.length > 0 && !scene.planes[source.planeId].overlay);
    return new FoundOccluders(
      found.map(({ source, shape, pieces }) => ({
        plane: planeOrder.index.get(source.planeId)!,
        closed: shape.kind === 'closed',
        pieces,
        inner:
          shape.kind === 'closed' && shape.ownShade === 'dark' ? this.inner(pieces, shape.soakPx) : NO_PIECES,
        transmits: transmittance(shape, space),
        staturePx: shape.staturePx,
        box: pieces.length === 1 ? pieces[0].box : boxAround(pieces.map((piece) => piece.box)),
      })),
      found.map(({ source }) => source),
    );
  }

  /** The edges that stop light within an occluder: its own, drawn in by what light soaks into. */
  private inner(pieces: readonly EdgePiece[], soakPx: number): readonly EdgePiece[] {
    if (soakPx === 0) return pieces;
    return this.insets.recall(pieces, [soakPx], () => {
      const all = pieces.map((piece) => piece.edges);
      const edges = insetEdges(all, soakPx);
      return edges.length === 0 ? NO_PIECES : [{ edges, box: boxOfEdges(edges) }];
    });
  }

  /** The occluders that stand in the scene by themselves, or belong to one sprite alone. */
  private placed({ scene, standing }: MomentStage): Found[] {
    return Object.keys(scene.occluders)
      .sort(compare)
      .flatMap((id) => {
        const occluder = scene.occluders[id];
        const { name, spriteId, hidden } = occluder;
        const sprite = spriteId === null ? null : scene.sprites[spriteId];
        if (sprite === undefined || hidden) return [];
        const planeId = sprite ? sprite.planeId : occluder.planeId;
        if (!(sprite ? standing.shows(sprite) : standing.showsPlane(planeId))) return [];
        const map = sprite ? (standing.sprite(sprite)?.figure ?? null) : standing.planeMap(planeId);
        if (!map) return [];
        const source = { id, name, planeId, spriteId, setIds: occluder.setIds };
        return [{ source, shape: occluder, pieces: this.pieces.of(occluder, occluder, map) }];
      });
  }

  /** The occluders that the sprites of a plane have from their artworks. */
  private broughtTo(stage: MomentStage, planeId: string): readonly Found[] {
    const { scene, settings, standing, rows } = stage;
    const row = rows.get(planeId) ?? NOTHING_DRAWN;
    const { gateX, gateY } = settings;
    const of = [scene.planes[planeId], standing.showsPlane(planeId), gateX, gateY, scene.artworks];
    return this.rows.recall(row, scene.artworks, of, () =>
      row.flatMap((thing) => this.brought(stage, thing)),
    );
  }

  private brought({ scene, standing }: MomentStage, { kind, id, record }: Drawn): Found[] {
    if (kind !== 'sprite' || record.ownOccluders || record.artworkId === null) return [];
    const artwork = scene.artworks[record.artworkId];
    if (!artwork || artwork.occluders.length === 0 || !standing.shows(record)) return [];
    const stood = standing.sprite(record);
    if (!stood) return [];
    return artwork.occluders.map((occluder) => ({
      source: {
        id: `${id}/${occluder.id}`,
        name: occluder.name,
        planeId: record.planeId,
        spriteId: id,
        setIds: record.setIds,
      },
      shape: occluder,
      pieces: this.pieces.of(record, outlinesAt(artwork, occluder, stood.frame), stood.figure),
    }));
  }

  /** The walls of a plane of tiles, all of them one occluder. */
  private wallsOf({ scene, standing }: MomentStage, chunks: ChunkIndex, planeId: string): Found[] {
    const { tiles, name } = scene.planes[planeId];
    const artwork = tiles && scene.artworks[tiles.artworkId];
    if (!tiles?.blocks || !artwork || !standing.showsPlane(planeId)) return [];
    return [
      {
        source: { id: planeId, name, planeId, spriteId: null, setIds: [] },
        shape: { ...tiles, kind: 'closed' },
        pieces: this.walls.of(
          chunks.get(planeId),
          tiles,
          artwork,
          gridMap(standing.planeMap(planeId)!, tiles),
        ),
      },
    ];
  }
}

/** The light that comes through; null is none. */
function transmittance({ transmitShare, transmitColour }: Shade, space: LightSpace): Rgb | null {
  if (transmitShare === 0) return null;
  return hexInLightSpace(transmitColour, space).map((v) => v * transmitShare) as Rgb;
}

function boxAround(boxes: readonly Box[]): Box {
  return boxes.reduce((sum, box) => ({
    left: Math.min(sum.left, box.left),
    top: Math.min(sum.top, box.top),
    right: Math.max(sum.right, box.right),
    bottom: Math.max(sum.bottom, box.bottom),
  }));
}
