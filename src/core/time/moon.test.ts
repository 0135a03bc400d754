import { describe, expect, it } from 'vitest';
import { moonAt, moonEcliptic } from './moon';
import { julianDay, sunAt, type EarthPlace } from './sun';

const turned = (degrees: number) => degrees - 360 * Math.floor(degrees / 360);

describe('the moon', () => {
  it('stands where Meeus (example 47.a) has it, within what the series promises', () => {
    const [longitude, latitude] = moonEcliptic(julianDay(1992, 4, 12));
    expect(Math.abs(turned(longitude) - 133.162655)).toBeLessThan(0.3);
    expect(Math.abs(latitude - -3.229126)).toBeLessThan(0.2);
  });

  it('stands across from the sun when it is full: 2026, 3 January, 10:03 UTC', () => {
    const place: EarthPlace = {
      latitudeDeg: 0,
      longitudeDeg: 30,
      utcOffsetHours: 0,
      year: 2026,
      month: 1,
      day: 3,
    };
    const [moon, sun] = [moonAt(place, 10.05), sunAt(place, 10.05)];
    // As high above as the sun below, but for the moon's own latitude and its parallax.
    expect(Math.abs(moon.altitudeDeg + sun.altitudeDeg)).toBeLessThan(7);
    expect(Math.abs(turned(moon.azimuthDeg - sun.azimuthDeg) - 180)).toBeLessThan(12);
  });
});
