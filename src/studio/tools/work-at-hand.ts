/** What is worked on by points of its own just now, if anything is. */
import type { Studio } from '../store/studio';
import { driftWork, type DriftHandle } from './drift-points';
import { pathWork, type PathPointHandle } from './path-points';
import type { PointWork } from './point-work';
import { walkWork } from './walk-work';
import { washWork, type WashHandle } from './wash-points';

export type WorkHandle = PathPointHandle | WashHandle | DriftHandle;

const WORKS = [walkWork, pathWork, washWork, driftWork] as unknown as readonly PointWork<WorkHandle>[];
const KINDS: ReadonlySet<string> = new Set<WorkHandle['kind']>([
  'path point',
  'wash point',
  'wash corner',
  'drift wind',
  'drift scale',
]);

export function workAtHand(studio: Studio): PointWork<WorkHandle> | null {
  return WORKS.find((work) => work.isAtHand(studio)) ?? null;
}

export function isOfWork(handle: { kind: string }): handle is WorkHandle {
  return KINDS.has(handle.kind);
}
