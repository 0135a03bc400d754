/**
 * What a snag is: something in a scene that is probably a mistake, with its reason and ways to mend it. A kind is one record in
 * one file, listed in all-snags.ts. A snag is gone in the moment its cause is.
 */
import type { SceneDocument } from '../../scene/document';
import type { Edit } from '../../scene/edits';
import type { RecordName } from '../../scene/references';

/** A way to mend a snag. */
export interface Mend {
  words: string;
  edits: Edit[];
}

export interface FoundSnag {
  /** The records that it is about. */
  records: RecordName[];
  /** What is wrong, and why it matters. */
  words: string;
  mends: Mend[];
}

export interface SnagKind {
  /** Whether the picture is not what was meant for certain, so that a check fails. */
  isFault: boolean;
  find(scene: SceneDocument): FoundSnag[];
}
