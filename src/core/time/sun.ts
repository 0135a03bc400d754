/**
 * Where the sun stands: from a place and a date, by the low-precision series of Meeus, Astronomical Algorithms (1998),
 * chapters 12, 13 and 25 (good to 0.01 degrees between 1900 and 2100), or along an arc of a person's own. Angles are degrees.
 */
import { atan2, cos, RADIANS_PER_DEGREE, sin } from '../geometry/exact';
import { DAY_HOURS, wrapHours } from './periodic';

export interface SkyPlace {
  /** Above the horizon; below 0 it has set. Without refraction. */
  altitudeDeg: number;
  /** Clockwise from north, 0 up to, but not including, 360. */
  azimuthDeg: number;
}

/** A place on the earth at a date, and how its clock runs. */
export interface EarthPlace {
  /** North is positive. */
  latitudeDeg: number;
  /** East is positive. */
  longitudeDeg: number;
  /** Of the clock that is shown, against UTC. */
  utcOffsetHours: number;
  year: number;
  /** 1 to 12, and 1 to 31. */
  month: number;
  day: number;
}

/** An arc that a person sets: the clock is solar time then. */
export interface SunArc {
  riseHours: number;
  setHours: number;
  noonAltitudeDeg: number;
  /** Whether it rises in the east and goes by the south, or the other way. */
  bySouth: boolean;
}

/** The centre of the sun as it rises and sets: refraction at the horizon, and half its own width. */
export const HORIZON_DEG = -0.833;

const sinDeg = (degrees: number) => sin(degrees * RADIANS_PER_DEGREE);
const cosDeg = (degrees: number) => cos(degrees * RADIANS_PER_DEGREE);
const atanDeg = (y: number, x: number) => atan2(y, x) / RADIANS_PER_DEGREE;
const asinDeg = (v: number) => atanDeg(v, Math.sqrt(Math.max(0, 1 - v * v)));
const turned = (degrees: number) => degrees - 360 * Math.floor(degrees / 360);

/** Julian day of a date of the Gregorian calendar at 0 h UTC (Meeus 7.1). */
export function julianDay(year: number, month: number, day: number): number {
  // January and February count as months 13 and 14 of the year before.
  const [y, m] = month <= 2 ? [year - 1, month + 12] : [year, month];
  const century = Math.floor(y / 100);
  const leap = 2 - century + Math.floor(century / 4);
  return Math.floor(365.25 * (y + 4716)) + Math.floor(30.6001 * (m + 1)) + day + leap - 1524.5;
}

/** Julian day of the year 2000, 1 January, 12 h, and the days of a century. */
export const J2000 = 2451545;
export const CENTURY_DAYS = 36525;

export interface Equatorial {
  rightAscensionDeg: number;
  declinationDeg: number;
}

/** The apparent place of the sun (Meeus 25, low accuracy). */
export function sunEquatorial(julian: number): Equatorial {
  const t = (julian - J2000) / CENTURY_DAYS;
  const meanLongitude = 280.46646 + t * (36000.76983 + t * 0.0003032);
  const anomaly = 357.52911 + t * (35999.05029 - t * 0.0001537);
  const centre =
    (1.914602 - t * (0.004817 + t * 0.000014)) * sinDeg(anomaly) +
    (0.019993 - t * 0.000101) * sinDeg(2 * anomaly) +
    0.000289 * sinDeg(3 * anomaly);
  const node = 125.04 - 1934.136 * t;
  // Aberration and nutation.
  const longitude = meanLongitude + centre - 0.00569 - 0.00478 * sinDeg(node);
  const obliquity =
    23.4392911 - t * (0.0130041667 + t * (0.00000016389 - t * 0.00000050361)) + 0.00256 * cosDeg(node);
  return {
    rightAscensionDeg: turned(atanDeg(cosDeg(obliquity) * sinDeg(longitude), cosDeg(longitude))),
    declinationDeg: asinDeg(sinDeg(obliquity) * sinDeg(longitude)),
  };
}

/** Sidereal time at Greenwich, degrees (Meeus 12.4). */
export function siderealDeg(julian: number): number {
  const days = julian - J2000;
  const t = days / CENTURY_DAYS;
  return turned(280.46061837 + 360.98564736629 * days + t * t * (0.000387933 - t / 38710000));
}

