/**
 * The meter: reads what a pixel is made of, under the pointer and at up to four places that are pinned. Pinned ones follow the
 * clock and every edit. Where the finish of a pixel depends on others, its light is told at once and its finish when a thread
 * has worked that out.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  meteredQuickly,
  meterGround,
  withFinish,
  type Metered,
  type MeterGround,
} from '@/core/checks/meter/meter';
import { MomentMaker } from '@/core/moment/moment-maker';
import type { View } from '@/core/moment/moment';
import type { Passing } from '@/core/moment/passing';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import type { LiveStore } from './live';
import type { PictureStore } from './pictures';
import { PixelFinish } from './pixel-finish';

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
  readonly pictures: Pick<PictureStore, 'source' | 'tables'>;
  /** The scene as it is looked at. */
  shown(): SceneDocument;
  passing(): Passing;
}

export class Meter {
  readonly api: StoreApi<MeterState> = createStore<MeterState>(() => ({ pins: [], readings: [] }));
  private readonly maker: MomentMaker;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly pixelFinish = new PixelFinish();
  /** The pins of which the thread works out the finish; null while it rests. */
  private finishing: readonly MeterPlace[] | null = null;
  /** Something changed while it worked. */
  private isBehind = false;

  constructor(private readonly subject: MeterSubject) {
    this.maker = new MomentMaker((id) => subject.pictures.tables.source(id));
  }

  /** What a place is made of just now. */
  read(place: MeterPlace): Metered {
    return meteredQuickly(this.ground(place), 0, 0);
  }

  private ground({ x, y }: MeterPlace): MeterGround {
    const { subject, maker } = this;
    const scene = subject.shown();
    const { clockHours, seconds } = subject.live.getState();
    const passing = subject.passing();
    const moment = maker.at(scene, clockHours, seconds, passing, this.viewAt(scene, x, y));
    return meterGround(maker, scene, moment, passing, subject.pictures.source);
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
      const { pins, readings } = this.api.getState();
      if (!this.finishing) this.show(pins);
      else {
        this.isBehind = true;
        // What is not whole yet is no less true for being new.
        if (!isWhole(readings)) this.api.setState({ readings: pins.map((pin) => this.read(pin)) });
      }
    }, AGAIN_MS);
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.finishing = null;
    this.pixelFinish.close();
  }

  private show(pins: readonly MeterPlace[]): void {
    const grounds = pins.map((pin) => this.ground(pin));
    const readings = grounds.map((ground) => meteredQuickly(ground, 0, 0));
    const last = this.api.getState();
    // Readings that were whole stand until new ones are.
    if (isWhole(readings) || pins !== last.pins || !isWhole(last.readings))
      this.api.setState({ pins, readings });
    if (isWhole(readings)) this.finishing = null;
    else void this.finish(pins, grounds, readings);
  }

  private async finish(
    pins: readonly MeterPlace[],
    grounds: readonly MeterGround[],
    readings: readonly Metered[],
  ): Promise<void> {
    this.finishing = pins;
    this.isBehind = false;
    const whole: Metered[] = [];
    for (const [i, ground] of grounds.entries()) {
      const finished = await this.pixelFinish.of(ground.moment, ground.source);
      // Other places were pinned meanwhile.
      if (this.finishing !== pins) return;
      whole.push(withFinish(ground, readings[i], finished, 0, 0));
    }
    this.api.setState({ pins, readings: whole });
    this.finishing = null;
    if (this.isBehind) this.changed();
  }

  /** A view of the one pixel that is shown there: pixel art by scene px, painted art as it is enlarged. */
  private viewAt(scene: SceneDocument, x: number, y: number): View {
    const { zoom } = this.subject.live.getState();
    const outputPerScenePx = settingsOf(scene).pixelArt || zoom === 0 ? 1 : zoom;
    const onPixel = (v: number) => Math.floor(v * outputPerScenePx) / outputPerScenePx;
    return { x: onPixel(x), y: onPixel(y), widthPx: 1, heightPx: 1, outputPerScenePx };
  }
}

function isWhole(readings: readonly Metered[]): boolean {
  return readings.every(({ finish }) => finish !== null);
}
