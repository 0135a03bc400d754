/** The figures in the stage's corner, and what lights cost. */
import { costOf } from '@/core/light/cost';
import type { Moment } from '@/core/moment/moment';
import { clockText } from '@/core/time/cues';
import { costShares, costWords } from '../store/costs';
import type { Studio } from '../store/studio';
import type { Surface } from '../surface/surface';

/** Costs are told at most this often. */
const COUNT_MS = 250;

export class StageReadout {
  private lastCount = 0;

  constructor(
    private readonly studio: Studio,
    private readonly surface: Surface,
    private readonly element: HTMLElement,
  ) {}

  /**
   * @param drawn what was drawn; null where nothing was
   * @param ms how long it took
   */
  tell(drawn: Moment | null, ms: number): void {
    const { studio, surface, element } = this;
    const now = performance.now();
    if (drawn && now - this.lastCount >= COUNT_MS) {
      this.lastCount = now;
      studio.costs.setState(costShares(costOf(drawn)));
    }
    const { zoom, clockHours } = studio.live.getState();
    const percent = Math.round((zoom / surface.ratio) * 100);
    const costs = costWords(studio.costs.getState());
    element.textContent = `${clockText(clockHours)}  ${percent} %  ${ms.toFixed(1)} ms  ${costs}`;
    surface.top.ariaBusy = String(!studio.pictures.isComplete);
  }
}
