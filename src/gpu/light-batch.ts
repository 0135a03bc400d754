/** Draws lights into the bound target: those that differ by numbers alone in one draw, the others each by itself. */
import {
  TABLE_SIZE,
  type Moment,
  type MomentLight,
  type MomentPlane,
  type PictureSource,
} from '@/core/moment/moment';
import type { Device, UniformValue } from './device';
import { KeptTextures } from './kept-textures';
import { outputBox } from './output-box';
import type { PictureCache } from './picture-textures';
import { EDGE_TEXTURE_WIDTH } from '@/core/light/terms/outside.glsl';
import { LIGHT_ATTRIBUTES, LIGHT_FLOATS, lightProgram, type LightVariant } from './shaders/light';
import type { ShadowMask } from './shadow-masks';
import { litPixels } from './shadow-plan';

export interface LightDraw {
  moment: Moment;
  plane: MomentPlane;
  source: PictureSource;
  width: number;
  height: number;
  gives: LightVariant['gives'];
  /** Facings of the surface; not read in the air. */
  normal: WebGLTexture | null;
  isCapped: boolean;
}

/** What keeps a light from part of a layer: textures that are read by the very next draw. */
export interface Shades {
  mask: ShadowMask | null;
  casts: WebGLTexture | null;
}

const NO_SHADES: Shades = { mask: null, casts: null };

export class LightBatch {
  private readonly buffer: WebGLBuffer;
  private readonly vertexArray: WebGLVertexArrayObject;
  private readonly kept: KeptTextures;
  private readonly tables = new WeakMap<Float32Array, WeakMap<Float32Array, object>>();
  private readonly passing: WebGLTexture[] = [];
  private data = new Float32Array(64 * LIGHT_FLOATS);
  /** Lights drawn, and output pixels of their boxes, since the start. */
  drawn = 0;
  pixels = 0;

  constructor(
    private readonly device: Device,
    private readonly pictures: PictureCache,
    private readonly bayer: WebGLTexture,
  ) {
    const { gl } = device;
    this.kept = new KeptTextures(device);
    this.buffer = gl.createBuffer()!;
    this.vertexArray = gl.createVertexArray()!;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    for (const location of Object.values(LIGHT_ATTRIBUTES)) {
      gl.enableVertexAttribArray(location);
      gl.vertexAttribPointer(location, 4, gl.FLOAT, false, LIGHT_FLOATS * 4, location * 16);
      gl.vertexAttribDivisor(location, 1);
    }
    gl.bindVertexArray(null);
  }

  /** Draws lights that nothing stops. */
  drawOpen(lights: readonly MomentLight[], draw: LightDraw): void {
    const groups = new Map<string, { variant: LightVariant; lights: MomentLight[] }>();
    for (const light of lights) {
      if (readsTextures(light)) {
        this.drawOne(light, NO_SHADES, draw);
        continue;
      }
      const variant = variantOf(light, NO_SHADES, draw);
      const key = Object.values(variant).join(' ');
      const group = groups.get(key);
      if (group) group.lights.push(light);
      else groups.set(key, { variant, lights: [light] });
    }
    for (const { variant, lights: group } of groups.values()) this.drawGroup(group, variant, draw, {}, {});
  }

