/** Sizes of the gate that are offered: those of which a screen has whole steps, and two of other shapes. Scene px. */
export const GATE_SIZES = [
  { widthPx: 256, heightPx: 144 },
  { widthPx: 320, heightPx: 180 },
  { widthPx: 384, heightPx: 216 },
  { widthPx: 480, heightPx: 270 },
  { widthPx: 640, heightPx: 360 },
  { widthPx: 960, heightPx: 540 },
  { widthPx: 1280, heightPx: 720 },
  { widthPx: 1920, heightPx: 1080 },
  { widthPx: 320, heightPx: 320 },
  { widthPx: 270, heightPx: 480 },
] as const;
