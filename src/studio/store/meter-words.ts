/** Numbers of the meter as they are written. */
import { displayed } from '@/core/light/point-renderer';
import type { LightSpace, Rgb } from '@/core/raster/colour';

/** How bright hues are shown, of 1. */
const BRIGHTEST = 0.6;

export function hexOfBytes(bytes: readonly number[]): string {
  return `#${bytes.map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
}

/** The hue of what a line gives, as bright as it can be: most of a night would be black else. */
export function hueOfLight(rgb: Readonly<Rgb>, space: LightSpace): string {
  const most = Math.max(...rgb.map(Math.abs), Number.MIN_VALUE);
  return hexOfBytes(rgb.map((v) => Math.round(255 * displayed(space, (BRIGHTEST * Math.abs(v)) / most))));
}

/** How much of a pixel a line is, by the strongest of its channels; below 0 for what takes away. */
export function strengthOf(rgb: Readonly<Rgb>): number {
  return rgb.reduce((most, v) => (Math.abs(v) > Math.abs(most) ? v : most), 0);
}
