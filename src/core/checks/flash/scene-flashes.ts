/** The flash check of a scene at one hour: step by step, since it takes a while, and with the wick that each fault comes from. */
import { coloursAt } from '../../light/finished';
import { scenePlace } from '../../light/point-renderer';
import { CellRenderer } from '../../light/cells';
import { MomentMaker } from '../../moment/moment-maker';
import type { CheckFiles } from '../check-files';
import type { View } from '../../moment/moment';
import { momentAt } from '../../moment/moment-at';
import { NOTHING_PASSING } from '../../moment/passing';
import { type SceneDocument, settingsOf } from '../../scene/document';
import type { RecordName } from '../../scene/references';
import { FLASH_RATE_HZ, FlashCounter, flashGrid, type FlashFault, type FlashReport } from './flashes';
import { flashSpan, type FlashSpan } from './flash-span';
import { suspectsOf } from './suspects';

/**
 * How bright lights are is new at each frame, but where all stands at every fourth: what turns fastest, ten times a second, is
 * seen to flash by this too.
 */
const SHAPE_FRAMES = 4;
/** A wick is named where at least this share of the change is gone without it. */
const OWN_SHARE = 0.2;
/** So many of the cells of a fault tell where it comes from. */
const ASKED_CELLS = 200;

/** A fault in words of the scene. */
export interface SceneFlash extends Pick<FlashFault, 'kind' | 'rateHz' | 'areaPx'> {
  /** The second at which it is worst. */
  second: number;
  /** The middle of where it is worst, scene px. */
  x: number;
  y: number;
  /** What it comes from: a wick, or the luminaire that has it; null where it comes from no wick. */
  cause: { name: string; record: RecordName } | null;
}

export interface SceneFlashReport extends Omit<FlashReport, 'faults'> {
  span: FlashSpan;
  hour: number;
  faults: SceneFlash[];
}

export class SceneFlashes {
  private readonly view: View;
  private readonly maker: MomentMaker;
  private readonly cells: CellRenderer;
  private readonly counter: FlashCounter;
  private readonly frames: number;
  private done = 0;

  constructor(
    private readonly scene: SceneDocument,
    private readonly files: CheckFiles,
    private readonly hour: number,
    private readonly span: FlashSpan = flashSpan(scene),
  ) {
    const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
    const grid = flashGrid(gateWidthPx, gateHeightPx);
    this.view = {
      ...{ x: gateX, y: gateY, widthPx: grid.columns, heightPx: grid.rows },
      outputPerScenePx: grid.cellsPerPx,
    };
    this.maker = new MomentMaker(files.tables);
    this.cells = new CellRenderer(grid.columns, grid.rows, files.source);
    this.counter = new FlashCounter(grid);
    this.frames = Math.max(1, Math.round(span.seconds * FLASH_RATE_HZ));
  }

  /** The share that is done, 0 to 1. */
  get share(): number {
    return this.done / this.frames;
  }

  /** Looks at the next frame. @returns whether there are more */
  step(): boolean {
    if (this.done < this.frames) {
      const second = this.secondOf(this.done);
      const moment = this.maker.at(this.scene, this.hour, second, NOTHING_PASSING, this.view);
      this.counter.frame(this.cells.draw(moment, this.done % SHAPE_FRAMES !== 0));
      this.done++;
    }
    return this.done < this.frames;
  }

  /** What flashed, once all is looked at. */
  report(): SceneFlashReport {
    const { faults, ...rest } = this.counter.report();
    return { ...rest, span: this.span, hour: this.hour, faults: faults.map((fault) => this.told(fault)) };
  }

  private told(fault: FlashFault): SceneFlash {
    const { kind, rateHz, areaPx, frame, window } = fault;
    const { x, y, outputPerScenePx: cellsPerPx } = this.view;
    return {
      ...{ kind, rateHz, areaPx, second: this.secondOf(frame), cause: this.causeOf(fault) },
      x: x + (window.left + window.columns / 2) / cellsPerPx,
      y: y + (window.top + window.rows / 2) / cellsPerPx,
    };
  }

  private secondOf(frame: number): number {
    return this.span.from + frame / FLASH_RATE_HZ;
  }

  /** The wick without which the least of a fault's change is left. */
  private causeOf({ frame, frameBefore, cells }: FlashFault): SceneFlash['cause'] {
    const step = Math.max(1, Math.ceil(cells.length / ASKED_CELLS));
    const asked = cells.filter((_, i) => i % step === 0);
    const changeOf = (scene: SceneDocument) => {
      const [from, to] = [frameBefore, frame].map((at) => this.coloursOf(scene, at, asked));
      // In colour, since a red flash may be as bright all along.
      return from.reduce((sum, value, i) => sum + Math.abs(to[i] - value), 0);
    };
    const whole = changeOf(this.scene);
    let [cause, least] = [null as SceneFlash['cause'], (1 - OWN_SHARE) * whole];
    for (const { name, record, scene } of suspectsOf(this.scene)) {
      const left = changeOf(scene);
      if (left < least) [cause, least] = [{ name, record }, left];
    }
    return cause;
  }

  /** Linear colours of cells at a frame, as they are displayed. */
  private coloursOf(scene: SceneDocument, frame: number, cells: readonly number[]): Float64Array {
    const { view, hour } = this;
    const { source, tables } = this.files;
    const moment = momentAt(scene, hour, this.secondOf(frame), NOTHING_PASSING, view, tables);
    const places = cells.flatMap((cell) => {
      const { x, y } = scenePlace(moment, cell % view.widthPx, Math.floor(cell / view.widthPx));
      return [x, y];
    });
    return coloursAt(moment, source, places);
  }
}
