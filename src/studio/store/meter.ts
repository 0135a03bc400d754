/**
 * The meter: reads what a pixel is made of, under the pointer and at up to four places that are pinned. Pinned ones follow the
 * clock and every edit.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { metered, meterGround, type Metered } from '@/core/checks/meter/meter';
import { MomentMaker } from '@/core/moment/moment-maker';
import type { View } from '@/core/moment/moment';
import type { Passing } from '@/core/moment/passing';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import type { LiveStore } from './live';
import type { PictureStore } from './pictures';

/** Scene px. */
export interface MeterPlace {
  x: number;
  y: number;
}

export interface MeterState {
  /** In the order in which they were pinned. */
  pins: readonly MeterPlace[];
  /** What was read there last, in the same places. */
  readings: readonly Metered[];
}

export const MOST_PINS = 4;
/** A press so near takes a pin away again, as a share of how near counts. */
const ON_PIN_SHARE = 1;
/** Pinned places are read again at most so often: panels need not flicker with the flames. */
const AGAIN_MS = 250;

/** What the meter asks of the studio. */
export interface MeterSubject {
  readonly live: LiveStore;
  readonly pictures: Pick<PictureStore, 'source'>;
  /** The scene as it is looked at. */
  shown(): SceneDocument;
  passing(): Passing;
}

export class Meter {
  readonly api: StoreApi<MeterState> = createStore<MeterState>(() => ({ pins: [], readings: [] }));
  private readonly maker = new MomentMaker();
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly subject: MeterSubject) {}

  /** What a place is made of just now. */
  read({ x, y }: MeterPlace): Metered {
    const { subject, maker } = this;
    const scene = subject.shown();
    const { clockHours, seconds } = subject.live.getState();
    const passing = subject.passing();
    const moment = maker.at(scene, clockHours, seconds, passing, this.viewAt(scene, x, y));
    return metered(meterGround(maker, scene, moment, passing, subject.pictures.source), 0, 0);
  }

  /** Pins a place, or takes away the pin that is there; of five the first one goes. */
  pin(x: number, y: number, nearPx: number): void {
    const { pins } = this.api.getState();
    const near = nearPx * ON_PIN_SHARE;
    const left = pins.filter((pin) => Math.abs(pin.x - x) > near || Math.abs(pin.y - y) > near);
    this.show(left.length < pins.length ? left : [...pins, { x, y }].slice(-MOST_PINS));
  }

  unpin(index: number): void {
    this.show(this.api.getState().pins.filter((_, i) => i !== index));
  }

  clear(): void {
    this.show([]);
  }

  /** Something that a pixel is made of may have changed: pinned places are read again soon. */
  changed(): void {
    if (this.api.getState().pins.length === 0) return;
    this.timer ??= setTimeout(() => {
      this.timer = null;
      this.show(this.api.getState().pins);
    }, AGAIN_MS);
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }

  private show(pins: readonly MeterPlace[]): void {
    this.api.setState({ pins, readings: pins.map((pin) => this.read(pin)) });
  }

  /** A view of the one pixel that is shown there: pixel art by scene px, painted art as it is enlarged. */
  private viewAt(scene: SceneDocument, x: number, y: number): View {
    const { zoom } = this.subject.live.getState();
    const outputPerScenePx = settingsOf(scene).pixelArt || zoom === 0 ? 1 : zoom;
    const onPixel = (v: number) => Math.floor(v * outputPerScenePx) / outputPerScenePx;
    return { x: onPixel(x), y: onPixel(y), widthPx: 1, heightPx: 1, outputPerScenePx };
  }
}
