/** Edits of cues as wholes: copies, and values that a chart sets at an hour. */
import { changes, create, type Edit } from '@/core/scene/edits';
import { newCue } from '@/core/scene/records/cue';
import { withItem, type CueItem, type ItemValue } from '@/core/time/cue-items';
import { clockText } from '@/core/time/cues';
import { DAY_HOURS } from '@/core/time/periodic';
import { cueHere } from './day-trial';
import { freshId, type Studio } from './studio';

/** Hours of cues that are dragged or put down snap to five minutes. */
const SNAP_PER_HOUR = 12;

/** An hour as a drag sets it: to five minutes, and within the day. */
export function snappedHour(hours: number): number {
  return Math.min(
    DAY_HOURS - 1 / SNAP_PER_HOUR,
    Math.max(0, Math.round(hours * SNAP_PER_HOUR) / SNAP_PER_HOUR),
  );
}

/** Whether another cue stands at an hour. */
export function isHourTaken(studio: Studio, hours: number, but: string | null): boolean {
  return Object.entries(studio.scenes.kept.cues).some(([id, cue]) => id !== but && cue.clockHours === hours);
}

/** Another cue of the same values at the hour of the playhead. */
export function copyCue(studio: Studio, id: string): void {
  const { clockHours } = studio.live.getState();
  const hours = Math.round(clockHours * 100) / 100;
  if (cueHere(studio) !== null) {
    studio.say(
      `There is a cue at ${clockText(clockHours)} already. Move the playhead to where the copy is to stand.`,
    );
    return;
  }
  const copyId = freshId();
  studio.scenes.transact({
    label: 'Copy a cue',
    edits: [create('cues', copyId, { ...studio.scene.cues[id], clockHours: hours % DAY_HOURS })],
    selection: [{ collection: 'cues', id: copyId }],
  });
}

/** Edits that hold a value in a cue at an hour: the one that stands there, or a new one. */
export function editsHolding(studio: Studio, item: CueItem, hours: number, to: ItemValue): Edit[] {
  const there = Object.entries(studio.scenes.kept.cues).find(([, cue]) => cue.clockHours === hours);
  if (!there) {
    const cue = newCue({ clockHours: hours });
    return [create('cues', freshId(), { ...cue, ...withItem(cue, item, to) })];
  }
  return changes(studio.scenes.kept, 'cues', there[0], withItem(there[1], item, to));
}
