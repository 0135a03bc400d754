/**
 * The light model in WebGL2: a Moment to a finished 8-bit picture. Planes far to near; of each layer the sums are
 * gathered, the lights added up, and both composited. Held against core/light/reference.ts by the parity test; what
 * it does not do exactly: float rounding, and edges of rotated art that fall within a hair of a pixel's centre.
 */
import { BAYER8 } from '@/core/raster/bayer';
import { pictureMarginPx } from '@/core/finish/picture-margin';
import { meteringView } from '@/core/finish/exposure';
import { marginOutputPx, widenedBy, type FinishFrame } from '@/core/finish/frame';
import type { Moment, MomentLight, PictureSource } from '@/core/moment/moment';
import { Device, type Programs, type Target } from './device';
import { chooseFloatFormat } from './float-format';
import { FrameClock } from './frame-clock';
import { FrameWatch, type Passed, type PassWatch, type Watched } from './frame-watch';
import { LightBatch } from './light-batch';
import type { Rect } from '@/core/raster/rect';
import { PictureCache } from './picture-textures';
import { SHOW_PROGRAM } from './shaders/box';
import { overlayProgram } from './shaders/picture';
import { PixelReader } from './pixel-reader';
import { ShadowMasks } from './shadow-masks';
import { ShadowPlanner } from './shadow-plan';
import { SpriteBatch } from './sprite-batch';
import { Surfaces, type Surface } from './surface';
import { FinishChain } from './finish/finish-chain';
import { PlaneBlur } from './finish/plane-blur';
import { NamedTargets, whole } from './finish/targets';

/** How a picture is drawn. */
export interface Rendering {
  /** Its own, so that two sides of a wipe stand side by side. */
  name?: string;
  /** It is drawn once, or seldom: nothing that stands still in it is kept for the next time. */
  isDrawnOnce?: boolean;
  /** Is told of each pass, which is then waited for. */
  watch?: PassWatch;
}

export interface GpuMemory {
  /** Of everything: targets, pictures, masks. */
  allBytes: number;
  pictureBytes: number;
  maskBytes: number;
  /** Of what lights are added up in. */
  format: string;
}

/** What a view shows before its finish. */
interface Lit {
  light: Target;
  /** The overlay planes; null where there are none. */
  overlay: Target | null;
  passed: Passed | null;
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
  /** By whose eyes it is seen, where not by one's own: rows of a matrix on linear sRGB. */
  seen?: readonly (readonly [number, number, number])[] | null;
}

/** Bytes that may be kept from picture to picture. */
export interface Budgets {
  maskBytes: number;
  pictureBytes: number;
  sumBytes: number;
}

export const USUAL_BUDGETS: Budgets = {
  maskBytes: 128 * 1024 * 1024,
  pictureBytes: 512 * 1024 * 1024,
  sumBytes: 96 * 1024 * 1024,
};

export interface RendererOptions {
  budgets?: Budgets;
  /** Programs of the same context that were compiled before. */
  programs?: Programs;
  /** Which format lights are added up in. */
  chooseFloats?: typeof chooseFloatFormat;
  /** Whether painted art is read from halved levels where it is small: not where its pixels change under the hand. */
  readsLevels?: boolean;
}

export class Renderer {
  readonly device: Device;
  readonly clock: FrameClock;
  readonly masks: ShadowMasks;
  private readonly pictures: PictureCache;
  readonly sprites: SpriteBatch;
  readonly lights: LightBatch;
  private readonly bayer: WebGLTexture;
  private readonly planner = new ShadowPlanner();
  private readonly surfaces: Surfaces;
  private readonly hasOthersPrograms: boolean;
  private readonly chain: FinishChain;
  private readonly planeBlur: PlaneBlur;
  private readonly reader: PixelReader;
  private readonly frameWatch: FrameWatch;
  /** Finished pictures by their names. */
  private readonly targets: NamedTargets;

