/** The view that shows a studio just now, as keys and panels outside of it see it. */
import type { Image } from '@/core/raster/image';
import type { GpuMemory } from '@/gpu/renderer';

export interface OpenView {
  /** Escape: takes back what is being done. */
  cancel(): void;
  /** Enter: finishes what is being done. */
  confirm(): void;
  /** Shows all of it. */
  fit(): void;
  /** @param direction above 0 is nearer */
  zoom(direction: number): void;
}

/** A frame's passes, and what lies on the graphics card after it. */
export interface DrawnFrame {
  passes: FramePass[];
  memory: GpuMemory;
}

export interface FramePass {
  words: string;
  ms: number;
  /** The picture after it. */
  picture: Image;
}

/** The stage. */
export interface OpenStage extends OpenView {
  /** Where on the scene a mouse event lies. */
  scenePlace(event: MouseEvent): [number, number];
  /** A small picture of the gate as it is kept; null where nothing can draw. */
  thumbnail(): Image | null;
  /** How long the last frame took, ms. */
  readonly frameMs: number;
  /** The passes of the frame that is shown; null where the graphics card draws none. */
  passes(): DrawnFrame | null;
}
