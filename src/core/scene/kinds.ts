/** The kinds of things that records choose from. */

export const ANSWERS = ['shaded', 'self-lit', 'seen-when-lit'] as const;
export type Answer = (typeof ANSWERS)[number];

export const FALL_CURVES = ['straight', 'eased', 'natural', 'even', 'drawn'] as const;
export type FallCurve = (typeof FALL_CURVES)[number];

export const LIGHT_KINDS = ['ambient', 'sun', 'point', 'spot', 'area', 'gobo'] as const;
export type LightKind = (typeof LIGHT_KINDS)[number];

/** How lights come together: sums, the brighter one, the art as it was drawn and no brighter, and taking away. */
export const BLENDS = ['add', 'lighten', 'uncover', 'subtract'] as const;
export type Blend = (typeof BLENDS)[number];

/** Where the light of areas and gobos comes from: a place behind them, or one direction everywhere. */
export const SOURCES = ['point', 'parallel'] as const;
export type Source = (typeof SOURCES)[number];

/** What becomes of values above 1: cut off, or bent over a shoulder. */
export const TONES = ['clip', 'shoulder'] as const;
export type Tone = (typeof TONES)[number];

export const OCCLUDER_KINDS = ['closed', 'line'] as const;
export type OccluderKind = (typeof OCCLUDER_KINDS)[number];
export const OWN_SHADES = ['lit', 'dark'] as const;
export type OwnShade = (typeof OWN_SHADES)[number];
