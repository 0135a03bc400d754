/** A dangerous flash in words: when, how fast, over how much of the picture, and from what. */
import type { SceneFlash } from './scene-flashes';

export function flashWords({ kind, second, rateHz, areaPx, cause }: SceneFlash): string {
  const what = kind === 'red' ? 'Red flashes' : 'Flashes';
  const from = cause ? `from ${cause.name}` : 'from no wick: something moves, or is switched';
  return `${what} at ${second.toFixed(2)} s: ${rateHz.toFixed(1)} a second over ${areaPx} px of 1024 x 768, ${from}.`;
}
