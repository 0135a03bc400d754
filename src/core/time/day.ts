/** The day of a scene: what its cues make of every value at an hour, where its sun stands, and what its circuits are lit by. */
import { hexToLinear, linearToHex, linearToOklab, oklabToLinear, type Rgb } from '../raster/colour';
import { settingsOf, type SceneDocument } from '../scene/document';
import type { Circuit } from '../scene/records/circuit';
import type { SceneSettings } from '../scene/records/settings';
import type { Cue } from '../scene/records/cue';
import { CUE_VALUE_NAMES, CUE_VALUES, isCueColour, type CueColour, type CueNumber } from './cue-values';
import { cuesInOrder } from './cues';
import { smoothstep01 } from '../geometry/exact';
import { dayCurve, type DayPoint } from './day-curve';
import { DAY_HOURS } from './periodic';
import { Sky, type HourSpan } from './sky';
import { litShare, litSpans } from './switching';

type Curve = (clockHours: number) => number;

/** The fields in which a cue names something that goes over into what the next one names. */
type CueName = 'washId' | 'lookId';

/** A thing that is named at an hour, and how much of it there is, 0 to 1. */
export interface NamedShare {
  id: string;
  share: number;
}

/** What a day is made of. */
type DaySource = Pick<SceneDocument, 'cues' | 'circuits' | 'settings'>;

export interface AmbientAt {
  /** Linear RGB of the colour alone, without its level. */
  linear: Rgb;
  level: number;
}

export class Day {
  readonly sky: Sky;
  private readonly numbers = new Map<CueNumber, Curve>();
  private readonly colours = new Map<CueColour, readonly [Curve, Curve, Curve]>();
  private readonly circuitCurves = new Map<string, Curve>();
  private readonly spans = new Map<string, readonly HourSpan[]>();
  /** The cues that name something, by their hours. */
  private readonly naming: Readonly<Record<CueName, readonly { clockHours: number; id: string }[]>>;
  private readonly settings: SceneSettings;
  private readonly circuits: Readonly<Record<string, Circuit>>;

  constructor({ cues, circuits, settings }: DaySource) {
    this.settings = settingsOf({ settings } as SceneDocument);
    this.circuits = circuits;
    this.sky = new Sky(this.settings);
    const ordered = cuesInOrder(cues).map(([, cue]) => cue);
    const namingOf = (field: CueName) =>
      ordered.flatMap(({ clockHours, [field]: id }) => (id === null ? [] : [{ clockHours, id }]));
    this.naming = { washId: namingOf('washId'), lookId: namingOf('lookId') };
    for (const name of CUE_VALUE_NAMES) {
      const holding = ordered.filter((cue) => cue[name] !== null);
      if (holding.length === 0) continue;
      if (isCueColour(name)) this.colours.set(name, colourCurves(holding, name));
      else
        this.numbers.set(
          name,
          curveOf(holding, (cue) => cue[name]!, name),
        );
    }
    for (const id of Object.keys(circuits)) {
      const holding = ordered.flatMap(({ clockHours, circuitLevels }) =>
        circuitLevels
          .filter(({ circuitId }) => circuitId === id)
          .map(({ level, held }) => ({ hours: clockHours, value: level, isHeld: held })),
      );
      if (holding.length > 0) this.circuitCurves.set(id, dayCurve(holding));
    }
  }

  /** What the cues hold of a number at an hour; null where none does. */
  number(name: CueNumber, clockHours: number): number | null {
    return this.numbers.get(name)?.(clockHours) ?? null;
  }

  /** Likewise of a colour, linear RGB. */
  colour(name: CueColour, clockHours: number): Rgb | null {
    const curves = this.colours.get(name);
    return curves
      ? oklabToLinear([curves[0](clockHours), curves[1](clockHours), curves[2](clockHours)])
      : null;
  }

