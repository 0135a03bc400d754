/**
 * Rounds: a figure is walked through the scene, by keys or after the pointer. Where it is lasts only while looking; a walk that
 * was recorded becomes the figure's path.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { carriersOf, parallaxShift } from '@/core/moment/standing';
import type { Walk } from '@/core/moment/walk';
import { barriersOf, stepped, Trail, type Barriers } from '@/core/moment/walking';
import { thinnedLine } from '@/core/geometry/thinned-line';
import { LIMITS } from '@/core/limits';
import { change, sameValue } from '@/core/scene/edits';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import { newPath } from '@/core/scene/records/motion';
import type { Sprite } from '@/core/scene/records/sprite';
import type { FoundOccluders } from '@/core/moment/occluders';
import type { LiveStore } from './live';
import type { SceneStore } from './scene-store';

export const WALK_WAYS = ['keys', 'pointer'] as const;
export type WalkWay = (typeof WALK_WAYS)[number];
export type WalkKey = 'left' | 'right' | 'up' | 'down';

export interface RoundsState {
  /** Who walks; null is nobody. */
  spriteId: string | null;
  by: WalkWay;
  /** Scene px a second. */
  speedPx: number;
  /** Its lamps are turned to the pointer. */
  aims: boolean;
  /** It is stopped by what stops light on its plane. */
  isStopped: boolean;
  viewFollows: boolean;
  gateFollows: boolean;
  isRecording: boolean;
}

/** Walks are worked out in steps of this, so that they are the same on a slow machine; what is left over is kept. */
const STEP_SECONDS = 1 / 60;
/** After a pause of the page a figure does not leap. */
const LONGEST_SECONDS = 0.25;
/** What its lamps are turned to is at least so far away: one that is held beside it would swing about else. */
const NEAREST_AIM_PX = 32;
/** Places and rests of paths are kept to a thousandth of a px or a second. */
const ROUNDING = 1000;

const WAYS: Record<WalkKey, readonly [number, number]> = {
  left: [-1, 0],
  right: [1, 0],
  up: [0, -1],
  down: [0, 1],
};

/** What rounds ask of the studio. */
export interface RoundsGround {
  readonly scene: SceneDocument;
  readonly scenes: Pick<SceneStore, 'transact'>;
  readonly live: LiveStore;
  /** What stops light at a second. */
  occluders(seconds: number): FoundOccluders;
  say(words: string): void;
}

export class Rounds {
  readonly api: StoreApi<RoundsState> = createStore<RoundsState>(() => ({
    spriteId: null,
    by: 'keys',
    speedPx: 60,
    aims: false,
    isStopped: false,
    viewFollows: true,
    gateFollows: true,
    isRecording: false,
  }));
  private readonly held = new Set<WalkKey>();
  /** Where the pointer is, scene px. */
  private pointer: readonly [number, number] | null = null;
  /** The direction to it from the figure, while they were apart. */
  private aimWay: readonly [number, number] = [1, 0];
  private leftSeconds = 0;
  private trail = new Trail();
  /** How far the view has gone along, scene px. */
  private viewMoved: readonly [number, number] = [0, 0];
  private from: { x: number; y: number; gate: readonly [number, number] } = { x: 0, y: 0, gate: [0, 0] };

  constructor(private readonly studio: RoundsGround) {}

  /** Why a sprite cannot walk; null where it can. */
  whyNot(spriteId: string | null): string | null {
    const sprite = spriteId === null ? null : this.studio.scene.sprites[spriteId];
    if (!sprite) return 'Pick one sprite first: it is walked then.';
    return sprite.hangsOn === null ? null : 'What hangs on another goes where that goes.';
  }

  begin(spriteId: string): void {
    const { scene, live } = this.studio;
    if (this.whyNot(spriteId) !== null) return;
    const { x, y, flipX } = scene.sprites[spriteId];
    const { gateX, gateY } = settingsOf(scene);
    this.from = { x, y, gate: [gateX, gateY] };
    this.held.clear();
    this.leftSeconds = 0;
    this.viewMoved = [0, 0];
    this.api.setState({ spriteId, isRecording: false });
    live.setState({ walk: { spriteId, x, y, flipX, aim: null, gate: null } });
  }

  /** The figure is where the scene has it again, and the view goes back with it. */
  end(): void {
    const { live } = this.studio;
    const { walk, viewX, viewY } = live.getState();
    this.held.clear();
    this.api.setState({ spriteId: null, isRecording: false });
    if (!walk) return;
    const [dx, dy] = this.viewMoved;
    live.setState({ walk: null, viewX: viewX - dx, viewY: viewY - dy });
  }

  press(key: WalkKey, isDown: boolean): void {
    if (isDown) this.held.add(key);
    else this.held.delete(key);
  }

  /** No key is held any more: the window lost its focus. */
  letGo(): void {
    this.held.clear();
  }

  pointTo(x: number, y: number): void {
    this.pointer = [x, y];
  }

  /** From here on the way is recorded. */
  record(): void {
    this.trail = new Trail();
    const { walk } = this.studio.live.getState();
    if (walk) this.trail.add(walk.x, walk.y);
    this.api.setState({ isRecording: true });
  }

