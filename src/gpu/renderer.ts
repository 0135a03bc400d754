/**
 * The light model in WebGL2: a Moment to a finished 8-bit picture. Planes far to near; of each layer the sums are
 * gathered, the lights added up, and both composited. Held against core/light/reference.ts by the parity test; what
 * it does not do exactly: float rounding, and edges of rotated art that fall within a hair of a pixel's centre.
 */
import type { Box } from '@/core/geometry/affine';
import { BAYER8 } from '@/core/raster/bayer';
import type {
  Moment,
  MomentLayer,
  MomentLight,
  MomentPlane,
  MomentSprite,
  PictureSource,
} from '@/core/moment/moment';
import { Device, type Target } from './device';
import { chooseFloatFormat } from './float-format';
import { LightBatch } from './light-batch';
import type { Rect } from '@/core/raster/rect';
import { PictureCache } from './picture-textures';
import { DIRECT_PROGRAM, GATHER_PROGRAM } from './shaders/layer';
import { COMPOSITE_PROGRAM, ENCODE_PROGRAM } from './shaders/picture';
import { ShadowMasks } from './shadow-masks';

interface Targets {
  layer: Target;
  light: Target;
  picture: Target;
}

/** Where a finished picture goes on the canvas, in device pixels. */
export interface Presentation {
  picture: Target;
  offsetX: number;
  offsetY: number;
  enlarge: number;
  /** The part of the canvas that it fills: left and right, as on a wipe. */
  left: number;
  right: number;
}

export class Renderer {
  readonly device: Device;
  readonly masks: ShadowMasks;
  private readonly pictures: PictureCache;
  private readonly lights: LightBatch;
  private readonly bayer: WebGLTexture;
  private readonly blank: WebGLTexture;
  private targets: Targets | null = null;
  private readonly finished = new Map<string, Target>();

