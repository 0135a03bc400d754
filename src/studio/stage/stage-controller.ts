/**
 * The stage draws itself: a loop of its own reads the stores, renders through a Moment and draws handles above. It
 * renders again only when something changed or a flame burns. React gives it the canvases and nothing else.
 */
import { LIMITS } from '@/core/limits';
import { costOf } from '@/core/light/cost';
import type { Moment } from '@/core/moment/moment';
import { gateView, momentAt } from '@/core/moment/moment-at';
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { Image } from '@/core/raster/image';
import { wordsOf } from '@/core/faults';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import { clockText } from '@/core/time/cues';
import { openContext } from '@/gpu/device';
import { Renderer, type Presentation } from '@/gpu/renderer';
import { costShares, costWords } from '../store/costs';
import { advance } from '../store/live';
import type { ToolName, Wipe } from '../store/desk-store';
import type { WipeSide } from '../store/passing-of';
import type { Studio } from '../store/studio';
import { allTools } from '../tools/all-tools';
import { PickTool } from '../tools/pick';
import type { Tool, ToolEvent } from '../tools/tool';
import { drawStageMarks } from './stage-marks';
import { handleAt } from './handles';
import { wheeledLevel } from './isolux';
import { framePasses, type Frame } from './frame-passes';
import { keepView } from './kept-view';
import { LightReach } from './light-marks';
import { Life } from './lives';
import { MiniView } from './mini-view';
import { Overlay, type OverlayColours } from './overlay';
import { StillPicture } from './still-picture';
import { drawnFor, fitGate, toCanvas, toScene, zoomedAbout, zoomStep } from './view';

/** Flames are drawn at most this often. */
const FLAME_FRAME_MS = 30;
/** Between two frames of flames the graphics card rests for this share of what it works on one: a hand is never kept waiting. */
const REST = 0.5;
/** But they never stand for longer, as after a first frame that took long. */
const LONGEST_PAUSE_MS = 400;
/** Costs are told at most this often. */
const COUNT_MS = 250;
/** How near counts as on, CSS px. */
const NEAR_PX = 8;
const BEYOND: [number, number, number] = [0.03, 0.03, 0.032];

export const WIPE_WORDS: Record<Wipe, string> = {
  none: 'Off',
  unlit: 'Unlit',
  relief: 'No relief',
  shadows: 'No shadows',
};

export interface StageElements {
  stage: HTMLElement;
  picture: HTMLCanvasElement;
  marks: HTMLCanvasElement;
  readout: HTMLElement;
  hint: HTMLElement;
  colours: OverlayColours;
  font: string;
}

export class StageController {
  private renderer: Renderer | null = null;
  private readonly tools: Record<ToolName, Tool>;
  private readonly mini: MiniView;
  /** One for each side of the wipe, as they leave out different things. */
  private readonly makers: Record<WipeSide, MomentMaker> = {
    all: new MomentMaker(),
    'left-out': new MomentMaker(),
  };
  private readonly life = new Life();
  private readonly reach = new LightReach();
  private readonly leave: (() => void)[] = [];
  private size = { width: 0, height: 0 };
  private ratio = 1;
  private dirty = true;
  private frame = 0;
  private lastFrame = 0;
  private lastTime = 0;
  private lastCount = 0;
  private pan: { x: number; y: number; viewX: number; viewY: number } | null = null;
  private wiping = false;
  private spaceHeld = false;
  private lastTool: ToolName = 'pick';
  private lastDown = { x: 0, y: 0, time: 0, count: 0 };
  private fault: string | null = null;
  /** What stands for the picture where the graphics card draws none, and the scene that it was asked for. */
  private readonly stillPicture = new StillPicture(() => this.touch());
  private stillOf: { scene: SceneDocument; key: string } | null = null;

  constructor(
    private readonly studio: Studio,
    private readonly elements: StageElements,
  ) {
    this.tools = allTools(studio);
    this.mini = new MiniView(studio);
    this.start();
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    this.tool.cancel();
    for (const leave of this.leave) leave();
    this.renderer?.dispose();
    this.renderer = null;
    this.stillPicture.dispose();
  }

  /** Shows the whole gate. */
  fit(): void {
    this.studio.live.setState(fitGate(this.studio.scene, this.size));
  }

  zoom(direction: number): void {
    const { width, height } = this.size;
    this.zoomAbout(direction, width / 2, height / 2);
  }

