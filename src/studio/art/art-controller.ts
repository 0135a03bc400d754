/** Draws the Art bench's view: one artwork as its picture with the frames on it, or as the figure that they make. */
import { figureSize, frameAt, frameOf } from '@/core/art/frames';
import type { Artwork, ArtworkFrame } from '@/core/scene/records/artwork';
import type { OverlayColours } from '../stage/overlay';
import { fitArt, zoomedAbout, zoomStep } from '../stage/view';
import type { ArtBenchState } from '../store/art-bench';
import { keepDrawn } from '../store/artwork-outlines';
import type { Studio } from '../store/studio';
import { ArtBitmaps } from './art-bitmaps';
import { ArtMarks } from './art-marks';
import { ArtPointer, type ArtHost } from './art-pointer';

export interface ArtElements {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  readout: HTMLElement;
  colours: OverlayColours;
  font: string;
}

export class ArtController implements ArtHost {
  size = { width: 0, height: 0 };
  ratio = 1;
  place = { viewX: 0, viewY: 0, zoom: 1 };
  artworkId: string | null = null;
  private readonly pointer: ArtPointer;
  private readonly bitmaps = new ArtBitmaps();
  private frame = 0;
  private dirty = true;
  private shownNumber = -1;
  private readonly leave: (() => void)[] = [];

  constructor(
    readonly studio: Studio,
    private readonly elements: ArtElements,
  ) {
    const observer = new ResizeObserver(() => this.resize());
    observer.observe(elements.box);
    this.leave.push(
      () => observer.disconnect(),
      studio.scenes.api.subscribe(this.touch),
      studio.artBench.subscribe((state, last) => {
        if (state.view !== last.view) this.fit();
        this.touch();
      }),
      studio.pictures.subscribe(this.touch),
    );
    this.pointer = new ArtPointer(this, elements.picture);
    this.resize();
    const loop = (now: number) => {
      this.frame = requestAnimationFrame(loop);
      const number = this.playedNumber(now / 1000);
      if (number !== this.shownNumber) this.touch();
      this.shownNumber = number;
      if (!this.dirty) return;
      this.dirty = false;
      this.draw();
    };
    this.frame = requestAnimationFrame(loop);
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    this.pointer.dispose();
    for (const leave of this.leave) leave();
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

  readonly touch = (): void => {
    this.dirty = true;
  };

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
    this.place = fitArt(widthPx, heightPx, this.size, artwork.pixelArt, this.ratio);
    this.touch();
  }

  zoom(direction: number): void {
    this.zoomAbout(direction, this.size.width / 2, this.size.height / 2);
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

  private resize(): void {
    const { box, picture } = this.elements;
    this.ratio = window.devicePixelRatio || 1;
    const size = {
      width: Math.max(1, Math.round(box.clientWidth * this.ratio)),
      height: Math.max(1, Math.round(box.clientHeight * this.ratio)),
    };
    if (size.width === this.size.width && size.height === this.size.height) return;
    this.size = size;
    Object.assign(picture, size);
    this.fit();
  }

  private draw(): void {
    const { picture, colours, font, readout } = this.elements;
    const context = picture.getContext('2d')!;
    context.fillStyle = '#0c0c0d';
    context.fillRect(0, 0, picture.width, picture.height);
    const { artwork, artworkId, place, bench } = this;
    readout.textContent = `${Math.round((place.zoom / this.ratio) * 100)} %`;
    const pixels = artworkId === null ? null : this.studio.pictures.source(artworkId);
    if (!artwork || !pixels) return;
    context.imageSmoothingEnabled = !artwork.pixelArt && place.zoom < 1;
    const bitmap = this.bitmaps.of(pixels);
    const marks = new ArtMarks(context, place, this.ratio, colours, font);
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
