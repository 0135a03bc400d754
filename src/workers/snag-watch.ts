/** What the snags' thread keeps: the scene as it was last told, and the pictures that kinds of snags look at. */
import { SnagFinder, type Snag } from '@/core/checks/snags/all-snags';
import type { PicturePixels } from '@/core/moment/moment';
import type { SceneDocument } from '@/core/scene/document';
import { withRecordChanges, type RecordChanges } from '@/core/scene/record-changes';

export interface FoundSnags {
  snags: Snag[];
  /** How long it took to look, ms. */
  ms: number;
}

export class SnagWatch {
  private readonly finder = new SnagFinder();
  private readonly pictures = new Map<string, PicturePixels>();

  constructor(private scene: SceneDocument) {}

  /** @param pictures those that came or changed since the last time */
  find(changes: RecordChanges, pictures: Readonly<Record<string, PicturePixels>>): FoundSnags {
    const start = performance.now();
    this.scene = withRecordChanges(this.scene, changes);
    for (const [id, pixels] of Object.entries(pictures)) this.pictures.set(id, pixels);
    const snags = this.finder.find(this.scene, (key) => this.pictures.get(key) ?? null);
    return { snags, ms: performance.now() - start };
  }
}
