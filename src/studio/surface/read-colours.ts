import type { OverlayColours } from './overlay';

/** The design tokens as canvases need them. */
export function readColours(): { colours: OverlayColours; font: string } {
  const style = getComputedStyle(document.documentElement);
  const token = (name: string) => style.getPropertyValue(name).trim();
  return {
    colours: {
      picked: token('--color-mark-picked'),
      held: token('--color-mark-held'),
      line: token('--color-mark-line'),
      text: token('--color-mark-line'),
      ground: token('--color-mark-ground'),
      warning: token('--color-mark-warning'),
    },
    font: token('--font-figure'),
  };
}
