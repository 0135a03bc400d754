import type { OverlayColours } from './overlay';

/** The design tokens as canvases need them. */
export function readColours(): { colours: OverlayColours; font: string } {
  const style = getComputedStyle(document.documentElement);
  const token = (name: string) => style.getPropertyValue(name).trim();
  return {
    colours: {
      picked: token('--color-verdigris'),
      held: token('--color-brass'),
      line: token('--color-chalk'),
      text: token('--color-chalk'),
      ground: token('--color-soot'),
      warning: token('--color-signal'),
    },
    font: token('--font-figure'),
  };
}
