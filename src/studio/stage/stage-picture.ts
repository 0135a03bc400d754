/**
 * The picture of the stage: both sides of the wipe by the graphics card, and where it draws none a still picture by the
 * reference renderer. What could not be drawn once is tried again at the next change.
 */
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import type { Moment } from '@/core/moment/moment';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { Image } from '@/core/raster/image';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Presentation, Renderer } from '@/gpu/renderer';
import type { DrawnFrame } from '../store/open-view';
import type { WipeSide } from '../store/passing-of';
import type { Studio } from '../store/studio';
import { GpuCanvas } from '../surface/gpu-canvas';
import type { Surface } from '../surface/surface';
import { drawnFor, toCanvas } from '../surface/view';
import { framePasses } from './frame-passes';
import { StillPicture } from './still-picture';

const BEYOND: [number, number, number] = [0.03, 0.03, 0.032];

export class StagePicture {
  private readonly gpu: GpuCanvas;
  /** One for each side of the wipe, as they leave out different things. */
  private readonly makers: Record<WipeSide, MomentMaker> = {
    all: new MomentMaker(),
    'left-out': new MomentMaker(),
  };
  /** Why the graphics card did not draw the last time. */
  private fault: string | null = null;
  private readonly stillPicture: StillPicture;
  /** The scene that a still picture was asked for, and where from. */
  private stillOf: { scene: SceneDocument; key: string } | null = null;

  constructor(
    private readonly studio: Studio,
    private readonly surface: Surface,
    canvas: HTMLCanvasElement,
  ) {
    this.gpu = new GpuCanvas(canvas, { back: surface.touch });
    this.stillPicture = new StillPicture(surface.touch, (why) =>
      studio.say(`The still picture cannot be drawn: ${why}`),
    );
  }

  dispose(): void {
    this.gpu.dispose();
    this.stillPicture.dispose();
  }

  /** What draws, as far as anything can. */
  get renderer(): Renderer | null {
    return this.gpu.current;
  }

  /** Whether a still picture stands for it: it shows no flames. */
  get isStill(): boolean {
    return this.fault !== null;
  }

  /** @returns what was drawn; null where nothing was */
  draw(): Moment | null {
    let moment: Moment | null = null;
    try {
      const renderer = this.gpu.renderer();
      if (!renderer) return null;
      renderer.clock.time(() => {
        moment = this.present(renderer);
      });
      this.fault = null;
      this.stillOf = null;
    } catch (thrown) {
      if (this.gpu.isLost) return null;
      this.standIn(wordsOf(thrown).split('\n')[0]);
    }
    return moment;
  }

  /** The still picture, where it stands for what the graphics card does not draw. */
  drawStill(context: CanvasRenderingContext2D): void {
    const { last } = this.stillPicture;
    if (this.fault === null || !last) return;
    const { picture, moment } = last;
    const live = this.studio.live.getState();
    const { view } = moment;
    const [x, y] = toCanvas(live, view.x, view.y);
    const scale = live.zoom / view.outputPerScenePx;
    context.imageSmoothingEnabled = !moment.pixelArt;
    context.drawImage(picture, x, y, picture.width * scale, picture.height * scale);
  }

  /** A small picture of the gate as it is kept, without what lasts only while looking; null where nothing can draw. */
  thumbnail(): Image | null {
    const { renderer, studio } = this;
    if (!renderer) return null;
    const scene = studio.scenes.kept;
    const { gateWidthPx, gateHeightPx, pixelArt } = settingsOf(scene);
    const share = Math.min(1, LIMITS.scenePictureSidePx / Math.max(gateWidthPx, gateHeightPx));
    // Pixel art is never shrunk: what is too large is shown from its middle.
    const view = gateView(scene, pixelArt ? 1 : share);
    const width = Math.min(view.widthPx, LIMITS.scenePictureSidePx);
    const height = Math.min(view.heightPx, LIMITS.scenePictureSidePx);
    const cut = {
      ...view,
      x: view.x + (view.widthPx - width) / 2 / view.outputPerScenePx,
      y: view.y + (view.heightPx - height) / 2 / view.outputPerScenePx,
      widthPx: width,
      heightPx: height,
    };
    const { clockHours, seconds } = studio.live.getState();
    const moment = momentAt(scene, clockHours, seconds, NOTHING_PASSING, cut);
    const picture = renderer.render(moment, studio.pictures.source, 'thumbnail');
    return { width, height, data: renderer.read(picture) };
  }

  passes(): DrawnFrame | null {
    const { renderer } = this;
    return renderer && framePasses(this.studio, renderer, this.moment('all'));
  }

  private present(renderer: Renderer): Moment {
    const { studio } = this;
    const { size } = this.surface;
    const live = studio.live.getState();
    const { wipe } = studio.desk.getState();
    const drawn = drawnFor(live, size, settingsOf(studio.shown()).pixelArt);
    const edge = wipe === 'none' ? 0 : Math.round(live.wipe * size.width);
    const side = (moment: Moment, which: WipeSide, left: number, right: number): Presentation => ({
      picture: renderer.render(moment, studio.pictures.source, which),
      offsetX: drawn.offsetX,
      offsetY: drawn.offsetY,
      enlarge: drawn.enlarge,
      left,
      right,
    });
    const all = this.moment('all');
    const parts = [side(all, 'all', edge, size.width)];
    if (edge > 0) parts.unshift(side(this.moment('left-out'), 'left-out', 0, edge));
    renderer.present(parts, BEYOND);
    return all;
  }

  /** What is shown now, on a side of the wipe. */
  private moment(which: WipeSide): Moment {
    const { studio } = this;
    const scene = studio.shown();
    const live = studio.live.getState();
    const { view } = drawnFor(live, this.surface.size, settingsOf(scene).pixelArt);
    return this.makers[which].at(scene, live.clockHours, live.seconds, studio.passing(which), view);
  }

  /** Asks for the picture that the graphics card does not draw. */
  private standIn(fault: string): void {
    const { studio } = this;
    if (fault !== this.fault)
      studio.say(`${fault} A still picture is shown instead, drawn anew after each change.`);
    this.fault = fault;
    const live = studio.live.getState();
    const scene = studio.shown();
    const { view } = drawnFor(live, this.surface.size, settingsOf(scene).pixelArt);
    // Flames would never let it rest: it follows what is changed, the view, and pictures that come.
    const key = JSON.stringify([view, live.clockHours, studio.pictures.isComplete]);
    if (this.stillOf?.scene === scene && this.stillOf.key === key) return;
    this.stillOf = { scene, key };
    this.stillPicture.want(this.moment('all'), studio.pictures.source);
  }
}
