/** Copying and pasting, within a scene and across scenes and projects. The clip lies in the browser, for all its tabs. */
import { get, set } from 'idb-keyval';
import { wordsOf } from '@/core/faults';
import { CLIP_FORMAT, CLIP_VERSION, pasteEdits, type Clip } from '@/core/scene/clip';
import { checkRecord } from '@/core/scene/read-scene';
import { nothingPicked, onStage, type Command } from './command';
import { clipOfPicked } from '../store/copies';
import { deleteEdits } from '../store/delete-edits';
import { freshId, type Studio } from '../store/studio';

const CLIP_KEY = 'oilwick-clip';
/** How far a copy stands from what it was made of. */
const COPY_AWAY_PX = 8;

function copyPicked(studio: Studio): boolean {
  const clip = clipOfPicked(studio);
  if (!clip) return false;
  keepClip(clip).catch((thrown: unknown) => studio.say(`This could not be copied: ${wordsOf(thrown)}`));
  return true;
}

/** At once where it is small enough, so that it is there however quickly another page is opened. */
async function keepClip(clip: Clip): Promise<void> {
  try {
    localStorage.setItem(CLIP_KEY, JSON.stringify(clip));
  } catch {
    localStorage.removeItem(CLIP_KEY);
    await set(CLIP_KEY, clip);
  }
}

async function lastClip(): Promise<Clip | null> {
  const text = localStorage.getItem(CLIP_KEY);
  return text === null ? ((await get<Clip>(CLIP_KEY)) ?? null) : (JSON.parse(text) as Clip);
}

function put(studio: Studio, clip: Clip, label: string, awayPx: number): void {
  const { edits, picked } = pasteEdits(studio.scene, clip, {
    newId: freshId,
    planeId: studio.planeId(),
    shift: [awayPx, awayPx],
  });
  for (const { collection, id, after } of edits) checkRecord(collection, id, after);
  studio.scenes.transact({ label, edits, selection: picked });
}

async function paste(studio: Studio): Promise<void> {
  const clip = await lastClip();
  if (!clip) return studio.say('Nothing was copied yet.');
  if (clip.format !== CLIP_FORMAT || clip.version !== CLIP_VERSION)
    return studio.say('What was copied comes from another version of Oilwick and cannot be pasted here.');
  put(studio, clip, 'Paste', clip.sceneId === studio.info.id ? COPY_AWAY_PX : 0);
}

/** A copy of what is picked, beside it. */
export function duplicatePicked(studio: Studio): void {
  const clip = clipOfPicked(studio);
  if (clip) put(studio, clip, 'Duplicate', COPY_AWAY_PX);
}

export const CLIP_COMMANDS: Command[] = [
  {
    id: 'duplicate',
    words: 'Duplicate what is picked',
    keys: ['ctrl+d'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: duplicatePicked,
  },
  {
    id: 'copy',
    words: 'Copy what is picked',
    keys: ['ctrl+c'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: (s) => void copyPicked(s),
  },
  {
    id: 'cut',
    words: 'Cut what is picked',
    keys: ['ctrl+x'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: (s) => {
      if (!copyPicked(s)) return;
      s.scenes.transact({ label: 'Cut', edits: deleteEdits(s, s.scenes.state.selection), selection: [] });
    },
  },
  {
    id: 'paste',
    words: 'Paste',
    keys: ['ctrl+v'],
    isHere: onStage,
    run: (s) => {
      paste(s).catch((thrown: unknown) => s.say(`This cannot be pasted: ${wordsOf(thrown)}`));
    },
  },
];
