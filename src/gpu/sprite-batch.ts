/** Draws the sprites of a layer in their order: neighbours whose pictures lie in the same arrays in one draw. */
import { halvingsOf, Levels, type Level } from '@/core/light/levels';
import type { Moment, MomentGrid, MomentPlane, MomentSprite, PictureSource } from '@/core/moment/moment';
import type { Device, Target } from './device';
import { DriftTextures } from './drift-textures';
import { GridTextures } from './grid-textures';
import { outputBox } from './output-box';
import type { PictureArrays, PictureCache, PicturePlace } from './picture-textures';
import {
  HAS_MASKS,
  HAS_NORMALS,
  IS_PLAIN,
  isGathering,
  SELF_LIT,
  STANDS,
  SPRITE_ATTRIBUTES,
  SPRITE_FLOATS,
  spriteProgram,
  type LayerMode,
} from './shaders/layer';

export interface SpriteDraw {
  moment: Moment;
  plane: MomentPlane;
  mode: LayerMode;
  source: PictureSource;
  target: Target;
  /** The light of sprites that are drawn straight onto a picture; not read where they are gathered. */
  even: readonly number[];
  /** Whether the layer's target has a place for what glows. */
  hasGlow?: boolean;
}

export class SpriteBatch {
  private readonly buffer: WebGLBuffer;
  private readonly vertexArray: WebGLVertexArrayObject;
  private readonly levels = new Levels();
  private readonly grids: GridTextures;
  private readonly drifts: DriftTextures;
  /** Where plain sprites read from, who read nothing. */
  private readonly blank: PictureArrays;
  private data = new Float32Array(256 * SPRITE_FLOATS);
  private count = 0;
  private arrays: PictureArrays | null = null;
  /** What any of the sprites that were written is, and whether all are plain. */
  private traits = 0;
  private isAllPlain = true;
  /** Draws since the start, for tests and benchmarks. */
  draws = 0;

  constructor(
    private readonly device: Device,
    private readonly pictures: PictureCache,
    private readonly readsLevels: boolean,
  ) {
    const { gl } = device;
    this.grids = new GridTextures(device);
    this.drifts = new DriftTextures(device);
    const pixel = () => device.textureArray(1, 1, 1, gl.RGBA8, 4);
    this.blank = { art: pixel(), normals: pixel(), masks: pixel(), widthPx: 1, heightPx: 1, layers: 1 };
    this.buffer = gl.createBuffer()!;
    this.vertexArray = gl.createVertexArray()!;
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    for (const location of Object.values(SPRITE_ATTRIBUTES)) {
      gl.enableVertexAttribArray(location);
      gl.vertexAttribPointer(location, 4, gl.FLOAT, false, SPRITE_FLOATS * 4, location * 16);
      gl.vertexAttribDivisor(location, 1);
    }
    gl.bindVertexArray(null);
  }

  /** Draws into the bound target. */
  draw(sprites: readonly MomentSprite[], draw: SpriteDraw): void {
    for (const sprite of sprites) this.add(sprite, draw);
    this.flush(draw, null);
  }

  /** Whether anything of these sprites shines by itself. */
  glows(sprites: readonly MomentSprite[], { pictures }: Moment, source: PictureSource): boolean {
    return sprites.some(
      ({ selfLit, picture, colour }) =>
        selfLit || (colour === null && (source(pictures[picture].key)?.glow ?? null) !== null),
    );
  }

  dispose(): void {
    this.device.gl.deleteBuffer(this.buffer);
    this.device.gl.deleteVertexArray(this.vertexArray);
  }

  private add(sprite: MomentSprite, draw: SpriteDraw): void {
    const { moment, source } = draw;
    const box = outputBox(moment.view, sprite.box);
    if (!box) return;
    let place: PicturePlace | null = null;
    let level: Level | null = null;
    if (!sprite.colour) {
      const { key } = moment.pictures[sprite.picture];
      const pixels = source(key);
      const halvings = moment.pixelArt || !this.readsLevels ? 0 : halvingsOf(sprite, moment.view);
      if (pixels && halvings > 0) level = this.levels.of(sprite, pixels, halvings, moment.lightSpace);
      place = this.pictures.get(key, pixels, moment.lightSpace, level);
      if (!place) return;
    }
    if (sprite.grid || (place && this.arrays && place.arrays !== this.arrays)) this.flush(draw, null);
    if (place) this.arrays = place.arrays;
    this.write(sprite, place, level, box, moment);
    if (sprite.grid) this.flush(draw, sprite.grid, level?.frames);
  }

