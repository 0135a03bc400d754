/** The lights that are on, each with all that says how it burns: those of the scene, and those of placed lamps. */
import type { Affine } from '../geometry/affine';
import type { Rgb } from '../raster/colour';
import { compare, type SceneDocument } from '../scene/document';
import { lightPartsOf } from '../scene/lamp-parts';
import type { Fixture } from '../scene/records/fixture';
import type { LightLook } from '../scene/records/light-look';
import type { Wick } from '../scene/records/wick';
import type { CueColour, CueNumber } from '../time/cue-values';
import type { SkyLight } from '../time/sky';
import type { SkyBody } from '../time/sky-fields';
import { LIGHT_KIND_RECORDS } from './light-kinds/all-kinds';
import { partId } from './part-names';
import type { MomentStage } from './stage';

/** What the cues hold of the lights that follow the sun, and of those that follow the moon. */
const BODY_VALUES: Record<SkyBody, { colour: CueColour; level: CueNumber }> = {
  sun: { colour: 'sunColour', level: 'sunLevel' },
  moon: { colour: 'moonColour', level: 'moonLevel' },
};

/** What the day makes of a light that follows the sky. */
export interface Followed extends SkyLight {
  /** Linear RGB and level by the cues, in the place of its own; null where none holds them. */
  colour: Rgb | null;
  level: number | null;
}

/** A light with all that says how it burns. */
export interface Burning {
  id: string;
  /** What its wick takes its phase from: the lights of one lamp burn in step. */
  phaseId: string;
  fixture: Fixture;
  look: LightLook;
  wick: Wick | null;
  /** Multiplies its level: that of its lamp, and what its circuits leave of it. */
  share: number;
  follows: Followed | null;
  map: Affine;
  x: number;
  y: number;
}

/**
 * By id, so that their order in the document changes no bit.
 * @param ids of the scene's own lights, in their order
 */
export function burningLights(stage: MomentStage, ids: readonly string[]): Burning[] {
  const { scene, standing, passing, day, clockHours } = stage;
  const out: Burning[] = [];
  const isOn = (id: string, fixture: Fixture) =>
    standing.shows(fixture) && !passing.muted.has(id) && (passing.solo.size === 0 || passing.solo.has(id));
  for (const id of ids) {
    const light = scene.lights[id];
    if (!isOn(id, light)) continue;
    const map = (light.still ? standing.atRest : standing).ground(light);
    if (!map) continue;
    out.push({
      id,
      phaseId: id,
      fixture: light,
      look: light,
      wick: wickOf(scene, light),
      share: day.power(light.circuitIds, id, clockHours) * standing.presence(light),
      follows: followedBy(stage, light),
      map,
      x: light.x,
      y: light.y,
    });
  }
  for (const [id, lamp] of Object.entries(scene.lamps)) {
    if (!isOn(id, lamp)) continue;
    const share = lamp.level * day.power(lamp.circuitIds, id, clockHours) * standing.presence(lamp);
    for (const part of lightPartsOf(scene, lamp)) {
      const map = (part.still ? standing.atRest : standing).lamp(lamp);
      if (!map) continue;
      const { wick, x, y } = part;
      out.push({
        id: partId(id, part),
        phaseId: id,
        fixture: lamp,
        look: part,
        wick,
        share,
        follows: followedBy(stage, part),
        map,
        x,
        y,
      });
    }
  }
  return out.sort((a, b) => compare(a.id, b.id));
}

/** What a light of the sky takes from the day; null for all others. */
function followedBy({ sky, day, clockHours }: MomentStage, look: LightLook): Followed | null {
  const { follows, kind } = look;
  if (follows === 'nothing' || !LIGHT_KIND_RECORDS[kind].isParallel(look)) return null;
  const { colour, level } = BODY_VALUES[follows];
  return { ...sky[follows], colour: day.colour(colour, clockHours), level: day.number(level, clockHours) };
}

function wickOf({ wicks }: SceneDocument, { wickId }: { wickId: string | null }): Wick | null {
  return wickId === null ? null : (wicks[wickId] ?? null);
}
