/** @see stature.ts; `low` holds the lowest height, and how far it is to the highest. */
export const STATURE = `
float farthestStop(float stature, float distance, float low, bool isParallel) {
  if (isParallel) return low > 0.0 ? min(distance, stature / low) : distance;
  return low > stature ? distance * stature / low : distance;
}
float weightAt(float stature, float far, float depth, vec2 low) {
  return clamp((stature * far / depth - low.x) / low.y, 0.0, 1.0);
}
`;
