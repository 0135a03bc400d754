/**
 * Which float format blends faster is different on every machine (in software 32 bit, on most hardware 16 bit), so
 * it is tried: a few additive fills of a small target, finished by reading one pixel back. What else the machine does
 * meanwhile must not decide, since the picture differs in its last bits: the quickest of several turns counts, and
 * 16 bit must be clearly quicker.
 */
import { GpuFault, type FloatFormat } from './device';

const SIDE_PX = 256;
/** Fills in a turn: more and more until they take this long, so that the reading back does not decide; but never too many. */
const FEWEST_FILLS = 6;
const MOST_FILLS = 400;
const LONG_ENOUGH_MS = 3;
const TURNS = 4;
/** 16 bit is taken only where 32 bit takes more than this many times as long. */
const CLEARLY = 1.5;

/** More lights than this in one sum of half floats would lose the small ones: they are summed in groups. */
export const HALF_FLOAT_GROUP = 64;

export function halfFloats(gl: WebGL2RenderingContext): FloatFormat {
  return { name: 'RGBA16F', internal: gl.RGBA16F, type: gl.HALF_FLOAT, bytesPerPixel: 8 };
}

export function chooseFloatFormat(gl: WebGL2RenderingContext): FloatFormat {
  const half = halfFloats(gl);
  const full = { name: 'RGBA32F' as const, internal: gl.RGBA32F, type: gl.FLOAT, bytesPerPixel: 16 };
  const floats = gl.getExtension('EXT_color_buffer_float') !== null;
  if (!floats && gl.getExtension('EXT_color_buffer_half_float') === null) {
    throw new GpuFault('This browser cannot draw into float textures, which lights are added up in.');
  }
  if (!floats || gl.getExtension('EXT_float_blend') === null) return half;
  const trials = [full, half].map((format) => fillTrial(gl, format));
  let fills = FEWEST_FILLS;
  while (fills < MOST_FILLS && trials[0].time(fills) < LONG_ENOUGH_MS) fills *= 4;
  const quickest = [Infinity, Infinity];
  for (let turn = 0; turn < TURNS; turn++)
    trials.forEach(({ time }, i) => (quickest[i] = Math.min(quickest[i], time(fills))));
  trials.forEach(({ free }) => free());
  return quickest[0] > CLEARLY * quickest[1] ? half : full;
}

/** A small target of a format that can be filled again and again. `time` tells how long so many fills take, ms. */
function fillTrial(gl: WebGL2RenderingContext, format: FloatFormat) {
  const texture = gl.createTexture();
  gl.bindTexture(gl.TEXTURE_2D, texture);
  gl.texStorage2D(gl.TEXTURE_2D, 1, format.internal, SIDE_PX, SIDE_PX);
  const framebuffer = gl.createFramebuffer();
  gl.bindFramebuffer(gl.FRAMEBUFFER, framebuffer);
  gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0);
  const program = trivialProgram(gl);
  const draw = (fills: number) => {
    gl.bindFramebuffer(gl.FRAMEBUFFER, framebuffer);
    gl.useProgram(program);
    gl.viewport(0, 0, SIDE_PX, SIDE_PX);
    gl.enable(gl.BLEND);
    gl.blendFunc(gl.ONE, gl.ONE);
    for (let i = 0; i < fills; i++) gl.drawArrays(gl.TRIANGLES, 0, 3);
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.FLOAT, new Float32Array(4));
  };
  // The first draw compiles.
  draw(1);
  return {
    time(fills: number): number {
      const start = performance.now();
      draw(fills);
      return performance.now() - start;
    },
    free(): void {
      gl.bindFramebuffer(gl.FRAMEBUFFER, null);
      gl.deleteFramebuffer(framebuffer);
      gl.deleteTexture(texture);
      gl.deleteProgram(program);
    },
  };
}

function trivialProgram(gl: WebGL2RenderingContext): WebGLProgram {
  const program = gl.createProgram()!;
  const sources: [number, string][] = [
    [
      gl.VERTEX_SHADER,
      'void main() { vec2 c = vec2(gl_VertexID & 1, gl_VertexID >> 1) * 4.0 - 1.0; gl_Position = vec4(c, 0.0, 1.0); }',
    ],
    [gl.FRAGMENT_SHADER, 'precision highp float; out vec4 c; void main() { c = vec4(0.01); }'],
  ];
  for (const [kind, source] of sources) {
    const shader = gl.createShader(kind)!;
    gl.shaderSource(shader, `#version 300 es\n${source}`);
    gl.compileShader(shader);
    gl.attachShader(program, shader);
    gl.deleteShader(shader);
  }
  gl.linkProgram(program);
  return program;
}
