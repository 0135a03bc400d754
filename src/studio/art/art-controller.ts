/** Draws the Art bench's view: one artwork as its picture with the frames on it, or as the figure that they make. */
import { figureSize, frameAt, frameOf } from '@/core/art/frames';
import type { Artwork, ArtworkFrame } from '@/core/scene/records/artwork';
import type { OverlayColours } from '../surface/overlay';
import { PointerHint } from '../surface/pointer-hint';
import { Surface, type SurfaceOwner } from '../surface/surface';
import { fitArt, zoomedAbout, zoomStep } from '../surface/view';
import { ART_TOOL_WORDS, type ArtBenchState } from '../store/art-bench';
import { keepDrawn } from '../store/artwork-outlines';
import type { OpenView } from '../store/open-view';
import type { Studio } from '../store/studio';
import { ArtBitmaps } from './art-bitmaps';
import { ArtMarks } from './art-marks';
import { ArtPointer, type ArtHost } from './art-pointer';

export interface ArtElements {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  readout: HTMLElement;
  hint: HTMLElement;
  colours: OverlayColours;
  font: string;
}

export class ArtController implements ArtHost, OpenView, SurfaceOwner {
  readonly surface: Surface;
  readonly touch: () => void;
  place = { viewX: 0, viewY: 0, zoom: 1 };
  artworkId: string | null = null;
  private readonly pointer: ArtPointer;
  private readonly bitmaps = new ArtBitmaps();
  private readonly hint: PointerHint;
  private shownNumber = -1;

  constructor(
    readonly studio: Studio,
    private readonly elements: ArtElements,
  ) {
    this.surface = new Surface(elements.box, [elements.picture], this);
    this.touch = this.surface.touch;
    this.pointer = new ArtPointer(this);
    this.hint = new PointerHint(this.surface, elements.hint);
    this.surface.until(
      studio.scenes.api.subscribe(this.touch),
      studio.artBench.subscribe((state, last) => {
        if (state.view !== last.view) this.fit();
        this.touch();
      }),
      studio.pictures.subscribe(this.touch),
    );
    this.surface.begin();
  }

  dispose(): void {
    this.surface.dispose();
  }

  show(artworkId: string | null): void {
    if (artworkId === this.artworkId) return;
    this.pointer.cancel();
    this.artworkId = artworkId;
    this.studio.artBench.setState({
      frame: 0,
      bracketId: null,
      occluderId: null,
      drawn: null,
      tried: null,
      found: null,
    });
    this.fit();
  }

  get artwork(): Artwork | null {
    return this.artworkId === null ? null : (this.studio.scene.artworks[this.artworkId] ?? null);
  }

  get bench(): ArtBenchState {
    return this.studio.artBench.getState();
  }

  /** The frame that is shown in the figure: the one that plays, or the chosen one. */
  get frameNumber(): number {
    return this.shownNumber;
  }

  get frameShown(): ArtworkFrame | null {
    return this.artwork && frameOf(this.artwork, this.frameNumber);
  }

  fit(): void {
    const { artwork } = this;
    if (!artwork) return this.touch();
    const { widthPx, heightPx } = this.bench.view === 'picture' ? artwork : figureSize(artwork);
    this.place = fitArt(widthPx, heightPx, this.surface.size, artwork.pixelArt, this.surface.ratio);
    this.touch();
  }

  zoom(direction: number): void {
    this.zoomAbout(direction, this.surface.size.width / 2, this.surface.size.height / 2);
  }

  zoomAbout(direction: number, x: number, y: number): void {
    const zoom = zoomStep(this.place.zoom, direction, this.artwork?.pixelArt ?? true);
    this.place = zoomedAbout(this.place, zoom, x, y);
    this.touch();
  }

  cancel(): void {
    this.pointer.cancel();
  }

  /** Enter: what the pen draws is finished. */
  confirm(): void {
    if (this.artworkId !== null && this.bench.drawn) keepDrawn(this.studio, this.artworkId, this.frameNumber);
  }

  private playedNumber(seconds: number): number {
    const { artwork } = this;
    if (!artwork) return 0;
    const { view, playing, frame } = this.bench;
    return view === 'figure' && playing ? frameAt(artwork, seconds) : frame;
  }

  resized(): void {
    this.fit();
  }

  tick(now: number): boolean {
    const number = this.playedNumber(now / 1000);
    const isOther = number !== this.shownNumber;
    this.shownNumber = number;
    return isOther;
  }

  draw(): void {
    const { picture, colours, font, readout } = this.elements;
    const context = picture.getContext('2d')!;
    context.fillStyle = '#0c0c0d';
    context.fillRect(0, 0, picture.width, picture.height);
    const { artwork, artworkId, place, bench } = this;
    if (artwork) this.hint.tell(ART_TOOL_WORDS[bench.tool].hint, bench.tool !== 'select');
    else this.hint.tell('Drop pictures here', false);
    readout.textContent = `${Math.round((place.zoom / this.surface.ratio) * 100)} %`;
    const pixels = artworkId === null ? null : this.studio.pictures.source(artworkId);
    if (!artwork || !pixels) return;
    context.imageSmoothingEnabled = !artwork.pixelArt && place.zoom < 1;
    const bitmap = this.bitmaps.of(pixels);
    const marks = new ArtMarks(context, place, this.surface.ratio, colours, font);
    if (bench.view === 'picture') {
      const whole = { left: 0, top: 0, right: pixels.width, bottom: pixels.height };
      marks.box(whole, `${colours.line}22`);
      marks.image(bitmap, 0, 0, pixels.width, pixels.height, 0, 0);
      const tried = bench.tried?.artworkId === artworkId ? bench.tried?.rects : null;
      if (tried) marks.tried(tried);
      else marks.frames(artwork.frames, bench.frame);
    } else {
      const { left, top, widthPx, heightPx, shiftX, shiftY } = this.frameShown!;
      marks.image(bitmap, left, top, widthPx, heightPx, shiftX, shiftY);
    }
    const [dx, dy] = this.figureAt();
    marks.standing(artwork, this.frameNumber, dx, dy, bench.bracketId);
    this.pointer.draw(marks);
  }

  /** Where the figure's corner lies in the view: in the picture it lies with the chosen frame. */
  figureAt(): [number, number] {
    const frame = this.frameShown;
    if (this.bench.view === 'figure' || !frame) return [0, 0];
    return [frame.left - frame.shiftX, frame.top - frame.shiftY];
  }
}
