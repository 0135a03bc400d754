/** What a person has before them on the Art bench: for this session, not part of the scene, not undone. */
import { createStore } from 'zustand/vanilla';
import type { OutlineRule } from '@/core/art/outlines-from';
import type { Rect } from '@/core/raster/rect';
import type { OccluderKind } from '@/core/scene/records/occluder';
import type { Cells } from '@/core/relief/recipe';

export const ART_TOOLS = ['select', 'frame', 'pivot', 'foot', 'bracket', 'outline'] as const;
export type ArtTool = (typeof ART_TOOLS)[number];
export const ART_TOOL_WORDS: Record<ArtTool, { words: string; key: string; hint: string }> = {
  select: {
    words: 'Select',
    key: 'q',
    hint: 'Click a frame to choose it; drag to pan, turn the wheel to zoom',
  },
  frame: { words: 'Frame', key: 'f', hint: 'Drag a box around a frame; drag a corner of one to change it' },
  pivot: { words: 'Pivot', key: 'p', hint: 'Click the point that is put where a sprite stands' },
  foot: { words: 'Foot', key: 't', hint: 'Click where it stands on the ground, or drag a line' },
  bracket: { words: 'Bracket', key: 'b', hint: 'Click to put a bracket; drag one to move it in this frame' },
  outline: {
    words: 'Outline',
    key: 'k',
    hint: 'What stops light: taken from the picture, drawn, or read from SVG',
  },
};

/** The picture with its frames, or the figure as its frames make it. */
export const ART_VIEWS = ['picture', 'figure'] as const;
export type ArtView = (typeof ART_VIEWS)[number];
export const ART_VIEW_WORDS: Record<ArtView, string> = { picture: 'Picture', figure: 'Figure' };

export const CUT_WAYS = ['grid', 'islands'] as const;
export type CutWay = (typeof CUT_WAYS)[number];

/** How a picture is to be cut, as it is tried out. */
export interface CutRule {
  way: CutWay;
  cells: Cells;
  /** Whether cells with nothing in them become frames too. */
  keepEmpty: boolean;
  joinPx: number;
  leastPixels: number;
}

/** An outline on its way: its points so far, and the numbers of the smooth ones. */
export interface DrawnOutline {
  kind: OccluderKind;
  points: number[];
  smooth: number[];
}

export interface ArtBenchState {
  tool: ArtTool;
  view: ArtView;
  /** The number of the frame that is chosen. */
  frame: number;
  playing: boolean;
  bracketId: string | null;
  /** The occluder of the artwork that is chosen. */
  occluderId: string | null;
  /** The outline that the pen is drawing, px of the figure. */
  drawn: DrawnOutline | null;
  outlineRule: OutlineRule;
  /** What the rule finds in each frame, px of the figure; shown until it is taken. */
  found: { artworkId: string; frames: number[][][] | null; fault: string | null } | null;
  rule: CutRule;
  /** The frames that the rule would make, shown until they are taken or the hand turns to something else. */
  tried: { artworkId: string; rects: Rect[] | null; fault: string | null } | null;
  /** Words that a name or tag must have to be shown on the contact sheet. */
  search: string;
  showBin: boolean;
  picked: ReadonlySet<string>;
}

export function createArtBench() {
  return createStore<ArtBenchState>(() => ({
    tool: 'select',
    view: 'picture',
    frame: 0,
    playing: true,
    bracketId: null,
    occluderId: null,
    drawn: null,
    outlineRule: {
      way: 'alpha',
      threshold: 128,
      colours: [],
      seeds: [],
      likeness: 8,
      tolerancePx: 1,
      insetPx: 0,
      holes: true,
    },
    found: null,
    rule: {
      way: 'grid',
      cells: { columns: 4, rows: 1, marginPx: 0, gapPx: 0 },
      keepEmpty: false,
      joinPx: 1,
      leastPixels: 4,
    },
    tried: null,
    search: '',
    showBin: false,
    picked: new Set(),
  }));
}

export type ArtBenchStore = ReturnType<typeof createArtBench>;
