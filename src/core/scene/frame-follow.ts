/** What names frames of an artwork by their numbers, taken along when the frames move. */
import type { FrameMoves } from '../art/frame-moves';
import { cellOf, tileOf } from '../art/tiles';
import { flamePartsOf } from './lamp-parts';
import type { SceneDocument } from './document';
import { change, type Edit } from './edits';
import type { Artwork } from './records/artwork';

/** How much there is that names a frame which is gone. */
export interface FrameLoss {
  /** Painted cells of tile planes: they would be empty. */
  cells: number;
  /** Sprites and flames that show it, and gobos: they would show the first frame. */
  sprites: number;
  /** Outlines and places of brackets in that frame alone, or in one that becomes another's: they would be gone. */
  outlines: number;
  brackets: number;
}

export interface FollowedFrames {
  /** What becomes of the artwork itself. */
  artwork: Pick<Artwork, 'brackets' | 'occluders'>;
  /** What becomes of what shows it in this scene. */
  edits: Edit[];
  loss: FrameLoss;
}

/** @param moves where each frame went */
export function followFrames(scene: SceneDocument, artworkId: string, moves: FrameMoves): FollowedFrames {
  const loss: FrameLoss = { cells: 0, sprites: 0, outlines: 0, brackets: 0 };
  const artwork = scene.artworks[artworkId];
  const inFrames = <T extends { frame: number }>(places: readonly T[], what: 'outlines' | 'brackets'): T[] =>
    places
      .reduce<T[]>((kept, place) => {
        const frame = moved(moves, place.frame);
        // Of two frames that become one the first keeps what it has.
        if (frame !== null && !kept.some((one) => one.frame === frame)) kept.push({ ...place, frame });
        else loss[what]++;
        return kept;
      }, [])
      .sort((a, b) => a.frame - b.frame);
  const shown = (frame: number): number => {
    const to = moved(moves, frame);
    if (to === null) loss.sprites++;
    return to ?? 0;
  };
  return {
    artwork: {
      brackets: artwork.brackets.map((one) => ({ ...one, places: inFrames(one.places, 'brackets') })),
      occluders: artwork.occluders.map((one) => ({ ...one, frames: inFrames(one.frames, 'outlines') })),
    },
    edits: [
      ...cellEdits(scene, artworkId, moves, loss),
      ...Object.entries(scene.sprites).flatMap(([id, sprite]) =>
        sprite.artworkId === artworkId && names(sprite)
          ? (change(scene, 'sprites', id, { frame: shown(sprite.frame) }) ?? [])
          : [],
      ),
      ...goboEdits(scene, artworkId, shown),
      ...luminaireEdits(scene, artworkId, shown),
      ...overrideEdits(scene, artworkId, shown),
    ],
    loss,
  };
}

/** What plays from the first frame plays from the first one, whichever that is. */
function names({ frame, playing }: { frame: number; playing: boolean }): boolean {
  return frame !== 0 || !playing;
}

/** Frames beyond those that there were stay as they are. */
function moved(moves: FrameMoves, frame: number): number | null {
  return frame < moves.length ? moves[frame] : frame;
}

function cellEdits(scene: SceneDocument, artworkId: string, moves: FrameMoves, loss: FrameLoss): Edit[] {
  return Object.entries(scene.chunks).flatMap(([id, { planeId, cells }]) => {
    if (scene.planes[planeId]?.tiles?.artworkId !== artworkId) return [];
    const next = cells.map((cell = 0) => {
      const tile = tileOf(cell);
      if (!tile) return cell;
      const frame = moved(moves, tile.frame);
      if (frame === null) loss.cells++;
      return frame === null ? 0 : cellOf({ ...tile, frame });
    });
    return change(scene, 'chunks', id, { cells: next }) ?? [];
  });
}

type Shown = (frame: number) => number;
interface WithGobo {
  gobo: { artworkId: string; frame: number; playing: boolean } | null;
}

/** A look with its gobo at another frame; the same where that is none of this artwork. */
function withFrame<T extends WithGobo>(look: T, artworkId: string, shown: Shown): T {
  const { gobo } = look;
  if (gobo?.artworkId !== artworkId || !names(gobo)) return look;
  return { ...look, gobo: { ...gobo, frame: shown(gobo.frame) } };
}

function goboEdits(scene: SceneDocument, artworkId: string, shown: Shown): Edit[] {
  return Object.entries(scene.lights).flatMap(([id, light]) => {
    const { gobo } = withFrame(light, artworkId, shown);
    return gobo === light.gobo ? [] : (change(scene, 'lights', id, { gobo }) ?? []);
  });
}

function luminaireEdits(scene: SceneDocument, artworkId: string, shown: Shown): Edit[] {
  return Object.entries(scene.luminaires).flatMap(([id, { lights, flames }]) => {
    const fields = {
      lights: lights.map((part) => withFrame(part, artworkId, shown)),
      flames: flames.map((flame) =>
        flame.artworkId === artworkId && names(flame) ? { ...flame, frame: shown(flame.frame) } : flame,
      ),
    };
    return change(scene, 'luminaires', id, fields) ?? [];
  });
}

/** What lamps override: gobos of the artwork, and frames of flames that show it. */
function overrideEdits(scene: SceneDocument, artworkId: string, shown: Shown): Edit[] {
  return Object.entries(scene.lamps).flatMap(([id, lamp]) => {
    const flames = flamePartsOf(scene, lamp);
    const overrides = Object.fromEntries(
      Object.entries(lamp.overrides).map(([partId, own]) => {
        const flame = flames.find((part) => part.id === partId);
        if (flame?.artworkId === artworkId && 'frame' in own && names(flame))
          return [partId, { ...own, frame: shown(flame.frame) }];
        return [
          partId,
          'gobo' in own && own.gobo ? withFrame({ ...own, gobo: own.gobo }, artworkId, shown) : own,
        ];
      }),
    );
    return change(scene, 'lamps', id, { overrides }) ?? [];
  });
}
