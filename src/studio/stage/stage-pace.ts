/** When the stage is drawn although nothing was changed: while the day plays, and while flames burn. */
import { Life } from '@/core/scene/living';
import { advance } from '../store/live';
import type { Studio } from '../store/studio';

/** Flames are drawn at most this often. */
const FLAME_FRAME_MS = 30;
/** Between two frames of flames the graphics card rests for this share of what it works on one: a hand is never kept waiting. */
const REST = 0.5;
/** But they never stand for longer, as after a first frame that took long. */
const LONGEST_PAUSE_MS = 400;

export class StagePace {
  private readonly life = new Life();
  private lastDrawn = 0;
  /** The clocks are being moved on: what hears of it need not draw for that alone. */
  isAdvancing = false;

  constructor(private readonly studio: Studio) {}

  /**
   * Moves the clocks on.
   * @param workMs how long the graphics card works on a frame
   * @param isStill nothing that burns can be shown
   * @returns whether to draw
   */
  step(now: number, elapsedSeconds: number, workMs: number, isStill: boolean): boolean {
    const { live } = this.studio;
    const { isFrozen, dayRate } = live.getState();
    this.isAdvancing = true;
    advance(live, elapsedSeconds);
    const hasWalked = this.studio.rounds.step(elapsedSeconds);
    this.isAdvancing = false;
    if (hasWalked) return true;
    if (isFrozen) return false;
    if (dayRate !== 0) return true;
    if (isStill || !this.life.of(this.studio.scene)) return false;
    const pause = Math.max(FLAME_FRAME_MS, Math.min(LONGEST_PAUSE_MS, (1 + REST) * workMs));
    return now - this.lastDrawn >= pause;
  }

  drawn(now: number): void {
    this.lastDrawn = now;
  }
}
