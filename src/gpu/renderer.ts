/**
 * The light model in WebGL2: a Moment to a finished 8-bit picture. Planes far to near; of each layer the sums are
 * gathered, the lights added up, and both composited. Held against core/light/reference.ts by the parity test; what
 * it does not do exactly: float rounding, and edges of rotated art that fall within a hair of a pixel's centre.
 */
import { BAYER8 } from '@/core/raster/bayer';
import type { Moment, MomentLayer, MomentLight, MomentPlane, PictureSource } from '@/core/moment/moment';
import { Device, type Target } from './device';
import { chooseFloatFormat } from './float-format';
import { LightBatch } from './light-batch';
import type { Rect } from '@/core/raster/rect';
import { PictureCache } from './picture-textures';
import { evenAmbient, LayerLights } from './layer-light';
import { compositeProgram, ENCODE_PROGRAM, type CompositeVariant } from './shaders/picture';
import { layerBox } from './output-box';
import { ShadowMasks } from './shadow-masks';
import { SpriteBatch } from './sprite-batch';

interface Targets {
  layer: Target;
  picture: Target;
  rims: Target | null;
}

/** Pictures that are drawn again and again: what stands still in them is kept. */
const LASTING: ReadonlySet<string> = new Set(['main', 'all']);

/** A step of drawing a frame, for people to look at. */
export type DrawnPass =
  | { kind: 'backdrop' | 'finish' }
  | { kind: 'layer'; plane: number; sprites: number; lights: number }
  | { kind: 'air'; plane: number; lights: number };

