/** Width of textures that hold edges, one a texel, row by row. */
export const EDGE_TEXTURE_WIDTH = 1024;

/** @see outside.ts; the edges lie in the texture `u_edges`. */
export const OUTSIDE = `
float outside(vec2 p) {
  bool inside = false;
  float best = 1e30;
  for (int i = 0; i < u_edgeCount; i++) {
    vec4 e = texelFetch(u_edges, ivec2(i & ${EDGE_TEXTURE_WIDTH - 1}, i / ${EDGE_TEXTURE_WIDTH}), 0);
    vec2 way = e.zw - e.xy;
    vec2 to = p - e.xy;
    if ((e.y <= p.y) != (e.w <= p.y)) {
      float side = way.x * to.y - way.y * to.x;
      if ((side > 0.0) == (e.w > e.y)) inside = !inside;
    }
    vec2 off = to - way * clamp(dot(to, way) / max(dot(way, way), 1e-20), 0.0, 1.0);
    best = min(best, dot(off, off));
  }
  return inside ? 0.0 : sqrt(best);
}
`;