  /** Draws one light with what it alone needs. */
  drawOne(light: MomentLight, { mask, casts }: Shades, draw: LightDraw): void {
    const { moment, source } = draw;
    const { view } = moment;
    const uniforms: Record<string, UniformValue> = {};
    const textures: Record<string, WebGLTexture> = {};
    const variant = variantOf(light, { mask, casts }, draw);
    if (variant.hasTable) textures.u_table = this.table(light);
    if (light.area) {
      const { edges } = light.area;
      textures.u_edges = this.edges(edges, view.x, view.y);
      uniforms.u_edgeCount = edges.length / 4;
    }
    if (light.gobo) {
      const { key } = moment.pictures[light.gobo.picture];
      const place = this.pictures.get(key, source(key), moment.lightSpace);
      if (!place) return;
      const { frame, inverse: m, fadeX, fadeY, nearest } = light.gobo;
      textures.u_gobo = place.arrays.art;
      uniforms.u_goboLayer = place.layer;
      uniforms.u_goboFrame = [
        frame.left + place.x,
        frame.top + place.y,
        frame.right + place.x,
        frame.bottom + place.y,
      ];
      uniforms.u_goboInverse = [m.a, m.b, m.c, m.d];
      uniforms.u_goboAt = [m.a * view.x + m.c * view.y + m.e, m.b * view.x + m.d * view.y + m.f];
      uniforms.u_goboFade = [fadeX, fadeY];
      uniforms.u_goboNearest = nearest;
    }
    if (variant.source !== 'own' && variant.gives === 'surface') {
      const from = light.source;
      uniforms.u_source = from.parallel
        ? [from.x, from.y, from.z]
        : [from.x - view.x, from.y - view.y, from.heightPx];
    }
    if (mask) {
      uniforms.u_maskOrigin = [mask.x, mask.y];
      const [red, green, blue] = mask.target.textures;
      textures.u_mask = red;
      if (green) Object.assign(textures, { u_maskGreen: green, u_maskBlue: blue });
    }
    if (casts) textures.u_casts = casts;
    if (mask || casts) uniforms.u_shadowLet = light.shadowLet;
    this.drawGroup([light], variant, draw, uniforms, textures);
  }

  tidy(): void {
    for (const texture of this.passing.splice(0)) this.device.dropTexture(texture);
  }

  dispose(): void {
    this.device.gl.deleteBuffer(this.buffer);
    this.device.gl.deleteVertexArray(this.vertexArray);
  }

  private drawGroup(
    lights: readonly MomentLight[],
    variant: LightVariant,
    { moment, plane, width, height, normal }: LightDraw,
    uniforms: Record<string, UniformValue>,
    textures: Record<string, WebGLTexture>,
  ): void {
    const { gl } = this.device;
    const { view } = moment;
    const isOnCells = variant.isBanded || variant.isBlocked;
    const count = this.write(lights, moment);
    if (count === 0) return;
    this.device.program(lightProgram(variant)).use(
      {
        u_targetPx: [width, height],
        u_targetOrigin: [0, 0],
        u_origin: [0, 0],
        u_outputPerScenePx: view.outputPerScenePx,
        ...(isOnCells ? { u_planeOrigin: [plane.originX - view.x, plane.originY - view.y] } : {}),
        ...uniforms,
      },
      {
        ...(variant.gives === 'surface' ? { u_normal: normal! } : {}),
        ...(variant.isBanded ? { u_bayer: this.bayer } : {}),
        ...textures,
      },
    );
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    gl.bufferData(gl.ARRAY_BUFFER, this.data.subarray(0, count * LIGHT_FLOATS), gl.STREAM_DRAW);
    gl.drawArraysInstanced(gl.TRIANGLE_FAN, 0, 8, count);
    this.drawn += count;
  }

  /** Writes the instances of lights that reach into the view. */
  private write(lights: readonly MomentLight[], moment: Moment): number {
    const { view } = moment;
    if (this.data.length < lights.length * LIGHT_FLOATS)
      this.data = new Float32Array(lights.length * 2 * LIGHT_FLOATS);
    const { data } = this;
    let count = 0;
    for (const light of lights) {
      const { x, y, corePx, reachPx, rgb, squash, steepness, source, relief, air, cone, box, blockPx } =
        light;
      // A block that a light reaches into is lit in all of it.
      const room = {
        left: box.left - blockPx,
        top: box.top - blockPx,
        right: box.right + blockPx,
        bottom: box.bottom + blockPx,
      };
      const pixels = Number.isFinite(box.left) ? outputBox(view, room) : litPixels(view, box);
      if (!pixels) continue;
      this.pixels += (pixels[2] - pixels[0]) * (pixels[3] - pixels[1]);
      let at = count++ * LIGHT_FLOATS;
      data[at++] = x - view.x;
      data[at++] = y - view.y;
      data[at++] = corePx;
      data[at++] = reachPx;
      for (let c = 0; c < 3; c++) data[at++] = rgb[c];
      data[at++] = squash;
      data[at++] = steepness;
      data[at++] = source.parallel ? 0 : source.heightPx;
      data[at++] = relief;
      data[at++] = air;
      data[at++] = cone ? cone.x : 0;
      data[at++] = cone ? cone.y : 0;
      data[at++] = cone ? cone.beam : 0;
      data[at++] = cone ? cone.field : 0;
      data[at++] = light.bands;
      data[at++] = light.dither ? 1 : 0;
      data[at++] = blockPx;
      data[at++] = light.wrap;
      for (let i = 0; i < 4; i++) data[at++] = pixels[i];
    }
    return count;
  }

