/**
 * What WebGL draws of the Relief bench: the sides of the view, each only when something that it shows is another. Marks
 * over the art, a brush that moves or the edge of a wipe do not light the art anew.
 */
import type { PicturePixels } from '@/core/moment/moment';
import type { Rect } from '@/core/raster/rect';
import type { LightSpace } from '@/core/raster/colour';
import { sameItems } from '@/core/same-items';
import type { Artwork } from '@/core/scene/records/artwork';
import type { Presentation, Renderer } from '@/gpu/renderer';
import type { ReliefView } from '../store/relief-bench';
import { GpuCanvas } from '../surface/gpu-canvas';
import { drawnFor, type CanvasSize, type Place } from '../surface/view';
import { handMoment, handScene, type HandLamp } from './relief-view';

const BEYOND: [number, number, number] = [0.047, 0.047, 0.051];

/** Everything that the sides of a view have in common. */
export interface ScreenView {
  artworkId: string;
  artwork: Artwork;
  lamp: HandLamp;
  lightSpace: LightSpace;
  place: Place;
  size: CanvasSize;
}

export interface ScreenSide {
  name: 'main' | 'left';
  view: ReliefView;
  pixels: PicturePixels;
  /** The columns of the canvas that it fills. */
  left: number;
  right: number;
}

type Drawn = Omit<Presentation, 'left' | 'right'>;

export class ReliefScreen {
  private readonly gpu: GpuCanvas;
  /** Of each side, what it was drawn from and what came of it. */
  private readonly sides = new Map<string, { of: readonly unknown[]; drawn: Drawn }>();
  private shown: readonly unknown[] = [];
  private patches = 0;

  /** @param back called when a context that was lost is there again */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    back: () => void,
  ) {
    const lost = () => {
      this.sides.clear();
      this.shown = [];
    };
    this.gpu = new GpuCanvas(canvas, { readsLevels: false, lost, back });
  }

  /** @param view null where there is nothing to show */
  draw(view: ScreenView | null, sides: readonly ScreenSide[]): void {
    const renderer = this.gpu.renderer();
    if (!renderer) return;
    const parts = view ? sides.map((side) => this.part(renderer, view, side)) : [];
    const { width, height } = this.canvas;
    const shown = [width, height, ...parts.flatMap(({ drawn, left, right }) => [drawn, left, right])];
    if (sameItems(shown, this.shown)) return;
    this.shown = shown;
    renderer.present(
      parts.map(({ drawn, left, right }) => ({ ...drawn, left, right })),
      BEYOND,
    );
  }

  /** Normals under a brush: they were written into the pixels that are shown already. */
  patch(artworkId: string, rect: Rect, normals: Uint8Array): void {
    this.gpu.current?.patchNormals(textureKey(artworkId, 'main', 'lit'), rect, normals);
    this.patches++;
  }

  get isLost(): boolean {
    return this.gpu.isLost;
  }

  dispose(): void {
    this.gpu.dispose();
  }

  private part(renderer: Renderer, view: ScreenView, side: ScreenSide) {
    const { artworkId, artwork, lamp, lightSpace, place, size } = view;
    const { name, pixels, left, right } = side;
    const of = [
      ...[artworkId, artwork, side.view, pixels, this.patches, lightSpace, size.width, size.height],
      ...[place.viewX, place.viewY, place.zoom],
      ...(side.view === 'lit' ? Object.values(lamp) : []),
    ];
    const there = this.sides.get(name);
    if (there && sameItems(there.of, of)) return { drawn: there.drawn, left, right };
    const key = textureKey(artworkId, name, side.view);
    const { view: drawnView, offsetX, offsetY, enlarge } = drawnFor(place, size, artwork.pixelArt);
    const moment = handMoment(handScene(key, artwork, lamp, lightSpace), side.view, drawnView);
    const picture = renderer.render(moment, () => pixels, { name });
    const drawn = { picture, offsetX, offsetY, enlarge };
    this.sides.set(name, { of, drawn });
    return { drawn, left, right };
  }
}

function textureKey(artworkId: string, name: string, view: ReliefView): string {
  return `${artworkId}-${name}-${view}`;
}
