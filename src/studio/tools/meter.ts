/** Meter: what the pixel under the pointer is made of; a click pins the place. */
import type { Metered } from '@/core/checks/meter/meter';
import { hexOfBytes } from '../store/meter-words';
import type { Studio } from '../store/studio';
import type { Overlay } from '../surface/overlay';
import type { Tool, ToolEvent } from './tool';

/** Lines beside the pointer. */
const MOST_LINES = 5;
const LINE_PX = 16;

export class MeterTool implements Tool {
  private at: { x: number; y: number } | null = null;

  constructor(private readonly studio: Studio) {}

  down({ x, y, nearPx }: ToolEvent): void {
    this.studio.meter.pin(x, y, nearPx);
  }

  move({ x, y }: ToolEvent): void {
    this.at = { x, y };
  }

  up(): void {
    // A click pins where it is pressed.
  }

  leave(): void {
    this.at = null;
  }

  cancel(): boolean {
    const { meter } = this.studio;
    this.at = null;
    if (meter.api.getState().pins.length === 0) return false;
    meter.clear();
    return true;
  }

  draw(overlay: Overlay): void {
    const { meter } = this.studio;
    meter.api.getState().pins.forEach(({ x, y }, i) => {
      overlay.ring(x, y);
      overlay.words(x, y, `${i + 1}`, 10, 4);
    });
    const { at } = this;
    if (!at) return;
    readingLines(meter.read(at)).forEach(({ words, colour }, i) =>
      overlay.words(at.x, at.y, words, 18, 22 + LINE_PX * i, colour ?? undefined),
    );
  }

  hint(): string {
    return 'Point to read what a pixel is made of; click to pin it, click a pin to take it away';
  }
}

function percent(share: number): string {
  return share > 0 && share < 0.005 ? 'under 1 %' : `${Math.round(100 * share)} %`;
}

/** The pixel, what it shows, and what gives most to it. */
function readingLines({ finish, surface, gives, dark }: Metered): { words: string; colour: string | null }[] {
  const all = gives.reduce((sum, { rgb }) => sum + Math.max(0, ...rgb), 0);
  const most = gives.slice(0, MOST_LINES - 2).map(({ words, rgb, colour }) => ({
    words: `${percent(Math.max(0, ...rgb) / Math.max(all, Number.MIN_VALUE))}  ${words}`,
    colour,
  }));
  const none = dark.length === 1 ? '1 light gives nothing' : `${dark.length} lights give nothing`;
  return [
    { words: finish ? `${hexOfBytes(finish.pixel)}  ${surface.words}` : surface.words, colour: null },
    ...most,
    ...(dark.length > 0 ? [{ words: none, colour: null }] : []),
  ];
}
