/** @see fade.ts */
export const FADE = `
float fadeAt(float at, float size, float fade) {
  return fade == 0.0 ? 1.0 : min(1.0, min(at, size - at) / fade);
}
`;
