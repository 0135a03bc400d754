/** Tools of the stage: small state charts without React. In every state they answer to down, move, up and cancel. */
import type { Overlay } from '../surface/overlay';

export interface ToolEvent {
  /** Scene px, with parallax as it is drawn. */
  x: number;
  y: number;
  shift: boolean;
  alt: boolean;
  /** How near counts as on, scene px. */
  nearPx: number;
}

export interface Tool {
  /** Something is being dragged: handles step back. */
  readonly isDragging?: boolean;
  down(event: ToolEvent): void;
  move(event: ToolEvent): void;
  up(event: ToolEvent): void;
  /** Escape. @returns whether there was anything to cancel */
  cancel(): boolean;
  /** Another tool was taken; what is picked stays so. Without it `cancel` is called. */
  leave?(): void;
  /** The second press of a double click was made. */
  doubleDown?(event: ToolEvent): void;
  /** Enter: finishes what is being drawn. */
  confirm?(): void;
  /** What the tool shows over the stage. */
  draw?(overlay: Overlay): void;
  /** A line of help for what can be done now. */
  hint(): string;
}