  /** Colours of stops, with the drawn curve in alpha. */
  private table({ stops, drawn }: MomentLight): WebGLTexture {
    const { gl } = this.device;
    return this.kept.get(this.tableKey(stops ?? NOTHING, drawn ?? NOTHING), 16 * TABLE_SIZE, () => {
      const data = new Float32Array(4 * TABLE_SIZE);
      for (let i = 0; i < TABLE_SIZE; i++) {
        for (let c = 0; c < 3; c++) data[4 * i + c] = stops ? stops[3 * i + c] : 0;
        data[4 * i + 3] = drawn ? drawn[i] : 0;
      }
      return this.device.texture(TABLE_SIZE, 1, gl.RGBA32F, gl.RGBA, gl.FLOAT, data, 16);
    });
  }

  /** One object for each pair of arrays. */
  private tableKey(stops: Float32Array, drawn: Float32Array): object {
    let byDrawn = this.tables.get(stops);
    if (!byDrawn) this.tables.set(stops, (byDrawn = new WeakMap()));
    let key = byDrawn.get(drawn);
    if (!key) byDrawn.set(drawn, (key = {}));
    return key;
  }

  private edges(edges: Float64Array, x: number, y: number): WebGLTexture {
    const { gl } = this.device;
    const rows = Math.max(1, Math.ceil(edges.length / 4 / EDGE_TEXTURE_WIDTH));
    const data = new Float32Array(EDGE_TEXTURE_WIDTH * rows * 4);
    for (let i = 0; i < edges.length; i++) data[i] = edges[i] - (i % 2 === 0 ? x : y);
    // The view moves beneath it: it is for this draw alone.
    const texture = this.device.texture(EDGE_TEXTURE_WIDTH, rows, gl.RGBA32F, gl.RGBA, gl.FLOAT, data, 16);
    this.passing.push(texture);
    return texture;
  }
}

const NOTHING = new Float32Array(0);

/** Whether a light needs more than the numbers of an instance. */
function readsTextures({ stops, drawn, area, gobo, source, figure, x, y }: MomentLight): boolean {
  const isElsewhere = figure === 'picture' || (!source.parallel && (source.x !== x || source.y !== y));
  return stops !== null || drawn !== null || area !== null || gobo !== null || source.parallel || isElsewhere;
}

function variantOf(
  light: MomentLight,
  { mask, casts }: Shades,
  { gives, isCapped }: LightDraw,
): LightVariant {
  const { figure, source } = light;
  const isDistant = figure === 'even' || figure === 'picture' || figure === 'area';
  return {
    figure,
    curve: isDistant && figure !== 'area' ? 0 : light.curve,
    isSteepened: light.steepness !== 1 && (figure === 'area' || !isDistant),
    isSquashed: light.squash !== 1 && !isDistant,
    isBanded: light.bands > 0,
    isBlocked: light.blockPx > 0,
    hasTable: light.stops !== null || (light.drawn !== null && (figure === 'area' || !isDistant)),
    hasStops: light.stops !== null,
    hasGobo: light.gobo !== null,
    source: source.parallel ? 'parallel' : isDistant ? 'other' : 'own',
    masks: !mask ? 0 : mask.target.textures.length === 3 ? 3 : 1,
    hasCasts: casts !== null,
    gives,
    isCapped,
  };
}