  /** A small picture of the gate as it is kept, without what lasts only while looking; null where nothing can draw. */
  still(): Image | null {
    const { renderer, studio } = this;
    if (!renderer || renderer.gl.isContextLost()) return null;
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
    const picture = renderer.render(
      momentAt(scene, clockHours, seconds, NOTHING_PASSING, cut),
      studio.pictures.source,
      'still',
    );
    this.touch();
    return { width, height, data: renderer.read(picture) };
  }

  /** The passes of the frame that is shown; null where the graphics card draws none. */
  passes(): Frame | null {
    const { renderer, studio } = this;
    if (!renderer || renderer.gl.isContextLost()) return null;
    const frame = framePasses(studio, renderer, this.moment('all'));
    this.touch();
    return frame;
  }

  /** Escape. @returns whether anything was cancelled */
  cancel(): boolean {
    this.touch();
    if (this.tool.cancel()) return true;
    const { desk } = this.studio;
    if (desk.getState().tool === 'pick') return false;
    // With nothing left to give up the tool itself is laid down.
    desk.setState({ tool: 'pick' });
    return true;
  }

  confirm(): void {
    this.tool.confirm?.();
    this.touch();
  }

  private get tool(): Tool {
    return this.tools[this.studio.desk.getState().tool];
  }

  private touch = (): void => {
    this.dirty = true;
  };

