/** Why lights and lamps of the scene are not in a Moment at all. */
import type { Lamp } from '../scene/records/lamp';
import type { Fixture } from '../scene/records/fixture';
import type { LightLook } from '../scene/records/light-look';
import type { Wick } from '../scene/records/wick';
import { lightPartsOf } from '../scene/lamp-parts';
import { compare } from '../scene/document';
import { wickAt } from '../time/wick';
import { partId } from './part-names';
import { LIGHT_KIND_RECORDS } from './light-kinds/all-kinds';
import type { MomentStage } from './stage';

export type Absence =
  | { why: 'hidden' | 'away' | 'muted' | 'not soloed' | 'level' | 'wick' | 'below the horizon' | 'no figure' }
  /** A circuit that is dark at this hour. */
  | { why: 'circuit'; circuitId: string };

export type AbsentLight = { id: string } & Absence;

/** @param present the ids of the lights that the Moment has */
export function absentLights(stage: MomentStage, present: ReadonlySet<string>): AbsentLight[] {
  const { lights, lamps, wicks } = stage.scene;
  const all = [
    ...Object.entries(lights).map(([id, light]) => ({
      ...{ id, phaseId: id, fixture: light, look: light, lampLevel: 1 },
      wick: light.wickId === null ? null : (wicks[light.wickId] ?? null),
    })),
    ...Object.entries(lamps).flatMap(([lampId, lamp]: [string, Lamp]) =>
      lightPartsOf(stage.scene, lamp).map((part) => ({
        ...{ id: partId(lampId, part), phaseId: lampId, fixture: lamp, look: part, lampLevel: lamp.level },
        wick: part.wick,
      })),
    ),
  ];
  return all
    .filter(({ id }) => !present.has(id))
    .map((one) => ({ id: one.id, ...whyAbsent(stage, one) }))
    .sort((a, b) => compare(a.id, b.id));
}

interface Candidate {
  phaseId: string;
  fixture: Fixture;
  look: LightLook;
  lampLevel: number;
  wick: Wick | null;
}

/** The first reason there is. */
function whyAbsent(stage: MomentStage, { phaseId, fixture, look, lampLevel, wick }: Candidate): Absence {
  const { standing, passing, day, clockHours, seconds, sky } = stage;
  const { solo, muted } = passing;
  if (standing.presence(fixture) === 0) return { why: 'away' };
  if (!standing.shows(fixture)) return { why: 'hidden' };
  if (muted.has(phaseId)) return { why: 'muted' };
  if (solo.size > 0 && !solo.has(phaseId)) return { why: 'not soloed' };
  const dark = fixture.circuitIds.find((id) => day.power([id], phaseId, clockHours) === 0);
  if (dark !== undefined) return { why: 'circuit', circuitId: dark };
  const { follows } = look;
  const isParallel = LIGHT_KIND_RECORDS[look.kind].isParallel(look);
  const isDown = follows === 'nothing' ? look.altitudeDeg <= 0 : sky[follows].strength === 0;
  if (isParallel && isDown) return { why: 'below the horizon' };
  if (look.level === 0 || lampLevel === 0) return { why: 'level' };
  if (wick && !look.still && wickAt(wick, phaseId, seconds).level <= 0) return { why: 'wick' };
  return { why: 'no figure' };
}