  constructor(readonly gl: WebGL2RenderingContext) {
    this.device = new Device(gl, chooseFloatFormat);
    this.masks = new ShadowMasks(this.device);
    this.pictures = new PictureCache(this.device);
    this.lights = new LightBatch(this.device);
    this.bayer = this.device.texture(8, 8, gl.R8, gl.RED, gl.UNSIGNED_BYTE, BAYER8, 1);
    this.blank = this.device.texture(1, 1, gl.RGBA8, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4), 4);
  }

  /**
   * Renders a Moment into a picture of the view's size.
   * @param name of the picture, so that two sides of a wipe stand side by side
   */
  render(moment: Moment, source: PictureSource, name = 'main'): Target {
    const { device, gl } = this;
    const { widthPx: width, heightPx: height } = moment.view;
    const targets = this.targetsFor(width, height);
    gl.disable(gl.SCISSOR_TEST);
    this.drawBackdrop(moment, targets.picture);
    gl.enable(gl.SCISSOR_TEST);
    moment.planes.forEach((plane, index) => {
      const reaching = moment.lights.filter((light) => index >= light.spanFar && index <= light.spanNear);
      for (const layer of plane.layers) this.drawLayer(moment, plane, layer, reaching, source, targets);
      const inAir = moment.lights.filter((light) => light.plane === index && light.air > 0);
      if (inAir.length > 0) {
        gl.scissor(0, 0, width, height);
        this.addLights(moment, inAir, targets.picture, targets.layer.textures[1], true, true);
      }
    });
    gl.disable(gl.SCISSOR_TEST);
    const picture = this.finishedFor(name, width, height);
    device.bind(picture);
    device.blend('none');
    device
      .program(ENCODE_PROGRAM)
      .use(
        { ...this.whole(picture), u_linear: moment.lightSpace === 'linear', u_dither: !moment.pixelArt },
        { u_picture: targets.picture.textures[0], u_bayer: this.bayer },
      );
    device.drawBox();
    return picture;
  }

  /** Writes normals into a part of a picture that was drawn, as under a brush. */
  patchNormals(key: string, rect: Rect, rgba: Uint8Array): void {
    this.pictures.patchNormals(key, rect, rgba);
  }

  /** Shows finished pictures on the canvas, enlarged by the nearest pixel; the canvas counts rows from below. */
  present(parts: readonly Presentation[], beyond: readonly [number, number, number]): void {
    const { device, gl } = this;
    device.bind(null);
    const height = gl.drawingBufferHeight;
    gl.clearColor(beyond[0], beyond[1], beyond[2], 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
    gl.enable(gl.SCISSOR_TEST);
    for (const { picture, offsetX, offsetY, enlarge, left, right } of parts) {
      if (right <= left) continue;
      gl.scissor(left, 0, right - left, height);
      gl.bindFramebuffer(gl.READ_FRAMEBUFFER, picture.framebuffer);
      const { width: w, height: h } = picture;
      const top = height - offsetY;
      gl.blitFramebuffer(
        0,
        0,
        w,
        h,
        offsetX,
        top,
        offsetX + w * enlarge,
        top - h * enlarge,
        gl.COLOR_BUFFER_BIT,
        gl.NEAREST,
      );
    }
    gl.disable(gl.SCISSOR_TEST);
  }

  /** The pixels of a finished picture, RGBA from the top; waits for the GPU. */
  read(picture: Target): Uint8Array {
    const { gl } = this;
    const pixels = new Uint8Array(picture.width * picture.height * 4);
    this.device.bind(picture);
    gl.readPixels(0, 0, picture.width, picture.height, gl.RGBA, gl.UNSIGNED_BYTE, pixels);
    return pixels;
  }

  /** Waits until everything asked for is drawn, by reading one pixel. */
  wait(picture: Target): void {
    this.device.bind(picture);
    this.gl.readPixels(0, 0, 1, 1, this.gl.RGBA, this.gl.UNSIGNED_BYTE, new Uint8Array(4));
  }

  dispose(): void {
    this.masks.dispose();
    this.lights.dispose();
    this.device.dispose();
  }

  private targetsFor(width: number, height: number): Targets {
    const last = this.targets;
    if (last && last.picture.width === width && last.picture.height === height) return last;
    if (last) for (const target of Object.values(last)) this.device.dropTarget(target);
    this.targets = {
      layer: this.device.target(width, height, 'float', 3),
      light: this.device.target(width, height, 'float'),
      picture: this.device.target(width, height, 'float'),
    };
    return this.targets;
  }

  private finishedFor(name: string, width: number, height: number): Target {
    const last = this.finished.get(name);
    if (last && last.width === width && last.height === height) return last;
    if (last) this.device.dropTarget(last);
    const target = this.device.target(width, height, 'byte');
    this.finished.set(name, target);
    return target;
  }

  private whole({ width, height }: Target) {
    return { u_targetPx: [width, height], u_targetOrigin: [0, 0], u_box: [0, 0, width, height] };
  }

  private drawBackdrop({ backdrop, ambient, workLamp, unlit }: Moment, picture: Target): void {
    const { gl } = this;
    this.device.bind(picture);
    const [r, g, b] = backdrop.colour.map((v, c) =>
      backdrop.lit && !unlit ? v * (ambient[c] + workLamp[c]) : v,
    );
    gl.clearColor(r, g, b, 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
  }

  private drawLayer(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    lights: readonly MomentLight[],
    source: PictureSource,
    targets: Targets,
  ): void {
    const { device, gl } = this;
    const box = outputBox(moment, layer.sprites);
    if (!box) return;
    gl.scissor(box[0], box[1], box[2] - box[0], box[3] - box[1]);
    const even = moment.unlit ? [1, 1, 1] : moment.ambient.map((v, c) => v + moment.workLamp[c]);
    if (!lights.some((light) => reaches(moment, light, box))) {
      device.bind(targets.picture);
      device.blend('over');
      for (const sprite of layer.sprites)
        this.drawSprite(moment, plane, sprite, source, targets.picture, even);
      return;
    }
    device.bind(targets.layer);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    // Alone on cleared sums a sprite lies over nothing.
    device.blend(layer.sprites.length === 1 ? 'none' : 'over');
    for (const sprite of layer.sprites) this.drawSprite(moment, plane, sprite, source, targets.layer, null);
    const [albedo, normal, glow] = targets.layer.textures;
    device.bind(targets.light);
    gl.clearColor(even[0], even[1], even[2], 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    this.addLights(moment, lights, targets.light, normal, layer.takesShadows, false, box);
    device.bind(targets.picture);
    device.blend('over');
    device
      .program(COMPOSITE_PROGRAM)
      .use(
        { ...this.whole(targets.picture), u_box: box },
        { u_albedo: albedo, u_glow: glow, u_light: targets.light.textures[0] },
      );
    device.drawBox();
  }

  /** @param even the light of a sprite that is drawn straight onto the picture; null gathers it into the sums */
  private drawSprite(
    moment: Moment,
    plane: MomentPlane,
    sprite: MomentSprite,
    source: PictureSource,
    target: Target,
    even: readonly number[] | null,
  ): void {
    const { key } = moment.pictures[sprite.picture];
    const pixels = source(key);
    const box = outputBox(moment, [sprite]);
    if (!pixels || !box) return;
    const { art, normals, glow } = this.pictures.get(key, pixels, moment.lightSpace);
    const { inverse: m, frame } = sprite;
    const { x, y, outputPerScenePx } = moment.view;
    const uniforms = {
      ...this.whole(target),
      u_box: box,
      u_origin: [0, 0],
      u_outputPerScenePx: outputPerScenePx,
      u_frame: [frame.left, frame.top, frame.right, frame.bottom],
      u_opacity: sprite.opacity,
      u_inverse: [m.a, m.b, m.c, m.d],
      u_inverseAt: [m.a * x + m.c * y + m.e, m.b * x + m.d * y + m.f],
      u_hasGlow: glow !== null,
      u_selfLit: sprite.selfLit,
      u_glowLevel: sprite.glowLevel,
      u_tint: plane.tint,
      u_nearest: moment.pixelArt,
    };
    const textures = { u_art: art, u_glow: glow ?? this.blank };
    if (even) this.device.program(DIRECT_PROGRAM).use({ ...uniforms, u_light: even }, textures);
    else {
      const relief = {
        u_normalMatrix: sprite.normal ?? [1, 0, 0, 1],
        u_hasNormals: sprite.normal !== null && normals !== null,
      };
      this.device
        .program(GATHER_PROGRAM)
        .use({ ...uniforms, ...relief }, { ...textures, u_normals: normals ?? this.blank });
    }
    this.device.drawBox();
  }

  /** Adds lights into a target: those with shadows one by one under their masks, the others in one draw. */
  private addLights(
    moment: Moment,
    lights: readonly MomentLight[],
    target: Target,
    normal: WebGLTexture,
    takesShadows: boolean,
    air: boolean,
    within?: readonly number[],
  ): void {
    const masked: [MomentLight, ReturnType<ShadowMasks['maskOf']>][] = [];
    const open: MomentLight[] = [];
    for (const light of lights) {
      if (within && !reaches(moment, light, within)) continue;
      const mask =
        takesShadows && light.occluders.length > 0
          ? this.scissorless(() => this.masks.maskOf(moment, light))
          : null;
      if (mask) masked.push([light, mask]);
      else open.push(light);
    }
    this.device.bind(target);
    this.device.blend('add');
    const draw = (group: readonly MomentLight[], mask: ReturnType<ShadowMasks['maskOf']>) =>
      this.lights.draw(moment, group, {
        width: target.width,
        height: target.height,
        normal: air ? this.blank : normal,
        mask: mask?.target.textures[0] ?? this.blank,
        maskAt: mask ? [mask.x, mask.y] : null,
        air,
      });
    if (open.length > 0) draw(open, null);
    for (const [light, mask] of masked) draw([light], mask);
  }

  private scissorless<T>(work: () => T): T {
    const { gl } = this;
    gl.disable(gl.SCISSOR_TEST);
    const result = work();
    gl.enable(gl.SCISSOR_TEST);
    return result;
  }
}

/** The whole output pixels, left, top, right, bottom, that sprites may touch; null where none is in view. */
function outputBox(
  { view }: Moment,
  sprites: readonly MomentSprite[],
): [number, number, number, number] | null {
  const all = sprites.reduce<Box>(
    (sum, { box }) => ({
      left: Math.min(sum.left, box.left),
      top: Math.min(sum.top, box.top),
      right: Math.max(sum.right, box.right),
      bottom: Math.max(sum.bottom, box.bottom),
    }),
    { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity },
  );
  const scale = view.outputPerScenePx;
  const left = Math.max(0, Math.floor((all.left - view.x) * scale) - 1);
  const top = Math.max(0, Math.floor((all.top - view.y) * scale) - 1);
  const right = Math.min(view.widthPx, Math.ceil((all.right - view.x) * scale) + 1);
  const bottom = Math.min(view.heightPx, Math.ceil((all.bottom - view.y) * scale) + 1);
  return right > left && bottom > top ? [left, top, right, bottom] : null;
}

function reaches(
  { view }: Moment,
  { x, y, reachPx }: MomentLight,
  [left, top, right, bottom]: readonly number[],
): boolean {
  const scale = view.outputPerScenePx;
  const [cx, cy, r] = [(x - view.x) * scale, (y - view.y) * scale, reachPx * scale];
  return cx + r >= left && cx - r <= right && cy + r >= top && cy - r <= bottom;
}
