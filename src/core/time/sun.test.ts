import { describe, expect, it } from 'vitest';
import {
  arcAt,
  horizontal,
  julianDay,
  siderealDeg,
  sunAt,
  sunEquatorial,
  sunTimes,
  towardSky,
  type EarthPlace,
} from './sun';

describe('the series of Meeus, by his own examples', () => {
  it('counts Julian days', () => {
    // Meeus, example 7.a and table 7.A.
    expect(julianDay(1957, 10, 4.81)).toBeCloseTo(2436116.31, 6);
    expect(julianDay(2000, 1, 1.5)).toBe(2451545);
    expect(julianDay(1987, 1, 27)).toBe(2446822.5);
    expect(julianDay(1900, 1, 1)).toBe(2415020.5);
  });

  it('knows the sidereal time at Greenwich', () => {
    // Example 12.b: 1987 April 10, 19 h 21 m 0 s UT is 8 h 34 m 57.0896 s.
    const julian = julianDay(1987, 4, 10) + (19 + 21 / 60) / 24;
    expect(siderealDeg(julian)).toBeCloseTo(128.7378734, 5);
  });

  it('finds the apparent place of the sun', () => {
    // Example 25.a: 1992 October 13, 0 h.
    const { rightAscensionDeg, declinationDeg } = sunEquatorial(2448908.5);
    expect(rightAscensionDeg).toBeCloseTo(198.38083, 3);
    expect(declinationDeg).toBeCloseTo(-7.78507, 3);
  });

  it('turns it to the horizon of a place', () => {
    // Example 13.b: Venus from Washington, 1987 April 10, 19 h 21 m UT; azimuth from the south is 68.0337.
    const julian = julianDay(1987, 4, 10) + (19 + 21 / 60) / 24;
    const venus = { rightAscensionDeg: 347.3193375, declinationDeg: -6.719892 };
    const place = horizontal(venus, { latitudeDeg: 38.92138889, longitudeDeg: -77.06555556 }, julian);
    expect(place.altitudeDeg).toBeCloseTo(15.1249, 2);
    expect(place.azimuthDeg).toBeCloseTo(248.0337, 2);
  });
});

describe('the sun of a place and a date', () => {
  it('stands where the published example of a far finer series has it', () => {
    // Reda and Andreas, Solar Position Algorithm, NREL/TP-560-34302 (2008), table A5.1: zenith with refraction 50.11162.
    const place: EarthPlace = {
      ...{ latitudeDeg: 39.742476, longitudeDeg: -105.1786, utcOffsetHours: -7 },
      ...{ year: 2003, month: 10, day: 17 },
    };
    const { altitudeDeg, azimuthDeg } = sunAt(place, 12 + 30 / 60 + 30 / 3600);
    expect(altitudeDeg).toBeCloseTo(90 - 50.11162, 1);
    expect(azimuthDeg).toBeCloseTo(194.34024, 1);
    // There it rises at 6.212067 h and sets at 17.338667 h.
    const { riseHours, setHours } = sunTimes(place);
    expect(Math.abs(riseHours! - 6.212067) * 60).toBeLessThan(2);
    expect(Math.abs(setHours! - 17.338667) * 60).toBeLessThan(2);
  });

  const hoursOf = (clock: string) => {
    const [hours, minutes] = clock.split(':').map(Number);
    return hours + minutes / 60;
  };

  // Sunrise and sunset of 2024 as civil almanacs print them, to the minute; the sun at a solstice stands 23.44 degrees from the
  // equator, which gives its height at noon.
  it.each([
    ['London', 51.5074, -0.1278, 1, 6, 21, '4:43', '21:21', 90 - 51.5074 + 23.44],
    ['London', 51.5074, -0.1278, 0, 12, 21, '8:04', '15:53', 90 - 51.5074 - 23.44],
    ['New York', 40.7128, -74.006, -4, 6, 20, '5:25', '20:30', 90 - 40.7128 + 23.44],
    ['New York', 40.7128, -74.006, -5, 12, 21, '7:17', '16:32', 90 - 40.7128 - 23.44],
    ['Tokyo', 35.6895, 139.6917, 9, 6, 21, '4:25', '19:00', 90 - 35.6895 + 23.44],
    ['Tokyo', 35.6895, 139.6917, 9, 12, 21, '6:47', '16:32', 90 - 35.6895 - 23.44],
    ['Sydney', -33.8688, 151.2093, 11, 12, 21, '5:41', '20:05', 90 - 33.8688 + 23.44],
    ['Sydney', -33.8688, 151.2093, 10, 6, 21, '7:00', '16:54', 90 - 33.8688 - 23.44],
    ['Oslo', 59.9139, 10.7522, 2, 6, 21, '3:54', '22:44', 90 - 59.9139 + 23.44],
    ['Oslo', 59.9139, 10.7522, 1, 12, 21, '9:18', '15:12', 90 - 59.9139 - 23.44],
    ['Paris', 48.8566, 2.3522, 2, 6, 21, '5:47', '21:58', 90 - 48.8566 + 23.44],
    ['Cape Town', -33.9249, 18.4241, 2, 12, 21, '5:32', '19:57', 90 - 33.9249 + 23.44],
    ['Berlin', 52.52, 13.405, 2, 6, 21, '4:43', '21:33', 90 - 52.52 + 23.44],
  ])(
    'rises and sets in %s as almanacs have it (%f, %f, UTC %d, month %d)',
    (_, latitudeDeg, longitudeDeg, utcOffsetHours, month, day, rise, set, noonDeg) => {
      const times = sunTimes({ latitudeDeg, longitudeDeg, utcOffsetHours, year: 2024, month, day });
      expect(Math.abs(times.riseHours! - hoursOf(rise)) * 60).toBeLessThan(2);
      expect(Math.abs(times.setHours! - hoursOf(set)) * 60).toBeLessThan(2);
      expect(Math.abs(times.noonAltitudeDeg - noonDeg)).toBeLessThan(0.1);
    },
  );

  it('neither rises nor sets where it is always up or always down', () => {
    const far = { latitudeDeg: 75, longitudeDeg: 20, utcOffsetHours: 1, year: 2025, day: 21 };
    expect(sunTimes({ ...far, month: 6 })).toMatchObject({ riseHours: null, setHours: null });
    expect(sunTimes({ ...far, month: 6 }).noonAltitudeDeg).toBeCloseTo(15 + 23.44, 1);
    expect(sunTimes({ ...far, month: 12 }).noonAltitudeDeg).toBeLessThan(0);
  });
});

