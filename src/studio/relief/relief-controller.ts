/** Draws the Relief bench's view and listens to the pointer: the hand lamp follows it, a click pins it. */
import { settingsOf } from '@/core/scene/document';
import type { PicturePixels } from '@/core/moment/moment';
import { openContext } from '@/gpu/device';
import { Renderer } from '@/gpu/renderer';
import type { ReliefAnswer } from '@/workers/art-worker';
import type { Studio } from '../store/studio';
import { drawnFor, toScene, zoomedAbout, zoomStep } from '../stage/view';
import { handMoment, handScene, viewedPixels, type HandLamp, type ReliefView } from './relief-view';

const MARGIN_PX = 40;
const BEYOND: [number, number, number] = [0.047, 0.047, 0.051];

export interface ReliefElements {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  /** Follows the hand lamp. */
  mark: HTMLElement;
  readout: HTMLElement;
}

export class ReliefController {
  /** Called when the lamp or the row under it changes. */
  onRow: (row: number) => void = () => {};
  onHeight: (heightPx: number) => void = () => {};
  private renderer: Renderer | null = null;
  private size = { width: 0, height: 0 };
  private ratio = 1;
  private place = { viewX: 0, viewY: 0, zoom: 1 };
  private lamp: HandLamp = { x: 0, y: 0, heightPx: 16, colour: '#ffe2b8', isPinned: false };
  private artworkId: string | null = null;
  private view: ReliefView = 'lit';
  private live: ReliefAnswer | null = null;
  private shown: {
    key: PicturePixels | null;
    live: ReliefAnswer | null;
    view: ReliefView;
    pixels: PicturePixels;
  } | null = null;
  private frame = 0;
  private dirty = true;
  private pan: { x: number; y: number; viewX: number; viewY: number } | null = null;
  private readonly leave: (() => void)[] = [];

  constructor(
    private readonly studio: Studio,
    private readonly elements: ReliefElements,
  ) {
    const observer = new ResizeObserver(() => this.resize());
    observer.observe(elements.box);
    this.leave.push(
      () => observer.disconnect(),
      studio.scenes.api.subscribe(this.touch),
      studio.pictures.subscribe(this.touch),
    );
    const on = <K extends keyof HTMLElementEventMap>(
      type: K,
      work: (event: HTMLElementEventMap[K]) => void,
      options?: AddEventListenerOptions,
    ) => {
      elements.picture.addEventListener(type, work, options);
      this.leave.push(() => elements.picture.removeEventListener(type, work));
    };
    on('pointermove', (event) => this.move(event));
    on('pointerdown', (event) => this.down(event));
    on('pointerup', () => (this.pan = null));
    on('wheel', (event) => this.wheel(event), { passive: false });
    on('webglcontextlost' as keyof HTMLElementEventMap, (event) => {
      event.preventDefault();
      this.renderer = null;
    });
    on('webglcontextrestored' as keyof HTMLElementEventMap, this.touch);
    this.resize();
    const loop = () => {
      this.frame = requestAnimationFrame(loop);
      if (!this.dirty) return;
      this.dirty = false;
      this.draw();
    };
    this.frame = requestAnimationFrame(loop);
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    for (const leave of this.leave) leave();
    this.renderer?.dispose();
  }

  show(artworkId: string | null, view: ReliefView): void {
    if (artworkId !== this.artworkId) {
      this.artworkId = artworkId;
      this.live = null;
      this.fit();
      const artwork = artworkId === null ? null : this.studio.scene.artworks[artworkId];
      if (artwork)
        Object.assign(this.lamp, { x: artwork.widthPx * 0.7, y: artwork.heightPx * 0.2, isPinned: false });
    }
    this.view = view;
    this.touch();
  }

  /** A relief that is not kept yet, while a control moves; null goes back to the kept one. */
  preview(answer: ReliefAnswer | null): void {
    this.live = answer;
    this.touch();
  }

  setLamp(fields: Partial<HandLamp>): void {
    Object.assign(this.lamp, fields);
    this.touch();
  }

  fit(): void {
    const artwork = this.artworkId === null ? null : this.studio.scene.artworks[this.artworkId];
    if (!artwork) return;
    const { width, height } = this.size;
    const most = Math.min(
      (width - 2 * MARGIN_PX) / artwork.widthPx,
      (height - 2 * MARGIN_PX) / artwork.heightPx,
    );
    const zoom = artwork.pixelArt || most >= 1 ? Math.max(1, Math.floor(most)) : Math.max(0.125, most);
    this.place = {
      zoom,
      viewX: artwork.widthPx / 2 - width / zoom / 2,
      viewY: artwork.heightPx / 2 - height / zoom / 2,
    };
    this.touch();
  }

  private readonly touch = (): void => {
    this.dirty = true;
  };