  /** The ambient light: as the cues hold it, and where none does as the scene says. */
  ambient(clockHours: number): AmbientAt {
    return {
      linear: this.colour('ambientColour', clockHours) ?? hexToLinear(this.settings.ambientColour),
      level: this.number('ambientLevel', clockHours) ?? this.settings.ambientLevel,
    };
  }

  /** The scene's settings at an hour: with what the cues hold of them. */
  settingsAt(clockHours: number): SceneSettings {
    const out = { ...this.settings };
    for (const [name, curve] of this.numbers)
      if (CUE_VALUES[name].own === 'settings')
        (out as unknown as Record<CueNumber, number>)[name] = curve(clockHours);
    for (const name of this.colours.keys())
      if (CUE_VALUES[name].own === 'settings')
        (out as unknown as Record<CueColour, string>)[name] = linearToHex(this.colour(name, clockHours)!);
    return out;
  }

  /** The washes that lie on the picture at an hour. */
  washesAt(clockHours: number): NamedShare[] {
    return this.sharesAt('washId', clockHours);
  }

  /** The looks that are mixed into the finish at an hour. */
  looksAt(clockHours: number): NamedShare[] {
    return this.sharesAt('lookId', clockHours);
  }

  /**
   * What the cues name, by shares: that of the cue before goes over into that of the cue after. Where no cue names one, it is
   * what the settings name. The shares add up to 1 where there is any.
   */
  private sharesAt(field: CueName, clockHours: number): NamedShare[] {
    const naming = this.naming[field];
    if (naming.length === 0) {
      const id = this.settings[field];
      return id === null ? [] : [{ id, share: 1 }];
    }
    const next = naming.findIndex((cue) => cue.clockHours > clockHours);
    const after = naming[next < 0 ? 0 : next];
    const before = naming.at((next < 0 ? naming.length : next) - 1)!;
    if (before.id === after.id) return [{ id: before.id, share: 1 }];
    const away = (from: number, to: number) => (to - from + DAY_HOURS) % DAY_HOURS;
    const share = smoothstep01(
      away(before.clockHours, clockHours) / away(before.clockHours, after.clockHours),
    );
    return [
      { id: before.id, share: 1 - share },
      { id: after.id, share },
    ];
  }

  /** The level at which a circuit is run at an hour, by the cues; 1 where none holds it. */
  circuitLevel(id: string, clockHours: number): number {
    return this.circuitCurves.get(id)?.(clockHours) ?? 1;
  }

  /** The hours in which a circuit is lit. */
  litSpans(id: string): readonly HourSpan[] {
    let spans = this.spans.get(id);
    if (!spans) this.spans.set(id, (spans = litSpans(this.circuits[id], this.sky)));
    return spans;
  }

  /** What the circuits of a light or lamp leave of it: it burns only as far as all of them are lit. */
  power(circuitIds: readonly string[], lampId: string, clockHours: number): number {
    let power = 1;
    for (const id of circuitIds) {
      const circuit = this.circuits[id] as Circuit | undefined;
      if (!circuit) continue;
      power *= this.circuitLevel(id, clockHours);
      if (circuit.switching !== 'always')
        power *= litShare({ ...circuit, id }, this.litSpans(id), lampId, clockHours);
    }
    return power;
  }
}

function curveOf(cues: readonly Cue[], valueOf: (cue: Cue) => number, name: CueNumber | CueColour): Curve {
  return dayCurve(
    cues.map((cue): DayPoint => ({
      hours: cue.clockHours,
      value: valueOf(cue),
      isHeld: cue.held.includes(name),
    })),
  );
}

/** Colours run in OKLab; what leaves the colours of light is clipped where it is turned back. */
function colourCurves(cues: readonly Cue[], name: CueColour): readonly [Curve, Curve, Curve] {
  const labs = new Map(cues.map((cue) => [cue, linearToOklab(hexToLinear(cue[name]!))]));
  const channel = (k: 0 | 1 | 2) => curveOf(cues, (cue) => labs.get(cue)![k], name);
  return [channel(0), channel(1), channel(2)];
}
