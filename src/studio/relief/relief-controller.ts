/** Draws the Relief bench's view and listens to the pointer: the hand lamp follows it, tools draw with it. */
import { wordsOf } from '@/core/faults';
import { settingsOf, type Artwork } from '@/core/scene/document';
import { openContext } from '@/gpu/device';
import { Renderer, type Presentation } from '@/gpu/renderer';
import type { PartsAnswer } from '@/workers/art-worker';
import type { ReliefAnswer } from '@/workers/relief-answer';
import type { ReliefPatch } from '@/workers/relief-desk';
import {
  SIDE_WORDS,
  VIEW_WORDS,
  type ReliefBenchState,
  type ReliefSide,
  type ReliefView,
} from '../store/relief-bench';
import type { Studio } from '../store/studio';
import {
  BrushDrawing,
  fill,
  isBrush,
  PartDrawing,
  type ReliefDrawing,
  type ReliefPoint,
} from '../tools/relief-tools';
import type { OverlayColours } from '../stage/overlay';
import { drawnFor, toScene, zoomedAbout, zoomStep } from '../stage/view';
import { partsPicture } from './parts-picture';
import { ReliefMarks } from './relief-marks';
import { ReliefPictures } from './relief-pictures';
import { handMoment, handScene, type HandLamp } from './relief-view';

const MARGIN_PX = 40;
const BEYOND: [number, number, number] = [0.047, 0.047, 0.051];
/** One round of the circling lamp. */
const CIRCLE_SECONDS = 6;
const CIRCLE_SHARE = 0.42;
/** Within so many css px of the wipe's edge or a polygon's first point the pointer takes hold of it. */
const NEAR_PX = 8;
const SECTION_STEPS = 2000;

export interface ReliefElements {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  marks: HTMLCanvasElement;
  readout: HTMLElement;
  colours: OverlayColours;
  font: string;
}

export class ReliefController {
  /** Called with the pixel under the pointer, in px of the art. */
  onPoint: (x: number, y: number) => void = () => {};
  private onSwatch: (x: number, y: number) => void = () => {};
  readonly pictures: ReliefPictures;
  private renderer: Renderer | null = null;
  private size = { width: 0, height: 0 };
  private ratio = 1;
  private place = { viewX: 0, viewY: 0, zoom: 1 };
  private lampPlace = { x: 0, y: 0 };
  private isPinned = false;
  private artworkId: string | null = null;
  private pointer: { x: number; y: number } | null = null;
  private drawing: ReliefDrawing | null = null;
  private polygon: number[] = [];
  private sectionStart: [number, number] | null = null;
  private lastEnd: { x: number; y: number } | null = null;
  private wipeShare = 0.5;
  private isWiping = false;
  private parts: { text: string; picture: HTMLCanvasElement } | null = null;
  private pan: { x: number; y: number; viewX: number; viewY: number } | null = null;
  private isSpaceHeld = false;
  private frame = 0;
  private dirty = true;
  private took = 0;
  private readonly shapeListeners = new Set<() => void>();
  private readonly leave: (() => void)[] = [];

  constructor(
    private readonly studio: Studio,
    private readonly elements: ReliefElements,
  ) {
    this.pictures = new ReliefPictures(studio, () => {
      this.touch();
      this.onShape();
    });
    const observer = new ResizeObserver(() => this.resize());
    observer.observe(elements.box);
    this.leave.push(
      () => observer.disconnect(),
      studio.scenes.api.subscribe(this.touch),
      studio.reliefBench.subscribe(this.touch),
      studio.pictures.subscribe(() => {
        this.pictures.keptChanged();
        this.touch();
        this.onShape();
      }),
    );
    this.listen();
    this.resize();
    const loop = (now: number) => {
      this.frame = requestAnimationFrame(loop);
      if (this.bench.lampWay === 'circle' && !this.isPinned) this.circle(now / 1000);
      if (!this.dirty) return;
      this.dirty = false;
      this.draw();
    };
    this.frame = requestAnimationFrame(loop);
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    this.drawing?.cancel();
    for (const leave of this.leave) leave();
    this.renderer?.dispose();
  }

  show(artworkId: string | null): void {
    if (artworkId === this.artworkId) return;
    if (this.drawing) this.cancel();
    this.polygon = [];
    this.artworkId = artworkId;
    this.pictures.choose(artworkId);
    this.pictures.keptChanged();
    this.lastEnd = null;
    this.isPinned = false;
    this.fit();
    const { artwork } = this;
    if (artwork) this.lampPlace = { x: artwork.widthPx * 0.7, y: artwork.heightPx * 0.2 };
    this.touch();
    this.onShape();
  }

