/** Every term that stands in TypeScript and in GLSL, with a grid of arguments at which both are asked. */
import { placeInTile } from '@/core/art/tiles';
import { PLACE_IN_TILE } from '@/core/art/tiles.glsl';
import { FINISH_PASSES, finishNumbers, NO_FINISH_SETTINGS, runPass } from '@/core/finish/all-passes';
import { passCode, type PointPassName } from '@/core/finish/all-passes.glsl';
import { coneAt } from '@/core/light/terms/cone';
import { CONE } from '@/core/light/terms/cone.glsl';
import { faceAll, facing, NORMAL_BYTE_TO_VALUE } from '@/core/light/terms/facing';
import { FACING, NORMAL_VALUE, TOWARDS } from '@/core/light/terms/facing.glsl';
import { fadeAt } from '@/core/light/terms/fade';
import { FADE } from '@/core/light/terms/fade.glsl';
import { fallAt } from '@/core/light/terms/fall';
import { FALL_FACTORS, fallGlsl } from '@/core/light/terms/fall.glsl';
import { distanceOutside } from '@/core/light/terms/outside';
import { OUTSIDE } from '@/core/light/terms/outside.glsl';
import { metChord, stopsRay } from '@/core/light/terms/shadow-edge';
import { MET_CHORD, STOPS_RAY } from '@/core/light/terms/shadow-edge.glsl';
import { banded, blockPlace, ditherAt } from '@/core/light/terms/steps';
import { BANDS, BLOCK } from '@/core/light/terms/steps.glsl';
import { farthestStop, weightAt } from '@/core/light/terms/stature';
import { STATURE } from '@/core/light/terms/stature.glsl';
import { ambientOf, lightOf, pastShadow, shownShareAt } from '@/core/light/terms/sums';
import { PAST_SHADOW, SUMS } from '@/core/light/terms/sums.glsl';
import { TABLE } from '@/core/light/terms/table.glsl';
import { CURVE_DRAWN, CURVE_EASED, CURVE_EVEN, CURVE_NATURAL, CURVE_STRAIGHT } from '@/core/moment/moment';
import { curveTable } from '@/core/moment/tables';
import { srgbDecode, srgbEncode } from '@/core/raster/colour';
import { TRANSFER } from '@/core/raster/colour.glsl';

export interface Term {
  name: string;
  /** Uniforms and functions. */
  glsl: string;
  /** Gives up to three values from the arguments, which are `x[0]`, `x[1]` and so on. */
  call: string;
  /** Every combination of one value of each is asked. */
  grid: readonly (readonly number[])[];
  /** @returns as many values as `call` gives; what is left out is 0 */
  reference(x: readonly number[]): number[];
  /** How far both may be apart; 1e-5 where nothing is said. */
  within?: number;
}

/** Values from low to high, both among them. */
function steps(low: number, high: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));
}

const CURVE_POINTS = [0, 1, 0.2, 0.9, 0.3, 0.2, 0.7, 0.6, 1, 0];
export const DRAWN = curveTable(CURVE_POINTS);

/** Two outlines of which the smaller lies in the larger: its inside is outside. */
export const EDGES = Float64Array.from([
  ...[0, 0, 40, 3, 40, 3, 33, 28, 33, 28, -5, 20, -5, 20, 0, 0],
  ...[10, 8, 20, 8, 20, 8, 20, 15, 20, 15, 10, 15, 10, 15, 10, 8],
]);

const CURVES: [string, number][] = [
  ['straight', CURVE_STRAIGHT],
  ['eased', CURVE_EASED],
  ['natural', CURVE_NATURAL],
  ['even', CURVE_EVEN],
  ['drawn', CURVE_DRAWN],
];

const falls: Term[] = CURVES.map(([name, curve]) => ({
  name: `fall, ${name}`,
  glsl: `${curve === CURVE_DRAWN ? TABLE : ''}${FALL_FACTORS}${fallGlsl(curve, true)}`,
  call: 'vec3(fallAt(x[0], x[0] * x[0], x[1], x[2], fallFactors(x[1], x[2]), x[3]), 0.0, 0.0)',
  // Between the steps of the distances lie core and reach, where the curves have their ends.
  grid: [steps(0, 131, 97), [0, 6, 40], [50, 121.5], [0.5, 1, 3]],
  reference: ([d, core, reach, steepness]) => [
    fallAt(d, core, reach, curve, steepness, curve === CURVE_DRAWN ? DRAWN : null),
  ],
  // Close to its end the root of what is left shows the last bits of single floats.
  within: 1e-4,
}));

