import { newCue } from '@/core/scene/records/cue';
import { change, create } from '@/core/scene/edits';
import { freshId, type Studio } from '../store/studio';

/** Cues this close to the playhead are meant by it: half a minute. */
const SAME_HOUR = 1 / 120;

/** Holds the ambient light as it is looked at now in a cue at this hour: a new one, or the one that is there. */
export function recordCue(studio: Studio): void {
  const clockHours = (Math.round((studio.live.getState().clockHours % 24) * 100) / 100) % 24;
  const { colour, level } = studio.ambient();
  const fields = { ambientColour: colour, ambientLevel: Math.round(level * 1000) / 1000 };
  const there = Object.entries(studio.scene.cues).find(
    ([, cue]) => Math.abs(cue.clockHours - clockHours) <= SAME_HOUR,
  );
  const id = there?.[0] ?? freshId();
  const edit = there
    ? change(studio.scene, 'cues', id, fields)
    : create('cues', id, newCue({ clockHours, ...fields }));
  studio.desk.setState({ trial: null });
  studio.scenes.transact({
    label: 'Record a cue',
    edits: edit ? [edit] : [],
    selection: [{ collection: 'cues', id }],
  });
}
