/** The session: what a person has before them. Not part of the scene, not undone. */
import type { ExportName } from '@/core/handoff/exports/all-exports';
import { createStore } from 'zustand/vanilla';
import type { ScatterRule } from '@/core/art/scatter';
import type { ColourVision } from '@/core/checks/colour-vision';
import type { Eye } from '@/core/checks/seen/seen-report';
import type { LightKind } from '@/core/moment/light-kinds/all-kinds';
import type { LookFields } from '@/core/scene/records/look';
import type { Trial } from '@/core/time/trial';
import type { Bench } from './benches';
import type { Offer } from './offer';
import type { Question } from './questions';
import type { Wipe } from './wipe';
import type { WiringShows } from './wiring-rows';

/** The tools of the stage; those of tiles stand beside the tiles. */
export const TOOLS = [
  'pick',
  'light',
  'place',
  'scatter',
  'flat',
  'hang',
  'outline',
  'line',
  'rectangle',
  'ellipse',
  'meter',
] as const;
export const TILE_TOOLS = ['paint', 'fill-rectangle', 'fill', 'erase', 'pick-tile'] as const;
export type TileToolName = (typeof TILE_TOOLS)[number];
/** The tools of the Time bench. */
export const TIME_TOOLS = ['path'] as const;
export type ToolName = (typeof TOOLS)[number] | TileToolName | (typeof TIME_TOOLS)[number];

/** What the scatter tool strews, and how. */
export interface Scatter extends ScatterRule {
  /** The artworks, each by chance. */
  artworkIds: readonly string[];
}

/** What lies over the stage: one at a time. */
/** The kinds of things on the shelf. */
export type ShelfTab = 'artworks' | 'luminaires' | 'looks' | 'tables';

export const PANELS = ['shelf', 'wiring', 'steps', 'revisions'] as const;
export type Panel = (typeof PANELS)[number];

export const TIME_PARTS = ['day', 'sky', 'weather', 'wash', 'motion', 'wicks', 'rounds', 'checks'] as const;
export type TimePart = (typeof TIME_PARTS)[number];

/** A look by its id; null is none. */
export interface LookBefore {
  lookId: string | null;
}

/** What the Finish bench shows. */
export const FINISH_PARTS = ['passes', 'looks', 'hours'] as const;
export type FinishPart = (typeof FINISH_PARTS)[number];

