/**
 * A thin layer over WebGL2: programs are records, an unknown uniform throws, a shader that does not compile shows
 * its numbered source, and everything made is owned, counted in bytes and disposed together.
 */

export interface ProgramRecord {
  name: string;
  vertex: string;
  fragment: string;
  /** Locations of instanced attributes. */
  attributes?: Record<string, number>;
}

export type UniformValue = number | boolean | readonly number[];

export interface Target {
  framebuffer: WebGLFramebuffer;
  textures: WebGLTexture[];
  width: number;
  height: number;
  bytes: number;
}

export interface FloatFormat {
  name: 'RGBA16F' | 'RGBA32F';
  internal: number;
  type: number;
  bytesPerPixel: number;
}

/**
 * `over` by the source's alpha, `add` and `max` of both, `multiply` the source, `multiplyInverse` what the source leaves of 1,
 * `screen` what both stop together: a + b - a b.
 */
export type BlendMode = 'none' | 'over' | 'add' | 'max' | 'multiply' | 'multiplyInverse' | 'screen';

export class GpuFault extends Error {
  override name = 'GpuFault';
}

export function openContext(canvas: HTMLCanvasElement | OffscreenCanvas): WebGL2RenderingContext {
  const gl = canvas.getContext('webgl2', {
    alpha: false,
    antialias: false,
    depth: false,
    stencil: false,
    premultipliedAlpha: false,
    powerPreference: 'high-performance',
  }) as WebGL2RenderingContext | null;
  if (!gl) throw new GpuFault('This browser gives no WebGL 2, which the stage is drawn with.');
  return gl;
}

export type TargetKind = 'float' | 'half' | 'byte' | 'smooth';

export class Device {
  /** Bytes of all textures that are alive, and how many there are. */
  bytes = 0;
  get textureCount(): number {
    return this.textureBytes.size;
  }
  readonly floats: FloatFormat;
  /** Whether floats of 32 bit can be read between pixels. */
  private readonly filtersFloats: boolean;
  /** The longest side of a texture that the card takes, px. */
  private readonly longestSide: number;
  /** Let go of, but still to be drawn from in the picture that is being made. */
  private readonly retired: WebGLTexture[] = [];
  private readonly textureBytes = new Map<WebGLTexture, number>();
  private readonly targets = new Set<Target>();
  private readonly parts = new WeakMap<Target, Target[]>();
  private readonly emptyVertexArray: WebGLVertexArrayObject;

  constructor(
    readonly gl: WebGL2RenderingContext,
    chooseFloats: (gl: WebGL2RenderingContext) => FloatFormat,
    private readonly programs = new Programs(gl),
  ) {
    gl.pixelStorei(gl.UNPACK_ALIGNMENT, 1);
    gl.pixelStorei(gl.UNPACK_COLORSPACE_CONVERSION_WEBGL, gl.NONE);
    gl.pixelStorei(gl.UNPACK_PREMULTIPLY_ALPHA_WEBGL, false);
    gl.disable(gl.DITHER);
    this.longestSide = gl.getParameter(gl.MAX_TEXTURE_SIZE) as number;
    this.floats = chooseFloats(gl);
    this.filtersFloats = gl.getExtension('OES_texture_float_linear') !== null;
    this.emptyVertexArray = gl.createVertexArray()!;
  }

  program(record: ProgramRecord): Program {
    return this.programs.get(record);
  }

