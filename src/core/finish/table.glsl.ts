import type { PointPass } from './pass.glsl';
import type { TableNumbers } from './table';

const CURVES = (i: number) => `
vec3 readTable${i}(vec3 c) {
  float last = u_tableLast${i};
  vec3 p = clamp((c - u_tableLow${i}) / (u_tableHigh${i} - u_tableLow${i}), 0.0, 1.0) * last;
  vec3 cell = min(floor(p), last - 1.0);
  vec3 out0;
  for (int k = 0; k < 3; k++) {
    vec3 first = texelFetch(u_table${i}, ivec3(int(cell[k]), 0, 0), 0).rgb;
    vec3 second = texelFetch(u_table${i}, ivec3(int(cell[k]) + 1, 0, 0), 0).rgb;
    out0[k] = mix(first[k], second[k], p[k] - cell[k]);
  }
  return out0;
}`;

const CUBE = (i: number) => `
vec3 readTable${i}(vec3 c) {
  float last = u_tableLast${i};
  vec3 p = clamp((c - u_tableLow${i}) / (u_tableHigh${i} - u_tableLow${i}), 0.0, 1.0) * last;
  vec3 cell = min(floor(p), last - 1.0);
  vec3 f = p - cell;
  ivec3 at = ivec3(cell);
  // The corners of the tetrahedron between the first and the last: along the largest fraction, and along the two larger ones.
  ivec3 one = f.r >= f.g ? (f.r >= f.b ? ivec3(1, 0, 0) : ivec3(0, 0, 1)) : (f.g >= f.b ? ivec3(0, 1, 0) : ivec3(0, 0, 1));
  ivec3 without = f.r < f.g ? (f.r < f.b ? ivec3(1, 0, 0) : ivec3(0, 0, 1)) : (f.g < f.b ? ivec3(0, 1, 0) : ivec3(0, 0, 1));
  ivec3 two = ivec3(1) - without;
  float most = max(f.r, max(f.g, f.b));
  float least = min(f.r, min(f.g, f.b));
  float middle = f.r + f.g + f.b - most - least;
  return (1.0 - most) * texelFetch(u_table${i}, at, 0).rgb
    + (most - middle) * texelFetch(u_table${i}, at + one, 0).rgb
    + (middle - least) * texelFetch(u_table${i}, at + two, 0).rgb
    + least * texelFetch(u_table${i}, at + ivec3(1), 0).rgb;
}`;

/** Each table is a texture array, `u_table0` and so on: a curve is one row, a cube has a layer for each place of blue. */
export const table: PointPass<TableNumbers> = {
  uniforms: ({ tables }) =>
    tables
      .map(
        ({ table: { dimensions } }, i) => `
uniform highp sampler2DArray u_table${i};
uniform float u_tableShare${i};
uniform float u_tableLast${i};
uniform vec3 u_tableLow${i};
uniform vec3 u_tableHigh${i};${dimensions === 1 ? CURVES(i) : CUBE(i)}`,
      )
      .join('\n'),
  variant: ({ tables }) => tables.map(({ table: { dimensions } }) => dimensions).join(','),
  glsl: ({ tables }) => {
    const each = (term: (i: number) => string, between: string) =>
      tables.map((_, i) => term(i)).join(between);
    const rest = `(1.0 - (${each((i) => `u_tableShare${i}`, ' + ')}))`;
    return `c = clamp(${each((i) => `u_tableShare${i} * readTable${i}(c)`, ' + ')} + ${rest} * c, 0.0, 1.0);`;
  },
  values: ({ tables }) =>
    Object.fromEntries(
      tables.flatMap(({ table: { low, high, size }, share }, i): [string, number | readonly number[]][] => [
        [`u_tableShare${i}`, share],
        [`u_tableLast${i}`, size - 1],
        [`u_tableLow${i}`, low],
        [`u_tableHigh${i}`, high],
      ]),
    ),
};
