/** The day: what the cues make of the ambient light at an hour. */
import { hexToLinear, linearToOklab, oklabToLinear, type Rgb } from '../raster/colour';
import { type SceneDocument, settingsOf } from '../scene/document';
import type { Cue } from '../scene/records/cue';
import { periodicMonotone } from './periodic';

export interface AmbientAt {
  /** Linear RGB of the colour alone, without its level. */
  linear: Rgb;
  level: number;
}

/** Cues by their hour. */
export function cuesInOrder(cues: Record<string, Cue>): [string, Cue][] {
  return Object.entries(cues).sort(([, a], [, b]) => a.clockHours - b.clockHours);
}

/**
 * The ambient light at an hour. Each value runs through the cues that hold it (colours in OKLab); where none does,
 * the scene's own value stands.
 */
export function ambientAt(scene: SceneDocument, clockHours: number): AmbientAt {
  const settings = settingsOf(scene);
  const cues = cuesInOrder(scene.cues).map(([, cue]) => cue);
  const coloured = cues.filter((cue) => cue.ambientColour !== null);
  const levelled = cues.filter((cue) => cue.ambientLevel !== null);
  const level =
    levelled.length === 0
      ? settings.ambientLevel
      : periodicMonotone(
          levelled.map((c) => c.clockHours),
          levelled.map((c) => c.ambientLevel!),
          clockHours,
        );
  if (coloured.length === 0) return { linear: hexToLinear(settings.ambientColour), level };
  const hours = coloured.map((c) => c.clockHours);
  const labs = coloured.map((c) => linearToOklab(hexToLinear(c.ambientColour!)));
  const channel = (k: 0 | 1 | 2) =>
    periodicMonotone(
      hours,
      labs.map((lab) => lab[k]),
      clockHours,
    );
  return { linear: oklabToLinear([channel(0), channel(1), channel(2)]), level };
}

/** An hour as a railway clock shows it: 19.1 is 19:06. */
export function clockText(clockHours: number): string {
  const minutes = Math.floor(clockHours * 60 + 0.5) % 1440;
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}
