/**
 * Small pictures of the gate, each a real rendering: this moment under every look, the hours of the day, and what the histogram
 * counts. One is drawn at a time, while nothing is dragged, and its pixels come some frames later: the hand never waits.
 */
import { MomentMaker } from '@/core/moment/moment-maker';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { gateView } from '@/core/moment/moment-at';
import type { Image } from '@/core/raster/image';
import { type SceneDocument, settingsOf } from '@/core/scene/document';
import type { View } from '@/core/geometry/view';
import type { Renderer } from '@/gpu/renderer';
import type { WantedPicture } from '../store/gate-sheet';
import type { Studio } from '../store/studio';

/** Nothing may have changed for so long, ms. */
const CALM_MS = 160;

export class GatePictures {
  private readonly maker: MomentMaker;
  private seen: readonly unknown[] = [];
  private changedAt = 0;

  constructor(private readonly studio: Studio) {
    this.maker = new MomentMaker(studio.pictures.tables.source);
  }

  /** To be called at every frame of the screen. @returns whether something was drawn, so that the stage is to be shown again */
  tend(renderer: Renderer, now: number): boolean {
    const { scenes, pictures, gateSheet, live } = this.studio;
    const isComing = renderer.tend();
    const { clockHours } = live.getState();
    const seen = [scenes.state.scene, clockHours];
    if (seen.some((v, i) => v !== this.seen[i])) {
      this.seen = seen;
      this.changedAt = now;
    }
    if (isComing || scenes.isGesturing || !pictures.isComplete || now - this.changedAt < CALM_MS)
      return false;
    const next = gateSheet.next(scenes.kept, clockHours);
    if (!next) return false;
    const view = smallGate(scenes.kept, next.wanted.sidePx);
    const picture = this.draw(renderer, scenes.kept, next.wanted, view);
    renderer.readLater(picture, (pixels) => next.done(imageOf(view, pixels)));
    return true;
  }

  private draw(renderer: Renderer, scene: SceneDocument, { passing, clockHours }: WantedPicture, view: View) {
    const { live, pictures } = this.studio;
    const all: Passing = { ...NOTHING_PASSING, ...passing };
    const hour = clockHours ?? live.getState().clockHours;
    // A still picture: flames would have it drawn again and again.
    const moment = this.maker.at(
      scene,
      hour,
      live.getState().isFrozen ? live.getState().seconds : 0,
      all,
      view,
    );
    return renderer.render(moment, pictures.source, { name: 'small gate', isDrawnOnce: true });
  }
}

function imageOf({ widthPx: width, heightPx: height }: View, pixels: Uint8Array): Image {
  return { width, height, data: pixels };
}

/** The gate with its longer side of so many px at most; pixel art from every second or third scene px, so that none is halved. */
function smallGate(scene: SceneDocument, sidePx: number): View {
  const { gateWidthPx, gateHeightPx, pixelArt } = settingsOf(scene);
  const longest = Math.max(gateWidthPx, gateHeightPx);
  return gateView(scene, pixelArt ? 1 / Math.ceil(longest / sidePx) : Math.min(1, sidePx / longest));
}
