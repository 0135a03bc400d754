/** What a pixel is made of, line by line; see account-for.ts. Everything is in the light space, as it counts in the picture. */
import type { PassName } from '../../finish/all-passes';
import type { Rgb } from '../../raster/colour';
import type { MissingLight } from '../emission';

/** Why a light that burns gives nothing to a surface: the first reason there is. */
export type NoLight =
  | { why: 'backdrop' | 'circuits' | 'span' | MissingLight | 'facing' | 'self-lit' | 'no rim' | 'black' }
  /** A brighter one wins, where the brighter one counts. */
  | { why: 'outshone' }
  /** Indices into the Moment's occluders, what stops most first; or into its casts. */
  | { why: 'blocked' | 'own shade'; occluders: readonly number[] }
  | { why: 'cast shape'; casts: readonly number[] };

export interface LightLine {
  /** Index into the Moment's lights. */
  light: number;
  /** What the pixel has of it; below 0 for one that takes away. */
  rgb: Rgb;
  /** What it gives to the surface, before that takes it back. */
  given: Rgb;
  /** The share that comes past occluders and shapes, the light's own shadow colour aside. */
  seen: Rgb;
  /** What stops the rest of it. */
  occluders: readonly number[];
  nothing: NoLight | null;
}

/** The sprites that make up what is seen of a layer. */
export interface Surface {
  plane: number;
  layer: number;
  /** Index into the layer's sprites: the one that covers most of it here. */
  sprite: number;
  /** How opaque the layer is here, and how much of it comes through to the picture. */
  alpha: number;
  share: number;
  /** What light is multiplied by: colours by alpha, the plane's tint and clouds in them. */
  albedo: Rgb;
  /** A unit vector, z toward the viewer. */
  normal: Rgb;
  /** What rim lights are multiplied by. */
  rim: number;
  /** How much of what is seen when lit shows; 1 for all else. */
  shows: number;
}

/** Something else than a light of the surface. */
export type OtherLine = { rgb: Rgb } & (
  | { what: 'ambient' | 'unlit' | 'work lamp' | 'glow' | 'no darker than black' | 'backdrop' }
  | { what: 'behind' | 'in front'; plane: number; layer: number; sprite: number }
  | { what: 'air'; light: number }
);

/** What becomes of the picture after its planes. */
export type LaterLine =
  /** Planes that are blurred by their distance. */
  | { what: 'blur'; from: Rgb; to: Rgb }
  | { what: 'wash'; wash: number; from: Rgb; to: Rgb }
  /** Linear light, and encoded values where the pass works on the print. */
  | { what: 'pass'; pass: PassName; from: Rgb; to: Rgb };

/** What a pixel is made of, up to the light that blur, washes and finish begin with. */
export interface LightAccount {
  /** The middle of the pixel in the scene. */
  x: number;
  y: number;
  /** What is seen most of here; null is the backdrop alone. */
  surface: Surface | null;
  /** All lights that burn, in the Moment's order. */
  lights: LightLine[];
  others: OtherLine[];
  /** What lights and others add up to. */
  sum: Rgb;
  /** Display values, premultiplied, and alpha of the overlay planes, which lie over all. */
  overlay: [number, number, number, number];
}

/** What becomes of the light of a pixel. */
export interface FinishAccount {
  later: LaterLine[];
  /** The pixel as it is shown, 8 bit. */
  pixel: [number, number, number];
}

export type Account = LightAccount & FinishAccount;
