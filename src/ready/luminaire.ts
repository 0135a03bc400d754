/**
 * A luminaire that comes with Oilwick: its lights, and the pictures of its flame or glass, drawn by our code. It hangs by its
 * own middle, which is where a bracket holds it.
 */
import { framesFrom, gridRects } from '@/core/art/cut';
import { newArtwork, type Artwork } from '@/core/scene/records/artwork';
import { newGobo } from '@/core/scene/records/light-look';
import {
  newFlamePart,
  newLightPart,
  type FlamePart,
  type LightPart,
  type luminaires,
} from '@/core/scene/records/luminaire';
import { newWick, type Wick } from '@/core/scene/records/wick';
import type { RecordType } from '@/core/scene/records/kind';
import { READY_WICKS } from '@/core/time/ready-wicks';
import type { Paint } from './paint';

export interface ReadyPicture {
  name: string;
  paint: Paint;
  /** What of it shines by itself. */
  glow?: Paint;
  /** What it hangs or stands by, px of the figure. */
  pivot: readonly [x: number, y: number];
  /** Frames side by side, and how many of them play a second. */
  moving?: { frames: number; rateHz: number };
}

export interface ReadyLight extends Partial<LightPart> {
  id: string;
  name: string;
  /** The wick of those that come along by which it burns. */
  burns?: string;
  /** The picture through which it shines, and how large that falls, px. */
  through?: { picture: string; widthPx: number; heightPx: number; fadePx: number };
}

export interface ReadyFlame extends Partial<FlamePart> {
  id: string;
  name: string;
  picture: string;
}

/** Glass or metal that the scene lights, and that glows with one of the lights. */
export function litPart(id: string, name: string, glowsWithId: string, glowLevel: number): ReadyFlame {
  return { id, name, picture: id, answer: 'shaded', glowLevel, glowsWithId };
}

export interface ReadyLuminaire {
  name: string;
  pictures: Readonly<Record<string, () => ReadyPicture>>;
  lights: readonly ReadyLight[];
  flames: readonly ReadyFlame[];
}

/** The records that a luminaire is, by ids that begin with its own. */
export interface ReadyRecords {
  id: string;
  luminaire: RecordType<typeof luminaires>;
  artworks: Record<string, Artwork>;
}

/**
 * @param id of the luminaire; those of its artworks begin with it
 * @param shaOf the sha-256 of a painting as a PNG file, where it is kept
 */
export function readyRecords(
  { name, pictures, lights, flames }: ReadyLuminaire,
  id: string,
  shaOf: (paint: Paint) => string,
): ReadyRecords {
  const artworkId = (picture: string) => `${id}-${picture}`;
  const artworks = Object.fromEntries(
    Object.entries(pictures).map(([picture, draw]) => [artworkId(picture), artworkOf(draw(), shaOf)]),
  );
  return {
    id,
    artworks,
    luminaire: {
      name,
      lights: lights.map(({ burns, through, ...light }) =>
        newLightPart({
          ...light,
          wick: burns ? wickNamed(burns) : null,
          gobo: through
            ? newGobo({ ...withoutPicture(through), artworkId: artworkId(through.picture) })
            : null,
        }),
      ),
      flames: flames.map(({ picture, ...flame }) =>
        newFlamePart({ ...flame, artworkId: artworkId(picture) }),
      ),
    },
  };
}

/** All paintings of a luminaire, to be kept before its records are made. */
export function paintingsOf({ pictures }: ReadyLuminaire): Paint[] {
  return Object.values(pictures).flatMap((draw) => {
    const { paint, glow } = draw();
    return glow ? [paint, glow] : [paint];
  });
}

function artworkOf(
  { name, paint, glow, pivot, moving }: ReadyPicture,
  shaOf: (paint: Paint) => string,
): Artwork {
  const cells = moving ? { columns: moving.frames, rows: 1, marginPx: 0, gapPx: 0 } : null;
  return newArtwork({
    name,
    imageSha: shaOf(paint),
    widthPx: paint.width,
    heightPx: paint.height,
    pixelArt: true,
    pivotX: pivot[0],
    pivotY: pivot[1],
    glowSha: glow ? shaOf(glow) : null,
    cells,
    ...(cells && { frames: framesFrom(gridRects(paint.image, cells, true), name) }),
    ...(moving && { rateHz: moving.rateHz }),
  });
}

function withoutPicture({ widthPx, heightPx, fadePx }: NonNullable<ReadyLight['through']>) {
  return { widthPx, heightPx, fadePx };
}

/** @throws RangeError where no such wick comes along */
function wickNamed(wanted: string): Wick {
  const ready = READY_WICKS.find(({ name }) => name === wanted);
  if (!ready) throw new RangeError(`no wick is called "${wanted}"`);
  return newWick({ ...ready, seed: [...wanted].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) });
}
