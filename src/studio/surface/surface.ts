/**
 * What every drawn view has in common: its canvases in device pixels, a loop that draws when something changed, listeners
 * that end with it, and where the pointer is. A view says what it draws and what a pointer does.
 */
import type { CanvasSize } from './view';

export interface SurfaceOwner {
  /** The size in device px is another. */
  resized(): void;
  /** Called at every frame of the screen. @returns whether to draw although nothing was touched */
  tick(now: number, elapsedSeconds: number): boolean;
  draw(now: number): void;
}

/** After a pause, as in a hidden tab, time goes on from where it was. */
const LONGEST_STEP_SECONDS = 0.25;
const TYPED_IN = ['INPUT', 'SELECT', 'TEXTAREA', 'BUTTON'];

export class Surface {
  size: CanvasSize = { width: 0, height: 0 };
  /** Device px a CSS px. */
  ratio = 1;
  /** The hand pulls the view while the space bar is held. */
  isSpaceHeld = false;
  private isTouched = true;
  private frame = 0;
  private lastTime = 0;
  private readonly leave: (() => void)[] = [];

  /**
   * @param box what the view fills
   * @param canvases from the lowest to the uppermost, which hears the pointer
   */
  constructor(
    private readonly box: HTMLElement,
    private readonly canvases: readonly HTMLCanvasElement[],
    private readonly owner: SurfaceOwner,
  ) {}

  get top(): HTMLCanvasElement {
    return this.canvases[this.canvases.length - 1];
  }

  /** Measures, and begins to draw. */
  begin(): void {
    const observer = new ResizeObserver(() => this.measure());
    observer.observe(this.box);
    const space = (event: KeyboardEvent) => this.space(event);
    window.addEventListener('keydown', space);
    window.addEventListener('keyup', space);
    this.until(
      () => observer.disconnect(),
      () => window.removeEventListener('keydown', space),
      () => window.removeEventListener('keyup', space),
    );
    this.measure();
    this.lastTime = performance.now();
    const loop = (now: number) => {
      this.frame = requestAnimationFrame(loop);
      this.step(now);
    };
    this.frame = requestAnimationFrame(loop);
  }

  dispose(): void {
    cancelAnimationFrame(this.frame);
    for (const leave of this.leave) leave();
  }

  /** It is drawn at the next frame of the screen. */
  readonly touch = (): void => {
    this.isTouched = true;
  };

  /** Listens to the pointer and the wheel over the view, as long as it is there. */
  on<K extends keyof HTMLElementEventMap>(
    type: K,
    work: (event: HTMLElementEventMap[K]) => void,
    options?: AddEventListenerOptions,
  ): void {
    const { top } = this;
    top.addEventListener(type, work, options);
    this.until(() => top.removeEventListener(type, work));
  }

  /** What is done when the view goes: the ends of subscriptions. */
  until(...leave: (() => void)[]): void {
    this.leave.push(...leave);
  }

  /** The view hears a pointer, and keys, until it is let go. */
  take(event: PointerEvent): void {
    this.top.setPointerCapture(event.pointerId);
    this.top.focus();
  }

  /** Where a mouse event lies, device px of the canvas. */
  placeOf(event: MouseEvent): [number, number] {
    const box = this.top.getBoundingClientRect();
    return [(event.clientX - box.left) * this.ratio, (event.clientY - box.top) * this.ratio];
  }

  private space(event: KeyboardEvent): void {
    if (event.code !== 'Space' || TYPED_IN.includes((event.target as HTMLElement).tagName)) return;
    this.isSpaceHeld = event.type === 'keydown';
    this.top.style.cursor = this.isSpaceHeld ? 'grab' : '';
    event.preventDefault();
  }

  private measure(): void {
    this.ratio = window.devicePixelRatio || 1;
    const width = Math.max(1, Math.round(this.box.clientWidth * this.ratio));
    const height = Math.max(1, Math.round(this.box.clientHeight * this.ratio));
    if (width === this.size.width && height === this.size.height) return;
    this.size = { width, height };
    for (const canvas of this.canvases) Object.assign(canvas, this.size);
    this.owner.resized();
    this.touch();
  }

  private step(now: number): void {
    const elapsed = Math.min(LONGEST_STEP_SECONDS, (now - this.lastTime) / 1000);
    this.lastTime = now;
    const isWanted = this.owner.tick(now, elapsed);
    if (!isWanted && !this.isTouched) return;
    this.isTouched = false;
    this.owner.draw(now);
  }
}