  /** A relief that is not kept yet, while a control moves; null goes back to the kept one. */
  preview(answer: ReliefAnswer | null): void {
    this.took = answer?.took ?? this.took;
    this.pictures.preview(answer);
    this.touch();
    this.onShape();
  }

  fit(): void {
    const { artwork } = this;
    if (!artwork) return;
    const { width, height } = this.size;
    const margin = MARGIN_PX * this.ratio;
    const most = Math.min((width - 2 * margin) / artwork.widthPx, (height - 2 * margin) / artwork.heightPx);
    const zoom = artwork.pixelArt || most >= 1 ? Math.max(1, Math.floor(most)) : Math.max(0.125, most);
    this.place = {
      zoom,
      viewX: artwork.widthPx / 2 - width / zoom / 2,
      viewY: artwork.heightPx / 2 - height / zoom / 2,
    };
    this.touch();
  }

  zoom(direction: number): void {
    const zoom = zoomStep(this.place.zoom, direction, this.artwork?.pixelArt ?? true);
    this.place = zoomedAbout(this.place, zoom, this.size.width / 2, this.size.height / 2);
    this.touch();
  }

  /** Called with the place where a colour was asked for. */
  listenToSwatch(listener: (x: number, y: number) => void): void {
    this.onSwatch = listener;
  }

  /** Hears when heights that are shown, or the row under the pointer, are others. */
  listenToShape(listener: () => void): () => void {
    this.shapeListeners.add(listener);
    return () => this.shapeListeners.delete(listener);
  }

  /** Heights along the section line, or along the row under the pointer. */
  sectionNow(): { values: number[]; words: string } | null {
    const { artwork } = this;
    const { heights } = this.pictures;
    if (!artwork || !heights) return null;
    const { widthPx: w, heightPx: h } = artwork;
    const { section } = this.bench;
    if (!section) {
      const row = Math.min(h - 1, Math.max(0, Math.floor(this.pointer?.y ?? h / 2)));
      return { values: [...heights.subarray(row * w, (row + 1) * w)], words: `Section, row ${row}` };
    }
    const [ax, ay, bx, by] = section;
    const steps = Math.max(2, Math.min(SECTION_STEPS, Math.ceil(Math.hypot(bx - ax, by - ay) * 2)));
    const values = Array.from({ length: steps }, (_, i) => {
      const x = Math.floor(ax + ((bx - ax) * i) / (steps - 1));
      const y = Math.floor(ay + ((by - ay) * i) / (steps - 1));
      return x < 0 || y < 0 || x >= w || y >= h ? 0 : heights[y * w + x];
    });
    return { values, words: `Section, ${Math.round(Math.hypot(bx - ax, by - ay))} px` };
  }

  private onShape(): void {
    for (const listener of this.shapeListeners) listener();
  }

  /** Takes back what is being drawn; where nothing is, goes back to looking. */
  cancel(): void {
    const isDrawing = this.drawing !== null || this.polygon.length > 0;
    if (!isDrawing) this.studio.reliefBench.setState({ tool: 'look' });
    this.drawing?.cancel();
    if (this.drawing?.kind === 'brush') this.preview(null);
    this.drawing = null;
    this.polygon = [];
    this.touch();
  }

  /** Closes the polygon that is being drawn. */
  confirm(): void {
    const points = this.polygon;
    this.polygon = [];
    if (points.length >= 9 && this.artworkId) fill(this.studio, this.artworkId, points);
    this.touch();
  }

  readonly touch = (): void => {
    this.dirty = true;
  };

  private get bench(): ReliefBenchState {
    return this.studio.reliefBench.getState();
  }

  private get artwork(): Artwork | null {
    return this.artworkId === null ? null : (this.studio.scene.artworks[this.artworkId] ?? null);
  }

  private listen(): void {
    const { marks } = this.elements;
    const on = <K extends keyof HTMLElementEventMap>(
      target: HTMLElement,
      type: K,
      work: (event: HTMLElementEventMap[K]) => void,
      options?: AddEventListenerOptions,
    ) => {
      target.addEventListener(type, work, options);
      this.leave.push(() => target.removeEventListener(type, work));
    };
    on(marks, 'pointermove', (event) => this.move(event));
    on(marks, 'pointerdown', (event) => this.down(event));
    on(marks, 'pointerup', () => this.up());
    on(marks, 'pointercancel', () => this.cancel());
    on(marks, 'pointerleave', () => {
      this.pointer = null;
      this.touch();
    });
    on(marks, 'dblclick', () => this.polygon.length >= 9 && this.confirm());
    on(marks, 'wheel', (event) => this.wheel(event), { passive: false });
    on(this.elements.picture, 'webglcontextlost' as keyof HTMLElementEventMap, (event) => {
      event.preventDefault();
      this.renderer = null;
    });
    on(this.elements.picture, 'webglcontextrestored' as keyof HTMLElementEventMap, this.touch);
    const space = (event: KeyboardEvent) => {
      if (event.key === ' ') this.isSpaceHeld = event.type === 'keydown';
    };
    window.addEventListener('keydown', space);
    window.addEventListener('keyup', space);
    this.leave.push(() => {
      window.removeEventListener('keydown', space);
      window.removeEventListener('keyup', space);
    });
  }

