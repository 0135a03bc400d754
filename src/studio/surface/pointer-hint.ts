/** A tool's next step: beside the pointer for a while when it is new, and in the corner of the view at all times else. */
import type { Surface } from './surface';

/** So long a new step is told beside the pointer; then it would only be in the way. */
const NEW_MS = 6000;
/** From the pointer to the words, CSS px: below and right of it, as far as there is room. */
const ASIDE_PX = 14;

export class PointerHint {
  private words = '';
  private isAtPointer = false;
  private isNew = false;
  private pointer: { x: number; y: number } | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** @param element stands in the view's box, in its corner by its own style */
  constructor(
    private readonly surface: Surface,
    private readonly element: HTMLElement,
  ) {
    surface.on('pointermove', ({ offsetX: x, offsetY: y }) => {
      this.pointer = { x, y };
      this.place();
    });
    surface.on('pointerleave', () => {
      this.pointer = null;
      this.place();
    });
    // Who presses has read it.
    surface.on('pointerdown', () => this.grownOld());
    surface.until(() => this.stopTimer());
  }

  /** @param isAtPointer whether these words are a step that waits for a press; others stay in the corner */
  tell(words: string, isAtPointer: boolean): void {
    if (words === this.words && isAtPointer === this.isAtPointer) return;
    this.words = words;
    this.isAtPointer = isAtPointer;
    this.element.textContent = words;
    this.stopTimer();
    this.isNew = true;
    this.timer = setTimeout(() => this.grownOld(), NEW_MS);
    this.place();
  }

  private grownOld(): void {
    this.stopTimer();
    this.isNew = false;
    this.place();
  }

  private stopTimer(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }

  private place(): void {
    const { element, pointer } = this;
    const isBeside = this.isNew && this.isAtPointer && pointer !== null && this.words !== '';
    element.dataset.at = isBeside ? 'pointer' : 'corner';
    if (!isBeside) {
      element.removeAttribute('style');
      return;
    }
    const { clientWidth, clientHeight } = this.surface.top;
    const { offsetWidth, offsetHeight } = element;
    const right = pointer.x + ASIDE_PX;
    const below = pointer.y + ASIDE_PX;
    const left = right + offsetWidth <= clientWidth ? right : pointer.x - ASIDE_PX - offsetWidth;
    const top = below + offsetHeight <= clientHeight ? below : pointer.y - ASIDE_PX - offsetHeight;
    Object.assign(element.style, {
      left: `${Math.max(0, left)}px`,
      top: `${Math.max(0, top)}px`,
      bottom: 'auto',
    });
  }
}
