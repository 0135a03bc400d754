/** What is worked on by points of its own just now, if anything is. */
import type { Studio } from '../store/studio';
import { pathWork, type PathPointHandle } from './path-points';
import type { PointWork } from './point-work';
import { washWork, type WashPointHandle } from './wash-points';

export type WorkHandle = PathPointHandle | WashPointHandle;

const WORKS = [pathWork, washWork] as unknown as readonly PointWork<WorkHandle>[];

export function workAtHand(studio: Studio): PointWork<WorkHandle> | null {
  return WORKS.find((work) => work.isAtHand(studio)) ?? null;
}

export function isOfWork(handle: { kind: string }): handle is WorkHandle {
  return handle.kind === 'path point' || handle.kind === 'wash point';
}