  /** The way since the recording began becomes the path of the figure, which walks it by itself from then on. */
  keep(): void {
    const { spriteId, speedPx } = this.api.getState();
    const { scene, scenes } = this.studio;
    const sprite = spriteId === null ? undefined : scene.sprites[spriteId];
    const corners = thinnedLine(this.trail.points, LIMITS.pathPoints);
    if (!sprite || corners.length < 2) {
      this.studio.say('It has not gone anywhere yet: walk it first, then keep the way.');
      return;
    }
    const rounded = (v: number) => Math.round(v * ROUNDING) / ROUNDING;
    const points = corners.flatMap(([x, y]) => [rounded(x - sprite.x), rounded(y - sprite.y)]);
    const restSeconds = this.trail.rests(corners, STEP_SECONDS, speedPx).map(rounded);
    const path = newPath({ points, speedPx, restSeconds, flips: true });
    const edit = change(scene, 'sprites', spriteId!, { path });
    this.end();
    scenes.transact({ label: 'Record a walk', edits: edit ? [edit] : [] });
  }

  /**
   * Walks on.
   * @returns whether anything is to be drawn for it
   */
  step(elapsedSeconds: number): boolean {
    const { live, scene } = this.studio;
    const { walk } = live.getState();
    if (!walk) return false;
    const sprite = scene.sprites[walk.spriteId];
    if (!sprite) {
      this.end();
      return true;
    }
    this.leftSeconds += Math.min(LONGEST_SECONDS, elapsedSeconds);
    let { x, y, flipX } = walk;
    const barriers = this.barriers(sprite);
    for (; this.leftSeconds >= STEP_SECONDS; this.leftSeconds -= STEP_SECONDS) {
      const by = this.wayFrom(x, y, sprite);
      if (by) {
        [x, y] = stepped([x, y], by, barriers);
        if (by[0] !== 0) flipX = sprite.flipX !== by[0] < 0;
      }
      if (this.api.getState().isRecording) this.trail.add(x, y);
    }
    return this.show({ ...walk, x, y, flipX });
  }

  /** Shows where the figure is now, and takes along what follows it. */
  private show(next: Walk): boolean {
    const { live } = this.studio;
    const { walk, viewX, viewY } = live.getState();
    const { aims, viewFollows, gateFollows } = this.api.getState();
    const [dx, dy] = [next.x - walk!.x, next.y - walk!.y];
    const aim = aims ? this.aimFrom(next.x, next.y) : null;
    const { x, y, gate } = this.from;
    const moved: [number, number] = [Math.round(gate[0] + next.x - x), Math.round(gate[1] + next.y - y)];
    const isSame =
      dx === 0 &&
      dy === 0 &&
      next.flipX === walk!.flipX &&
      sameValue(aim, walk!.aim) &&
      gateFollows === (walk!.gate !== null);
    if (isSame) return false;
    if (viewFollows) this.viewMoved = [this.viewMoved[0] + dx, this.viewMoved[1] + dy];
    live.setState({
      walk: { ...next, aim, gate: gateFollows ? moved : null },
      ...(viewFollows && { viewX: viewX + dx, viewY: viewY + dy }),
    });
    return true;
  }

  /** Where its lamps are turned to: to the pointer, and on in the same direction once that is reached. */
  private aimFrom(x: number, y: number): readonly [number, number] | null {
    const { walk } = this.studio.live.getState();
    const sprite = this.studio.scene.sprites[walk!.spriteId];
    if (!this.pointer) return null;
    const [e, f] = this.shiftOf(sprite.planeId);
    const [dx, dy] = [this.pointer[0] - e - x, this.pointer[1] - f - y];
    const away = Math.sqrt(dx * dx + dy * dy);
    if (away >= NEAREST_AIM_PX) {
      this.aimWay = [dx / away, dy / away];
      return this.pointer;
    }
    const [u, v] = this.aimWay;
    return [x + e + u * NEAREST_AIM_PX, y + f + v * NEAREST_AIM_PX];
  }

  /** How far it goes in one step, px; null where it stands. */
  private wayFrom(x: number, y: number, { planeId }: Sprite): [number, number] | null {
    const { by, speedPx } = this.api.getState();
    const far = speedPx * STEP_SECONDS;
    let [dx, dy] = [0, 0];
    if (by === 'keys') {
      for (const key of this.held) {
        dx += WAYS[key][0];
        dy += WAYS[key][1];
      }
    } else if (this.pointer) {
      const [e, f] = this.shiftOf(planeId);
      [dx, dy] = [this.pointer[0] - e - x, this.pointer[1] - f - y];
    }
    const length = Math.sqrt(dx * dx + dy * dy);
    if (length === 0 || (by === 'pointer' && length < far)) return null;
    return [(dx / length) * far, (dy / length) * far];
  }

  private shiftOf(planeId: string): [number, number] {
    const { scene } = this.studio;
    const plane = scene.planes[planeId];
    return plane ? parallaxShift(scene, plane) : [0, 0];
  }

  /** What stops it: what stops light on its own plane, but for what it carries itself. */
  private barriers(sprite: Sprite): Barriers {
    if (!this.api.getState().isStopped) return [];
    const { studio } = this;
    const { spriteId } = this.api.getState();
    const { occluders, sources } = studio.occluders(studio.live.getState().seconds);
    const but = new Set<number>();
    sources.forEach((source, i) => {
      const carrier = source.spriteId;
      const isOwn =
        carrier !== null &&
        (carrier === spriteId ||
          carriersOf(studio.scene, studio.scene.sprites[carrier]?.hangsOn ?? null).includes(spriteId!));
      if (isOwn || source.planeId !== sprite.planeId) but.add(i);
    });
    const [e, f] = this.shiftOf(sprite.planeId);
    const found = barriersOf(occluders, but);
    if (e === 0 && f === 0) return found;
    return found.map((edges) => edges.map((v, i) => v - (i % 2 === 0 ? e : f)));
  }
}
