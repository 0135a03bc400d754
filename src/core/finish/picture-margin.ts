/** How far beyond its view a picture has to be drawn, so that blur, fringe and bloom find there what reaches into it. */
import { finishMarginPx, type FinishNumbers } from './all-passes';
import { blurReach } from './focus';
import type { FinishFrame } from './frame';

interface Finished {
  unlit: boolean;
  planes: readonly { blurPx: number }[];
  finish: FinishNumbers;
}

/** @returns scene px */
export function pictureMarginPx({ unlit, planes, finish }: Finished, frame: FinishFrame): number {
  if (unlit) return 0;
  const blur = Math.max(0, ...planes.map(({ blurPx }) => blurReach(blurPx)));
  return blur + finishMarginPx(finish, frame);
}
