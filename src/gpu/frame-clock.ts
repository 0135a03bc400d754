/**
 * How long the graphics card works on a frame: by its own timer where there is one, else until a fence behind the frame is
 * passed. Both are asked without waiting, so a frame's time is known some frames later.
 */

/** Frames whose time is not known yet; more are not timed. */
const MOST_PENDING = 3;

interface Timer {
  readonly TIME_ELAPSED_EXT: number;
  readonly GPU_DISJOINT_EXT: number;
}

/** A frame that is drawn; gives its milliseconds once they are known, null before, NaN where they were lost. */
type Pending = () => number | null;

export class FrameClock {
  /** Milliseconds of the last frame that is known; null before the first. */
  ms: number | null = null;
  private readonly timer: Timer | null;
  private readonly pending: Pending[] = [];

  constructor(private readonly gl: WebGL2RenderingContext) {
    this.timer = gl.getExtension('EXT_disjoint_timer_query_webgl2') as Timer | null;
  }

  /** Times the work that is asked of the graphics card meanwhile. */
  time(work: () => void): void {
    this.poll();
    if (this.pending.length >= MOST_PENDING) return work();
    this.pending.push(this.timer ? this.byTimer(this.timer, work) : this.byFence(work));
  }

  private byTimer(timer: Timer, work: () => void): Pending {
    const { gl } = this;
    const query = gl.createQuery()!;
    gl.beginQuery(timer.TIME_ELAPSED_EXT, query);
    try {
      work();
    } finally {
      gl.endQuery(timer.TIME_ELAPSED_EXT);
    }
    return () => {
      if (!gl.getQueryParameter(query, gl.QUERY_RESULT_AVAILABLE)) return null;
      const nanoseconds = gl.getQueryParameter(query, gl.QUERY_RESULT) as number;
      gl.deleteQuery(query);
      // Another program may have had the card, or its clock changed.
      return gl.getParameter(timer.GPU_DISJOINT_EXT) ? NaN : nanoseconds / 1e6;
    };
  }

  private byFence(work: () => void): Pending {
    const { gl } = this;
    const start = performance.now();
    work();
    const fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0)!;
    gl.flush();
    return () => {
      if (gl.getSyncParameter(fence, gl.SYNC_STATUS) !== gl.SIGNALED) return null;
      gl.deleteSync(fence);
      return performance.now() - start;
    };
  }

  private poll(): void {
    for (let ms = this.pending[0]?.() ?? null; ms !== null; ms = this.pending[0]?.() ?? null) {
      this.pending.shift();
      if (!Number.isNaN(ms)) this.ms = ms;
    }
  }
}