  texture(
    width: number,
    height: number,
    internal: number,
    format: number,
    type: number,
    data: ArrayBufferView | null,
    bytesPerPixel: number,
  ): WebGLTexture {
    const { gl } = this;
    this.checkSize(width, height);
    const texture = gl.createTexture()!;
    gl.bindTexture(gl.TEXTURE_2D, texture);
    gl.texImage2D(gl.TEXTURE_2D, 0, internal, width, height, 0, format, type, data);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE);
    const bytes = width * height * bytesPerPixel;
    this.textureBytes.set(texture, bytes);
    this.bytes += bytes;
    return texture;
  }

  /** An array of layers of one size, all clear. */
  textureArray(
    width: number,
    height: number,
    layers: number,
    internal: number,
    bytesPerPixel: number,
  ): WebGLTexture {
    const { gl } = this;
    this.checkSize(width, height);
    const texture = gl.createTexture()!;
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, texture);
    gl.texStorage3D(gl.TEXTURE_2D_ARRAY, 1, internal, width, height, layers);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_2D_ARRAY, filter, gl.NEAREST);
    const bytes = width * height * layers * bytesPerPixel;
    this.textureBytes.set(texture, bytes);
    this.bytes += bytes;
    return texture;
  }

  private checkSize(width: number, height: number): void {
    if (Math.max(width, height) <= this.longestSide) return;
    throw new GpuFault(
      `This graphics card takes pictures of up to ${this.longestSide} px a side, and ${width} x ${height} px are wanted.`,
    );
  }

  /** Lets go of a texture that draws of this picture may still read: it goes when the picture is through. */
  retireTexture(texture: WebGLTexture): void {
    this.retired.push(texture);
  }

  /** To be called when a picture is through. */
  dropRetired(): void {
    for (const texture of this.retired.splice(0)) this.dropTexture(texture);
  }

  /** Lets go of a texture that nothing reads any more. */
  dropTexture(texture: WebGLTexture): void {
    this.bytes -= this.textureBytes.get(texture) ?? 0;
    this.textureBytes.delete(texture);
    this.gl.deleteTexture(texture);
  }

  /**
   * A target of `count` textures: floats of the chosen kind, half floats, bytes, or `smooth`: floats that are read between
   * pixels, which cards without filtered 32 bit floats have as half floats.
   */
  target(width: number, height: number, kind: TargetKind, count = 1): Target {
    const { gl, floats } = this;
    const formats = {
      float: [floats.internal, floats.type, floats.bytesPerPixel],
      half: [gl.RGBA16F, gl.HALF_FLOAT, 8],
      smooth: this.filtersFloats
        ? [floats.internal, floats.type, floats.bytesPerPixel]
        : [gl.RGBA16F, gl.HALF_FLOAT, 8],
      byte: [gl.RGBA8, gl.UNSIGNED_BYTE, 4],
    } as const;
    const [internal, type, bytesPerPixel] = formats[kind];
    const textures = Array.from({ length: count }, () =>
      this.texture(width, height, internal, gl.RGBA, type, null, bytesPerPixel),
    );
    if (kind === 'smooth') textures.forEach((texture) => this.readBetween(texture));
    const framebuffer = this.framebufferOf(textures);
    if (gl.checkFramebufferStatus(gl.FRAMEBUFFER) !== gl.FRAMEBUFFER_COMPLETE) {
      throw new GpuFault(`A ${width} x ${height} ${kind} target cannot be drawn into.`);
    }
    const target = { framebuffer, textures, width, height, bytes: width * height * count * bytesPerPixel };
    this.targets.add(target);
    return target;
  }

  private readBetween(texture: WebGLTexture): void {
    const { gl } = this;
    gl.bindTexture(gl.TEXTURE_2D, texture);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.LINEAR);
  }

  /** A target that draws into the first textures of another one, which owns them. */
  partOf(whole: Target, count: number): Target {
    const { gl } = this;
    const textures = whole.textures.slice(0, count);
    const framebuffer = this.framebufferOf(textures);
    gl.bindFramebuffer(gl.FRAMEBUFFER, null);
    const part = { ...whole, framebuffer, textures, bytes: 0 };
    this.parts.set(whole, [...(this.parts.get(whole) ?? []), part]);
    return part;
  }

  private framebufferOf(textures: readonly WebGLTexture[]): WebGLFramebuffer {
    const { gl } = this;
    const framebuffer = gl.createFramebuffer()!;
    gl.bindFramebuffer(gl.FRAMEBUFFER, framebuffer);
    textures.forEach((texture, i) =>
      gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0 + i, gl.TEXTURE_2D, texture, 0),
    );
    gl.drawBuffers(textures.map((_, i) => gl.COLOR_ATTACHMENT0 + i));
    return framebuffer;
  }

  dropTarget(target: Target): void {
    if (!this.targets.delete(target)) return;
    for (const texture of target.textures) this.dropTexture(texture);
    for (const part of this.parts.get(target) ?? []) this.gl.deleteFramebuffer(part.framebuffer);
    this.gl.deleteFramebuffer(target.framebuffer);
  }

  /** The one place that binds targets. Null is the canvas. */
  bind(target: Target | null): void {
    const { gl } = this;
    gl.bindFramebuffer(gl.FRAMEBUFFER, target?.framebuffer ?? null);
    gl.viewport(0, 0, target?.width ?? gl.drawingBufferWidth, target?.height ?? gl.drawingBufferHeight);
  }

  /** Copies a box of one target into another of the same size and format, and leaves the other bound. */
  copy(from: Target, to: Target, [left, top, right, bottom]: readonly number[]): void {
    const { gl } = this;
    this.bind(to);
    gl.bindFramebuffer(gl.READ_FRAMEBUFFER, from.framebuffer);
    gl.blitFramebuffer(left, top, right, bottom, left, top, right, bottom, gl.COLOR_BUFFER_BIT, gl.NEAREST);
    gl.bindFramebuffer(gl.READ_FRAMEBUFFER, to.framebuffer);
  }

  /** How what is drawn meets what is there. */
  blend(mode: BlendMode): void {
    const { gl } = this;
    if (mode === 'none') {
      gl.disable(gl.BLEND);
      return;
    }
    gl.enable(gl.BLEND);
    gl.blendEquation(mode === 'max' ? gl.MAX : gl.FUNC_ADD);
    const factors = {
      over: [gl.ONE, gl.ONE_MINUS_SRC_ALPHA],
      add: [gl.ONE, gl.ONE],
      max: [gl.ONE, gl.ONE],
      multiply: [gl.ZERO, gl.SRC_COLOR],
      multiplyInverse: [gl.ZERO, gl.ONE_MINUS_SRC_COLOR],
      screen: [gl.ONE_MINUS_DST_COLOR, gl.ONE],
    }[mode];
    gl.blendFuncSeparate(
      factors[0],
      factors[1],
      mode === 'screen' ? gl.ONE_MINUS_DST_ALPHA : factors[0],
      mode === 'multiply' ? gl.SRC_ALPHA : mode === 'multiplyInverse' ? gl.ONE_MINUS_SRC_ALPHA : factors[1],
    );
  }

  /** Draws a box of four corners without attributes. */
  drawBox(): void {
    this.gl.bindVertexArray(this.emptyVertexArray);
    this.gl.drawArrays(this.gl.TRIANGLE_STRIP, 0, 4);
  }

  /** @param keepsPrograms they are another device's too */
  dispose(keepsPrograms = false): void {
    for (const target of [...this.targets]) this.dropTarget(target);
    for (const texture of [...this.textureBytes.keys()]) this.dropTexture(texture);
    if (!keepsPrograms) this.programs.dispose();
    this.gl.deleteVertexArray(this.emptyVertexArray);
  }
}

