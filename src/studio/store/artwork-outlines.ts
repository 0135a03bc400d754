/** The occluders that an artwork brings to its sprites. */
import type { SceneDocument } from '@/core/scene/document';
import type { Artwork, ArtworkFrame, ArtworkOccluder } from '@/core/scene/records/artwork';
import { NEW_SHADE } from '@/core/scene/records/shade';
import { framesIn, rectOf } from '@/core/art/frames';
import type { OutlineRule } from '@/core/art/outlines-from';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { change, type Edit } from '@/core/scene/edits';
import { setArtwork } from './art-edits';
import { freshId, type Studio } from './studio';

type Outlines = Pick<ArtworkOccluder, 'outlines' | 'smooth'>;

/** The outlines of an artwork's occluder in a frame, and whether they are the frame's own. */
export function outlinesOf(occluder: ArtworkOccluder, frame: number): Outlines & { isOwn: boolean } {
  const own = occluder.frames.find((one) => one.frame === frame);
  return own
    ? { ...own, isOwn: true }
    : { outlines: occluder.outlines, smooth: occluder.smooth, isOwn: false };
}

export function pointsIn(outlines: readonly number[][]): number {
  return outlines.reduce((sum, points) => sum + points.length / 2, 0);
}

/** Looks for outlines by a rule, in every frame; what is found is shown on the bench. */
export function findOutlines(studio: Studio, artworkId: string, rule: OutlineRule): void {
  const artwork = studio.scene.artworks[artworkId];
  const frames = framesIn(artwork);
  studio.artBench.setState({ outlineRule: rule });
  studio.outlineSearch.begin(
    () => studio.workers.run((remote) => remote.outlines(artwork.imageSha, frames.map(rectOf), rule)),
    ({ found, fault }) => {
      const shifted = found?.map((outlines, i) => outlines.map((points) => shiftedBy(points, frames[i])));
      studio.artBench.setState({ found: { artworkId, frames: shifted ?? null, fault } });
    },
  );
}

/** Takes away what was found, or is being looked for. */
export function forgetOutlines(studio: Studio): void {
  studio.outlineSearch.stop();
  studio.artBench.setState({ found: null });
}

function shiftedBy(points: readonly number[], { shiftX, shiftY }: ArtworkFrame): number[] {
  return points.map((v, k) => v + (k % 2 === 0 ? shiftX : shiftY));
}

/** Keeps what was found as the chosen occluder of the artwork, or as a new one; for all frames or for one. */
export function takeOutlines(studio: Studio, artworkId: string, onlyFrame: number | null): void {
  const { found, occluderId } = studio.artBench.getState();
  const artwork = studio.scene.artworks[artworkId];
  if (!found?.frames || found.artworkId !== artworkId) return;
  const all = found.frames.map((outlines, frame) => ({ frame, outlines, smooth: [] }));
  const tooMany = all.find(
    ({ outlines }) => pointsIn(outlines) > LIMITS.outlinePoints || outlines.length > LIMITS.outlines,
  );
  if (tooMany)
    return studio.say(
      `An outline has at most ${LIMITS.outlinePoints} points in ${LIMITS.outlines} parts: raise the tolerance.`,
    );
  const last = artwork.occluders.find(({ id }) => id === occluderId);
  const isSingle = artwork.frames.length === 0;
  const kept = (last?.frames ?? []).filter(({ frame }) => onlyFrame !== null && frame !== onlyFrame);
  const fresh: Pick<ArtworkOccluder, 'outlines' | 'smooth' | 'frames'> = isSingle
    ? { outlines: all[0].outlines, smooth: [], frames: [] }
    : {
        outlines: last?.outlines ?? [],
        smooth: last?.smooth ?? [],
        frames: [...kept, ...all.filter(({ frame }) => onlyFrame === null || frame === onlyFrame)],
      };
  putOccluder(studio, 'Take the outline', artworkId, {
    ...(last ?? newArtworkOccluder(artwork)),
    ...fresh,
  });
  studio.artBench.setState({ found: null });
}

function newArtworkOccluder({ occluders }: Artwork): ArtworkOccluder {
  return {
    id: freshId(),
    name: `Outline ${occluders.length + 1}`,
    kind: 'closed',
    ...NEW_SHADE,
    outlines: [],
    smooth: [],
    frames: [],
  };
}

/** Adds an occluder to an artwork or exchanges the one of its id, and chooses it. */
export function putOccluder(
  studio: Studio,
  label: string,
  artworkId: string,
  occluder: ArtworkOccluder,
): void {
  const { occluders } = studio.scene.artworks[artworkId];
  const at = occluders.findIndex(({ id }) => id === occluder.id);
  const next = at < 0 ? [...occluders, occluder] : occluders.with(at, occluder);
  if (next.length > LIMITS.artworkOccluders)
    return studio.say(`An artwork has at most ${LIMITS.artworkOccluders} occluders.`);
  setArtwork(studio, label, artworkId, { occluders: next });
  studio.artBench.setState({ occluderId: occluder.id });
}

export function changeOccluder(
  studio: Studio,
  label: string,
  artworkId: string,
  id: string,
  fields: Partial<ArtworkOccluder>,
): void {
  const last = studio.scene.artworks[artworkId]?.occluders.find((one) => one.id === id);
  if (last) putOccluder(studio, label, artworkId, { ...last, ...fields });
}

/** The edits that change an occluder of an artwork, for gestures that preview. */
export function occluderEdits(
  scene: SceneDocument,
  artworkId: string,
  id: string,
  fields: Partial<ArtworkOccluder>,
): Edit[] {
  const occluders = scene.artworks[artworkId]?.occluders.map((one) =>
    one.id === id ? { ...one, ...fields } : one,
  );
  const edit = occluders && change(scene, 'artworks', artworkId, { occluders });
  return edit ? [edit] : [];
}