  private resize(): void {
    const { box, picture, marks } = this.elements;
    this.ratio = window.devicePixelRatio || 1;
    const size = {
      width: Math.max(1, Math.round(box.clientWidth * this.ratio)),
      height: Math.max(1, Math.round(box.clientHeight * this.ratio)),
    };
    if (size.width === this.size.width && size.height === this.size.height) return;
    this.size = size;
    for (const canvas of [picture, marks]) Object.assign(canvas, size);
    this.fit();
    this.touch();
  }

  private circle(seconds: number): void {
    const { artwork } = this;
    if (!artwork) return;
    const angle = (2 * Math.PI * seconds) / CIRCLE_SECONDS;
    this.lampPlace = {
      x: artwork.widthPx * (0.5 + CIRCLE_SHARE * Math.cos(angle)),
      y: artwork.heightPx * (0.5 + CIRCLE_SHARE * Math.sin(angle)),
    };
    this.touch();
  }

  private draw(): void {
    const start = performance.now();
    try {
      this.renderer ??= new Renderer(openContext(this.elements.picture));
      this.drawPicture(this.renderer);
    } catch (thrown) {
      if (this.renderer?.gl.isContextLost()) return;
      this.studio.say(`The relief cannot be drawn: ${wordsOf(thrown).split('\n')[0]}`);
      return;
    }
    this.drawMarks();
    const percent = Math.round((this.place.zoom / this.ratio) * 100);
    const relief = this.took > 0 ? `  relief ${this.took.toFixed(0)} ms` : '';
    this.elements.readout.textContent = `${percent} %  ${(performance.now() - start).toFixed(1)} ms${relief}`;
  }

  private drawPicture(renderer: Renderer): void {
    const { artwork } = this;
    const { width } = this.size;
    const { view, wipe } = this.bench;
    if (!artwork) return renderer.present([], BEYOND);
    const edge = wipe === null ? 0 : Math.round(this.wipeShare * width);
    const parts: Presentation[] = [];
    const add = (name: string, of: ReliefView, side: ReliefSide, left: number, right: number) => {
      const part = this.side(renderer, artwork, name, of, side, left, right);
      if (part) parts.push(part);
    };
    if (wipe) add('left', wipe.view, wipe.side, 0, edge);
    add('main', view, 'now', edge, width);
    renderer.present(parts, BEYOND);
  }

  private side(
    renderer: Renderer,
    artwork: Artwork,
    name: string,
    view: ReliefView,
    side: ReliefSide,
    left: number,
    right: number,
  ): Presentation | null {
    const pixels = this.pictures.pixels(view, side);
    if (!pixels) return null;
    const { lampHeightPx, lampColour, lampReach, secondLamp } = this.bench;
    const lamp: HandLamp = {
      ...this.lampPlace,
      heightPx: lampHeightPx,
      colour: lampColour,
      reach: lampReach,
      second: secondLamp,
    };
    const key = this.textureKey(name, view);
    const scene = handScene(key, artwork, lamp, settingsOf(this.studio.scene).lightSpace);
    const drawn = drawnFor(this.place, this.size, artwork.pixelArt);
    const moment = handMoment(scene, view, drawn.view);
    const picture = renderer.render(moment, () => pixels, name);
    return { picture, offsetX: drawn.offsetX, offsetY: drawn.offsetY, enlarge: drawn.enlarge, left, right };
  }

  private textureKey(name: string, view: ReliefView): string {
    return `${this.artworkId}-${name}-${view}`;
  }