/** Compiled programs by their name: what compiles once is the same for every device of one context. */
export class Programs {
  private readonly compiled = new Map<string, Program>();

  constructor(private readonly gl: WebGL2RenderingContext) {}

  get(record: ProgramRecord): Program {
    let program = this.compiled.get(record.name);
    if (!program) this.compiled.set(record.name, (program = new Program(this.gl, record)));
    return program;
  }

  dispose(): void {
    for (const program of this.compiled.values()) program.dispose();
    this.compiled.clear();
  }
}

/** A linked program; uniforms are set by name, a name it does not have throws. */
export class Program {
  private readonly handle: WebGLProgram;
  private readonly uniforms = new Map<
    string,
    { location: WebGLUniformLocation; type: number; unit: number; isArray: boolean }
  >();

  constructor(
    private readonly gl: WebGL2RenderingContext,
    private readonly record: ProgramRecord,
  ) {
    this.handle = gl.createProgram()!;
    const vertex = this.compile(gl.VERTEX_SHADER, record.vertex);
    const fragment = this.compile(gl.FRAGMENT_SHADER, record.fragment);
    gl.attachShader(this.handle, vertex);
    gl.attachShader(this.handle, fragment);
    for (const [name, location] of Object.entries(record.attributes ?? {}))
      gl.bindAttribLocation(this.handle, location, name);
    gl.linkProgram(this.handle);
    gl.deleteShader(vertex);
    gl.deleteShader(fragment);
    if (!gl.getProgramParameter(this.handle, gl.LINK_STATUS)) {
      throw new GpuFault(`Program ${record.name} does not link: ${gl.getProgramInfoLog(this.handle)}`);
    }
    this.readUniforms();
  }

