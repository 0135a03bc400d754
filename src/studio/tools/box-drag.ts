/** A box that is dragged out on the stage. */
import type { Overlay } from '../surface/overlay';
import type { ToolEvent } from './tool';

export interface DraggedBox {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export class BoxDrag {
  private from: [number, number] | null = null;
  private to: [number, number] = [0, 0];

  /** @param snap brings a place to where corners may lie */
  constructor(private readonly snap: (x: number, y: number) => [number, number]) {}

  begin({ x, y }: ToolEvent): void {
    this.from = this.snap(x, y);
    this.to = this.from;
  }

  /** Shift makes it a square. @returns whether a box is being dragged */
  pull({ x, y, shift }: ToolEvent): boolean {
    if (!this.from) return false;
    const [fx, fy] = this.from;
    let [tx, ty] = this.snap(x, y);
    if (shift) {
      const side = Math.max(Math.abs(tx - fx), Math.abs(ty - fy));
      [tx, ty] = [fx + Math.sign(tx - fx) * side, fy + Math.sign(ty - fy) * side];
    }
    this.to = [tx, ty];
    return true;
  }

  /** @returns whether there was one */
  end(): boolean {
    const was = this.from !== null;
    this.from = null;
    return was;
  }

  /** Null where nothing is dragged, or no way yet. */
  get box(): DraggedBox | null {
    if (!this.from) return null;
    const [[ax, ay], [bx, by]] = [this.from, this.to];
    if (ax === bx || ay === by) return null;
    return {
      left: Math.min(ax, bx),
      top: Math.min(ay, by),
      right: Math.max(ax, bx),
      bottom: Math.max(ay, by),
    };
  }

  draw(overlay: Overlay): void {
    const { box } = this;
    if (!box) return;
    const { left, top, right, bottom } = box;
    overlay.path(
      [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ],
      true,
      true,
    );
    overlay.words(right, bottom, `${Math.round(right - left)} × ${Math.round(bottom - top)}`);
  }
}
