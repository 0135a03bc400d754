/** A drag over cells that sets each that it passes, as one undo step. */
import type { SceneDocument } from '@/core/scene/document';
import { applyEdits, squashed, type Edit } from '@/core/scene/edits';
import type { SceneStore } from './scene-store';

export class PaintDrag {
  private readonly gesture;
  private readonly passed = new Set<string>();
  private readonly edits: Edit[] = [];
  private now: SceneDocument;

  constructor(scenes: SceneStore, label: string) {
    this.now = scenes.kept;
    this.gesture = scenes.gesture(label);
  }

  /**
   * The pointer is on a cell; it is set once.
   * @param make the edits of that cell, counted from what the drag has come to
   */
  over(cell: string, make: (scene: SceneDocument) => Edit[]): void {
    if (this.passed.has(cell)) return;
    this.passed.add(cell);
    const edits = make(this.now);
    if (edits.length === 0) return;
    this.now = applyEdits(this.now, edits);
    this.edits.push(...edits);
    this.gesture.preview(squashed(this.edits));
  }

  end(): void {
    this.gesture.commit();
  }

  cancel(): void {
    this.gesture.cancel();
  }
}
