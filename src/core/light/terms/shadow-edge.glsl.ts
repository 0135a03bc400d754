import { NEAREST_EDGE_PX } from './shadow-edge';

/** @see stopsRay in shadow-edge.ts */
export const STOPS_RAY = `
bool stopsRay(vec4 edge, bool bothSides, vec2 p, vec2 w, float farthest) {
  vec2 pa = edge.xy - p;
  vec2 pb = edge.zw - p;
  float acrossA = w.x * pa.y - w.y * pa.x;
  float acrossB = w.x * pb.y - w.y * pb.x;
  if ((acrossA < 0.0) == (acrossB < 0.0)) return false;
  float alongA = dot(w, pa);
  float alongB = dot(w, pb);
  float z = alongA + (alongB - alongA) * acrossA / (acrossA - acrossB);
  return z > ${NEAREST_EDGE_PX} && z < farthest && (bothSides || acrossA < 0.0);
}
`;

/** @see metChord in shadow-edge.ts; where the edge stops nothing `to` is not above `from`. */
export const MET_CHORD = `
vec3 metChord(vec4 edge, bool bothSides, vec2 p, vec2 w, float farthest, float scale) {
  const vec3 NONE = vec3(0.0);
  vec2 pa = edge.xy - p;
  vec2 pb = edge.zw - p;
  // The side of the edge that p lies on.
  if (!bothSides && pa.x * pb.y - pa.y * pb.x <= 0.0) return NONE;
  vec2 a = vec2(w.x * pa.y - w.y * pa.x, dot(w, pa));
  vec2 b = vec2(w.x * pb.y - w.y * pb.x, dot(w, pb));
  if (a.y > b.y) {
    vec2 c = a;
    a = b;
    b = c;
  }
  if (b.y <= ${NEAREST_EDGE_PX} || a.y >= farthest) return NONE;
  float slope = b.y > a.y ? (b.x - a.x) / (b.y - a.y) : 0.0;
  if (a.y < ${NEAREST_EDGE_PX}) a = vec2(a.x + slope * (${NEAREST_EDGE_PX} - a.y), ${NEAREST_EDGE_PX});
  if (b.y > farthest) b = vec2(a.x + slope * (farthest - a.y), farthest);
  float s = a.x / a.y * scale;
  float t = b.x / b.y * scale;
  float from = clamp(min(s, t), -1.0, 1.0);
  float to = clamp(max(s, t), -1.0, 1.0);
  if (to <= from) return NONE;
  float ray = (from + to) * 0.5 / scale;
  float across = b.x - a.x - ray * (b.y - a.y);
  return vec3(from, to, across == 0.0 ? a.y : a.y + (ray * a.y - a.x) / across * (b.y - a.y));
}
`;
