/** What the wick of each light makes of it, over one loop. */
import { lightPartsOf } from '../scene/lamp-parts';
import type { SceneDocument } from '../scene/document';
import type { LightLook } from '../scene/records/light-look';
import type { Wick } from '../scene/records/wick';
import { hexToLinear, linearToHex } from '../raster/colour';
import { wickAt } from '../time/wick';
import { fileNames } from './file-names';
import type { Track } from './track';

/** A light that burns by a wick. */
interface Burner {
  name: string;
  look: LightLook;
  wick: Wick;
  /** What the wick takes its phase from. */
  phaseId: string;
}

const COLUMNS: Track['columns'] = [
  { name: 'second', unit: 's' },
  { name: 'level', unit: null },
  { name: 'reach', unit: null },
  { name: 'sway_x', unit: 'px' },
  { name: 'sway_y', unit: 'px' },
  { name: 'warmth', unit: 'doublings' },
  { name: 'colour', unit: null },
];

/**
 * A track for each light that burns by a wick, those of placed lamps too; level and reach are shares of the light's own.
 * @param rate samples a second, about: a loop is parted evenly, and ends where it began
 */
export function flickerTracks(scene: SceneDocument, rate: number): Track[] {
  const burners = burnersOf(scene);
  const names = fileNames(Object.fromEntries(burners.map((burner, i) => [i, burner])), 'light');
  return burners.map((burner, i) => ({ name: names[i], columns: COLUMNS, rows: rowsOf(burner, rate) }));
}

function rowsOf({ look, wick, phaseId }: Burner, rate: number): Track['rows'] {
  const { loopSeconds } = wick;
  const steps = Math.max(1, Math.round(loopSeconds * rate));
  const own = hexToLinear(look.colour);
  return Array.from({ length: steps + 1 }, (_, i) => {
    const seconds = (i * loopSeconds) / steps;
    const { level, reach, swayX, swayY, warmth, colour } = wickAt(wick, phaseId, i === steps ? 0 : seconds);
    return [seconds, level, reach, swayX, swayY, warmth, linearToHex(colour ? colour(own) : own)];
  });
}

function burnersOf(scene: SceneDocument): Burner[] {
  const out: Burner[] = [];
  const add = (name: string, look: LightLook, wick: Wick | null | undefined, phaseId: string) => {
    if (wick && !look.still) out.push({ name, look, wick, phaseId });
  };
  for (const [id, light] of Object.entries(scene.lights))
    add(light.name, light, scene.wicks[light.wickId ?? ''], id);
  for (const [id, lamp] of Object.entries(scene.lamps))
    for (const part of lightPartsOf(scene, lamp)) add(`${lamp.name} ${part.name}`, part, part.wick, id);
  return out;
}
