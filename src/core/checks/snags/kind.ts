/**
 * What a snag is: something in a scene that is probably a mistake, with its reason and ways to mend it. A kind is one record in
 * one file, listed in all-snags.ts. A snag is gone in the moment its cause is.
 */
import type { PictureSource } from '../../moment/moment';
import type { SceneDocument } from '../../scene/document';
import type { Edit } from '../../scene/edits';
import type { RecordName, ReferenceMemory } from '../../scene/references';
import type { AtRest } from './ground';

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

/** What snags are looked for in. */
export interface SnagSubject {
  scene: SceneDocument;
  /** Made when it is first asked for: some kinds read the document alone. */
  readonly rest: AtRest;
  /** The names in records, as far as they were looked for before. */
  references: ReferenceMemory;
  /** The pixels of artworks, as far as they are at hand. */
  source: PictureSource;
}

export interface SnagKind {
  /** Whether the picture is not what was meant for certain, so that a check fails. */
  isFault: boolean;
  find(subject: SnagSubject): FoundSnag[];
}

/** A mend of one edit; none where the edit would change nothing. */
export function mendBy(words: string, edit: Edit | null): Mend[] {
  return edit ? [{ words, edits: [edit] }] : [];
}
