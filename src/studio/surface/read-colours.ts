import type { OverlayColours } from './overlay';

/** One design token, as `--color-brass`. */
export function readToken(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}

/** The design tokens as canvases need them. */
export function readColours(): { colours: OverlayColours; font: string } {
  const token = readToken;
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
