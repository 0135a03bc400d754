/** The lights that are on, each with all that says how it burns: those of the scene, and those of placed lamps. */
import type { Affine } from '../geometry/affine';
import type { Rgb } from '../raster/colour';
import { Remembered } from '../remembered';
import { compare, type SceneDocument } from '../scene/document';
import { lightPartsOf } from '../scene/lamp-parts';
import type { Fixture } from '../scene/records/fixture';
import type { Lamp } from '../scene/records/lamp';
import type { Light } from '../scene/records/light';
import type { LightLook } from '../scene/records/light-look';
import type { Wick } from '../scene/records/wick';
import type { CueColour, CueNumber } from '../time/cue-values';
import type { SkyLight } from '../time/sky';
import { WickMemory, type Burn } from '../time/wick';
import type { SkyBody } from '../time/sky-fields';
import { LIGHT_KIND_RECORDS } from './light-kinds/all-kinds';
import { partId } from './part-names';
import type { Passing } from './passing';
import type { MomentStage, PlaneStack } from './stage';
import { ColourMemory } from './tables';

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

/** What a light reaches, by the Moment's own numbers. */
interface Wiring {
  plane: number;
  /** Its span of planes. */
  far: number;
  near: number;
  /** Bits of the circuits that it is on. */
  feeds: number;
}

/** What of a light's colours is the same at every second, in the light space. */
interface Paint {
  own: Rgb;
  shadowLet: Rgb;
}

/** The lights of a scene of which none goes anywhere, at one hour: the same at every second. */
interface Standstill extends Pick<MomentStage, 'scene' | 'clockHours' | 'planeStack' | 'circuits' | 'space'> {
  muted: Passing['muted'];
  solo: Passing['solo'];
  soloPlanes: Passing['soloPlanes'];
  lights: readonly Burning[];
}

/** A light with all that says how it burns. */
export interface Burning {
  id: string;
  /** What its wick takes its phase from: the lights of one lamp burn in step. */
  phaseId: string;
  fixture: Fixture;
  look: LightLook;
  wick: Wick | null;
  /** What the wick does to it; null where it has none, or stands still. */
  burn: Burn | null;
  /** Multiplies its level: that of its lamp, and what its circuits leave of it. */
  share: number;
  follows: Followed | null;
  wiring: Wiring;
  paint: Paint;
  map: Affine;
  x: number;
  y: number;
}

/** Finds the lights that burn. */
export class BurningLights {
  private readonly ids = new Remembered<SceneDocument['lights'], string[]>();
  private readonly wicks = new WickMemory();
  private readonly colours = new ColourMemory();
  private last: Standstill | null = null;

  /** By id, so that their order in the document changes no bit. */
  of(stage: MomentStage): readonly Burning[] {
    const { last } = this;
    const { scene, clockHours, planeStack, circuits, space, passing } = stage;
    const { muted, solo, soloPlanes } = passing;
    if (
      last?.scene === scene &&
      last.clockHours === clockHours &&
      last.planeStack === planeStack &&
      last.circuits === circuits &&
      last.space === space &&
      last.muted === muted &&
      last.solo === solo &&
      last.soloPlanes === soloPlanes
    )
      return last.lights;
    const lights = this.found(stage);
    this.last = goesNowhere(scene)
      ? { scene, clockHours, planeStack, circuits, space, muted, solo, soloPlanes, lights }
      : null;
    return lights;
  }

  private found(stage: MomentStage): Burning[] {
    const { scene, standing, passing } = stage;
    const out: Burning[] = [];
    const isOn = (id: string, fixture: Fixture) =>
      standing.shows(fixture) && !passing.muted.has(id) && (passing.solo.size === 0 || passing.solo.has(id));
    const ids = this.ids.recall(scene.lights, [], () => Object.keys(scene.lights).sort(compare));
    for (const id of ids) {
      const light = scene.lights[id];
      const burning = isOn(id, light) ? this.light(stage, id, light) : null;
      if (burning) out.push(burning);
    }
    for (const [id, lamp] of Object.entries(scene.lamps)) {
      if (isOn(id, lamp)) out.push(...this.lamp(stage, id, lamp));
    }
    return out.sort((a, b) => compare(a.id, b.id));
  }

  private light(stage: MomentStage, id: string, light: Light): Burning | null {
    const { scene, standing, day, clockHours } = stage;
    const map = (light.still ? standing.atRest : standing).ground(light);
    if (!map) return null;
    const wick = wickOf(scene, light);
    const follows = followedBy(stage, light);
    return {
      id,
      phaseId: id,
      fixture: light,
      look: light,
      wick,
      burn: this.burn(wick, id, light),
      share: day.power(light.circuitIds, id, clockHours) * standing.presence(light),
      follows,
      wiring: wiringOf(stage, light),
      paint: this.paint(stage, light, follows),
      map,
      x: light.x,
      y: light.y,
    };
  }

  private lamp(stage: MomentStage, id: string, lamp: Lamp): Burning[] {
    const { scene, standing, day, clockHours } = stage;
    const share = lamp.level * day.power(lamp.circuitIds, id, clockHours) * standing.presence(lamp);
    const wiring = wiringOf(stage, lamp);
    return lightPartsOf(scene, lamp).flatMap((part) => {
      const map = (part.still ? standing.atRest : standing).lamp(lamp);
      if (!map) return [];
      const { wick, x, y } = part;
      const follows = followedBy(stage, part);
      return {
        id: partId(id, part),
        phaseId: id,
        fixture: lamp,
        look: part,
        wick,
        burn: this.burn(wick, id, part),
        share,
        follows,
        wiring,
        paint: this.paint(stage, part, follows),
        map,
        x,
        y,
      };
    });
  }

  private paint(
    { space }: MomentStage,
    { colour, shadowColour, shadowOpacity }: LightLook,
    follows: Followed | null,
  ): Paint {
    const dark = shadowOpacity * (follows?.strength ?? 1);
    const shadow = this.colours.of(shadowColour, space);
    return {
      own: this.colours.of(colour, space),
      shadowLet: [1 + (shadow[0] - 1) * dark, 1 + (shadow[1] - 1) * dark, 1 + (shadow[2] - 1) * dark],
    };
  }

  private burn(wick: Wick | null, phaseId: string, { still }: LightLook): Burn | null {
    return wick && !still ? this.wicks.of(wick, phaseId) : null;
  }
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

/** Whether no light or lamp moves by itself or with something else: what appears and vanishes goes along a path, too. */
function goesNowhere({ lights, lamps }: SceneDocument): boolean {
  const rests = ({ path, turning, hangsOn }: Fixture) =>
    path === null && turning === null && hangsOn === null;
  return Object.values(lights).every(rests) && Object.values(lamps).every(rests);
}

function wiringOf({ planeStack, circuits }: MomentStage, fixture: Fixture): Wiring {
  return {
    plane: planeStack.index.get(fixture.planeId)!,
    ...spanOf(fixture, planeStack),
    feeds: circuits.mask(fixture.circuitIds),
  };
}

/** The indices of the planes that a light reaches. An end whose plane is gone is open. */
function spanOf(
  { spanFarId, spanNearId }: Fixture,
  { index, ids }: PlaneStack,
): { far: number; near: number } {
  const far = (spanFarId === null ? undefined : index.get(spanFarId)) ?? 0;
  const near = (spanNearId === null ? undefined : index.get(spanNearId)) ?? ids.length - 1;
  return { far: Math.min(far, near), near: Math.max(far, near) };
}