  use(uniforms: Record<string, UniformValue>, textures: Record<string, WebGLTexture> = {}): void {
    const { gl } = this;
    gl.useProgram(this.handle);
    for (const [name, value] of Object.entries(uniforms)) this.set(name, value);
    for (const [name, texture] of Object.entries(textures)) {
      const uniform = this.uniform(name);
      gl.activeTexture(gl.TEXTURE0 + uniform.unit);
      gl.bindTexture(uniform.isArray ? gl.TEXTURE_2D_ARRAY : gl.TEXTURE_2D, texture);
      gl.uniform1i(uniform.location, uniform.unit);
    }
    gl.activeTexture(gl.TEXTURE0);
  }

  dispose(): void {
    this.gl.deleteProgram(this.handle);
  }

  private uniform(name: string) {
    const uniform = this.uniforms.get(name);
    if (!uniform) throw new GpuFault(`Program ${this.record.name} has no uniform ${name}.`);
    return uniform;
  }

  private set(name: string, value: UniformValue): void {
    const { gl } = this;
    const { location, type } = this.uniform(name);
    if (typeof value === 'boolean') gl.uniform1i(location, value ? 1 : 0);
    else if (typeof value === 'number') {
      if (type === gl.INT || type === gl.BOOL) gl.uniform1i(location, value);
      else gl.uniform1f(location, value);
    } else if (value.length === 2) gl.uniform2f(location, value[0], value[1]);
    else if (value.length === 3) gl.uniform3f(location, value[0], value[1], value[2]);
    else gl.uniform4f(location, value[0], value[1], value[2], value[3]);
  }

  private readUniforms(): void {
    const { gl } = this;
    let unit = 0;
    for (let i = 0; i < gl.getProgramParameter(this.handle, gl.ACTIVE_UNIFORMS); i++) {
      const { name, type } = gl.getActiveUniform(this.handle, i)!;
      const isArray = type === gl.SAMPLER_2D_ARRAY;
      const sampler = isArray || type === gl.SAMPLER_2D || type === gl.UNSIGNED_INT_SAMPLER_2D;
      this.uniforms.set(name, {
        location: gl.getUniformLocation(this.handle, name)!,
        type,
        unit: sampler ? unit++ : -1,
        isArray,
      });
    }
  }

  private compile(kind: number, source: string): WebGLShader {
    const { gl } = this;
    const shader = gl.createShader(kind)!;
    gl.shaderSource(shader, source);
    gl.compileShader(shader);
    if (!gl.getShaderParameter(shader, gl.COMPILE_STATUS)) {
      const numbered = source
        .split('\n')
        .map((line, i) => `${String(i + 1).padStart(3)} ${line}`)
        .join('\n');
      throw new GpuFault(
        `Shader of ${this.record.name} does not compile: ${gl.getShaderInfoLog(shader)}\n${numbered}`,
      );
    }
    return shader;
  }
}
