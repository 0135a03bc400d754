/** Colour: the one sRGB transfer (IEC 61966-2-1), hex strings, luminance, OKLab (Ottosson 2020). */
import { cbrt, pow } from '../geometry/exact';
import { InputFault } from '../faults';

export type Rgb = [number, number, number];

/** Where lighting and compositing happen: on decoded values, or on the encoded ones as many games do. */
export const LIGHT_SPACES = ['linear', 'display'] as const;
export type LightSpace = (typeof LIGHT_SPACES)[number];

/** Encoded 0..1 to linear; continues above 1. */
export function srgbDecode(v: number): number {
  return v <= 0.04045 ? v / 12.92 : pow((v + 0.055) / 1.055, 2.4);
}

/** Linear to encoded; continues above 1, zero and below give 0. */
export function srgbEncode(v: number): number {
  if (v <= 0) return 0;
  if (v <= 0.0031308) return v * 12.92;
  const root = cubeRoot(v);
  return 1.055 * root * Math.sqrt(Math.sqrt(root)) - 0.055;
}

/**
 * By roots and two steps of Halley's method, from a guess that is within a hundredth: many times as fast as a power, and the
 * same bits everywhere. Within 5e-16 of itself from 0.003 to 1; brighter values are rare.
 */
function cubeRoot(v: number): number {
  if (v > 1) return cbrt(v);
  const fourth = Math.sqrt(Math.sqrt(v));
  let root = -0.03877344 + fourth * (0.69492321 + fourth * 0.35099416);
  for (let step = 0; step < 2; step++) {
    const cube = root * root * root;
    root *= (cube + 2 * v) / (2 * cube + v);
  }
  return root;
}

/** Linear value of each of the 256 encoded bytes. */
export const SRGB_BYTE_TO_LINEAR: Float64Array = Float64Array.from({ length: 256 }, (_, i) =>
  srgbDecode(i / 255),
);

/** The value of an encoded byte in a light space, 0..1. */
export function byteInLightSpace(byte: number, space: LightSpace): number {
  return space === 'linear' ? SRGB_BYTE_TO_LINEAR[byte] : byte / 255;
}

/** `#rrggbb` to bytes. */
export function hexToBytes(hex: string): Rgb {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) throw new InputFault(`A colour is written like #c9a25c; got "${hex}".`);
  const n = Number.parseInt(hex.slice(1), 16);
  return [n >> 16, (n >> 8) & 255, n & 255];
}

export function bytesToHex([r, g, b]: Readonly<Rgb>): string {
  return `#${((1 << 24) | (r << 16) | (g << 8) | b).toString(16).slice(1)}`;
}

export function hexToLinear(hex: string): Rgb {
  const [r, g, b] = hexToBytes(hex);
  return [SRGB_BYTE_TO_LINEAR[r], SRGB_BYTE_TO_LINEAR[g], SRGB_BYTE_TO_LINEAR[b]];
}

export function hexInLightSpace(hex: string, space: LightSpace): Rgb {
  const [r, g, b] = hexToBytes(hex);
  return [byteInLightSpace(r, space), byteInLightSpace(g, space), byteInLightSpace(b, space)];
}

export function linearInLightSpace([r, g, b]: Readonly<Rgb>, space: LightSpace): Rgb {
  return space === 'linear' ? [r, g, b] : [srgbEncode(r), srgbEncode(g), srgbEncode(b)];
}

/** Weights of linear red, green and blue in luminance (IEC 61966-2-1). */
export const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;

/** Luminance of linear RGB; 1 is white. */
export function linearLuminance([r, g, b]: Readonly<Rgb>): number {
  return LUMINANCE[0] * r + LUMINANCE[1] * g + LUMINANCE[2] * b;
}

/** Linear RGB to the nearest hex, clipped to 0..1. */
export function linearToHex(rgb: Readonly<Rgb>): string {
  const byte = (v: number) => Math.floor(Math.min(1, srgbEncode(v)) * 255 + 0.5);
  return bytesToHex([byte(rgb[0]), byte(rgb[1]), byte(rgb[2])]);
}

/** Linear RGB to OKLab [L, a, b]. */
export function linearToOklab([r, g, b]: Readonly<Rgb>): Rgb {
  const l = cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** OKLab to linear RGB, clipped to non-negative values. */
export function oklabToLinear([L, a, b]: Readonly<Rgb>): Rgb {
  const l = L + 0.3963377774 * a + 0.2158037573 * b;
  const m = L - 0.1055613458 * a - 0.0638541728 * b;
  const s = L - 0.0894841775 * a - 1.291485548 * b;
  const [l3, m3, s3] = [l * l * l, m * m * m, s * s * s];
  return [
    Math.max(0, 4.0767416621 * l3 - 3.3077115913 * m3 + 0.2309699292 * s3),
    Math.max(0, -1.2684380046 * l3 + 2.6097574011 * m3 - 0.3413193965 * s3),
    Math.max(0, -0.0041960863 * l3 - 0.7034186147 * m3 + 1.707614701 * s3),
  ];
}

const LIGHTNESS_STEPS = 4096;
/** Cube roots over 0..1, for lightness of whole pictures. */
const CUBE_ROOTS = Float32Array.from({ length: LIGHTNESS_STEPS + 1 }, (_, i) => cbrt(i / LIGHTNESS_STEPS));

/**
 * OKLab lightness, 0..1, of each pixel.
 * @param rgba bytes, four a pixel; alpha is not read
 * @param out as many floats as pixels
 * @returns out; within 0.002 of the exact value (the table's cells)
 */
export function lightnessOf(rgba: Uint8Array | Uint8ClampedArray, out: Float32Array): Float32Array {
  const table = CUBE_ROOTS;
  const linear = SRGB_BYTE_TO_LINEAR;
  const n = LIGHTNESS_STEPS;
  for (let i = 0, p = 0; i < out.length; i++, p += 4) {
    const r = linear[rgba[p]];
    const g = linear[rgba[p + 1]];
    const b = linear[rgba[p + 2]];
    const l = (0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b) * n;
    const m = (0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b) * n;
    const s = (0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b) * n;
    out[i] =
      0.2104542553 * tableAt(table, l) + 0.793617785 * tableAt(table, m) - 0.0040720468 * tableAt(table, s);
  }
  return out;
}

function tableAt(table: Float32Array, at: number): number {
  const i = at | 0;
  const low = table[i];
  return i >= LIGHTNESS_STEPS ? table[LIGHTNESS_STEPS] : low + (table[i + 1] - low) * (at - i);
}
