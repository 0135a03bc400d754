/** Where the picture that is finished lies in the scene: passes that look at places or at neighbours read it. */
import type { Box } from '../geometry/affine';
import type { View } from '../geometry/view';

export interface FinishFrame {
  view: View;
  gate: Box;
  /** Its places are whole scene px. */
  pixelArt: boolean;
  /** Mean over the gate of the logarithm (base 2) of luminance before the finish; null where no pass asks for it. */
  gateLog2: number | null;
}

/** Middle of the gate, and half its sides, scene px. */
export function gateMiddle({ left, top, right, bottom }: Box) {
  return {
    x: (left + right) / 2,
    y: (top + bottom) / 2,
    halfWidth: (right - left) / 2,
    halfHeight: (bottom - top) / 2,
  };
}

/** Goes through a picture of the frame's view: the first of a pixel's three values, and its middle in the scene. */
export function eachPlace(
  { width, height }: { width: number; height: number },
  { view }: FinishFrame,
  visit: (at: number, x: number, y: number) => void,
): void {
  for (let j = 0, at = 0; j < height; j++)
    for (let i = 0; i < width; i++, at += 3)
      visit(at, view.x + (i + 0.5) / view.outputPerScenePx, view.y + (j + 0.5) / view.outputPerScenePx);
}

/** A view with so many output pixels more on every side, so that passes that read neighbours find them there too. */
export function widenedBy(view: View, margin: number): View {
  if (margin === 0) return view;
  const { x, y, widthPx, heightPx, outputPerScenePx } = view;
  return {
    x: x - margin / outputPerScenePx,
    y: y - margin / outputPerScenePx,
    widthPx: widthPx + 2 * margin,
    heightPx: heightPx + 2 * margin,
    outputPerScenePx,
  };
}

/** A margin in whole output pixels. */
export function marginOutputPx({ outputPerScenePx }: View, marginPx: number): number {
  return Math.ceil(marginPx * outputPerScenePx);
}
