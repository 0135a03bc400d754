/** Draws the Relief bench's view: one artwork, the hand lamp, and what is drawn over it. */
import { wordsOf } from '@/core/faults';
import { heightsAlong } from '@/core/relief/section';
import { settingsOf } from '@/core/scene/document';
import type { Artwork } from '@/core/scene/records/artwork';
import type { ReliefAnswer } from '@/workers/relief-answer';
import type { ReliefPatch } from '@/workers/relief-desk';
import {
  RELIEF_TOOL_WORDS,
  SIDE_WORDS,
  VIEW_WORDS,
  type ReliefBenchState,
  type ReliefSide,
  type ReliefView,
} from '../store/relief-bench';
import type { OpenView } from '../store/open-view';
import type { Studio } from '../store/studio';
import { BrushDrawing, isBrush } from '../tools/relief-tools';
import type { OverlayColours } from '../surface/overlay';
import { PointerHint } from '../surface/pointer-hint';
import { Surface, type SurfaceOwner } from '../surface/surface';
import { fitArt, zoomedAbout, zoomStep } from '../surface/view';
import { PartsOverlay } from './parts-overlay';
import { ReliefMarks } from './relief-marks';
import { ReliefPictures } from './relief-pictures';
import { ReliefPointer, type PointerHost } from './relief-pointer';
import { ReliefScreen, type ScreenSide } from './relief-screen';

/** One round of the circling lamp. */
const CIRCLE_SECONDS = 6;
const CIRCLE_SHARE = 0.42;

export interface ReliefElements {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  marks: HTMLCanvasElement;
  readout: HTMLElement;
  hint: HTMLElement;
  colours: OverlayColours;
  font: string;
}

export class ReliefController implements PointerHost, OpenView, SurfaceOwner {
  /** Called with the facing of the art under the pointer, null beyond it. */
  onFacing: (facing: [number, number] | null) => void = () => {};
  private onSwatch: (x: number, y: number) => void = () => {};
  readonly pictures: ReliefPictures;
  private readonly screen: ReliefScreen;
  readonly surface: Surface;
  place = { viewX: 0, viewY: 0, zoom: 1 };
  lampPlace = { x: 0, y: 0 };
  artworkId: string | null = null;
  private readonly pointer: ReliefPointer;
  private readonly hint: PointerHint;
  private readonly parts: PartsOverlay;
  readonly touch: () => void;
  private took = 0;
  private readonly shapeListeners = new Set<() => void>();

  constructor(
    readonly studio: Studio,
    private readonly elements: ReliefElements,
  ) {
    const { box, picture, marks } = elements;
    this.surface = new Surface(box, [picture, marks], this);
    this.touch = this.surface.touch;
    this.pictures = new ReliefPictures(studio, () => {
      this.touch();
      this.onShape();
    });
    this.parts = new PartsOverlay(studio, this.touch);
    this.screen = new ReliefScreen(picture, this.touch);
    this.pointer = new ReliefPointer(this);
    this.hint = new PointerHint(this.surface, elements.hint);
    this.surface.until(
      studio.scenes.api.subscribe(this.touch),
      studio.reliefBench.subscribe(this.touch),
      studio.pictures.subscribe(() => {
        this.pictures.keptChanged();
        this.touch();
        this.onShape();
      }),
    );
    this.surface.begin();
  }

  dispose(): void {
    this.pointer.dispose();
    this.surface.dispose();
    this.screen.dispose();
  }

  show(artworkId: string | null): void {
    if (artworkId === this.artworkId) return;
    this.pointer.begin();
    this.artworkId = artworkId;
    this.pictures.choose(artworkId);
    this.pictures.keptChanged();
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
    this.place = fitArt(
      artwork.widthPx,
      artwork.heightPx,
      this.surface.size,
      artwork.pixelArt,
      this.surface.ratio,
    );
    this.touch();
  }