  constructor(
    readonly gl: WebGL2RenderingContext,
    {
      chooseFloats = chooseFloatFormat,
      readsLevels = true,
      budgets = USUAL_BUDGETS,
      programs,
    }: RendererOptions = {},
  ) {
    this.device = new Device(gl, chooseFloats, programs);
    this.hasOthersPrograms = programs !== undefined;
    this.clock = new FrameClock(gl);
    this.masks = new ShadowMasks(this.device, budgets.maskBytes);
    this.pictures = new PictureCache(this.device, budgets.pictureBytes);
    this.sprites = new SpriteBatch(this.device, this.pictures, readsLevels);
    this.bayer = this.device.texture(8, 8, gl.R8, gl.RED, gl.UNSIGNED_BYTE, BAYER8, 1);
    this.lights = new LightBatch(this.device, this.pictures, this.bayer);
    this.targets = new NamedTargets(this.device);
    this.chain = new FinishChain(this.device, this.bayer);
    this.planeBlur = new PlaneBlur(this.device);
    this.reader = new PixelReader(this.device);
    const { device, pictures, sprites, lights, masks, planner, chain, targets } = this;
    this.frameWatch = new FrameWatch({ device, masks, planner, chain, targets });
    this.surfaces = new Surfaces({
      device,
      pictures,
      sprites,
      lights,
      masks,
      planner,
      sumBytes: budgets.sumBytes,
    });
  }

  /** Renders a Moment into a picture of the view's size. */
  render(
    moment: Moment,
    source: PictureSource,
    { name = 'main', isDrawnOnce = false, watch }: Rendering = {},
  ): Target {
    const frame = this.frameOf(moment);
    // Metered before anything else: what is drawn for it is of another size.
    const autoStops = this.meter(moment, source);
    const margin = marginOutputPx(moment.view, pictureMarginPx(moment, frame));
    const wide = { ...moment, view: widenedBy(moment.view, margin) };
    const watched = watch ? { watch, autoStops } : null;
    const { light, overlay, passed } = this.light(wide, source, !isDrawnOnce, watched);
    const target = this.targets.get(name, moment.view.widthPx, moment.view.heightPx, 'byte');
    const picture = this.chain.print({ moment: wide, light, overlay, margin, autoStops }, target);
    passed?.({ kind: 'finish' });
    return picture;
  }

  /** Draws the light of a view, before its finish. */
  private light(moment: Moment, source: PictureSource, keepsSums: boolean, watched: Watched | null): Lit {
    const { gl } = this;
    const { widthPx: width, heightPx: height } = moment.view;
    const surface = this.surfaces.of(width, height);
    const { light, lights: layerLights } = surface;
    layerLights.keepsSums = keepsSums;
    this.planner.begin(moment);
    const passed = watched ? this.frameWatch.clock(moment, light, watched) : null;
    gl.disable(gl.SCISSOR_TEST);
    this.drawBackdrop(moment, light);
    gl.enable(gl.SCISSOR_TEST);
    passed?.({ kind: 'backdrop' });
    if (passed) this.frameWatch.drawShadows(moment, passed);
    moment.planes.forEach((plane, index) => {
      const reaching = moment.lights.filter((one) => index >= one.spanFar && index <= one.spanNear);
      const isBlurred = plane.blurPx > 0 && !plane.overlay && !moment.unlit;
      const picture = isBlurred ? this.planeBlur.begin(light) : light;
      for (const layer of plane.overlay ? [] : plane.layers) {
        const draw = { moment, plane, layer, lights: reaching, source, picture };
        const lights = surface.layers.draw(draw);
        if (lights !== null) passed?.({ kind: 'layer', plane: index, sprites: layer.sprites.length, lights });
      }
      const inAir = moment.lights.filter((one) => one.plane === index && hangsInAir(one));
      if (inAir.length > 0) {
        layerLights.within([0, 0, width, height]);
        layerLights.addAir(moment, plane, inAir, picture, source);
        passed?.({ kind: 'air', plane: index, lights: inAir.length });
      }
      if (isBlurred) this.planeBlur.end(picture, light, plane.blurPx * moment.view.outputPerScenePx);
    });
    gl.disable(gl.SCISSOR_TEST);
    const overlay = this.drawOverlay(moment, source, surface);
    this.planner.end();
    this.lights.tidy();
    this.pictures.tidy();
    layerLights.tidy();
    this.device.dropRetired();
    return { light, overlay, passed };
  }

  /** Automatic doublings, in a texture of one pixel; null where there are none. */
  private meter(moment: Moment, source: PictureSource): WebGLTexture | null {
    if (moment.unlit || moment.finish.exposure.autoShare === 0) return null;
    const gate = { ...moment, view: meteringView(moment.gate) };
    return this.chain.meter(gate, this.light(gate, source, false, null).light);
  }

