/** Keys of one's own in the place of the usual ones. */
import { BENCHES } from '../store/benches';
import type { Preferences } from '../store/preferences';
import type { Studio } from '../store/studio';
import type { Command } from './command';
import { keyText } from './key-text';

type OwnKeys = Pick<Preferences, 'keys'>;

/** Keys that views keep for themselves, and that no command can have. */
const KEPT: ReadonlySet<string> = new Set(['escape', 'enter', 'tab', ' ', '0', '+', '=', '-']);
const HELD: ReadonlySet<string> = new Set([
  'shift',
  'control',
  'alt',
  'meta',
  'altgraph',
  'capslock',
  'dead',
]);

/** The keys that a command goes by for this person. */
export function keysOf(
  { keys }: OwnKeys,
  { id, keys: usual }: Pick<Command, 'id' | 'keys'>,
): readonly string[] {
  return keys[id] ?? usual;
}

export function hasOwnKeys({ keys }: OwnKeys, { id }: Pick<Command, 'id'>): boolean {
  return id in keys;
}

/** A press as commands name it: `ctrl+shift+z`. @returns null while only keys are held that go with others */
export function pressedKey(
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>,
): string | null {
  const key = event.key.toLowerCase();
  if (HELD.has(key)) return null;
  const parts = [];
  if (event.ctrlKey || event.metaKey) parts.push('ctrl');
  if (event.altKey) parts.push('alt');
  // A shifted sign such as ? is a key of its own; letters and arrows keep the word.
  if (event.shiftKey && (key.length > 1 || /\p{L}/u.test(key) || parts.length > 0)) parts.push('shift');
  return [...parts, key].join('+');
}

/** The benches on which a command can be there. */
function benchesOf(studio: Studio, command: Command): ReadonlySet<string> {
  return new Set(
    BENCHES.filter((bench) => {
      const desk = { ...studio.desk, getState: () => ({ ...studio.desk.getState(), bench }) };
      return command.isHere(Object.create(studio, { desk: { value: desk } }) as Studio);
    }),
  );
}

/** The other commands that a key stands for wherever a command is there too. */
export function clashesOf(studio: Studio, all: readonly Command[], command: Command, key: string): Command[] {
  const benches = benchesOf(studio, command);
  const own = studio.preferences.getState();
  return all.filter(
    (other) =>
      other.id !== command.id &&
      keysOf(own, other).includes(key) &&
      [...benchesOf(studio, other)].some((bench) => benches.has(bench)),
  );
}

/**
 * Gives a command a key in the place of those that it has. What had that key on the same bench loses it.
 * @returns what there is to say: why it cannot be, or who lost the key
 */
export function giveKey(
  studio: Studio,
  all: readonly Command[],
  command: Command,
  key: string,
): string | null {
  if (KEPT.has(key)) return `${keyText(key)} stays what it is everywhere.`;
  const clashes = clashesOf(studio, all, command, key);
  const own = studio.preferences.getState();
  const lost = Object.fromEntries(
    clashes.map((other) => [other.id, keysOf(own, other).filter((one) => one !== key)]),
  );
  studio.preferences.setState({ keys: { ...own.keys, ...lost, [command.id]: [key] } });
  if (clashes.length === 0) return null;
  const names = clashes.map(({ words }) => `“${words}”`).join(' and ');
  return `${keyText(key)} was the key of ${names}: it stands for “${command.words}” now.`;
}

/** The usual keys again: of one command, or of all. */
export function resetKeys(studio: Studio, id: string | null): void {
  studio.preferences.setState(({ keys }) => {
    if (id === null) return { keys: {} };
    const { [id]: _own, ...rest } = keys;
    return { keys: rest };
  });
}
