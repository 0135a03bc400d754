/** @see facing.ts */
export const FACING = `
float facing(float towards, float wrap, float relief) {
  return 1.0 + (max(0.0, (towards + wrap) / (1.0 + wrap)) - 1.0) * relief;
}
`;
