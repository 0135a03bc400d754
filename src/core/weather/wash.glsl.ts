/** A wash in GLSL; see wash.ts. The points of washes lie in a table: a row each, their number before them. */
import type { MomentWash } from '../moment/moment';
import { LIMITS } from '../limits';
import { WASH_BLEND_NUMBERS, WASH_POINT_FLOATS } from './wash';

/** Texels before the points: how many there are. */
const HEAD_TEXELS = 1;
const POINT_TEXELS = WASH_POINT_FLOATS / 4;
export const WASH_TABLE_WIDTH = HEAD_TEXELS + POINT_TEXELS * LIMITS.washPoints;
/** Washes that lie over each other: the one that goes and the one that comes, and one that is looked at. */
export const WASH_TABLE_ROWS = 4;
const ENDLESS = 1e9;

/** The table as RGBA floats, places from the view's corner. */
export function washTable(washes: readonly MomentWash[], viewX: number, viewY: number): Float32Array {
  const table = new Float32Array(4 * WASH_TABLE_WIDTH * WASH_TABLE_ROWS);
  washes.slice(0, WASH_TABLE_ROWS).forEach(({ points }, row) => {
    const at = 4 * WASH_TABLE_WIDTH * row;
    table[at] = points.length / WASH_POINT_FLOATS;
    table.set(points, at + 4 * HEAD_TEXELS);
    for (let i = at + 4 * HEAD_TEXELS; i < at + 4 * HEAD_TEXELS + points.length; i += WASH_POINT_FLOATS) {
      table[i] -= viewX;
      table[i + 1] -= viewY;
    }
  });
  return table;
}

/**
 * How far apart colours may be worked out so that what is read between them is right to half a byte: a quarter of the width of
 * the steepest step from one point's colour to another's. A step is the wider the wider the points and the nearer they are.
 * @returns scene px
 */
export function washLattice(washes: readonly MomentWash[]): number {
  let width = Infinity;
  for (const { points } of washes)
    for (let i = 0; i < points.length; i += WASH_POINT_FLOATS) {
      const spread2 = 1 / (2 * points[i + 2]);
      width = Math.min(width, Math.sqrt(spread2));
      for (let k = 0; k < points.length; k += WASH_POINT_FLOATS) {
        const [dx, dy] = [points[k] - points[i], points[k + 1] - points[i + 1]];
        const away = Math.sqrt(dx * dx + dy * dy);
        if (away > 0) width = Math.min(width, spread2 / away);
      }
    }
  return width / 4;
}

/**
 * `washAt`: the colour of a wash at a place, in the light space, and how opaque it is there.
 * @param toSpace GLSL that brings the linear colour \`own\` to the light space
 */
export const washPoint = (toSpace: string) => `
uniform sampler2D u_washes;
vec4 washAt(int row, vec2 p) {
  int count = int(texelFetch(u_washes, ivec2(0, row), 0).x);
  float least = 1e30;
  for (int i = 0; i < count; i++) {
    vec4 place = texelFetch(u_washes, ivec2(${HEAD_TEXELS} + ${POINT_TEXELS} * i, row), 0);
    vec2 d = p - place.xy;
    least = min(least, dot(d, d) * place.z);
  }
  vec4 sum = vec4(0.0);
  float opacity = 0.0;
  for (int i = 0; i < count; i++) {
    vec4 place = texelFetch(u_washes, ivec2(${HEAD_TEXELS} + ${POINT_TEXELS} * i, row), 0);
    vec3 lab = texelFetch(u_washes, ivec2(${HEAD_TEXELS + 1} + ${POINT_TEXELS} * i, row), 0).xyz;
    vec2 d = p - place.xy;
    float weight = exp(least - dot(d, d) * place.z);
    sum += weight * vec4(lab, 1.0);
    opacity += weight * place.w;
  }
  vec3 lab = sum.xyz / sum.w;
  float l = lab.x + 0.3963377774 * lab.y + 0.2158037573 * lab.z;
  float m = lab.x - 0.1055613458 * lab.y - 0.0638541728 * lab.z;
  float s = lab.x - 0.0894841775 * lab.y - 1.291485548 * lab.z;
  vec3 lms = vec3(l * l * l, m * m * m, s * s * s);
  vec3 own = max(vec3(0.0), vec3(
    dot(vec3(4.0767416621, -3.3077115913, 0.2309699292), lms),
    dot(vec3(-1.2684380046, 2.6097574011, -0.3413193965), lms),
    dot(vec3(-0.0041960863, -0.7034186147, 1.707614701), lms)
  ));
  ${toSpace}
  return vec4(own, opacity / sum.w);
}`;

/** `washAt` as it was worked out before, a place every \`u_washStep\` output px; washes lie below each other. */
const WASH_READ = `
uniform sampler2D u_washColours;
uniform vec4 u_washRead;
vec4 washAt(int row, vec2 p) {
  return textureLod(u_washColours, p * u_washRead.xy + u_washRead.zw + vec2(0.0, float(row) / float(${WASH_TABLE_ROWS})), 0.0);
}`;

const ROWS = Array.from({ length: WASH_TABLE_ROWS }, (_, row) => row);

/** What `washCode` is told of washes: how each is laid on, and its box, from the view's corner. */
export function washUniforms(
  washes: readonly MomentWash[],
  viewX: number,
  viewY: number,
): Record<string, readonly number[]> {
  return Object.fromEntries(
    washes.slice(0, WASH_TABLE_ROWS).flatMap(({ blend, opacity, box }, row) => [
      [`u_washLaid${row}`, [WASH_BLEND_NUMBERS[blend], opacity]],
      [
        `u_washBox${row}`,
        box
          ? [box.left - viewX, box.top - viewY, box.right - viewX, box.bottom - viewY]
          : [-ENDLESS, -ENDLESS, ENDLESS, ENDLESS],
      ],
    ]),
  );
}

/**
 * `underWashes`: a colour of the picture with all washes over it.
 * @param toSpace null reads colours that were worked out before
 */
export const washCode = (toSpace: string | null, count: number) => {
  const rows = ROWS.slice(0, count);
  return `
uniform float u_washPerPx;
${rows.map((row) => `uniform vec2 u_washLaid${row};\nuniform vec4 u_washBox${row};`).join('\n')}
${toSpace === null ? WASH_READ : washPoint(toSpace)}
vec3 laidOver(vec3 c, vec4 own, vec2 laid, vec4 box, vec2 p) {
  bool isIn = p.x >= box.x && p.x < box.z && p.y >= box.y && p.y < box.w;
  vec3 over = laid.x == 0.0 ? own.rgb
    : laid.x == 1.0 ? c * own.rgb
    : laid.x == 2.0 ? c + own.rgb * (1.0 - min(vec3(1.0), c))
    : c + own.rgb;
  return isIn ? c + (over - c) * (laid.y * own.a) : c;
}
vec3 underWashes(vec3 c, vec2 outputPx) {
  vec2 p = outputPx / u_washPerPx;
  ${rows.map((row) => `c = laidOver(c, washAt(${row}, p), u_washLaid${row}, u_washBox${row}, p);`).join('\n  ')}
  return c;
}`;
};
