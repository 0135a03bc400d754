/** Sizes of the gate, named after photographic plates; how they come out on a screen is in whole steps of them. */
export const GATE_SIZES = [
  ['ninth', 'Ninth, 256 × 144', 256, 144],
  ['sixth', 'Sixth, 320 × 180', 320, 180],
  ['quarter', 'Quarter, 384 × 216', 384, 216],
  ['third', 'Third, 480 × 270', 480, 270],
  ['half', 'Half, 640 × 360', 640, 360],
  ['two-thirds', 'Two-thirds, 960 × 540', 960, 540],
  ['whole', 'Whole, 1280 × 720', 1280, 720],
  ['mammoth', 'Mammoth, 1920 × 1080', 1920, 1080],
  ['square', 'Square, 320 × 320', 320, 320],
  ['portrait', 'Portrait, 270 × 480', 270, 480],
] as const;