/** Gives an occluder other outlines: in one frame where the artwork has several, else in all. */
export function changeOutlines(
  studio: Studio,
  label: string,
  artworkId: string,
  id: string,
  frame: number,
  outlines: Outlines,
): void {
  const artwork = studio.scene.artworks[artworkId];
  const last = artwork?.occluders.find((one) => one.id === id);
  if (!last) return;
  if (artwork.frames.length === 0) return changeOccluder(studio, label, artworkId, id, outlines);
  const rest = last.frames.filter((one) => one.frame !== frame);
  changeOccluder(studio, label, artworkId, id, { frames: [...rest, { frame, ...outlines }] });
}

/** The fewest points of an outline. */
export const FEWEST_POINTS = { closed: 3, line: 2 } as const;

/** Keeps what the pen drew: with the chosen occluder where that is of the same kind, else as a new one. */
export function keepDrawn(studio: Studio, artworkId: string, frame: number): void {
  const { drawn, occluderId } = studio.artBench.getState();
  studio.artBench.setState({ drawn: null });
  const artwork = studio.scene.artworks[artworkId];
  if (!drawn || !artwork || drawn.points.length < 2 * FEWEST_POINTS[drawn.kind]) return;
  const chosen = artwork.occluders.find(({ id, kind }) => id === occluderId && kind === drawn.kind);
  const occluder = chosen ?? { ...newArtworkOccluder(artwork), kind: drawn.kind };
  const isSingle = artwork.frames.length === 0;
  const last = outlinesOf(occluder, frame);
  // What holds in general stays general; a frame gets outlines of its own.
  const base = isSingle || last.isOwn ? last : { outlines: [], smooth: [] };
  const outlines = {
    outlines: [...base.outlines, drawn.points],
    smooth: [...base.outlines.map((_, i) => base.smooth[i] ?? []), drawn.smooth],
  };
  const rest = occluder.frames.filter((one) => one.frame !== frame);
  putOccluder(studio, 'Draw an outline', artworkId, {
    ...occluder,
    ...(isSingle ? outlines : { frames: [...rest, { frame, ...outlines }] }),
  });
}

/** Outlines that a frame can begin with, as shares of its width and height. */
export const FRAME_SHAPES = {
  whole: [0, 0, 1, 0, 1, 1, 0, 1],
  'slope-right': [1, 0, 1, 1, 0, 1],
  'slope-left': [0, 0, 1, 1, 0, 1],
  'lower-half': [0, 0.5, 1, 0.5, 1, 1, 0, 1],
  'upper-half': [0, 0, 1, 0, 1, 0.5, 0, 0.5],
  'left-half': [0, 0, 0.5, 0, 0.5, 1, 0, 1],
  'right-half': [0.5, 0, 1, 0, 1, 1, 0.5, 1],
} as const satisfies Record<string, readonly number[]>;
export type FrameShape = keyof typeof FRAME_SHAPES;

/** A frame gets one of these outlines. */
export function shapeFrame(studio: Studio, artworkId: string, number: number, shape: FrameShape): void {
  const artwork = studio.scene.artworks[artworkId];
  const { widthPx: w, heightPx: h, shiftX: x, shiftY: y } = framesIn(artwork)[number];
  const points = FRAME_SHAPES[shape].map((share, i) => (i % 2 === 0 ? x + share * w : y + share * h));
  const chosen = artwork.occluders.find(({ id }) => id === studio.artBench.getState().occluderId);
  const occluder = chosen ?? newArtworkOccluder(artwork);
  const outlines = { outlines: [points], smooth: [] };
  const rest = occluder.frames.filter(({ frame }) => frame !== number);
  const isSingle = artwork.frames.length === 0;
  putOccluder(studio, 'Shape of a frame', artworkId, {
    ...occluder,
    ...(isSingle ? outlines : { frames: [...rest, { frame: number, ...outlines }] }),
  });
}

export function deleteOccluder(studio: Studio, artworkId: string, id: string): void {
  const { occluders } = studio.scene.artworks[artworkId];
  setArtwork(studio, 'Delete an occluder', artworkId, {
    occluders: occluders.filter((one) => one.id !== id),
  });
}

/** Reads the shapes of an SVG file as occluders of an artwork, px of the figure. */
export async function readSvg(studio: Studio, artworkId: string, file: File, number: number): Promise<void> {
  try {
    if (file.size > LIMITS.textFileBytes)
      throw new Error(`The file is larger than ${LIMITS.textFileBytes / 1024 / 1024} MB.`);
    const text = await file.text();
    const { closed, open } = await studio.workers.run((remote) => remote.svgOutlines(text));
    const artwork = studio.scene.artworks[artworkId];
    const name = file.name.replace(/\.svg$/i, '').slice(0, LIMITS.nameLength);
    const made = (kind: 'closed' | 'line', outlines: number[][]): ArtworkOccluder => {
      const own =
        artwork.frames.length === 0 ? { outlines } : { frames: [{ frame: number, outlines, smooth: [] }] };
      return { ...newArtworkOccluder(artwork), name, kind, ...own };
    };
    const fresh = [
      ...(closed.length > 0 ? [made('closed', closed)] : []),
      ...(open.length > 0 ? [made('line', open)] : []),
    ];
    setArtwork(studio, 'Read outlines', artworkId, { occluders: [...artwork.occluders, ...fresh] });
    studio.artBench.setState({ occluderId: fresh[0].id });
  } catch (thrown) {
    studio.say(`${file.name}: ${wordsOf(thrown)}`);
  }
}