  private drawMarks(): void {
    const { elements, bench, artwork, place } = this;
    const context = elements.marks.getContext('2d')!;
    context.clearRect(0, 0, this.size.width, this.size.height);
    elements.marks.dataset.pinned = String(this.isPinned);
    if (!artwork) return;
    const marks = new ReliefMarks(context, place, this.ratio, elements.colours, elements.font);
    if (bench.showParts || ['join', 'split'].includes(bench.tool)) this.drawParts(marks, artwork);
    const row = this.pointer && Math.floor(this.pointer.y) + 0.5;
    if (bench.section) marks.section(bench.section, false);
    else if (bench.tool === 'section' && row !== null) marks.section([0, row, artwork.widthPx, row], true);
    if (bench.view === 'lit' && bench.tool === 'look')
      marks.lamp(this.lampPlace.x, this.lampPlace.y, bench.lampHeightPx, this.isPinned, bench.lampColour);
    if (this.drawing) {
      const isMask = bench.tool === 'rim' || bench.tool === 'glow';
      // What a brush does is seen in the relief itself, a moment later; masks and parts come when the stroke is done.
      if (!(this.drawing instanceof BrushDrawing))
        marks.trail(this.drawing.points, null, elements.colours.picked);
      else {
        const points = isMask ? this.drawing.points : this.drawing.tail;
        marks.trail(points, bench.sizePx, `${elements.colours.picked}66`);
      }
    }
    if (this.pointer) {
      const { x, y } = this.pointer;
      marks.polygon(this.polygon, x, y);
      if (isBrush(bench.tool)) marks.brush(x, y, bench.sizePx, bench.hardness, artwork.pixelArt);
    }
    if (bench.wipe) {
      const { view, side } = bench.wipe;
      const left = side === 'now' ? VIEW_WORDS[view] : `${VIEW_WORDS[view]}, ${SIDE_WORDS[side]}`;
      marks.wipeEdge(
        Math.round(this.wipeShare * this.size.width),
        this.size.height,
        left,
        VIEW_WORDS[bench.view],
      );
    }
  }

  private drawParts(marks: ReliefMarks, artwork: Artwork): void {
    const { picture, text } = this.parts ?? { picture: null, text: '' };
    const wanted = partsPicture.textFor(this.studio, this.artworkId!);
    if (wanted && wanted !== text) {
      partsPicture
        .make(this.studio, this.artworkId!)
        .then((answer: PartsAnswer | null) => {
          if (!answer) return;
          this.parts = {
            text: wanted,
            picture: partsPicture.paint(answer, artwork.widthPx, artwork.heightPx),
          };
          this.touch();
        })
        .catch((thrown: unknown) => this.studio.say(wordsOf(thrown)));
    }
    if (picture) marks.overlay(picture, artwork.widthPx, artwork.heightPx);
  }

  private canvasPlace(event: MouseEvent): [number, number] {
    const box = this.elements.marks.getBoundingClientRect();
    return [(event.clientX - box.left) * this.ratio, (event.clientY - box.top) * this.ratio];
  }

  private pointOf(event: PointerEvent): ReliefPoint {
    const [x, y] = toScene(this.place, ...this.canvasPlace(event));
    // A mouse says one half, or nothing; only a pen has a pressure of its own.
    const pressure = event.pointerType === 'pen' ? Math.max(0.05, event.pressure) : 1;
    return { x, y, pressure, shift: event.shiftKey };
  }

  private move(event: PointerEvent): void {
    const [cx, cy] = this.canvasPlace(event);
    if (this.isWiping) {
      this.wipeShare = Math.min(1, Math.max(0, cx / this.size.width));
      return this.touch();
    }
    if (this.pan) {
      this.place = {
        ...this.place,
        viewX: this.pan.viewX - (cx - this.pan.x) / this.place.zoom,
        viewY: this.pan.viewY - (cy - this.pan.y) / this.place.zoom,
      };
      return this.touch();
    }
    const point = this.pointOf(event);
    const isOtherRow = Math.floor(this.pointer?.y ?? -1) !== Math.floor(point.y);
    this.pointer = point;
    this.onPoint(point.x, point.y);
    if (isOtherRow && !this.bench.section) this.onShape();
    if (this.drawing) {
      const steps = event.getCoalescedEvents?.() ?? [];
      for (const step of steps.length > 0 ? steps : [event]) this.drawing.move(this.pointOf(step));
    } else if (this.sectionStart) {
      this.studio.reliefBench.setState({ section: [...this.sectionStart, point.x, point.y] });
    } else if (!this.isPinned && this.bench.lampWay === 'follow') this.lampPlace = { x: point.x, y: point.y };
    this.touch();
  }

  private down(event: PointerEvent): void {
    const [cx, cy] = this.canvasPlace(event);
    this.elements.marks.setPointerCapture(event.pointerId);
    this.elements.marks.focus();
    if (this.bench.wipe && Math.abs(cx - this.wipeShare * this.size.width) < NEAR_PX * this.ratio) {
      this.isWiping = true;
      return;
    }
    if (event.button === 1 || this.isSpaceHeld) {
      this.pan = { x: cx, y: cy, viewX: this.place.viewX, viewY: this.place.viewY };
      event.preventDefault();
      return;
    }
    if (event.button === 0) this.press(this.pointOf(event), event.altKey);
    this.touch();
  }

