/**
 * The renderer of a canvas. A context that the system took is waited for: until it is given back nothing is drawn, and then
 * everything is made anew.
 */
import { openContext } from '@/gpu/device';
import { Renderer } from '@/gpu/renderer';

export interface GpuCanvasOptions {
  readsLevels?: boolean;
  /** What was kept of pictures drawn before is gone. */
  lost?(): void;
  /** The canvas can be drawn again. */
  back(): void;
}

export class GpuCanvas {
  private gl: WebGL2RenderingContext | null = null;
  private made: Renderer | null = null;
  private readonly leave: (() => void)[] = [];

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly options: GpuCanvasOptions,
  ) {
    const on = (type: string, work: (event: Event) => void) => {
      canvas.addEventListener(type, work);
      this.leave.push(() => canvas.removeEventListener(type, work));
    };
    on('webglcontextlost', (event) => {
      // Else it would never be given back.
      event.preventDefault();
      this.made = null;
      options.lost?.();
    });
    on('webglcontextrestored', () => options.back());
  }

  /** Whether there is a context that the system took and has not yet given back. */
  get isLost(): boolean {
    return this.gl?.isContextLost() ?? false;
  }

  /** The renderer as far as there is one that can draw. */
  get current(): Renderer | null {
    return this.isLost ? null : this.made;
  }

  /**
   * The renderer, made at its first use; null while the context is lost.
   * @throws GpuFault where the browser gives none
   */
  renderer(): Renderer | null {
    this.gl ??= openContext(this.canvas);
    if (this.isLost) return null;
    try {
      return (this.made ??= new Renderer(this.gl, { readsLevels: this.options.readsLevels }));
    } catch (thrown) {
      // It may be taken while the renderer is being made.
      if (this.isLost) return null;
      throw thrown;
    }
  }

  dispose(): void {
    for (const leave of this.leave) leave();
    this.made?.dispose();
    this.made = null;
  }
}
