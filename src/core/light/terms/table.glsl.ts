import { TABLE_SIZE } from '../../moment/moment';

/** A place between 0 and 1 of a table of colours, whose fourth channel is a drawn curve; both run on straight between entries. */
export const TABLE = `
uniform sampler2D u_table;
vec4 tableAt(float u) {
  float at = clamp(u, 0.0, 1.0) * ${TABLE_SIZE - 1}.0;
  int i = min(${TABLE_SIZE - 2}, int(floor(at)));
  return mix(texelFetch(u_table, ivec2(i, 0), 0), texelFetch(u_table, ivec2(i + 1, 0), 0), at - float(i));
}
`;