export interface DeskState {
  bench: Bench;
  tool: ToolName;
  planeId: string | null;
  /** The artwork that the place tool stamps. */
  artworkId: string | null;
  /** The luminaire that the place tool stamps in the place of an artwork. */
  luminaireId: string | null;
  /** The kind that the light tool places, and the artwork of new gobos. */
  lightKind: LightKind;
  goboId: string | null;
  /** The cell that tile tools lay. */
  tile: number;
  /** The colour of new flats. */
  flatColour: string;
  scatter: Scatter;
  /** The part of a lamp that is worked on; null is its first light. */
  partId: string | null;
  /** Things are placed and moved by whole multiples of this; 0 is no grid. */
  gridPx: number;
  panel: Panel | null;
  /** Whether the passes of a frame are looked at. */
  passesOpen: boolean;
  /** Whether an action is being looked for by its words. */
  paletteOpen: boolean;
  /** Whether the list of keys is open. */
  keysOpen: boolean;
  /** What is looked for in the wiring, and what it shows. */
  wiringQuery: string;
  wiringShows: WiringShows;
  shelfTab: ShelfTab;
  /** The way to leave whose options are shown. */
  exportName: ExportName;
  /** What is looked for among the channels, the groups of them that are unfolded, and what each cost when their order was chosen. */
  channelQuery: string;
  openGroups: ReadonlySet<string>;
  channelCosts: ReadonlyMap<string, number>;
  solo: ReadonlySet<string>;
  muted: ReadonlySet<string>;
  soloPlanes: ReadonlySet<string>;
  workLamp: boolean;
  /** What is compared under the movable edge; null is nothing. */
  wipe: Wipe | null;
  /** Values of the day tried out at this hour, not yet recorded in a cue. */
  trial: Trial | null;
  /** Whether it is being chosen what a cue records. */
  isRecording: boolean;
  /** By whose eyes the stage is seen; null is one's own. */
  eyes: ColourVision | null;
  /** What of time the Time bench shows. */
  timePart: TimePart;
  /** The wick that is worked on there; null is the first. */
  wickId: string | null;
  /** The wash that is worked on; null is the first. The one that is seen in full while a key is held. */
  washId: string | null;
  fullWash: string | null;
  finishPart: FinishPart;
  /** The look under the pointer on the contact sheet, seen on the stage. */
  triedLook: LookFields | null;
  /** The look that was there before the last one was taken; null before any was. */
  lookBefore: LookBefore | null;
  /** What is burnt out or black is marked, while a key is held. */
  marksClipped: boolean;
  /** By whose eyes it is looked at whether a figure can be seen, and the contrast that it should have. */
  seenEye: Eye;
  seenLimit: number;
  /** What the chart of the day shows: see time/DayChart.tsx. */
  dayChart: string;
  /** What stays until it is closed. */
  notice: string | null;
  /** What is worth knowing, and goes by itself. */
  mention: string | null;
  /** What waits for somebody to decide. */
  question: Question | null;
  /** What can be done by one press with what just came in. */
  offers: readonly Offer[];
  /** Pictures that are being brought in. */
  bringing: { done: number; all: number; stop(): void } | null;
}

export function createDesk(bench: Bench) {
  return createStore<DeskState>(() => ({
    bench,
    tool: 'pick',
    planeId: null,
    artworkId: null,
    luminaireId: null,
    tile: 1,
    flatColour: '#6b7076',
    scatter: { artworkIds: [], count: 12, seed: 1, spacingPx: 8, sizeShare: 0, turnDeg: 0, flips: true },
    partId: null,
    lightKind: 'point',
    goboId: null,
    gridPx: 0,
    panel: null,
    passesOpen: false,
    paletteOpen: false,
    keysOpen: false,
    wiringQuery: '',
    wiringShows: 'all',
    shelfTab: 'artworks',
    exportName: 'bundle',
    channelQuery: '',
    openGroups: new Set(),
    channelCosts: new Map(),
    solo: new Set(),
    muted: new Set(),
    soloPlanes: new Set(),
    workLamp: false,
    wipe: null,
    trial: null,
    isRecording: false,
    eyes: null,
    timePart: 'day',
    wickId: null,
    washId: null,
    fullWash: null,
    finishPart: 'passes',
    triedLook: null,
    lookBefore: null,
    marksClipped: false,
    seenEye: 'typical',
    seenLimit: 5,
    dayChart: 'ambientLevel',
    notice: null,
    mention: null,
    question: null,
    offers: [],
    bringing: null,
  }));
}

export type DeskStore = ReturnType<typeof createDesk>;

/**
 * What is picked after a press on a row of a contact sheet: Shift takes all from the one that is shown, Ctrl one more or
 * less. @returns null where the press chooses the row instead
 */
export function pickedBy(
  { shiftKey, ctrlKey, metaKey }: Pick<MouseEvent, 'shiftKey' | 'ctrlKey' | 'metaKey'>,
  rowIds: readonly string[],
  shownId: string | null,
  id: string,
  picked: ReadonlySet<string>,
): ReadonlySet<string> | null {
  if (shiftKey && shownId !== null) {
    const ends = [rowIds.indexOf(shownId), rowIds.indexOf(id)];
    const range = rowIds.slice(Math.max(0, Math.min(...ends)), Math.max(...ends) + 1);
    return new Set([...picked, ...range]);
  }
  return ctrlKey || metaKey ? toggled(picked, id) : null;
}

/** A set with one member more or less. */
export function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
}
