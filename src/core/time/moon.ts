/**
 * Where the moon stands: the low-precision series of the Astronomical Almanac (page D22; 0.3 degrees in longitude, 0.2 in
 * latitude, for 1950 to 2050). Seen from where one stands it is lower than from the middle of the earth by its parallax.
 */
import { atan2, cos, RADIANS_PER_DEGREE, sin } from '../geometry/exact';
import { DAY_HOURS } from './periodic';
import {
  CENTURY_DAYS,
  horizontal,
  J2000,
  julianDay,
  type EarthPlace,
  type Equatorial,
  type SkyPlace,
} from './sun';

const sinDeg = (degrees: number) => sin(degrees * RADIANS_PER_DEGREE);
const cosDeg = (degrees: number) => cos(degrees * RADIANS_PER_DEGREE);

/** Amplitude, phase and degrees a century of each term, all in degrees. */
const LONGITUDE = [
  [6.29, 135, 477198.87],
  [-1.27, 259.3, -413335.36],
  [0.66, 235.7, 890534.22],
  [0.21, 269.9, 954397.74],
  [-0.19, 357.5, 35999.05],
  [-0.11, 186.5, 966404.03],
] as const;
const LATITUDE = [
  [5.13, 93.3, 483202.02],
  [0.28, 228.2, 960400.89],
  [-0.28, 318.3, 6003.15],
  [-0.17, 217.6, -407332.21],
] as const;
/** Obliquity of the ecliptic in 2000; it changes by a hundredth of a degree in a lifetime. */
const OBLIQUITY_DEG = 23.4393;
const PARALLAX_DEG = 0.95;

const sumOf = (terms: readonly (readonly [number, number, number])[], t: number) =>
  terms.reduce((sum, [amplitude, phase, rate]) => sum + amplitude * sinDeg(phase + rate * t), 0);

/** @returns ecliptic longitude and latitude, degrees; the longitude is not brought into a turn */
export function moonEcliptic(julian: number): [longitudeDeg: number, latitudeDeg: number] {
  const t = (julian - J2000) / CENTURY_DAYS;
  return [218.32 + 481267.881 * t + sumOf(LONGITUDE, t), sumOf(LATITUDE, t)];
}

function moonEquatorial(julian: number): Equatorial {
  const [longitude, latitude] = moonEcliptic(julian);
  const x = cosDeg(latitude) * cosDeg(longitude);
  const y = cosDeg(latitude) * sinDeg(longitude);
  const z = sinDeg(latitude);
  const [cosE, sinE] = [cosDeg(OBLIQUITY_DEG), sinDeg(OBLIQUITY_DEG)];
  const [north, up] = [y * cosE - z * sinE, y * sinE + z * cosE];
  return {
    rightAscensionDeg: atan2(north, x) / RADIANS_PER_DEGREE,
    declinationDeg: atan2(up, Math.sqrt(x * x + north * north)) / RADIANS_PER_DEGREE,
  };
}

/** @param clockHours of the place's own clock on its date */
export function moonAt(place: EarthPlace, clockHours: number): SkyPlace {
  const julian =
    julianDay(place.year, place.month, place.day) + (clockHours - place.utcOffsetHours) / DAY_HOURS;
  const { altitudeDeg, azimuthDeg } = horizontal(moonEquatorial(julian), place, julian);
  return { altitudeDeg: altitudeDeg - PARALLAX_DEG * cosDeg(altitudeDeg), azimuthDeg };
}
