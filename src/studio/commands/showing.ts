/** Hiding and locking what is picked, and having all of it back. */
import { change } from '@/core/scene/edits';
import { nothingPicked, onStage, type Command } from './command';
import type { Studio } from '../store/studio';

const COLLECTIONS = ['sprites', 'lights', 'lamps', 'occluders'] as const;
type Field = 'hidden' | 'locked';

/** Sets a field of all that is picked; clears it where all of it has it already. */
function toggle(studio: Studio, label: string, field: Field): void {
  const { scene } = studio;
  const picked = COLLECTIONS.flatMap((collection) =>
    studio.pickedOf(collection).map((id) => ({ collection, id, record: scene[collection][id] })),
  );
  const on = picked.some(({ record }) => !record[field]);
  const edits = picked.flatMap(({ collection, id }) => change(scene, collection, id, { [field]: on }) ?? []);
  studio.scenes.transact({ label, edits });
}

function clear(studio: Studio, label: string, field: Field): void {
  const { scene } = studio;
  const edits = COLLECTIONS.flatMap((collection) =>
    Object.entries(scene[collection]).flatMap(([id, record]) =>
      record[field] ? (change(scene, collection, id, { [field]: false }) ?? []) : [],
    ),
  );
  studio.scenes.transact({ label, edits });
}

const nothingHas = (field: Field, words: string) => (studio: Studio) =>
  COLLECTIONS.some((collection) => Object.values(studio.scene[collection]).some((record) => record[field]))
    ? null
    : words;

export const SHOWING_COMMANDS: Command[] = [
  {
    id: 'hide',
    words: 'Hide what is picked, or show it',
    keys: ['shift+h'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: (s) => toggle(s, 'Hide or show', 'hidden'),
  },
  {
    id: 'lock',
    words: 'Lock what is picked, or unlock it',
    keys: ['shift+k'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: (s) => toggle(s, 'Lock or unlock', 'locked'),
  },
  {
    id: 'show-all',
    words: 'Show all that is hidden',
    keys: ['ctrl+shift+h'],
    isHere: onStage,
    whyNot: nothingHas('hidden', 'Nothing is hidden.'),
    run: (s) => clear(s, 'Show all', 'hidden'),
  },
  {
    id: 'unlock-all',
    words: 'Unlock all that is locked',
    keys: ['ctrl+shift+k'],
    isHere: onStage,
    whyNot: nothingHas('locked', 'Nothing is locked.'),
    run: (s) => clear(s, 'Unlock all', 'locked'),
  },
];
