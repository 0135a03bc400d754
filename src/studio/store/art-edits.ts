/** Edits of artworks: every way in which the Art bench changes the document. */
import { figureSize, framesIn } from '@/core/art/frames';
import { framesFrom } from '@/core/art/cut';
import { type FrameMoves, movesOfCut } from '@/core/art/frame-moves';
import { LIMITS } from '@/core/limits';
import type { Rect } from '@/core/raster/rect';
import type { Cells } from '@/core/relief/recipe';
import type { Artwork, ArtworkFrame, Bracket, BracketPlace } from '@/core/scene/records/artwork';
import { change } from '@/core/scene/edits';
import { followFrames } from '@/core/scene/frame-follow';
import { freshId, type Studio } from './studio';
import { usersOf } from './users-of';

export function setArtwork(studio: Studio, label: string, id: string, fields: Partial<Artwork>): void {
  studio.set(label, 'artworks', id, fields);
}

/** Changes several artworks in one step. */
export function setArtworks(
  studio: Studio,
  label: string,
  ids: readonly string[],
  fieldsOf: (artwork: Artwork) => Partial<Artwork>,
): void {
  const edits = ids.flatMap((id) => {
    const artwork = studio.scene.artworks[id];
    return artwork ? (change(studio.scene, 'artworks', id, fieldsOf(artwork)) ?? []) : [];
  });
  if (edits.length > 0) studio.scenes.transact({ label, edits });
}

/** Cuts an artwork into frames; its pivot goes to the middle of the new figure, as it was in the middle of the old. */
export async function cutArtwork(
  studio: Studio,
  id: string,
  rects: readonly Rect[],
  cells: Cells | null,
): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return;
  const frames = framesFrom(rects, artwork.name);
  const moves = artwork.frames.length === 0 ? [] : movesOfCut(artwork.frames, frames);
  await reframe(studio, `Cut into ${frames.length}`, id, moves, (now) => ({
    ...{ frames, cells },
    ...standingIn(now, frames),
  }));
}

/** Makes the whole picture one again. */
export async function uncutArtwork(studio: Studio, id: string): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork || artwork.frames.length === 0) return;
  const moves = artwork.frames.map((_, number) => (number === 0 ? 0 : null));
  await reframe(studio, 'Remove the cut', id, moves, (now) => ({
    ...{ frames: [], cells: null },
    ...standingIn(now, []),
  }));
}

/**
 * Changes the frames of an artwork, and takes along what names them by their numbers in this scene. What cannot follow is
 * asked about: what names a frame that goes, and other scenes that show the artwork.
 * @returns whether they were changed
 */
async function reframe(
  studio: Studio,
  label: string,
  id: string,
  moves: FrameMoves,
  fieldsOf: (artwork: Artwork) => Partial<Artwork>,
): Promise<boolean> {
  const { name } = studio.scene.artworks[id];
  const { loss } = followFrames(studio.scene, id, moves);
  const isLossy = loss.cells + loss.sprites + loss.outlines + loss.brackets > 0;
  const isMoved = moves.some((to, from) => to !== from);
  const { scenes } = isMoved ? await usersOf(studio, 'artworks', id) : { scenes: [] };
  if ((isLossy || scenes.length > 0) && (await studio.ask('frames', { name, loss, scenes })) === 'keep')
    return false;
  // Somebody else may have changed it meanwhile.
  const artwork = studio.scene.artworks[id];
  if (!artwork) return false;
  const followed = followFrames(studio.scene, id, moves);
  const fields = fieldsOf({ ...artwork, ...followed.artwork });
  const own = change(studio.scene, 'artworks', id, { ...followed.artwork, ...fields });
  studio.scenes.transact({ label, edits: [...(own ? [own] : []), ...followed.edits] });
  return true;
}

/** Pivot, foot and brackets at the same share of a figure of another size. */
function standingIn(artwork: Artwork, frames: ArtworkFrame[]): Partial<Artwork> {
  const [from, to] = [figureSize(artwork), figureSize({ ...artwork, frames })];
  const [sx, sy] = [to.widthPx / from.widthPx, to.heightPx / from.heightPx];
  const tidy = (v: number) => Math.round(2 * v) / 2;
  return {
    pivotX: tidy(artwork.pivotX * sx),
    pivotY: tidy(artwork.pivotY * sy),
    foot: artwork.foot.map((v, i) => tidy(v * (i % 2 === 0 ? sx : sy))),
    brackets: artwork.brackets.map((bracket) => ({
      ...bracket,
      x: tidy(bracket.x * sx),
      y: tidy(bracket.y * sy),
      places: bracket.places.map((place) => ({ ...place, x: tidy(place.x * sx), y: tidy(place.y * sy) })),
    })),
  };
}