  private write(
    { inverse: m, frame, opacity, glowLevel, normal, selfLit, colour, footY }: MomentSprite,
    place: PicturePlace | null,
    level: Level | null,
    box: readonly number[],
    { view: { x, y } }: Moment,
  ): void {
    if ((this.count + 1) * SPRITE_FLOATS > this.data.length) {
      const larger = new Float32Array(2 * this.data.length);
      larger.set(this.data);
      this.data = larger;
    }
    const { data } = this;
    let at = this.count++ * SPRITE_FLOATS;
    data[at++] = m.a;
    data[at++] = m.b;
    data[at++] = m.c;
    data[at++] = m.d;
    data[at++] = m.a * x + m.c * y + m.e;
    data[at++] = m.b * x + m.d * y + m.f;
    data[at++] = opacity;
    data[at++] = glowLevel;
    const [left, top] = [place?.x ?? 0, place?.y ?? 0];
    const frameLeft = (level ? level.frames[0] : frame.left) + left;
    const frameTop = (level ? level.frames[1] : frame.top) + top;
    data[at++] = frameLeft;
    data[at++] = frameTop;
    data[at++] = frameLeft + frame.right - frame.left;
    data[at++] = frameTop + frame.bottom - frame.top;
    for (let i = 0; i < 4; i++) data[at++] = normal ? normal[i] : 0;
    for (let i = 0; i < 4; i++) data[at++] = box[i];
    data[at++] = place?.layer ?? 0;
    const traits =
      (normal && place?.hasNormals ? HAS_NORMALS : 0) |
      (place?.hasMasks ? HAS_MASKS : 0) |
      (selfLit ? SELF_LIT : 0) |
      (colour ? IS_PLAIN : 0) |
      (footY === null ? 0 : STANDS);
    this.traits |= traits;
    this.isAllPlain &&= colour !== null;
    data[at++] = traits;
    // Only grids, which do not stand, read where their page begins.
    data[at++] = footY === null ? left : footY - y;
    data[at++] = top;
    for (let i = 0; i < 3; i++) data[at++] = colour ? colour[i] : 0;
    data[at] = level ? level.scale : 1;
  }

  /** Draws what was written so far. */
  private flush(
    { moment, plane, mode, source, target, even, hasGlow = true }: SpriteDraw,
    grid: MomentGrid | null,
    frames = grid?.frames,
  ): void {
    const { device, count } = this;
    const { art, normals, masks } = this.arrays ?? this.blank;
    const { traits, isAllPlain } = this;
    this.count = 0;
    this.arrays = null;
    this.traits = 0;
    this.isAllPlain = true;
    if (count === 0) return;
    const { gl } = device;
    const isGather = isGathering(mode);
    const drift = this.drifts.over(moment, plane, source);
    const variant = {
      mode,
      drifts: drift.kinds,
      isGrid: grid !== null,
      isNearest: moment.pixelArt,
      traits,
      isAllPlain,
      hasGlow: isGather && hasGlow,
    };
    const uniforms = {
      u_targetPx: [target.width, target.height],
      u_targetOrigin: [0, 0],
      u_origin: [0, 0],
      u_outputPerScenePx: moment.view.outputPerScenePx,
      u_tint: plane.tint,
      ...(isGather ? {} : { u_light: even }),
      ...(grid ? { u_cellPx: [grid.cellWidthPx, grid.cellHeightPx] } : {}),
      ...drift.uniforms,
    };
    const textures = {
      ...(isAllPlain ? {} : { u_art: art }),
      ...((traits & HAS_MASKS) !== 0 ? { u_masks: masks } : {}),
      ...(isGather && (traits & HAS_NORMALS) !== 0 ? { u_normals: normals } : {}),
      ...drift.textures,
      ...(grid ? { u_cells: this.grids.cells(grid), u_frames: this.grids.frames(frames!) } : {}),
    };
    device.program(spriteProgram(variant)).use(uniforms, textures);
    gl.bindVertexArray(this.vertexArray);
    gl.bindBuffer(gl.ARRAY_BUFFER, this.buffer);
    gl.bufferData(gl.ARRAY_BUFFER, this.data.subarray(0, count * SPRITE_FLOATS), gl.STREAM_DRAW);
    gl.drawArraysInstanced(gl.TRIANGLE_STRIP, 0, 4, count);
    this.draws++;
  }
}
