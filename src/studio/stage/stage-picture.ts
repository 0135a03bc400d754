/**
 * The picture of the stage: both sides of the wipe by the graphics card; where it draws none, and on a side of the wipe that
 * wants it, a still picture by the reference renderer. What could not be drawn once is tried again at the next change.
 */
import { COLOUR_VISIONS } from '@/core/checks/colour-vision';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import type { Moment } from '@/core/moment/moment';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { Image } from '@/core/raster/image';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Renderer } from '@/gpu/renderer';
import type { DrawnFrame } from '../store/open-view';
import type { Studio } from '../store/studio';
import { LIT, type Wipe, type WipeView } from '../store/wipe';
import { GpuCanvas } from '../surface/gpu-canvas';
import type { Surface } from '../surface/surface';
import { drawnFor, toCanvas } from '../surface/view';
import { framePasses } from './frame-passes';
import { StillPicture } from './still-picture';

const BEYOND: [number, number, number] = [0.03, 0.03, 0.032];

export class StagePicture {
  private readonly gpu: GpuCanvas;
  /** One for each side of the wipe, as they show different things. */
  private readonly makers: Record<keyof Wipe, MomentMaker>;
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
    const tables = studio.pictures.tables.source;
    this.makers = { left: new MomentMaker(tables), right: new MomentMaker(tables) };
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
      if (this.fault !== null) this.stillOf = null;
      this.fault = null;
    } catch (thrown) {
      if (this.gpu.isLost) return null;
      this.standIn(wordsOf(thrown).split('\n')[0]);
    }
    return moment;
  }

  /** The still picture: where it stands for what the graphics card does not draw, or on a side of the wipe. */
  drawStill(context: CanvasRenderingContext2D): void {
    const { last } = this.stillPicture;
    const { wipe } = this.studio.desk.getState();
    const side = referenceSide(wipe);
    if (!last || (this.fault === null && side === null)) return;
    const { picture, moment } = last;
    const live = this.studio.live.getState();
    const { view } = moment;
    const [x, y] = toCanvas(live, view.x, view.y);
    const scale = live.zoom / view.outputPerScenePx;
    context.save();
    if (this.fault === null && side !== null) {
      const { width, height } = this.surface.size;
      const [from, to] = sideOf(side, width, live.wipe);
      context.beginPath();
      context.rect(from, 0, to - from, height);
      context.clip();
    }
    context.imageSmoothingEnabled = !moment.pixelArt;
    context.drawImage(picture, x, y, picture.width * scale, picture.height * scale);
    context.restore();
  }

  /** Whether a side of the wipe waits for its still picture. */
  get waitsForStill(): boolean {
    return referenceSide(this.studio.desk.getState().wipe) !== null && !this.stillPicture.isCurrent;
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
    const { source, tables } = studio.pictures;
    const moment = momentAt(scene, clockHours, seconds, NOTHING_PASSING, cut, tables.source);
    const picture = renderer.render(moment, source, { name: 'thumbnail', isDrawnOnce: true });
    return { width, height, data: renderer.read(picture) };
  }

  passes(): DrawnFrame | null {
    const { renderer } = this;
    return renderer && framePasses(this.studio, renderer, this.moment('right', LIT));
  }

  private present(renderer: Renderer): Moment {
    const { studio } = this;
    const { size } = this.surface;
    const live = studio.live.getState();
    const { wipe, marksClipped } = studio.desk.getState();
    const drawn = drawnFor(live, size, settingsOf(studio.shown()).pixelArt);
    const { offsetX, offsetY, enlarge } = drawn;
    const show = (side: keyof Wipe, view: WipeView, [left, right]: readonly [number, number]) => {
      const moment = this.moment(side, view);
      const picture = renderer.render(moment, studio.pictures.source, { name: side });
      const seen = view.view === 'eyes' ? COLOUR_VISIONS[view.eyes] : null;
      return { moment, part: { picture, offsetX, offsetY, enlarge, left, right, seen } };
    };
    if (!wipe) {
      const { moment, part } = show('right', LIT, [0, size.width]);
      renderer.present([part], BEYOND, { marksClipped });
      return moment;
    }
    const sides = (['left', 'right'] as const)
      .map((side) => ({ side, range: sideOf(side, size.width, live.wipe) }))
      .filter(({ range: [from, to] }) => to > from)
      .map(({ side, range }) => show(side, wipe[side], range));
    renderer.present(
      sides.map(({ part }) => part),
      BEYOND,
      { marksClipped },
    );
    const reference = referenceSide(wipe);
    // Art that is not there yet would be missing from it.
    if (reference && studio.pictures.isComplete)
      this.wantStill(this.moment(reference, LIT), live.isFrozen ? live.seconds : 0);
    return sides.at(-1)!.moment;
  }

  /** What is shown now, on a side of the wipe. */
  private moment(side: keyof Wipe, shown: WipeView): Moment {
    const { studio } = this;
    const scene =
      (shown.view === 'revision' ? studio.revisions.documentOf(shown.revision) : null) ?? studio.shown();
    const live = studio.live.getState();
    const hour = shown.view === 'hour' ? shown.clockHours : live.clockHours;
    const { view } = drawnFor(live, this.surface.size, settingsOf(scene).pixelArt);
    return this.makers[side].at(scene, hour, live.seconds, studio.passing(shown), view);
  }

  /** Asks for the picture that the graphics card does not draw. */
  private standIn(fault: string): void {
    const { studio } = this;
    if (fault !== this.fault)
      studio.say(`${fault} A still picture is shown instead, drawn anew after each change.`);
    this.fault = fault;
    // Flames would never let it rest.
    this.wantStill(this.moment('right', LIT), 0);
  }

  /** Asks for a still picture: it follows what is changed, the view, pictures that come, and the second that is given. */
  private wantStill(moment: Moment, seconds: number): void {
    const { studio } = this;
    const scene = studio.shown();
    const { clockHours } = studio.live.getState();
    const key = JSON.stringify([moment.view, clockHours, seconds, studio.pictures.isComplete]);
    if (this.stillOf?.scene === scene && this.stillOf.key === key) return;
    this.stillOf = { scene, key };
    this.stillPicture.want(moment, studio.pictures.source);
  }
}

/** The columns of the canvas that a side of the wipe fills. */
function sideOf(side: keyof Wipe, width: number, share: number): readonly [from: number, to: number] {
  const edge = Math.round(share * width);
  return side === 'left' ? [0, edge] : [edge, width];
}

/** The side that the reference renderer draws. */
function referenceSide(wipe: Wipe | null): keyof Wipe | null {
  if (wipe?.left.view === 'reference') return 'left';
  return wipe?.right.view === 'reference' ? 'right' : null;
}
