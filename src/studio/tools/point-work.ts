/**
 * Something that is worked on by points of its own on the stage, in the place of the handles of what is picked: the path of what
 * moves, a wash, a wind. A kind is one record in one file, listed in work-at-hand.ts.
 */
import type { SceneDocument } from '@/core/scene/document';
import type { Edit } from '@/core/scene/edits';
import type { Picked } from '../store/scene-store';
import type { Studio } from '../store/studio';
import type { Overlay } from '../surface/overlay';
import type { ToolEvent } from './tool';

/** A point that can be taken hold of. */
export interface WorkPoint {
  label: string;
  x: number;
  y: number;
}

export interface PointWork<H extends WorkPoint = WorkPoint> {
  /** Whether it is what the bench works on just now. */
  isAtHand(studio: Studio): boolean;
  handles(studio: Studio): H[];
  /** What dragging a point does, and what is said beside the pointer. @param base the scene before */
  moved(studio: Studio, base: SceneDocument, handle: H, to: ToolEvent): { edit: Edit | null; words: string };
  /** What a press beside the points takes hold of, before anything that lies there; null leaves the press to others. */
  under?(studio: Studio, event: ToolEvent): Picked | null;
  /** A point pressed with Shift. */
  shift?(studio: Studio, handle: H): void;
  /** A double click, on a point or beside them. @returns whether it meant something here */
  double?(studio: Studio, event: ToolEvent, handle: H | null): boolean;
  draw(overlay: Overlay, studio: Studio): void;
  hint(studio: Studio): string;
}