/** The artwork's frames as they would be written; the whole picture where it was not cut. */
function writtenFrames(artwork: Artwork): ArtworkFrame[] {
  if (artwork.frames.length > 0) return [...artwork.frames];
  return framesIn(artwork).map((frame) => ({ ...frame, name: `${artwork.name} 1` }));
}

export function changeFrame(
  studio: Studio,
  label: string,
  id: string,
  number: number,
  fields: Partial<ArtworkFrame>,
): void {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return;
  const frames = writtenFrames(artwork);
  if (!frames[number]) return;
  frames[number] = { ...frames[number], ...fields };
  setArtwork(studio, label, id, { frames });
}

/** Adds a frame that was drawn by hand. @returns its number */
export function addFrame(studio: Studio, id: string, { left, top, right, bottom }: Rect): number | null {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return null;
  if (artwork.frames.length >= LIMITS.frames) {
    studio.say(`An artwork has at most ${LIMITS.frames} frames.`);
    return null;
  }
  const frame: ArtworkFrame = {
    name: `${artwork.name} ${artwork.frames.length + 1}`,
    left,
    top,
    widthPx: right - left,
    heightPx: bottom - top,
    shiftX: 0,
    shiftY: 0,
    seconds: null,
  };
  // The first frame that is drawn takes the place of the whole picture.
  const frames = [...artwork.frames, frame];
  const stands = artwork.frames.length === 0 ? standingIn(artwork, frames) : {};
  setArtwork(studio, 'Add a frame', id, { frames, cells: null, ...stands });
  return frames.length - 1;
}

/** Deletes a frame, and shows the one before it. */
export async function deleteFrame(studio: Studio, id: string, number: number): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork?.frames[number]) return;
  const moves = artwork.frames.map((_, i) => (i === number ? null : i > number ? i - 1 : i));
  const isDone = await reframe(studio, 'Delete a frame', id, moves, ({ frames }) => ({
    frames: frames.filter((_, i) => i !== number),
  }));
  if (isDone) studio.artBench.setState({ frame: Math.max(0, number - 1) });
}

/** Moves a frame among the others; what names it goes with it. */
export async function moveFrame(studio: Studio, id: string, from: number, to: number): Promise<void> {
  const artwork = studio.scene.artworks[id];
  if (!artwork?.frames[from] || !artwork.frames[to] || from === to) return;
  const places = artwork.frames.map((_, i) => i);
  places.splice(to, 0, ...places.splice(from, 1));
  const moves = artwork.frames.map((_, i) => places.indexOf(i));
  await reframe(studio, 'Move a frame', id, moves, ({ frames }) => ({
    frames: places.map((i) => frames[i]),
  }));
}

/** @returns the id of the new bracket */
export function addBracket(studio: Studio, id: string, x: number, y: number): string | null {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return null;
  if (artwork.brackets.length >= LIMITS.brackets) {
    studio.say(`An artwork has at most ${LIMITS.brackets} brackets.`);
    return null;
  }
  const bracketId = freshId();
  const bracket = {
    id: bracketId,
    name: `Bracket ${artwork.brackets.length + 1}`,
    x,
    y,
    turnDeg: 0,
    places: [],
  };
  setArtwork(studio, 'Add a bracket', id, { brackets: [...artwork.brackets, bracket] });
  return bracketId;
}

export function changeBracket(
  studio: Studio,
  label: string,
  id: string,
  bracketId: string,
  fields: Partial<Bracket>,
): void {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return;
  const brackets = artwork.brackets.map((one) => (one.id === bracketId ? { ...one, ...fields } : one));
  setArtwork(studio, label, id, { brackets });
}

/** Puts a bracket somewhere: in one frame of many, or in general where `frame` is null. */
export function placeBracket(
  studio: Studio,
  id: string,
  bracketId: string,
  frame: number | null,
  place: BracketPlace,
): void {
  const bracket = studio.scene.artworks[id]?.brackets.find((one) => one.id === bracketId);
  if (!bracket) return;
  if (frame === null) return changeBracket(studio, 'Move a bracket', id, bracketId, place);
  const others = bracket.places.filter((one) => one.frame !== frame);
  const places = [...others, { frame, ...place }].sort((a, b) => a.frame - b.frame);
  changeBracket(studio, 'Move a bracket', id, bracketId, { places });
}

export function deleteBracket(studio: Studio, id: string, bracketId: string): void {
  const artwork = studio.scene.artworks[id];
  if (!artwork) return;
  setArtwork(studio, 'Delete a bracket', id, {
    brackets: artwork.brackets.filter((one) => one.id !== bracketId),
  });
}

/** Tags as a person types them: parted by commas, each once, in their order. */
export function tagsOf(text: string): string[] {
  const tags = text.split(',').map((tag) => tag.trim().slice(0, LIMITS.tagLength));
  return [...new Set(tags.filter((tag) => tag !== ''))].slice(0, LIMITS.tags);
}
