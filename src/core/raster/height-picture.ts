/** A picture of heights: 16-bit grey, row by row from the top. */
export interface HeightPicture {
  width: number;
  height: number;
  values: Uint16Array;
}

/** Heights in the files: grey 32768 is 0, one px of the art is this many steps. */
export const HEIGHT_STEPS_PER_PX = 256;
export const HEIGHT_ZERO = 32768;

/** Heights to grey; what lies beyond its range is held at the ends. */
export function heightSteps(heights: Float32Array): Uint16Array {
  return Uint16Array.from(heights, (h) =>
    Math.min(65535, Math.max(0, Math.floor(h * HEIGHT_STEPS_PER_PX + HEIGHT_ZERO + 0.5))),
  );
}

export function heightOfStep(step: number): number {
  return (step - HEIGHT_ZERO) / HEIGHT_STEPS_PER_PX;
}
