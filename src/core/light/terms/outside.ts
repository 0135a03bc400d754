import { distanceToSegment, isInside } from '../../geometry/outline';
import type { MomentArea } from '../../moment/moment';

/** Distance beyond an outline, 0 within it. */
export function distanceOutside({ edges }: MomentArea, px: number, py: number): number {
  if (isInside(edges, px, py)) return 0;
  let best = Infinity;
  for (let i = 0; i < edges.length; i += 4)
    best = Math.min(best, distanceToSegment(px, py, edges[i], edges[i + 1], edges[i + 2], edges[i + 3]));
  return best;
}
