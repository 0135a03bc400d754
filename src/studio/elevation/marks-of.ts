/** What stands in the elevation: lights at their heights with the planes that they reach, and occluders as posts. */
import { applyTo } from '@/core/geometry/affine';
import { Standing } from '@/core/moment/standing';
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import { chosenPart, lightOf, type LightName } from '../lights/picked-light';
import { FIXTURES, type FixtureCollection } from '../store/fixtures';
import { shareAcross } from './ruler';

/** More than these on one plane stand too close to be told apart. */
const MOST_ON_A_PLANE = 120;

export interface LightMark extends LightName {
  collection: FixtureCollection;
  name: string;
  colour: string;
  heightPx: number;
  /** Share of the width. */
  across: number;
  locked: boolean;
  /** Places in the row of planes. */
  far: number;
  near: number;
}

export interface Post {
  id: string;
  name: string;
  hidden: boolean;
  locked: boolean;
  /** Null throws endless shadows. */
  staturePx: number | null;
  across: number;
}

export interface PlaneMarks {
  planeId: string;
  lights: LightMark[];
  posts: Post[];
  /** How many have no room. */
  left: number;
}

/**
 * The planes with what stands on each, far to near.
 * @param pickedIds what has room before all else
 * @param partId the part of a lamp that is worked on
 */
export function planeMarks(
  scene: SceneDocument,
  pickedIds: ReadonlySet<string>,
  partId: string | null,
): PlaneMarks[] {
  const row = inOrder(scene.planes).map(([id]) => id);
  const standing = new Standing(scene, 0);
  const lights = new Map<string, LightMark[]>(row.map((id) => [id, []]));
  const posts = new Map<string, Post[]>(row.map((id) => [id, []]));
  for (const collection of FIXTURES)
    for (const [id, fixture] of inOrder<Fixture>(scene[collection])) {
      const mark = lightMark(scene, standing, row, { collection, id }, fixture, partId);
      if (mark) lights.get(fixture.planeId)?.push(mark);
    }
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    const { name, hidden, locked, staturePx, spriteId } = occluder;
    const carrier = spriteId === null ? null : scene.sprites[spriteId];
    const planeId = carrier ? carrier.planeId : occluder.planeId;
    const x = carrier ? carrier.x : middleOf(occluder.outlines);
    posts.get(planeId)?.push({ id, name, hidden, locked, staturePx, across: shareAcross(scene, x) });
  }
  return row.map((planeId) => {
    const all = [lights.get(planeId)!, posts.get(planeId)!] as const;
    const [shownLights, shownPosts] = [roomFor(all[0], pickedIds), roomFor(all[1], pickedIds)];
    const left = all[0].length - shownLights.length + all[1].length - shownPosts.length;
    return { planeId, lights: shownLights, posts: shownPosts, left };
  });
}

/** Where the strips of planes lie, as shares of the height of all: those on which nothing stands are lower. */
export interface StripRows {
  /** The upper end of each, and 1 at last. */
  ends: readonly number[];
  /** The heights of all of them together that gives each the room it needs, px. */
  neededPx: number;
  /** The row at a share of the height. */
  at(share: number): number;
}

const FULL_PX = 64;
const BARE_SHARE = 0.5;

export function stripRows(marks: readonly PlaneMarks[]): StripRows {
  const weights = marks.map(({ lights, posts }) => (lights.length + posts.length > 0 ? 1 : BARE_SHARE));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const ends = [0];
  for (const weight of weights) ends.push(ends.at(-1)! + weight / all);
  return {
    ends,
    neededPx: all * FULL_PX,
    at: (share) =>
      Math.max(
        0,
        ends.findLastIndex((end, i) => end <= share && i < weights.length),
      ),
  };
}

function lightMark(
  scene: SceneDocument,
  standing: Standing,
  row: readonly string[],
  { collection, id }: { collection: FixtureCollection; id: string },
  fixture: Fixture,
  wantedPart: string | null,
): LightMark | null {
  const partId = collection === 'lamps' ? (chosenPart(scene, id, wantedPart)?.id ?? null) : null;
  const light = collection === 'lamps' && partId === null ? undefined : lightOf(scene, { id, partId });
  if (!light) return null;
  const { name, x, y, locked, spanFarId, spanNearId } = fixture;
  const ground = fixture.hangsOn === null ? null : standing.ground(fixture);
  const [placeX] = ground ? applyTo(ground, x, y) : [x];
  return {
    ...{ collection, id, partId, name, locked },
    ...{ colour: light.colour, heightPx: light.heightPx, across: shareAcross(scene, placeX) },
    far: spanFarId === null ? 0 : Math.max(0, row.indexOf(spanFarId)),
    near: spanNearId === null ? row.length - 1 : row.indexOf(spanNearId),
  };
}

function roomFor<T extends { id: string }>(marks: readonly T[], pickedIds: ReadonlySet<string>): T[] {
  if (marks.length <= MOST_ON_A_PLANE) return [...marks];
  const picked = marks.filter(({ id }) => pickedIds.has(id));
  return [...picked, ...marks.filter(({ id }) => !pickedIds.has(id))].slice(0, MOST_ON_A_PLANE);
}

function middleOf(outlines: readonly (readonly number[])[]): number {
  let [low, high] = [Infinity, -Infinity];
  for (const points of outlines)
    for (let i = 0; i < points.length; i += 2) {
      low = Math.min(low, points[i]);
      high = Math.max(high, points[i]);
    }
  return low > high ? 0 : (low + high) / 2;
}
