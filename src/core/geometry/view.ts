/** Which part of the scene is drawn, and how large. */
export interface View {
  /** Scene place of the picture's top left corner. */
  x: number;
  y: number;
  widthPx: number;
  heightPx: number;
  /** Output pixels for a scene pixel. */
  outputPerScenePx: number;
}
