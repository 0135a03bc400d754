/** The kinds of things that records choose from. */

export const ANSWERS = ['shaded', 'self-lit'] as const;
export type Answer = (typeof ANSWERS)[number];

export const FALL_CURVES = ['straight', 'eased', 'natural', 'even'] as const;
export type FallCurve = (typeof FALL_CURVES)[number];

export const LIGHT_KINDS = ['point'] as const;

export const OCCLUDER_KINDS = ['closed', 'line'] as const;
export type OccluderKind = (typeof OCCLUDER_KINDS)[number];
export const OWN_SHADES = ['lit', 'dark'] as const;
export type OwnShade = (typeof OWN_SHADES)[number];