  private frameOf({ view, gate, pixelArt }: Moment): FinishFrame {
    return { view, gate, pixelArt, gateLog2: null };
  }

  /** What lies on the graphics card. */
  get memory(): GpuMemory {
    return {
      allBytes: this.device.bytes,
      pictureBytes: this.pictures.bytes,
      maskBytes: this.masks.bytes,
      format: this.device.floats.name,
    };
  }

  /** Writes normals into a part of a picture that was drawn, as under a brush. */
  patchNormals(key: string, rect: Rect, rgba: Uint8Array): void {
    this.pictures.patchNormals(key, rect, rgba);
  }

  /**
   * Shows finished pictures on the canvas, enlarged by the nearest pixel; the canvas counts rows from below.
   * @param marksClipped what is burnt out is red, what is black is blue
   */
  present(
    parts: readonly Presentation[],
    beyond: readonly [number, number, number],
    { marksClipped = false }: { marksClipped?: boolean } = {},
  ): void {
    const { device, gl } = this;
    device.bind(null);
    const height = gl.drawingBufferHeight;
    gl.clearColor(beyond[0], beyond[1], beyond[2], 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
    gl.enable(gl.SCISSOR_TEST);
    device.blend('none');
    for (const { picture, offsetX, offsetY, enlarge, left, right, seen } of parts) {
      if (right <= left) continue;
      gl.scissor(left, 0, right - left, height);
      // A blit that enlarges takes half as long again.
      device.program(SHOW_PROGRAM).use(
        {
          u_targetPx: [gl.drawingBufferWidth, height],
          u_targetOrigin: [0, 0],
          u_box: [
            offsetX,
            height - offsetY - picture.height * enlarge,
            offsetX + picture.width * enlarge,
            height - offsetY,
          ],
          u_topLeft: [offsetX, height - offsetY],
          u_enlarge: enlarge,
          u_marksClipped: marksClipped ? 1 : 0,
          u_isSeen: seen ? 1 : 0,
          u_seenRed: seen?.[0] ?? [1, 0, 0],
          u_seenGreen: seen?.[1] ?? [0, 1, 0],
          u_seenBlue: seen?.[2] ?? [0, 0, 1],
        },
        { u_picture: picture.textures[0] },
      );
      device.drawBox();
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

  /** Asks for the pixels of a finished picture without waiting; see PixelReader. */
  readLater(picture: Target, done: (pixels: Uint8Array) => void): void {
    this.reader.ask(picture, done);
  }

  /** To be called at every frame of the screen: hands out pixels that were asked for. @returns whether more are to come */
  tend(): boolean {
    this.reader.tend();
    return this.reader.isWaiting;
  }

  /** Waits until everything asked for is drawn, by reading one pixel. */
  wait(picture: Target): void {
    this.device.bind(picture);
    this.gl.readPixels(0, 0, 1, 1, this.gl.RGBA, this.gl.UNSIGNED_BYTE, new Uint8Array(4));
  }

  dispose(): void {
    this.reader.dispose();
    this.masks.dispose();
    this.sprites.dispose();
    this.lights.dispose();
    // Programs that were handed in are somebody else's.
    this.device.dispose(this.hasOthersPrograms);
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

  /** The overlay planes in display values; null where the scene has none. */
  private drawOverlay(moment: Moment, source: PictureSource, surface: Surface): Target | null {
    const planes = moment.planes.filter(({ overlay, layers }) => overlay && layers.length > 0);
    if (planes.length === 0) return null;
    const { device, gl } = this;
    const { whole: all, layer } = surface.overlay;
    const clear = (target: Target) => {
      device.bind(target);
      gl.clearColor(0, 0, 0, 0);
      gl.clear(gl.COLOR_BUFFER_BIT);
    };
    clear(all);
    for (const plane of planes) {
      for (const { sprites } of plane.layers) {
        clear(layer);
        device.blend('over');
        this.sprites.draw(sprites, { moment, plane, mode: 'direct', source, target: layer, even: [1, 1, 1] });
        device.bind(all);
        device.blend('over');
        const program = device.program(overlayProgram(moment.lightSpace === 'linear'));
        program.use(whole(all), { u_layer: layer.textures[0] });
        device.drawBox();
      }
    }
    return all;
  }
}

function hangsInAir({ air, blend, ambient }: MomentLight): boolean {
  return air > 0 && blend !== 'subtract' && ambient === 'no';
}