  private start(): void {
    const { studio, elements } = this;
    const observer = new ResizeObserver(() => this.resize());
    observer.observe(elements.stage);
    this.resize();
    this.leave.push(
      () => observer.disconnect(),
      studio.scenes.api.subscribe(this.touch),
      studio.live.subscribe(this.touch),
      studio.desk.subscribe(this.touch),
      studio.pictures.subscribe(this.touch),
    );
    const on = <K extends keyof HTMLElementEventMap>(
      target: HTMLElement,
      type: K,
      work: (event: HTMLElementEventMap[K]) => void,
      options?: AddEventListenerOptions,
    ) => {
      target.addEventListener(type, work, options);
      this.leave.push(() => target.removeEventListener(type, work));
    };
    on(elements.marks, 'pointerdown', (event) => this.down(event));
    on(elements.marks, 'pointermove', (event) => this.move(event));
    on(elements.marks, 'pointerup', (event) => this.up(event));
    on(elements.marks, 'pointercancel', () => this.cancel());
    on(elements.marks, 'dblclick', (event) => {
      this.tool.doubleDown?.(this.toolEvent(event));
      this.touch();
    });
    on(elements.marks, 'wheel', (event) => this.wheel(event), { passive: false });
    on(elements.picture, 'webglcontextlost' as keyof HTMLElementEventMap, (event) => {
      event.preventDefault();
      this.renderer = null;
    });
    on(elements.picture, 'webglcontextrestored' as keyof HTMLElementEventMap, this.touch);
    const key = (event: KeyboardEvent) => {
      if (event.code !== 'Space') return;
      const target = event.target as HTMLElement;
      if (['INPUT', 'SELECT', 'TEXTAREA', 'BUTTON'].includes(target.tagName)) return;
      this.spaceHeld = event.type === 'keydown';
      elements.marks.style.cursor = this.spaceHeld ? 'grab' : '';
      event.preventDefault();
    };
    window.addEventListener('keydown', key);
    window.addEventListener('keyup', key);
    this.leave.push(() => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('keyup', key);
    });
    this.leave.push(keepView(studio.info.id, studio.live));
    if (studio.live.getState().zoom === 0) this.fit();
    this.lastTime = performance.now();
    const loop = (now: number) => {
      this.frame = requestAnimationFrame(loop);
      this.tick(now);
    };
    this.frame = requestAnimationFrame(loop);
  }

  private resize(): void {
    const { stage, picture, marks } = this.elements;
    this.ratio = window.devicePixelRatio || 1;
    const width = Math.max(1, Math.round(stage.clientWidth * this.ratio));
    const height = Math.max(1, Math.round(stage.clientHeight * this.ratio));
    if (width === this.size.width && height === this.size.height) return;
    this.size = { width, height };
    for (const canvas of [picture, marks]) {
      canvas.width = width;
      canvas.height = height;
    }
    this.touch();
  }

  private tick(now: number): void {
    const { studio } = this;
    const elapsed = Math.min(0.25, (now - this.lastTime) / 1000);
    this.lastTime = now;
    const { tool, bench } = studio.desk.getState();
    if (tool !== this.lastTool) {
      const last = this.tools[this.lastTool];
      if (last.leave) last.leave();
      else last.cancel();
      this.lastTool = tool;
    }
    const wasDirty = this.dirty;
    const { isFrozen, dayRate } = studio.live.getState();
    if (!isFrozen || dayRate !== 0) advance(studio.live, elapsed);
    const lives = !isFrozen && this.life.of(studio.scene);
    this.dirty = wasDirty || dayRate !== 0;
    if (bench !== 'stage' && bench !== 'time') return;
    if (this.renderer && !this.renderer.gl.isContextLost() && this.mini.tend(this.renderer, now))
      this.dirty = true;
    const worked = (1 + REST) * (this.renderer?.clock.ms ?? 0);
    const pause = Math.max(FLAME_FRAME_MS, Math.min(LONGEST_PAUSE_MS, worked));
    if (!this.dirty && !(lives && now - this.lastFrame >= pause)) return;
    this.dirty = false;
    this.lastFrame = now;
    this.draw();
  }

  private draw(): void {
    const { studio, elements } = this;
    const start = performance.now();
    try {
      if (this.fault === null) {
        const renderer = (this.renderer ??= new Renderer(openContext(elements.picture)));
        renderer.clock.time(() => this.drawPicture(renderer));
      }
    } catch (thrown) {
      if (this.renderer?.gl.isContextLost()) return;
      this.fault = wordsOf(thrown).split('\n')[0];
      studio.say(`${this.fault} A still picture is shown instead, drawn anew after each change.`);
    }
    if (this.fault !== null) this.wantStill();
    this.drawMarks();
    const { zoom, clockHours } = studio.live.getState();
    const percent = Math.round((zoom / this.ratio) * 100);
    const ms = this.renderer?.clock.ms ?? performance.now() - start;
    elements.readout.textContent = `${clockText(clockHours)}  ${percent} %  ${ms.toFixed(1)} ms  ${costWords(studio.costs.getState())}`;
    elements.hint.textContent = this.tool.hint();
    elements.marks.ariaBusy = String(!studio.pictures.isComplete);
  }

  private drawPicture(renderer: Renderer): void {
    const { studio } = this;
    const live = studio.live.getState();
    const { wipe } = studio.desk.getState();
    const scene = studio.shown();
    const drawn = drawnFor(live, this.size, settingsOf(scene).pixelArt);
    const { width } = this.size;
    const edge = wipe === 'none' ? 0 : Math.round(live.wipe * width);
    const render = (which: WipeSide) => {
      const moment = this.moment(which);
      if (which === 'all') this.count(moment);
      return renderer.render(moment, studio.pictures.source, which);
    };
    const side = (which: WipeSide, left: number, right: number): Presentation => ({
      picture: render(which),
      offsetX: drawn.offsetX,
      offsetY: drawn.offsetY,
      enlarge: drawn.enlarge,
      left,
      right,
    });
    const parts = edge > 0 ? [side('left-out', 0, edge), side('all', edge, width)] : [side('all', 0, width)];
    renderer.present(parts, BEYOND);
  }

  /** What is shown now, on a side of the wipe. */
  private moment(which: WipeSide): Moment {
    const { studio } = this;
    const scene = studio.shown();
    const live = studio.live.getState();
    const { view } = drawnFor(live, this.size, settingsOf(scene).pixelArt);
    return this.makers[which].at(scene, live.clockHours, live.seconds, studio.passing(which), view);
  }

  /** Tells what the lights cost, a few times a second. */
  private count(moment: Moment): void {
    const now = performance.now();
    if (now - this.lastCount < COUNT_MS) return;
    this.lastCount = now;
    this.studio.costs.setState(costShares(costOf(moment)));
  }

  private drawMarks(): void {
    const { studio, elements } = this;
    const context = elements.marks.getContext('2d')!;
    context.clearRect(0, 0, this.size.width, this.size.height);
    this.drawStill(context);
    const live = studio.live.getState();
    const overlay = new Overlay(context, live, this.ratio, elements.colours, elements.font);
    const fades = this.tool instanceof PickTool && this.tool.isDragging;
    drawStageMarks(overlay, studio, { reach: this.reach, nearPx: this.nearPx, fades });
    this.tool.draw?.(overlay);
    this.mini.draw(context, this.size, this.ratio, elements.colours.line, elements.colours.picked);
    const { wipe } = studio.desk.getState();
    if (wipe !== 'none')
      overlay.wipe(Math.round(live.wipe * this.size.width), this.size.height, WIPE_WORDS[wipe], 'Lit');
  }

  /** Asks for the picture that the graphics card does not draw. */
  private wantStill(): void {
    const { studio } = this;
    const live = studio.live.getState();
    const scene = studio.shown();
    const { view } = drawnFor(live, this.size, settingsOf(scene).pixelArt);
    // Flames would never let it rest: it follows what is changed, the view, and pictures that come.
    const key = JSON.stringify([view, live.clockHours, studio.pictures.isComplete]);
    if (this.stillOf?.scene === scene && this.stillOf.key === key) return;
    this.stillOf = { scene, key };
    this.stillPicture.want(this.moment('all'), studio.pictures.source);
  }

  private drawStill(context: CanvasRenderingContext2D): void {
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

  private get nearPx(): number {
    return (NEAR_PX * this.ratio) / this.studio.live.getState().zoom;
  }

  private canvasPlace(event: MouseEvent): [number, number] {
    const box = this.elements.marks.getBoundingClientRect();
    return [(event.clientX - box.left) * this.ratio, (event.clientY - box.top) * this.ratio];
  }

  /** Where on the scene a mouse event lies. */
  scenePlace(event: MouseEvent): [number, number] {
    return toScene(this.studio.live.getState(), ...this.canvasPlace(event));
  }

  private toolEvent(event: MouseEvent): ToolEvent {
    const [x, y] = this.scenePlace(event);
    return {
      x,
      y,
      shift: event.shiftKey,
      alt: event.altKey,
      nearPx: this.nearPx,
      clicks: this.lastDown.count,
    };
  }

  private down(event: PointerEvent): void {
    const { marks } = this.elements;
    marks.setPointerCapture(event.pointerId);
    marks.focus();
    const [cx, cy] = this.canvasPlace(event);
    const { wipe: wipeKind } = this.studio.desk.getState();
    const { wipe, viewX, viewY } = this.studio.live.getState();
    if (wipeKind !== 'none' && Math.abs(cx - wipe * this.size.width) < NEAR_PX * this.ratio)
      this.wiping = true;
    else if (event.button === 0 && this.mini.down(cx, cy, this.size, this.ratio)) this.touch();
    else if (event.button === 1 || this.spaceHeld) this.pan = { x: cx, y: cy, viewX, viewY };
    else if (event.button === 0) this.tool.down(this.toolEvent(event));
    this.touch();
  }

  private move(event: PointerEvent): void {
    const [cx, cy] = this.canvasPlace(event);
    const { live } = this.studio;
    if (this.mini.move(cx, cy, this.size, this.ratio)) return this.touch();
    if (this.wiping) live.setState({ wipe: Math.min(1, Math.max(0, cx / this.size.width)) });
    else if (this.pan) {
      const { zoom } = live.getState();
      live.setState({
        viewX: this.pan.viewX - (cx - this.pan.x) / zoom,
        viewY: this.pan.viewY - (cy - this.pan.y) / zoom,
      });
    } else {
      this.tool.move(this.toolEvent(event));
      if (event.buttons === 0) this.pointAt(event);
    }
    if (event.buttons !== 0 || this.studio.desk.getState().tool !== 'pick') this.touch();
  }

  private pointAt(event: PointerEvent): void {
    const { studio } = this;
    if (studio.desk.getState().tool !== 'pick') {
      this.elements.marks.style.cursor = 'crosshair';
      return;
    }
    const { x, y, nearPx } = this.toolEvent(event);
    const { seconds } = studio.live.getState();
    const handle = handleAt(studio.scene, studio.scenes.state.selection, x, y, { nearPx, seconds });
    this.elements.marks.style.cursor = this.spaceHeld ? 'grab' : handle ? 'move' : '';
  }

  private up(event: PointerEvent): void {
    if (this.mini.up()) return;
    if (this.wiping || this.pan) {
      this.wiping = false;
      this.pan = null;
    } else this.tool.up(this.toolEvent(event));
    this.touch();
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault();
    const notches = -Math.sign(event.deltaY || event.deltaX);
    if (notches === 0) return;
    if (event.altKey) this.turnLevel(notches);
    else this.zoomAbout(notches, ...this.canvasPlace(event));
  }

  private turnLevel(notches: number): void {
    const { studio } = this;
    for (const id of studio.pickedOf('lights')) {
      studio.set('Level', 'lights', id, { level: wheeledLevel(studio.scene.lights[id].level, notches) });
    }
  }

  private zoomAbout(direction: number, cx: number, cy: number): void {
    const { studio } = this;
    const live = studio.live.getState();
    const zoom = zoomStep(live.zoom, direction, settingsOf(studio.scene).pixelArt);
    studio.live.setState(zoomedAbout(live, zoom, cx, cy));
  }
}