const RAY_GRID = [steps(-20.3, 22.1, 13), steps(-15.7, 18.9, 13), steps(0.01, 6.27, 9), [3, 25], [0, 1]];
const ORIGIN = new Float64Array(1);
const EDGE = [-4, 5, 6, 9];

/** Where a pass is asked: places of this frame are output px, and scene px. */
const FRAME = {
  view: { x: -10, y: -5, widthPx: 100, heightPx: 80, outputPerScenePx: 1 },
  gate: { left: 0, top: 0, right: 80, bottom: 45 },
  pixelArt: false,
  gateLog2: null,
};

export const TERMS: readonly Term[] = [
  ...falls,
  {
    name: 'cone',
    glsl: CONE,
    call: 'vec3(coneAt(vec4(cos(x[2]), sin(x[2]), x[3], x[4]), vec2(x[0], x[1])), 0.0, 0.0)',
    grid: [steps(-9, 9, 13), steps(-8.1, 8.3, 13), steps(-3, 3.1, 7), [0, 0.3, 1.5], [1.6, 3.1]],
    reference: ([dx, dy, bearing, beam, field]) => [
      coneAt({ x: Math.cos(bearing), y: Math.sin(bearing), beam, field }, dx, dy),
    ],
    // A beam that is nearly as wide as its field multiplies what the angle is off by.
    within: 3e-4,
  },
  {
    name: 'bands',
    glsl: BANDS,
    call: 'vec3(banded(x[0], x[1], x[2]), 0.0, 0.0)',
    grid: [steps(0.0013, 0.9987, 211), [0, 1, 3, 8], [0.1171875, 0.5, 0.9921875]],
    reference: ([share, bands, threshold]) => [banded(share, bands, threshold)],
  },
  {
    name: 'dither',
    glsl: `uniform sampler2D u_bayer;${BANDS}`,
    call: 'vec3(ditherAt(u_bayer, ivec2(int(x[0]), int(x[1]))), 0.0, 0.0)',
    grid: [steps(-9, 9, 19), steps(-9, 9, 19)],
    reference: ([column, row]) => [ditherAt(column, row)],
  },
  {
    name: 'blocks',
    glsl: BLOCK,
    call: 'vec3(blockPlace(vec2(x[0], x[1]), vec2(x[2], -x[2]), x[3]), 0.0)',
    grid: [steps(-30.3, 40.1, 29), steps(-20.7, 20.9, 13), [0, 0.37], [0, 1, 5]],
    reference: ([x, y, origin, block]) => [blockPlace(x, origin, block), blockPlace(y, -origin, block)],
  },
  {
    name: 'distance beyond outlines',
    glsl: `uniform sampler2D u_edges;\nconst int u_edgeCount = ${EDGES.length / 4};${OUTSIDE}`,
    call: 'vec3(outside(vec2(x[0], x[1])), 0.0, 0.0)',
    grid: [steps(-17.3, 55.1, 67), steps(-11.9, 37.7, 53)],
    reference: ([x, y]) => [distanceOutside({ edges: EDGES, featherPx: 0 }, x, y)],
  },
  {
    name: 'fade of a gobo',
    glsl: FADE,
    call: 'vec3(fadeAt(x[0], x[1], x[2]), 0.0, 0.0)',
    grid: [steps(0, 40, 81), [40, 64], [0, 1, 12.5, 50]],
    reference: ([at, size, fade]) => [fadeAt(at, size, fade)],
  },
  {
    name: 'facing',
    glsl: FACING,
    call: 'vec3(facing(x[0], x[1], x[2]), 0.0, 0.0)',
    grid: [steps(-1, 1, 41), [0, 0.25, 1], [0, 0.6, 1]],
    reference: ([dot, wrap, relief]) => [facing(dot, wrap, relief)],
  },
  {
    name: 'table',
    glsl: TABLE,
    call: 'vec3(tableAt(x[0]).a, 0.0, 0.0)',
    grid: [steps(0, 1, 1013)],
    // A drawn curve over a reach of 1 is its table.
    reference: ([u]) => [u === 0 ? DRAWN[0] : fallAt(u, 0, 1, CURVE_DRAWN, 1, DRAWN)],
  },
  {
    name: 'edge across a ray',
    glsl: STOPS_RAY,
    call: `vec3(stopsRay(vec4(${EDGE.map((v) => v.toFixed(1)).join(', ')}), x[4] > 0.5, vec2(x[0], x[1]), vec2(cos(x[2]), sin(x[2])), x[3]) ? 1.0 : 0.0, 0.0, 0.0)`,
    grid: RAY_GRID,
    reference: ([px, py, angle, farthest, both]) => [
      stopsRay(Float64Array.from(EDGE), both === 1, px, py, Math.cos(angle), Math.sin(angle), farthest)
        ? 1
        : 0,
    ],
  },
  {
    name: 'edge over the chord',
    glsl: MET_CHORD,
    call: `metChord(vec4(${EDGE.map((v) => v.toFixed(1)).join(', ')}), x[4] > 0.5, vec2(x[0], x[1]), vec2(cos(x[2]), sin(x[2])), x[3], 4.0)`,
    grid: RAY_GRID,
    reference: ([px, py, angle, farthest, both]) => {
      const out = new Float64Array(3);
      const way = [Math.cos(angle), Math.sin(angle)] as const;
      const edge = Float64Array.from(EDGE);
      return metChord(edge, 0, both === 1, px, py, ...way, farthest, 4, out) ? [...out] : [];
    },
    // Where the edge is seen along itself its depth is a division by nearly nothing.
    within: 1e-3,
  },
  {
    name: 'way to the light',
    glsl: TOWARDS,
    call: 'vec3(towardsLight(vec3(x[0], x[1], 0.8), x[0] * x[0] + x[1] * x[1] + 0.64, vec2(x[2], x[3]), x[4]), 0.0, 0.0)',
    grid: [steps(-0.9, 0.8, 7), steps(-0.7, 0.9, 7), steps(-60, 55, 9), steps(-31, 47, 9), [-3, 0, 1, 40]],
    reference: ([nx, ny, dx, dy, heightPx]) => {
      const length = Math.sqrt(nx * nx + ny * ny + 0.64);
      const normal = [nx / length, ny / length, 0.8 / length];
      // With a wrap of 1 what faces away is told too.
      const share = Float64Array.of(1);
      const source = { parallel: false, x: dx, y: dy, heightPx } as const;
      faceAll({ source, wrap: 1, relief: 1 }, normal, ORIGIN, ORIGIN, share, 1);
      return [2 * share[0] - 1];
    },
  },
  {
    name: 'bytes of a normal map',
    glsl: NORMAL_VALUE,
    call: 'vec3(normalValue(x[0] / 255.0), 0.0, 0.0)',
    grid: [steps(0, 255, 256)],
    reference: ([byte]) => [NORMAL_BYTE_TO_VALUE[byte]],
  },
  {
    name: 'end of a shadow',
    glsl: STATURE,
    call: 'vec3(farthestStop(x[0], x[1], x[2], x[4] > 0.5), weightAt(x[0], x[1], x[3], vec2(x[2], 6.0)), 0.0)',
    grid: [[0, 0.5, 12, 90], [1, 40, 300], [-4, 0, 0.3, 25], steps(0.5, 200, 31), [0, 1]],
    reference: ([stature, distance, low, depth, isParallel]) => [
      farthestStop(stature, distance, low, isParallel === 1),
      weightAt(stature, distance, depth, [low, 6]),
    ],
  },
  {
    name: 'ambient light and the sums of a layer',
    glsl: SUMS,
    call: 'vec3(ambientOf(vec3(x[0]), vec3(x[1]), x[2], vec3(x[3])).r, lightOf(vec3(x[0]), vec3(x[1]), vec3(x[2]), vec3(x[3])).r, shownShare(x[4], vec3(x[0], x[1], x[2]), vec3(x[3])))',
    grid: [
      [0, 0.3, 2],
      [0, 0.4, 1.7],
      [0, 0.35, 1, 1.6],
      [0, 0.2, 3],
      [0, 1, 4.5],
    ],
    reference: ([a, b, c, d, gain]) => [
      ambientOf(a, b, c, d),
      lightOf(a, b, c, d),
      shownShareAt(gain, [a, b, c], [d, d, d], 0),
    ],
  },
  {
    name: 'what a shadow lets',
    glsl: PAST_SHADOW,
    call: 'pastShadow(vec3(x[0], x[1], 0.5), vec3(x[1], x[0], 0.25))',
    grid: [steps(0, 1, 11), steps(0, 1, 11)],
    reference: ([a, b]) => [pastShadow(a, b), pastShadow(b, a), pastShadow(0.5, 0.25)],
  },
  {
    name: 'place in a tile',
    glsl: PLACE_IN_TILE,
    call: 'vec3(placeInTile(int(x[0]), vec2(x[1], x[2]), vec2(16.0, 12.0)), 0.0)',
    grid: [steps(0, 7, 8), steps(0, 16, 9), steps(0, 12, 9)],
    reference: ([orientation, x, y]) => [...placeInTile(orientation, x, y, 16, 12)],
  },
  {
    name: 'sRGB transfer',
    glsl: TRANSFER,
    call: 'vec3(encode(x[0]), decode(x[0]), 0.0)',
    grid: [[...steps(-0.1, 0.01, 45), ...steps(0.0113, 4, 201)]],
    reference: ([v]) => [srgbEncode(v), srgbDecode(v)],
  },
  passTerm('exposure', { exposureStops: 1.3 }),
  passTerm('vignette', {
    vignetteLevel: 0.7,
    vignetteInner: 0.3,
    vignetteRoundness: 0.4,
    vignetteColour: '#402060',
  }),
  passTerm('tone', { tone: 'shoulder', whiteLevel: 4 }),
  passTerm('tone', { tone: 'film', whiteLevel: 6 }),
  passTerm('grade', {
    ...{ slopeRed: 1.2, slopeGreen: 0.9, offsetBlue: 0.05, offsetRed: -0.1 },
    ...{ powerRed: 1.4, powerGreen: 0.7, saturation: 1.3 },
  }),
];