/** @param show draws the picture as it is after the pass */
export type PassWatch = (pass: DrawnPass, ms: number, show: () => Target) => void;

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
  readonly sprites: SpriteBatch;
  readonly lights: LightBatch;
  private readonly layerLights: LayerLights;
  private readonly bayer: WebGLTexture;
  private readonly blank: WebGLTexture;
  private targets: Targets | null = null;
  /** Made when a scene first has an overlay plane, as large as the targets. */
  private overlay: Target | null = null;
  private readonly finished = new Map<string, Target>();

  constructor(readonly gl: WebGL2RenderingContext) {
    this.device = new Device(gl, chooseFloatFormat);
    this.masks = new ShadowMasks(this.device);
    this.pictures = new PictureCache(this.device);
    this.sprites = new SpriteBatch(this.device, this.pictures);
    this.bayer = this.device.texture(8, 8, gl.R8, gl.RED, gl.UNSIGNED_BYTE, BAYER8, 1);
    this.lights = new LightBatch(this.device, this.pictures, this.bayer);
    this.layerLights = new LayerLights(this.device, this.lights, this.masks, this.pictures);
    this.blank = this.device.texture(1, 1, gl.RGBA8, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4), 4);
  }

  /**
   * Renders a Moment into a picture of the view's size.
   * @param name of the picture, so that two sides of a wipe stand side by side
   * @param watch is told of each pass, which is then waited for
   */
  render(moment: Moment, source: PictureSource, name = 'main', watch?: PassWatch): Target {
    const { gl } = this;
    const { widthPx: width, heightPx: height } = moment.view;
    const targets = this.targetsFor(width, height);
    this.layerLights.keepsSums = LASTING.has(name);
    const passed = watch ? this.passClock(moment, targets.picture, watch) : null;
    gl.disable(gl.SCISSOR_TEST);
    this.drawBackdrop(moment, targets.picture);
    gl.enable(gl.SCISSOR_TEST);
    passed?.({ kind: 'backdrop' });
    moment.planes.forEach((plane, index) => {
      const reaching = moment.lights.filter((light) => index >= light.spanFar && index <= light.spanNear);
      for (const layer of plane.overlay ? [] : plane.layers) {
        const lights = this.drawLayer(moment, plane, layer, reaching, source, targets);
        if (lights !== null) passed?.({ kind: 'layer', plane: index, sprites: layer.sprites.length, lights });
      }
      const inAir = moment.lights.filter((light) => light.plane === index && hangsInAir(light));
      if (inAir.length > 0) {
        this.layerLights.within([0, 0, width, height]);
        this.layerLights.addAir(moment, plane, inAir, targets.picture, source);
        passed?.({ kind: 'air', plane: index, lights: inAir.length });
      }
    });
    gl.disable(gl.SCISSOR_TEST);
    const overlay = this.drawOverlay(moment, source);
    this.sprites.tidy();
    this.lights.tidy();
    const picture = this.finish(moment, targets.picture, overlay, name);
    passed?.({ kind: 'finish' });
    return picture;
  }

  /** From light to what is shown. */
  private finish(moment: Moment, light: Target, overlay: Target | null, name: string): Target {
    const { device } = this;
    const picture = this.finishedFor(name, light.width, light.height);
    device.bind(picture);
    device.blend('none');
    device.program(ENCODE_PROGRAM).use(
      {
        ...this.whole(picture),
        u_linear: moment.lightSpace === 'linear',
        u_dither: !moment.pixelArt,
        u_hasOverlay: overlay !== null,
        ...finishOf(moment),
      },
      {
        u_picture: light.textures[0],
        u_overlay: overlay?.textures[0] ?? this.blank,
        u_bayer: this.bayer,
      },
    );
    device.drawBox();
    return picture;
  }

  /** Waits after each pass, tells its time, and what the picture is then. */
  private passClock(moment: Moment, light: Target, watch: PassWatch): (pass: DrawnPass) => void {
    const { gl, device } = this;
    let start = performance.now();
    return (pass) => {
      device.bind(light);
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.FLOAT, new Float32Array(4));
      const ms = performance.now() - start;
      const isScissored = gl.isEnabled(gl.SCISSOR_TEST);
      gl.disable(gl.SCISSOR_TEST);
      watch(pass, ms, () => this.finish(moment, light, null, 'pass'));
      if (isScissored) gl.enable(gl.SCISSOR_TEST);
      start = performance.now();
    };
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
    this.sprites.dispose();
    this.lights.dispose();
    this.device.dispose();
  }

  private targetsFor(width: number, height: number): Targets {
    const last = this.targets;
    if (last && last.picture.width === width && last.picture.height === height) return last;
    if (last)
      for (const target of Object.values(last) as (Target | null)[])
        if (target) this.device.dropTarget(target);
    this.layerLights.resize(width, height);
    if (this.overlay) this.device.dropTarget(this.overlay);
    this.overlay = null;
    this.targets = {
      layer: this.device.target(width, height, 'float', 3),
      picture: this.device.target(width, height, 'float'),
      rims: null,
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

  /** @returns how many lights it was lit by; null where nothing of it is in view */
  private drawLayer(
    moment: Moment,
    plane: MomentPlane,
    layer: MomentLayer,
    lights: readonly MomentLight[],
    source: PictureSource,
    targets: Targets,
  ): number | null {
    const { device, gl } = this;
    const box = layerBox(moment.view, layer.sprites);
    if (!box) return null;
    this.layerLights.within(box);
    const wired = lights.filter(
      (light) => (light.feeds & layer.listens) !== 0 && reaches(moment, light, box),
    );
    const isEven = wired.every(({ ambient, figure }) => ambient !== 'no' && figure === 'even');
    const ambient = isEven ? evenAmbient(moment, wired) : moment.ambient;
    const even = moment.unlit ? [1, 1, 1] : ambient.map((v, c) => v + moment.workLamp[c]);
    const isHidden = layer.seenGain !== null && !moment.unlit;
    if (isEven && !isHidden) {
      device.bind(targets.picture);
      device.blend('over');
      this.sprites.draw(layer.sprites, {
        moment,
        plane,
        mode: 'direct',
        source,
        target: targets.picture,
        even,
      });
      return 0;
    }
    const hasRims = wired.some(({ rim }) => rim);
    const gathered = hasRims ? this.rimTarget(targets) : targets.layer;
    device.bind(gathered);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    // Alone on cleared sums a sprite lies over nothing.
    device.blend(layer.sprites.length === 1 ? 'none' : 'over');
    const mode = hasRims ? 'gather rims' : 'gather';
    this.sprites.draw(layer.sprites, { moment, plane, mode, source, target: gathered, even });
    const [albedo, normal, glow, rims] = gathered.textures;
    // Ambient lights that are the same all over are reckoned here, unless one of them has an outline.
    const isAmbientEven = wired.every((light) => light.ambient === 'no' || light.figure === 'even');
    const drawn = isAmbientEven ? wired.filter((light) => light.ambient === 'no') : wired;
    const plain = isAmbientEven
      ? evenAmbient(
          moment,
          wired.filter((light) => light.ambient !== 'no'),
        )
      : moment.ambient;
    const sums = this.layerLights.fill(moment, plane, layer, drawn, normal, source);
    const there = Object.entries(sums).filter((entry): entry is [string, Target] => entry[1] !== null);
    const variant: CompositeVariant = {
      add: sums.add !== null,
      lighten: sums.lighten !== null,
      covered: sums.covered !== null,
      taken: sums.taken !== null,
      rim: sums.rim !== null,
      instead: sums.instead !== null,
      added: sums.added !== null,
      isSeenWhenLit: isHidden,
    };
    device.bind(targets.picture);
    device.blend('over');
    device.program(compositeProgram(variant)).use(
      {
        ...this.whole(targets.picture),
        u_box: box,
        u_ambient: plain,
        u_workLamp: moment.workLamp,
        ...(isHidden ? { u_gain: layer.seenGain! } : {}),
      },
      {
        u_albedo: albedo,
        u_glow: glow,
        ...(hasRims ? { u_rims: rims } : {}),
        ...Object.fromEntries(there.map(([name, { textures }]) => [`u_${name}`, textures[0]])),
      },
    );
    device.drawBox();
    return drawn.length;
  }

  /** Where layers are gathered whose rims are lit; made when the first is. */
  private rimTarget(targets: Targets): Target {
    const { width, height } = targets.picture;
    targets.rims ??= this.device.target(width, height, 'float', 4);
    return targets.rims;
  }

  /** The overlay planes in display values; null where the scene has none. */
  private drawOverlay(moment: Moment, source: PictureSource): Target | null {
    const planes = moment.planes.filter(({ overlay, layers }) => overlay && layers.length > 0);
    if (planes.length === 0) return null;
    const { device, gl } = this;
    const { widthPx, heightPx } = moment.view;
    const target = (this.overlay ??= device.target(widthPx, heightPx, 'float'));
    device.bind(target);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    device.blend('over');
    for (const plane of planes) {
      for (const { sprites } of plane.layers)
        this.sprites.draw(sprites, { moment, plane, mode: 'overlay', source, target, even: [1, 1, 1] });
    }
    return target;
  }
}

function hangsInAir({ air, blend, ambient }: MomentLight): boolean {
  return air > 0 && blend !== 'subtract' && ambient === 'no';
}

/** What becomes of the light at the end; the art as it is, and what needs nothing, only are encoded. */
function finishOf({ finish: { exposure, whiteLevel }, unlit }: Moment) {
  return {
    u_exposure: exposure,
    u_whiteLevel: whiteLevel,
    u_isFinished: !unlit && (exposure !== 1 || whiteLevel > 0),
  };
}

/** Whether a light reaches into a box of output pixels; blocks reach as far as they do. */
function reaches(
  { view }: Moment,
  { box, blockPx }: MomentLight,
  [left, top, right, bottom]: readonly number[],
): boolean {
  const scale = view.outputPerScenePx;
  return (
    (box.right + blockPx - view.x) * scale >= left &&
    (box.left - blockPx - view.x) * scale <= right &&
    (box.bottom + blockPx - view.y) * scale >= top &&
    (box.top - blockPx - view.y) * scale <= bottom
  );
}