/** A place of the sky as it is seen from the earth (Meeus 13.5, 13.6). */
export function horizontal(
  { rightAscensionDeg, declinationDeg }: Equatorial,
  { latitudeDeg, longitudeDeg }: Pick<EarthPlace, 'latitudeDeg' | 'longitudeDeg'>,
  julian: number,
): SkyPlace {
  const hourAngle = siderealDeg(julian) + longitudeDeg - rightAscensionDeg;
  const [sinLat, cosLat] = [sinDeg(latitudeDeg), cosDeg(latitudeDeg)];
  const [sinDec, cosDec] = [sinDeg(declinationDeg), cosDeg(declinationDeg)];
  const altitudeDeg = asinDeg(sinLat * sinDec + cosLat * cosDec * cosDeg(hourAngle));
  // From the south, as Meeus counts; both arguments times the cosine of the declination, which is never below 0.
  const fromSouth = atanDeg(
    sinDeg(hourAngle) * cosDec,
    cosDeg(hourAngle) * sinLat * cosDec - sinDec * cosLat,
  );
  return { altitudeDeg, azimuthDeg: turned(fromSouth + 180) };
}

/** @param clockHours of the place's own clock on its date; beyond 24 is the next day */
export function sunAt(place: EarthPlace, clockHours: number): SkyPlace {
  const julian =
    julianDay(place.year, place.month, place.day) + (clockHours - place.utcOffsetHours) / DAY_HOURS;
  return horizontal(sunEquatorial(julian), place, julian);
}

/** The sun along an arc: it rises due east, or due west, and stands highest half way to where it sets. */
export function arcAt(
  { riseHours, setHours, noonAltitudeDeg, bySouth }: SunArc,
  clockHours: number,
): SkyPlace {
  const dayLength = wrapHours(setHours - riseHours) || DAY_HOURS;
  const since = wrapHours(clockHours - riseHours);
  const isDay = since < dayLength;
  const share = isDay ? since / dayLength : (since - dayLength) / (DAY_HOURS - dayLength);
  const way = isDay ? 90 + 180 * share : 270 + 180 * share;
  return {
    altitudeDeg: (isDay ? 1 : -1) * noonAltitudeDeg * sinDeg(180 * share),
    azimuthDeg: turned(bySouth ? way : -way),
  };
}

export interface SunTimes {
  /** Hours of the clock; null on a day on which it does not rise, or not set. */
  riseHours: number | null;
  setHours: number | null;
  /** When it stands highest, and how high. */
  noonHours: number;
  noonAltitudeDeg: number;
}

/** Steps in which a day is searched, and halvings of one of them: well below a second. */
const STEP_HOURS = 0.25;
const HALVINGS = 24;

/** When the sun rises, stands highest and sets on a date. */
export function sunTimes(place: EarthPlace): SunTimes {
  const height = (hours: number) => sunAt(place, hours).altitudeDeg - HORIZON_DEG;
  let riseHours: number | null = null;
  let setHours: number | null = null;
  let highest = 0;
  for (let hours = 0; hours < DAY_HOURS; hours += STEP_HOURS) {
    const [before, after] = [height(hours), height(hours + STEP_HOURS)];
    if (before < 0 && after >= 0) riseHours = crossing(height, hours, hours + STEP_HOURS);
    if (before >= 0 && after < 0) setHours = crossing(height, hours, hours + STEP_HOURS);
    if (after > height(highest)) highest = hours + STEP_HOURS;
  }
  const noonHours = peak(height, highest - STEP_HOURS, highest + STEP_HOURS);
  return { riseHours, setHours, noonHours, noonAltitudeDeg: sunAt(place, noonHours).altitudeDeg };
}

/** Where a function changes its sign between two places, by halving. */
function crossing(of: (at: number) => number, low: number, high: number): number {
  const isRising = of(low) < 0;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (of(middle) < 0 === isRising) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Where a function with one peak between two places is highest, by thirds. */
function peak(of: (at: number) => number, low: number, high: number): number {
  for (let i = 0; i < 2 * HALVINGS; i++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (of(a) < of(b)) low = a;
    else high = b;
  }
  return (low + high) / 2;
}

/** How a scene looks at its sky. */
export interface SceneHeading {
  /** 90 is seen from above, 0 from the side. */
  viewTiltDeg: number;
  /** The direction of the compass at the top of the picture, or behind it. */
  headingDeg: number;
}

/** The unit vector to what stands in the sky, in scene axes: x right, y down the picture, z out of it. */
export function towardSky(
  { altitudeDeg, azimuthDeg }: SkyPlace,
  { viewTiltDeg, headingDeg }: SceneHeading,
): [number, number, number] {
  const q = azimuthDeg - headingDeg;
  const [sinE, cosE] = [sinDeg(altitudeDeg), cosDeg(altitudeDeg)];
  const [sinV, cosV] = [sinDeg(viewTiltDeg), cosDeg(viewTiltDeg)];
  return [cosE * sinDeg(q), -(cosE * cosDeg(q) * sinV + sinE * cosV), sinE * sinV - cosE * cosDeg(q) * cosV];
}
