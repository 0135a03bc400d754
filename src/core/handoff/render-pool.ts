/**
 * Draws pictures by the reference renderer on as many threads as there are. A picture is split into fixed blocks of rows, so that
 * it has the same bits on any number of them; of several pictures each is drawn by one thread.
 */
import { isBlurred, LIGHT_BLOCK_ROWS, lightRows } from '../light/light-picture';
import { finishReference, referencePlan, renderReference } from '../light/reference';
import type { Moment, PictureSource } from '../moment/moment';
import type { Image } from '../raster/image';

/** Work for a thread that has the pictures. */
export type RenderJob =
  | { kind: 'still'; moment: Moment }
  /** The light of some rows, before the finish. */
  | { kind: 'rows'; moment: Moment; top: number; bottom: number };

export type RenderDone<J extends RenderJob> = J extends { kind: 'still' } ? Image : Float64Array;

/** What a thread does. */
export function runRenderJob<J extends RenderJob>(job: J, source: PictureSource): RenderDone<J> {
  const done =
    job.kind === 'still'
      ? renderReference(job.moment, source)
      : lightRows(job.moment, source, job.top, job.bottom);
  return done as RenderDone<J>;
}

/** A thread that draws, one job after the other. */
export interface RenderThread {
  run<J extends RenderJob>(job: J): Promise<RenderDone<J>>;
}

export class RenderPool {
  private readonly free: RenderThread[];
  private readonly waiting: ((thread: RenderThread) => void)[] = [];

  /**
   * @param source the pictures, as the threads have them
   * @param threads none draws where it is asked
   */
  constructor(
    private readonly source: PictureSource,
    private readonly threads: readonly RenderThread[],
  ) {
    this.free = [...threads];
  }

  /** One picture, on all threads that are free. */
  async render(moment: Moment): Promise<Image> {
    const { source, threads } = this;
    if (threads.length === 0) return renderReference(moment, source);
    if (isBlurred(moment) || threads.length === 1) return this.run({ kind: 'still', moment });
    const plan = referencePlan(moment, source);
    const { widthPx, heightPx } = plan.wide.view;
    const data = new Float64Array(3 * widthPx * heightPx);
    const blocks = Array.from(
      { length: Math.ceil(heightPx / LIGHT_BLOCK_ROWS) },
      (_, i) => i * LIGHT_BLOCK_ROWS,
    );
    await Promise.all(
      blocks.map(async (top) => {
        const bottom = Math.min(heightPx, top + LIGHT_BLOCK_ROWS);
        data.set(await this.run({ kind: 'rows', moment: plan.wide, top, bottom }), 3 * widthPx * top);
      }),
    );
    return finishReference(plan, source, { width: widthPx, height: heightPx, data });
  }

  /** Several pictures, in their order; a few are drawn ahead. */
  async *renderAll(moments: Iterable<Moment>): AsyncGenerator<Image> {
    const ahead: Promise<Image>[] = [];
    for (const moment of moments) {
      const picture = this.threads.length === 0 ? this.render(moment) : this.run({ kind: 'still', moment });
      // It is awaited in its turn: until then its failure is nobody's.
      picture.catch(() => undefined);
      ahead.push(picture);
      if (ahead.length > this.threads.length) yield await ahead.shift()!;
    }
    for (const picture of ahead) yield await picture;
  }

  private async run<J extends RenderJob>(job: J): Promise<RenderDone<J>> {
    const thread =
      this.free.pop() ?? (await new Promise<RenderThread>((resolve) => this.waiting.push(resolve)));
    try {
      return await thread.run(job);
    } finally {
      const next = this.waiting.shift();
      if (next) next(thread);
      else this.free.push(thread);
    }
  }
}
