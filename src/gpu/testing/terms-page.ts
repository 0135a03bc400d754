/** Asks every term of the light model on the graphics card and in TypeScript, at the same arguments. */
import { BAYER8 } from '@/core/raster/bayer';
import { Device, openContext } from '../device';
import { HEADER } from '../shaders/common';
import { combinations, DRAWN, EDGES, TERMS, type Term } from './terms';

export interface TermReport {
  asked: number;
  /** How far both are apart at the worst, and at which arguments. */
  worst: number;
  at: number[];
  /** How many of the asked are farther apart than the term may be. */
  apart: number;
  /** The values that came, least and most: a term that is always 0 says nothing. */
  span: [number, number];
}

const WIDTH = 512;
/** Arguments lie in texels of four, two for each asking. */
const MOST = 8;

function report(term: Term): TermReport {
  const gl = openContext(new OffscreenCanvas(8, 8));
  gl.getExtension('EXT_color_buffer_float');
  const full = { name: 'RGBA32F' as const, internal: gl.RGBA32F, type: gl.FLOAT, bytesPerPixel: 16 };
  const device = new Device(gl, () => full);
  const asked = combinations(term.grid).map((values) => values.map(Math.fround));
  const height = Math.ceil(asked.length / WIDTH);
  const packed = new Float32Array(2 * WIDTH * height * 4);
  for (const [i, values] of asked.entries()) packed.set(values, MOST * i);
  const floats = (width: number, rows: number, data: Float32Array) =>
    device.texture(width, rows, gl.RGBA32F, gl.RGBA, gl.FLOAT, data, 16);
  const table = new Float32Array(4 * DRAWN.length);
  for (const [i, value] of DRAWN.entries()) table[4 * i + 3] = value;
  const textures = {
    u_asked: floats(2 * WIDTH, height, packed),
    ...(term.glsl.includes('u_table') ? { u_table: floats(DRAWN.length, 1, table) } : {}),
    ...(term.glsl.includes('u_edges')
      ? { u_edges: floats(EDGES.length / 4, 1, Float32Array.from(EDGES)) }
      : {}),
    ...(term.glsl.includes('u_bayer')
      ? { u_bayer: device.texture(8, 8, gl.R8, gl.RED, gl.UNSIGNED_BYTE, BAYER8, 1) }
      : {}),
  };
  const program = device.program({
    name: term.name,
    vertex: `${HEADER}void main() { gl_Position = vec4(vec2(gl_VertexID & 1, gl_VertexID >> 1) * 4.0 - 1.0, 0.0, 1.0); }`,
    fragment: `${HEADER}${term.glsl}
uniform sampler2D u_asked;
out vec4 answer;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  vec4 low = texelFetch(u_asked, ivec2(2 * at.x, at.y), 0);
  vec4 high = texelFetch(u_asked, ivec2(2 * at.x + 1, at.y), 0);
  float x[${MOST}] = float[${MOST}](low.x, low.y, low.z, low.w, high.x, high.y, high.z, high.w);
  answer = vec4(${term.call}, 1.0);
}`,
  });
  const target = device.target(WIDTH, height, 'float');
  device.bind(target);
  program.use({}, textures);
  gl.drawArrays(gl.TRIANGLES, 0, 3);
  const answers = new Float32Array(4 * WIDTH * height);
  gl.readPixels(0, 0, WIDTH, height, gl.RGBA, gl.FLOAT, answers);
  device.dispose();
  return compared(term, asked, answers);
}

function compared({ reference, within = 1e-5 }: Term, asked: number[][], answers: Float32Array): TermReport {
  const found: TermReport = { asked: asked.length, worst: 0, at: [], apart: 0, span: [Infinity, -Infinity] };
  for (const [i, values] of asked.entries()) {
    const wanted = reference(values);
    let most = 0;
    for (let c = 0; c < 3; c++) {
      const [a, b] = [wanted[c] ?? 0, answers[4 * i + c]];
      most = Math.max(most, Number.isFinite(b) ? Math.abs(a - b) / Math.max(1, Math.abs(a)) : Infinity);
    }
    found.span = [Math.min(found.span[0], answers[4 * i]), Math.max(found.span[1], answers[4 * i])];
    if (most > within) found.apart++;
    if (most > found.worst) Object.assign(found, { worst: most, at: values });
  }
  return found;
}

Object.assign(globalThis, {
  terms: {
    names: TERMS.map(({ name }) => name),
    report: (name: string) => report(TERMS.find((term) => term.name === name)!),
  },
});
