/** The sky of a scene over its day: where its sun and its moon stand, and when the sun is how high. */
import type { SceneSettings } from '../scene/records/settings';
import { moonAt } from './moon';
import { DAY_HOURS } from './periodic';
import type { SkyBody } from './sky-fields';
import { arcAt, sunAt, towardSky, type EarthPlace, type SkyPlace, type SunArc } from './sun';

/** Light of the sky fades in over the first degrees above the horizon. */
const FULL_ABOVE_DEG = 4;

/** What the sun or the moon is to the lights that follow it. */
export interface SkyLight {
  /** Unit vector to it: x right, y down the picture, z out of it. */
  toward: readonly [number, number, number];
  /** Share of its level and of its shadows, 0 to 1: nothing below the horizon. */
  strength: number;
}

/** From an hour up to another, 0 to 24; one that goes over midnight is two of them. */
export type HourSpan = readonly [from: number, to: number];

/** Steps in which the day is searched, and halvings of one of them: below a second. */
const STEPS = 96;
const HALVINGS = 14;

export class Sky {
  private readonly spans = new Map<number, HourSpan[]>();

  constructor(private readonly settings: SceneSettings) {}

  at(body: SkyBody, clockHours: number): SkyPlace {
    const { settings } = this;
    if (settings.sunBy === 'place')
      return body === 'sun'
        ? sunAt(earthPlace(settings), clockHours)
        : moonAt(earthPlace(settings), clockHours);
    return body === 'sun'
      ? arcAt(sunArc(settings), clockHours)
      : arcAt(
          { ...sunArc(settings), noonAltitudeDeg: settings.moonNoonDeg },
          clockHours - settings.moonAfterHours,
        );
  }

  light(body: SkyBody, clockHours: number): SkyLight {
    const place = this.at(body, clockHours);
    return { toward: towardSky(place, this.settings), strength: strengthAt(place.altitudeDeg) };
  }

  /** When the sun stands below an altitude: none, one or two spans, or the whole day. */
  sunBelow(altitudeDeg: number): HourSpan[] {
    let spans = this.spans.get(altitudeDeg);
    if (!spans) this.spans.set(altitudeDeg, (spans = this.searched(altitudeDeg)));
    return spans;
  }

  private searched(altitudeDeg: number): HourSpan[] {
    const isBelow = (hours: number) => this.at('sun', hours).altitudeDeg < altitudeDeg;
    const spans: HourSpan[] = [];
    let from: number | null = isBelow(0) ? 0 : null;
    for (let step = 0; step < STEPS; step++) {
      const [low, high] = [(step / STEPS) * DAY_HOURS, ((step + 1) / STEPS) * DAY_HOURS];
      const after = isBelow(high);
      if (after === (from !== null)) continue;
      const at = crossing(isBelow, low, high, after);
      if (from === null) from = at;
      else {
        spans.push([from, at]);
        from = null;
      }
    }
    if (from !== null) spans.push([from, DAY_HOURS]);
    return spans;
  }
}

function crossing(isBelow: (hours: number) => boolean, low: number, high: number, after: boolean): number {
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (isBelow(middle) === after) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/** Smoothstep over the first degrees. */
function strengthAt(altitudeDeg: number): number {
  const t = Math.min(1, Math.max(0, altitudeDeg / FULL_ABOVE_DEG));
  return t * t * (3 - 2 * t);
}

function sunArc({ sunRiseHours, sunSetHours, sunNoonDeg, sunBySouth }: SceneSettings): SunArc {
  return {
    riseHours: sunRiseHours,
    setHours: sunSetHours,
    noonAltitudeDeg: sunNoonDeg,
    bySouth: sunBySouth,
  };
}

export function earthPlace(settings: SceneSettings): EarthPlace {
  const { latitudeDeg, longitudeDeg, utcOffsetHours } = settings;
  return {
    ...{ latitudeDeg, longitudeDeg, utcOffsetHours },
    year: settings.sunYear,
    month: settings.sunMonth,
    day: settings.sunDay,
  };
}