  zoom(direction: number): void {
    const zoom = zoomStep(this.place.zoom, direction, this.artwork?.pixelArt ?? true);
    this.place = zoomedAbout(this.place, zoom, this.surface.size.width / 2, this.surface.size.height / 2);
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
      const row = Math.min(h - 1, Math.max(0, Math.floor(this.pointer.at?.y ?? h / 2)));
      return { values: [...heights.subarray(row * w, (row + 1) * w)], words: `Section, row ${row}` };
    }
    const [ax, ay, bx, by] = section;
    const words = `Section, ${Math.round(Math.hypot(bx - ax, by - ay))} px`;
    return { values: heightsAlong(heights, w, h, section), words };
  }

  private onShape(): void {
    for (const listener of this.shapeListeners) listener();
  }

  cancel(): void {
    this.pointer.cancel();
  }

  confirm(): void {
    this.pointer.confirm();
  }

  pointed(x: number, y: number): void {
    this.onFacing(this.facingAt(x, y));
  }

  left(): void {
    this.onFacing(null);
  }

  shapeMoved(): void {
    this.onShape();
  }

  swatchAsked(x: number, y: number): void {
    this.onSwatch(x, y);
  }

  forget(): void {
    this.preview(null);
  }

  private get bench(): ReliefBenchState {
    return this.studio.reliefBench.getState();
  }

  get artwork(): Artwork | null {
    return this.artworkId === null ? null : (this.studio.scene.artworks[this.artworkId] ?? null);
  }

  resized(): void {
    this.fit();
  }

  tick(now: number): boolean {
    if (this.bench.lampWay === 'circle' && !this.pointer.isPinned) this.circle(now / 1000);
    return false;
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

  draw(): void {
    const start = performance.now();
    try {
      this.drawPicture();
    } catch (thrown) {
      if (this.screen.isLost) return;
      this.studio.say(`The relief cannot be drawn: ${wordsOf(thrown).split('\n')[0]}`);
      return;
    }
    this.drawMarks();
    this.tellHint();
    const percent = Math.round((this.place.zoom / this.surface.ratio) * 100);
    const relief = this.took > 0 ? `  relief ${this.took.toFixed(0)} ms` : '';
    this.elements.readout.textContent = `${percent} %  ${(performance.now() - start).toFixed(1)} ms${relief}`;
  }

  private tellHint(): void {
    const { tool } = this.bench;
    if (this.artwork) this.hint.tell(RELIEF_TOOL_WORDS[tool].hint, tool !== 'lamp');
    else this.hint.tell('Drop PNG files here; each gets a relief to begin with', false);
  }

  private drawPicture(): void {
    const { artwork, artworkId, bench, pictures, place } = this;
    const { size } = this.surface;
    if (!artwork || artworkId === null) return this.screen.draw(null, []);
    const {
      view,
      wipe,
      lampHeightPx: heightPx,
      lampColour: colour,
      lampReach: reach,
      secondLamp: second,
    } = bench;
    const lamp = { ...this.lampPlace, heightPx, colour, reach, second };
    const { lightSpace } = settingsOf(this.studio.scene);
    const edge = wipe === null ? 0 : Math.round(this.pointer.wipeShare * size.width);
    const sides: ScreenSide[] = [];
    const add = (name: ScreenSide['name'], of: ReliefView, side: ReliefSide, left: number, right: number) => {
      const pixels = pictures.pixels(of, side);
      if (pixels && right > left) sides.push({ name, view: of, pixels, left, right });
    };
    if (wipe) add('left', wipe.view, wipe.side, 0, edge);
    add('main', view, 'now', edge, size.width);
    this.screen.draw({ artworkId, artwork, lamp, lightSpace, place, size }, sides);
  }

  private drawMarks(): void {
    const { elements, bench, artwork, place, pointer } = this;
    const context = elements.marks.getContext('2d')!;
    context.clearRect(0, 0, this.surface.size.width, this.surface.size.height);
    elements.marks.dataset.pinned = String(pointer.isPinned);
    if (!artwork) return;
    const marks = new ReliefMarks(context, place, this.surface.ratio, elements.colours, elements.font);
    if (bench.showParts || ['join', 'split'].includes(bench.tool)) {
      const parts = this.parts.picture(this.artworkId!, artwork);
      if (parts) marks.overlay(parts, artwork.widthPx, artwork.heightPx);
    }
    const row = pointer.at && Math.floor(pointer.at.y) + 0.5;
    if (bench.section) marks.section(bench.section, false);
    else if (bench.tool === 'section' && row !== null) marks.section([0, row, artwork.widthPx, row], true);
    if (bench.view === 'lit' && bench.tool === 'lamp')
      marks.lamp(this.lampPlace.x, this.lampPlace.y, bench.lampHeightPx, pointer.isPinned, bench.lampColour);
    const { drawing } = pointer;
    if (drawing) {
      const isMask = bench.tool === 'rim' || bench.tool === 'glow';
      // What a brush does is seen in the relief itself, a moment later; masks and parts come when the stroke is done.
      if (!(drawing instanceof BrushDrawing)) marks.trail(drawing.points, null, elements.colours.picked);
      else {
        const points = isMask ? drawing.points : drawing.tail;
        marks.trail(points, bench.sizePx, `${elements.colours.picked}66`);
      }
    }
    if (pointer.at) {
      const { x, y } = pointer.at;
      marks.polygon(pointer.polygon, x, y);
      if (isBrush(bench.tool)) marks.brush(x, y, bench.sizePx, bench.hardness, artwork.pixelArt);
    }
    if (bench.wipe) {
      const { view, side } = bench.wipe;
      const left = side === 'now' ? VIEW_WORDS[view] : `${VIEW_WORDS[view]}, ${SIDE_WORDS[side]}`;
      marks.wipeEdge(
        Math.round(pointer.wipeShare * this.surface.size.width),
        this.surface.size.height,
        left,
        VIEW_WORDS[bench.view],
      );
    }
  }

  patch(patch: ReliefPatch): void {
    const { artwork } = this;
    if (!artwork) return;
    this.pictures.patch(patch, artwork.widthPx);
    this.screen.patch(this.artworkId!, patch.rect, patch.normals);
    this.pictures.forgetDrawn();
    this.touch();
    this.onShape();
  }

  facingAt(x: number, y: number): [number, number] | null {
    return this.artwork && this.pictures.facingAt(this.artwork, x, y);
  }
}