/** A pass on one pixel: its colour, and where it lies. */
function passTerm(pass: PointPassName, settings: object): Term {
  const numbers = finishNumbers({ ...NO_FINISH_SETTINGS, ...settings });
  const { uniforms, glsl, values } = passCode(pass, numbers, FRAME);
  const literal = (value: number | readonly number[]) =>
    typeof value === 'number'
      ? value.toFixed(9)
      : `vec${value.length}(${value.map((v) => v.toFixed(9)).join(', ')})`;
  const set = Object.entries(values).map(([name, value]) => `${name} = ${literal(value)};`);
  const top = FINISH_PASSES[pass].on === 'light' ? 6 : 1;
  return {
    name: `${pass} ${Object.values(settings).join(' ')}`,
    glsl: `${uniforms.replaceAll('uniform ', '')}
vec3 passed(vec3 c, vec2 wide) { ${set.join(' ')} ${glsl} return c; }`,
    call: 'passed(vec3(x[0], x[1], x[2]), vec2(x[3], 20.5))',
    grid: [steps(0, top, 13), steps(0, top, 5), steps(0, top, 5), [0.5, 12.5, 50.5, 99.5]],
    reference: ([r, g, b, x]) => {
      const view = {
        ...FRAME.view,
        x: FRAME.view.x + x - 0.5,
        y: FRAME.view.y + 20,
        widthPx: 1,
        heightPx: 1,
      };
      const picture = { width: 1, height: 1, data: Float64Array.of(r, g, b) };
      runPass(pass, picture, numbers, { ...FRAME, view });
      return [...picture.data];
    },
  };
}

/** Every combination of the grid's values. */
export function combinations(grid: Term['grid']): number[][] {
  return grid.reduce<number[][]>(
    (found, values) => found.flatMap((before) => values.map((value) => [...before, value])),
    [[]],
  );
}
