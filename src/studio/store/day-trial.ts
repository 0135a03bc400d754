/** Values of the day that are tried at one hour, and what becomes of them: they are recorded in a cue, or given up. */
import { linearToHex } from '@/core/raster/colour';
import { inOrder, settingsOf } from '@/core/scene/document';
import { change, create, type Edit } from '@/core/scene/edits';
import { newCue } from '@/core/scene/records/cue';
import { withItem, type CueItem, type ItemValue } from '@/core/time/cue-items';
import { CUE_VALUE_NAMES, CUE_VALUES, isCueColour, type CueValue } from '@/core/time/cue-values';
import type { SkyBody } from '@/core/time/sky-fields';
import type { Trial } from '@/core/time/trial';
import { freshId, type Studio } from './studio';

/** Cues this close to the playhead are meant by it: half a minute. */
const SAME_HOUR = 1 / 120;
/** Recorded levels are rounded to thousandths. */
const LEVEL_STEPS = 1000;

/** All that a cue of the scene can hold. */
export function holdable({ scene }: Studio): CueItem[] {
  return [
    ...CUE_VALUE_NAMES.map((value) => ({ value })),
    ...inOrder(scene.circuits).map(([circuitId]) => ({ circuitId })),
  ];
}

/** All that can be recorded in a scene: values of the sun and the moon only where a light follows them. */
export function dayItems(studio: Studio): CueItem[] {
  const followed = new Set<string>(Object.values(studio.scene.lights).map(({ follows }) => follows));
  return holdable(studio).filter((item) => {
    if (!('value' in item)) return true;
    const { own } = CUE_VALUES[item.value];
    return own === 'settings' || followed.has(own);
  });
}

export function itemWords({ scene }: Studio, item: CueItem): string {
  if ('value' in item) return CUE_VALUES[item.value].word;
  return scene.circuits[item.circuitId]?.name ?? '';
}

/** What is seen of an item at an hour: recorded or tried; a colour as hex. */
export function itemAt(studio: Studio, item: CueItem, clockHours: number): ItemValue {
  const day = studio.day();
  if (!('value' in item)) return day.circuitLevel(item.circuitId, clockHours);
  const { value } = item;
  const { own } = CUE_VALUES[value];
  if (own !== 'settings') return bodyAt(studio, value, own, clockHours);
  if (value === 'ambientColour') return linearToHex(day.ambient(clockHours).linear);
  if (isCueColour(value)) {
    const held = day.colour(value, clockHours);
    return held ? linearToHex(held) : settingsOf(studio.scene)[value as 'cloudColour'];
  }
  return day.settingsAt(clockHours)[value as 'ambientLevel'];
}

/** The same at the playhead. */
export function itemNow(studio: Studio, item: CueItem): ItemValue {
  return itemAt(studio, item, studio.live.getState().clockHours);
}

/** Where no cue holds it, the first light that follows says its own. */
function bodyAt(studio: Studio, value: CueValue, own: SkyBody, clockHours: number): ItemValue {
  const day = studio.day();
  const light = inOrder(studio.scene.lights).find(([, { follows }]) => follows === own)?.[1];
  if (isCueColour(value)) {
    const held = day.colour(value, clockHours);
    return held ? linearToHex(held) : (light?.colour ?? '#ffffff');
  }
  return day.number(value, clockHours) ?? light?.level ?? 1;
}

/** Whether an item is tried, and not recorded yet. */
export function isTried(trial: Trial | null, item: CueItem): boolean {
  if (!trial) return false;
  return 'value' in item ? item.value in trial : item.circuitId in (trial.circuitLevels ?? {});
}

/** Shows a value in the place of what is recorded, at this hour. */
export function tryItem(studio: Studio, item: CueItem, to: ItemValue): void {
  studio.desk.setState(({ trial }) => ({
    notice: null,
    trial:
      'value' in item
        ? { ...trial, [item.value]: to }
        : { ...trial, circuitLevels: { ...trial?.circuitLevels, [item.circuitId]: to as number } },
  }));
}

/** What an item was before it was tried comes back. */
export function giveUpItem(studio: Studio, item: CueItem): void {
  const { trial } = studio.desk.getState();
  if (!trial) return;
  const left: Trial = { ...trial };
  if ('value' in item) delete left[item.value];
  else {
    const { [item.circuitId]: _gone, ...levels } = trial.circuitLevels ?? {};
    if (Object.keys(levels).length > 0) left.circuitLevels = levels;
    else delete left.circuitLevels;
  }
  studio.desk.setState({ trial: Object.keys(left).length > 0 ? left : null });
}

/** What recording begins with: what is tried; where nothing is, the ambient light. */
export function offeredItems(studio: Studio): CueItem[] {
  const { trial } = studio.desk.getState();
  const tried = dayItems(studio).filter((item) => isTried(trial, item));
  return tried.length > 0 ? tried : [{ value: 'ambientColour' }, { value: 'ambientLevel' }];
}

/** The cue that stands at the hour of the playhead. */
export function cueHere(studio: Studio): string | null {
  const { clockHours } = studio.live.getState();
  const near = (hours: number) => Math.min(Math.abs(hours - clockHours), 24 - Math.abs(hours - clockHours));
  const there = Object.entries(studio.scene.cues).find(([, cue]) => near(cue.clockHours) <= SAME_HOUR);
  return there?.[0] ?? null;
}

/** Holds what is seen of some items in a cue at this hour: a new one, or the one that is there. What is tried ends. */
export function recordItems(studio: Studio, items: readonly CueItem[]): void {
  if (items.length === 0) return;
  const { scene } = studio;
  const clockHours = (Math.round(studio.live.getState().clockHours * 100) / 100) % 24;
  const id = cueHere(studio);
  const before = id === null ? newCue({ clockHours }) : scene.cues[id];
  const recorded = items.reduce((cue, item) => {
    const now = itemNow(studio, item);
    const rounded = typeof now === 'number' ? Math.round(now * LEVEL_STEPS) / LEVEL_STEPS : now;
    return { ...cue, ...withItem(cue, item, rounded) };
  }, before);
  const cueId = id ?? freshId();
  const edit: Edit | null =
    id === null ? create('cues', cueId, recorded) : change(scene, 'cues', cueId, recorded);
  studio.desk.setState({ trial: null, isRecording: false });
  studio.scenes.transact({
    label: 'Record a cue',
    edits: edit ? [edit] : [],
    selection: [{ collection: 'cues', id: cueId }],
  });
}
