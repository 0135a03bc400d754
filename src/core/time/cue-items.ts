/** What a cue can hold: a value by its name, or the level of a circuit by its id. One way to handle both. */
import type { Cue } from '../scene/records/cue';
import { cueValueRow, CUE_VALUE_NAMES, isCueColour, type CueValue } from './cue-values';

export type CueItem = { value: CueValue } | { circuitId: string };
/** A colour as hex, or a number. */
export type ItemValue = number | string;

export function itemKey(item: CueItem): string {
  return 'value' in item ? item.value : `circuit ${item.circuitId}`;
}

export function isColourItem(item: CueItem): boolean {
  return 'value' in item && isCueColour(item.value);
}

/** Levels of circuits go up to twice their own. */
const CIRCUIT_RANGE = { low: 0, high: 2, unit: undefined };

/** Where fields and charts of an item begin and end. */
export function itemRange(item: CueItem): { low: number; high: number; unit?: string } {
  if (!('value' in item)) return CIRCUIT_RANGE;
  const { low = 0, high = 1, unit } = cueValueRow(item.value);
  return { low, high, unit };
}

/** What of a cue says what it holds. */
export type Holding = Pick<Cue, CueValue | 'circuitLevels' | 'held'>;

/** All that a cue holds: values in the order of their table, then circuits. */
export function itemsIn(cue: Holding): CueItem[] {
  return [
    ...CUE_VALUE_NAMES.filter((value) => cue[value] !== null).map((value) => ({ value })),
    ...cue.circuitLevels.map(({ circuitId }) => ({ circuitId })),
  ];
}

/** What a cue holds of an item; null is nothing. */
export function itemIn(cue: Holding, item: CueItem): ItemValue | null {
  if ('value' in item) return cue[item.value];
  return cue.circuitLevels.find(({ circuitId }) => circuitId === item.circuitId)?.level ?? null;
}

/** The fields of a cue with an item held at a value; null lets it go. */
export function withItem(cue: Holding, item: CueItem, to: ItemValue | null): Partial<Cue> {
  if ('value' in item) {
    const held = to === null ? cue.held.filter((one) => one !== item.value) : cue.held;
    return { [item.value]: to, held };
  }
  const { circuitId } = item;
  if (to === null) return { circuitLevels: cue.circuitLevels.filter((one) => one.circuitId !== circuitId) };
  const level = to as number;
  const isThere = itemIn(cue, item) !== null;
  return {
    circuitLevels: isThere
      ? cue.circuitLevels.map((one) => (one.circuitId === circuitId ? { ...one, level } : one))
      : [...cue.circuitLevels, { circuitId, level, held: false }],
  };
}

/** Whether an item stays as it is until the next cue that holds it. */
export function isHeld(cue: Holding, item: CueItem): boolean {
  if ('value' in item) return cue.held.includes(item.value);
  return cue.circuitLevels.some(({ circuitId, held }) => circuitId === item.circuitId && held);
}

export function withHeld(cue: Holding, item: CueItem, held: boolean): Partial<Cue> {
  if ('value' in item) {
    const others = cue.held.filter((one) => one !== item.value);
    return { held: held ? [...others, item.value] : others };
  }
  return {
    circuitLevels: cue.circuitLevels.map((one) =>
      one.circuitId === item.circuitId ? { ...one, held } : one,
    ),
  };
}
