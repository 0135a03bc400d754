/** Circuits as bits: a light reaches a sprite where a bit of what it feeds is one of what the sprite listens to. */
import { inOrder, type SceneDocument } from '../scene/document';

export class Circuits {
  private readonly bits: ReadonlyMap<string, number>;

  constructor(circuits: SceneDocument['circuits']) {
    this.bits = new Map(inOrder(circuits).map(([id], i) => [id, 1 << i]));
  }

  /** The bits of circuits; one that the scene does not have is none. */
  mask(ids: readonly string[]): number {
    let mask = 0;
    for (const id of ids) mask |= this.bits.get(id) ?? 0;
    return mask;
  }
}