describe('an arc', () => {
  const arc = { riseHours: 6, setHours: 18, noonAltitudeDeg: 50, bySouth: true };

  it('rises in the east, stands highest at noon, sets in the west, and goes on below the horizon', () => {
    expect(arcAt(arc, 6)).toEqual({ altitudeDeg: 0, azimuthDeg: 90 });
    expect(arcAt(arc, 12).altitudeDeg).toBeCloseTo(50, 9);
    expect(arcAt(arc, 12).azimuthDeg).toBe(180);
    expect(arcAt(arc, 18).altitudeDeg).toBeCloseTo(0, 9);
    expect(arcAt(arc, 18).azimuthDeg).toBe(270);
    expect(arcAt(arc, 0).altitudeDeg).toBeCloseTo(-50, 9);
    expect(arcAt({ ...arc, bySouth: false }, 9).azimuthDeg).toBe(225);
  });

  it('of a long day has a short night', () => {
    const long = { ...arc, riseHours: 4, setHours: 21 };
    expect(arcAt(long, 12.5).altitudeDeg).toBeCloseTo(50, 9);
    expect(arcAt(long, 20.9).altitudeDeg).toBeGreaterThan(0);
    expect(arcAt(long, 21.1).altitudeDeg).toBeLessThan(0);
    expect(arcAt(long, 0.5).altitudeDeg).toBeCloseTo(-50, 9);
  });
});

describe('the way to the sky', () => {
  const at = (altitudeDeg: number, azimuthDeg: number) => ({ altitudeDeg, azimuthDeg });
  const close = (v: readonly number[], to: readonly number[]) =>
    v.forEach((one, i) => expect(one).toBeCloseTo(to[i], 12));

  it('is out of the picture for a scene seen from above, up for one seen from the side', () => {
    close(towardSky(at(90, 0), { viewTiltDeg: 90, headingDeg: 0 }), [0, 0, 1]);
    close(towardSky(at(90, 0), { viewTiltDeg: 0, headingDeg: 0 }), [0, -1, 0]);
  });

  it('turns with the heading: what stands where the picture looks lies at its top, or behind it', () => {
    close(towardSky(at(0, 30), { viewTiltDeg: 90, headingDeg: 30 }), [0, -1, 0]);
    close(towardSky(at(0, 30), { viewTiltDeg: 0, headingDeg: 30 }), [0, 0, -1]);
    close(towardSky(at(0, 120), { viewTiltDeg: 0, headingDeg: 30 }), [1, 0, 0]);
    for (const altitude of [-10, 20, 70]) {
      const [x, y, z] = towardSky(at(altitude, 200), { viewTiltDeg: 35, headingDeg: 80 });
      expect(x * x + y * y + z * z).toBeCloseTo(1, 12);
    }
  });
});
