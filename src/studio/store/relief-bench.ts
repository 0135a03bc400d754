/** What a person has before them on the Relief bench: for this session, not part of the scene, not undone. */
import { createStore } from 'zustand/vanilla';
import type { StrokeArea } from '@/core/relief/strokes/stroke';

export const RELIEF_TOOLS = [
  'lamp',
  'section',
  'raise',
  'lower',
  'smooth',
  'flatten',
  'face',
  'fill',
  'join',
  'split',
  'rim',
  'glow',
  'swatch',
  'erase',
] as const;
export type ReliefTool = (typeof RELIEF_TOOLS)[number];

export const RELIEF_TOOL_WORDS: Record<ReliefTool, { words: string; key: string; hint: string }> = {
  lamp: { words: 'Lamp', key: 'q', hint: 'Move to carry the hand lamp, click to put it down or take it up' },
  section: { words: 'Section', key: 'x', hint: 'Drag a line across the art; its heights are shown below' },
  raise: { words: 'Raise', key: 'r', hint: 'Paint to raise; Shift draws on in a straight line' },
  lower: { words: 'Lower', key: 'l', hint: 'Paint to lower; Shift draws on in a straight line' },
  smooth: { words: 'Smooth', key: 'm', hint: 'Paint to smooth the height' },
  flatten: { words: 'Flatten', key: 'f', hint: 'Paint to bring heights to the one under the first point' },
  face: {
    words: 'Normal',
    key: 'c',
    hint: 'Paint normals of the direction that the ball shows; Alt and click picks one from the art',
  },
  fill: {
    words: 'Fill',
    key: 'i',
    hint: 'Click to fill a part, a colour or a polygon (Enter closes it) with the direction of the ball',
  },
  join: { words: 'Join', key: 'j', hint: 'Draw through parts to make them one' },
  split: { words: 'Split', key: 't', hint: 'Draw across a part to cut it' },
  rim: { words: 'Rim', key: 'b', hint: 'Paint how much of a rim light is caught' },
  glow: { words: 'Glow', key: 'g', hint: 'Paint what shines by itself' },
  swatch: { words: 'Swatch', key: 'w', hint: 'Click a colour on the art to find its swatch' },
  erase: { words: 'Erase', key: 'e', hint: 'Erase what was painted on this layer' },
};

export const RELIEF_VIEWS = ['lit', 'normals', 'height', 'art', 'rim', 'occlusion', 'glow'] as const;
export type ReliefView = (typeof RELIEF_VIEWS)[number];
export const VIEW_WORDS: Record<ReliefView, string> = {
  lit: 'Lit',
  normals: 'Normals',
  height: 'Height',
  art: 'Art',
  rim: 'Rim',
  occlusion: 'Occlusion',
  glow: 'Glow',
};

/** Which relief of the artwork a side of the wipe shows. */
export const RELIEF_SIDES = ['now', 'before', 'generated', 'imported', 'none'] as const;
export type ReliefSide = (typeof RELIEF_SIDES)[number];
export const SIDE_WORDS: Record<ReliefSide, string> = {
  now: 'as it is',
  before: 'before the last change',
  generated: 'without strokes',
  imported: 'as imported',
  none: 'without relief',
};

export interface Wipe {
  view: ReliefView;
  side: ReliefSide;
}

export const LAMP_WAYS = ['follow', 'circle'] as const;
export type LampWay = (typeof LAMP_WAYS)[number];

export interface ReliefBenchState {
  /** Words that artworks of the contact sheet have. */
  search: string;
  tool: ReliefTool;
  /** Artworks picked on the contact sheet, beside the one that is shown. */
  picked: ReadonlySet<string>;
  view: ReliefView;
  /** What the left of the wipe shows; null is no wipe. */
  wipe: Wipe | null;
  showParts: boolean;
  lampWay: LampWay;
  lampHeightPx: number;
  lampColour: string;
  /** Reach of the lamp as a multiple of the art's longer side. */
  lampReach: number;
  /** A second light that stands still. */
  secondLamp: boolean;
  sizePx: number;
  hardness: number;
  opacity: number;
  heightPx: number;
  level: number;
  faceX: number;
  faceY: number;
  fillArea: Exclude<StrokeArea, 'line'>;
  /** The layer that strokes go to, by artwork. */
  layerIds: Readonly<Record<string, string>>;
  /** The colour whose swatch was found last. */
  swatch: string | null;
  /** The section line, px of the art; null is the row under the pointer. */
  section: readonly [number, number, number, number] | null;
}

export function createReliefBench() {
  return createStore<ReliefBenchState>(() => ({
    tool: 'lamp',
    search: '',
    picked: new Set(),
    view: 'lit',
    wipe: null,
    showParts: false,
    lampWay: 'follow',
    lampHeightPx: 16,
    lampColour: '#ffe2b8',
    lampReach: 1.6,
    secondLamp: false,
    sizePx: 8,
    hardness: 0.5,
    opacity: 0.6,
    heightPx: 1,
    level: 1,
    faceX: 0,
    faceY: -0.6,
    fillArea: 'part',
    layerIds: {},
    swatch: null,
    section: null,
  }));
}

export type ReliefBenchStore = ReturnType<typeof createReliefBench>;