  private press(point: ReliefPoint, alt: boolean): void {
    const { studio, artworkId, artwork } = this;
    const { tool, fillArea } = this.bench;
    if (!artworkId || !artwork) return;
    if (tool === 'look') {
      this.isPinned = !this.isPinned;
      if (!this.isPinned || this.bench.lampWay === 'follow') this.lampPlace = { x: point.x, y: point.y };
    } else if (tool === 'section') {
      this.sectionStart = [point.x, point.y];
      studio.reliefBench.setState({ section: null });
    } else if (tool === 'swatch') this.onSwatch(point.x, point.y);
    else if ((tool === 'face' || tool === 'fill') && alt) this.takeFacing(point.x, point.y);
    else if (tool === 'fill') {
      if (fillArea !== 'polygon') fill(studio, artworkId, [point.x, point.y, 1]);
      else if (this.isAtStart(point)) this.confirm();
      else this.polygon.push(point.x, point.y, 1);
    } else if (tool === 'join' || tool === 'split') {
      this.drawing = new PartDrawing(studio, artworkId, tool, point);
    } else if (isBrush(tool)) {
      this.drawing = new BrushDrawing(
        studio,
        artworkId,
        tool,
        artwork.pixelArt,
        point,
        this.lastEnd,
        (patch) => this.patch(patch),
      );
    }
  }

  private isAtStart({ x, y }: ReliefPoint): boolean {
    if (this.polygon.length < 9) return false;
    const near = (NEAR_PX * this.ratio) / this.place.zoom;
    return Math.hypot(x - this.polygon[0], y - this.polygon[1]) < near;
  }

  /** Gives the ball the facing of the art under the pointer. */
  private takeFacing(x: number, y: number): void {
    const facing = this.facingAt(x, y);
    if (facing) this.studio.reliefBench.setState({ faceX: facing[0], faceY: facing[1] });
  }

  /** x and y of the unit normal at a place, in scene axes; null beyond the art. */
  facingAt(x: number, y: number): [number, number] | null {
    const { artwork } = this;
    const { normals } = this.pictures;
    if (!artwork || !normals || x < 0 || y < 0 || x >= artwork.widthPx || y >= artwork.heightPx) return null;
    const p = 4 * (Math.floor(y) * artwork.widthPx + Math.floor(x));
    const nx = normals[p] / 127.5 - 1;
    const ny = 1 - normals[p + 1] / 127.5;
    const nz = normals[p + 2] / 127.5 - 1;
    const length = Math.hypot(nx, ny, nz) || 1;
    return [nx / length, ny / length];
  }

  private up(): void {
    this.pan = null;
    this.isWiping = false;
    this.sectionStart = null;
    const { drawing } = this;
    this.drawing = null;
    if (drawing) {
      drawing.up();
      const n = drawing.points.length;
      if (drawing.kind === 'brush' && n >= 3)
        this.lastEnd = { x: drawing.points[n - 3], y: drawing.points[n - 2] };
    }
    this.touch();
  }

  private patch(patch: ReliefPatch): void {
    const { artwork } = this;
    if (!artwork) return;
    this.pictures.patch(patch, artwork.widthPx);
    this.renderer?.patchNormals(this.textureKey('main', 'lit'), patch.rect, patch.normals);
    this.pictures.forgetDrawn();
    this.touch();
    this.onShape();
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault();
    const notches = -Math.sign(event.deltaY || event.deltaX);
    const grown = (value: number, by: number) => value * (notches > 0 ? by : 1 / by);
    const { studio, bench } = this;
    if (event.altKey) {
      studio.reliefBench.setState({
        lampHeightPx: Math.min(400, Math.max(1, grown(bench.lampHeightPx, 1.12))),
      });
    } else if (event.shiftKey && isBrush(bench.tool)) {
      const next = grown(bench.sizePx, 1.15);
      const whole = bench.sizePx < 8 ? bench.sizePx + notches : Math.round(next);
      studio.reliefBench.setState({ sizePx: Math.min(512, Math.max(1, whole)) });
    } else {
      const zoom = zoomStep(this.place.zoom, notches, this.artwork?.pixelArt ?? true);
      this.place = zoomedAbout(this.place, zoom, ...this.canvasPlace(event));
      this.touch();
    }
  }
}
