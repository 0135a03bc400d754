/** Which frame is which after frames were moved, deleted or cut anew. */
import type { Rect } from '../raster/rect';
import type { ArtworkFrame } from '../scene/records/artwork';

/** Where each frame went, by its number before; null where it is gone. */
export type FrameMoves = readonly (number | null)[];

/** A frame of a new cut is an old one where they share at least this much of what both cover. */
const ALIKE = 0.5;

type Placed = Pick<ArtworkFrame, 'left' | 'top' | 'widthPx' | 'heightPx'>;

/** Frames of a new cut by the old ones that they cover: each goes to the one that is most like it. */
export function movesOfCut(before: readonly Placed[], after: readonly Placed[]): FrameMoves {
  return before.map((old) => {
    let best: number | null = null;
    let bestShare = ALIKE;
    after.forEach((frame, number) => {
      const share = sharedArea(old, frame);
      // Of two that are alike the first one counts.
      if (share > bestShare || (share === bestShare && best === null)) [best, bestShare] = [number, share];
    });
    return best;
  });
}

/** What two rectangles share, of what both cover together. */
function sharedArea(a: Placed, b: Placed): number {
  const [p, q] = [rectOfFrame(a), rectOfFrame(b)];
  const width = Math.min(p.right, q.right) - Math.max(p.left, q.left);
  const height = Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top);
  if (width <= 0 || height <= 0) return 0;
  const both = width * height;
  return both / (a.widthPx * a.heightPx + b.widthPx * b.heightPx - both);
}

function rectOfFrame({ left, top, widthPx, heightPx }: Placed): Rect {
  return { left, top, right: left + widthPx, bottom: top + heightPx };
}
