/** Boxes that are asked again and again which of them meet another one: a packed R-tree (flatbush, after Vincent Agafonkin). */
import Flatbush from 'flatbush';
import type { Box } from './affine';

export class BoxIndex {
  private readonly tree: Flatbush | null;

  constructor(boxes: readonly Box[]) {
    this.tree = boxes.length === 0 ? null : new Flatbush(boxes.length);
    for (const { left, top, right, bottom } of boxes) this.tree?.add(left, top, right, bottom);
    this.tree?.finish();
  }

  /** The places in the list of those that meet a box or touch it, in their order. */
  meeting({ left, top, right, bottom }: Box): number[] {
    return this.tree?.search(left, top, right, bottom).sort((a, b) => a - b) ?? [];
  }
}
