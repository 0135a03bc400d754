/** The 8 x 8 ordered dither matrix of Bayer (1973), values 0 to 63, row by row. */
export const BAYER8: Uint8Array = Uint8Array.from({ length: 64 }, (_, i) => {
  const x = i & 7;
  const y = i >> 3;
  let value = 0;
  for (let bit = 0; bit < 3; bit++) {
    const xb = (x >> bit) & 1;
    const yb = (y >> bit) & 1;
    value |= ((xb ^ yb) << (5 - 2 * bit)) | (yb << (4 - 2 * bit));
  }
  return value;
});