  private resize(): void {
    const { box, picture } = this.elements;
    this.ratio = window.devicePixelRatio || 1;
    const size = {
      width: Math.max(1, Math.round(box.clientWidth * this.ratio)),
      height: Math.max(1, Math.round(box.clientHeight * this.ratio)),
    };
    if (size.width === this.size.width && size.height === this.size.height) return;
    this.size = size;
    picture.width = size.width;
    picture.height = size.height;
    this.fit();
    this.touch();
  }

  private pixels(): PicturePixels | null {
    const kept = this.artworkId === null ? null : this.studio.pictures.source(this.artworkId);
    if (!kept || this.artworkId === null) return null;
    const last = this.shown;
    if (last && last.key === kept && last.live === this.live && last.view === this.view) return last.pixels;
    const base = this.live ? { ...kept, normal: this.live.normals } : kept;
    const heights = this.live?.heights ?? this.studio.pictures.heightsOf(this.artworkId);
    const pixels = viewedPixels(this.view, base, heights);
    this.shown = { key: kept, live: this.live, view: this.view, pixels };
    return pixels;
  }

  private draw(): void {
    const { studio, elements, artworkId } = this;
    const artwork = artworkId === null ? undefined : studio.scene.artworks[artworkId];
    const start = performance.now();
    try {
      this.renderer ??= new Renderer(openContext(elements.picture));
      const scene = artwork
        ? handScene(
            artworkId!,
            artwork,
            { recipe: studio.scene.reliefs[artworkId!]?.recipe ?? ({} as never) },
            this.lamp,
            settingsOf(studio.scene).lightSpace,
          )
        : null;
      const drawn = drawnFor(this.place, this.size, artwork?.pixelArt ?? true);
      const pixels = this.pixels();
      const picture = scene && this.renderer.render(handMoment(scene, this.view, drawn.view), () => pixels);
      const parts = picture
        ? [
            {
              picture,
              offsetX: drawn.offsetX,
              offsetY: drawn.offsetY,
              enlarge: drawn.enlarge,
              left: 0,
              right: this.size.width,
            },
          ]
        : [];
      this.renderer.present(parts, BEYOND);
    } catch (thrown) {
      if (this.renderer?.gl.isContextLost()) return;
      studio.say(`The relief cannot be drawn: ${String(thrown).split('\n')[0]}`);
      return;
    }
    const [mx, my] = [
      (this.lamp.x - this.place.viewX) * this.place.zoom,
      (this.lamp.y - this.place.viewY) * this.place.zoom,
    ];
    elements.mark.style.transform = `translate(${mx / this.ratio}px, ${my / this.ratio}px)`;
    elements.mark.style.display = this.view === 'lit' && artwork ? '' : 'none';
    elements.mark.dataset.pinned = String(this.lamp.isPinned);
    elements.mark.textContent = `${Math.round(this.lamp.heightPx)} px high`;
    const took = this.live ? `  relief ${this.live.took.toFixed(0)} ms` : '';
    elements.readout.textContent = `${Math.round((this.place.zoom / this.ratio) * 100)} %  ${(performance.now() - start).toFixed(1)} ms${took}`;
  }

  private canvasPlace(event: MouseEvent): [number, number] {
    const box = this.elements.picture.getBoundingClientRect();
    return [(event.clientX - box.left) * this.ratio, (event.clientY - box.top) * this.ratio];
  }

  private move(event: PointerEvent): void {
    const [cx, cy] = this.canvasPlace(event);
    if (this.pan) {
      this.place = {
        ...this.place,
        viewX: this.pan.viewX - (cx - this.pan.x) / this.place.zoom,
        viewY: this.pan.viewY - (cy - this.pan.y) / this.place.zoom,
      };
      return this.touch();
    }
    const [x, y] = toScene(this.place, cx, cy);
    this.onRow(Math.floor(y));
    if (this.lamp.isPinned) return;
    this.setLamp({ x, y });
  }

  private down(event: PointerEvent): void {
    const [cx, cy] = this.canvasPlace(event);
    if (event.button === 1) {
      this.pan = { x: cx, y: cy, viewX: this.place.viewX, viewY: this.place.viewY };
      this.elements.picture.setPointerCapture(event.pointerId);
      event.preventDefault();
      return;
    }
    const [x, y] = toScene(this.place, cx, cy);
    this.setLamp(this.lamp.isPinned ? { isPinned: false, x, y } : { isPinned: true, x, y });
  }

  private wheel(event: WheelEvent): void {
    event.preventDefault();
    const notches = -Math.sign(event.deltaY || event.deltaX);
    if (event.altKey) {
      const heightPx = Math.min(400, Math.max(1, this.lamp.heightPx * (notches > 0 ? 1.12 : 1 / 1.12)));
      this.setLamp({ heightPx });
      this.onHeight(heightPx);
      return;
    }
    const artwork = this.artworkId === null ? null : this.studio.scene.artworks[this.artworkId];
    const zoom = zoomStep(this.place.zoom, notches, artwork?.pixelArt ?? true);
    this.place = zoomedAbout(this.place, zoom, ...this.canvasPlace(event));
    this.touch();
  }
}
