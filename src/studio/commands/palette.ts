/** What the palette offers for what was typed: every action, with its keys or why it cannot be done, and things by their names. */
import type { Studio } from '../store/studio';
import { COMMANDS } from './all-commands';
import { keyText } from './key-text';
import { keysOf } from './own-keys';

export interface PaletteItem {
  id: string;
  words: string;
  /** Its keys, or what kind of thing it is. */
  aside: string;
  /** Why it cannot be done now; null where it can. */
  whyNot: string | null;
  run(): void;
}

export const MOST_ITEMS = 40;

/** Things that can be gone to by name, and what one is called. */
const THINGS = [
  ['lights', 'light'],
  ['lamps', 'lamp'],
  ['sprites', 'sprite'],
  ['occluders', 'occluder'],
  ['planes', 'plane'],
] as const;

/** Best first: what can be done before what cannot, what begins with the words before what has them somewhere. */
export function paletteItems(studio: Studio, query: string): PaletteItem[] {
  const wanted = query.toLowerCase().split(/\s+/).filter(Boolean);
  const actions = COMMANDS.flatMap((command): Ranked[] => {
    const rank = rankOf(command.words, wanted);
    if (rank === null) return [];
    const isHere = command.isHere(studio);
    const whyNot = isHere ? (command.whyNot?.(studio) ?? null) : 'Not on this bench, or not with this tool.';
    const aside = keysOf(studio.preferences.getState(), command).map(keyText).join(' or ');
    const item = { id: command.id, words: command.words, aside, whyNot, run: () => command.run(studio) };
    return [{ item, rank: rank + (whyNot === null ? 0 : isHere ? 10 : 20) }];
  });
  const all = wanted.length === 0 ? actions : [...actions, ...thingsNamed(studio, wanted)];
  return all
    .sort((a, b) => a.rank - b.rank)
    .slice(0, MOST_ITEMS)
    .map(({ item }) => item);
}

interface Ranked {
  item: PaletteItem;
  rank: number;
}

function thingsNamed(studio: Studio, wanted: readonly string[]): Ranked[] {
  return THINGS.flatMap(([collection, word]) =>
    Object.entries(studio.scene[collection])
      .toSorted(([, a], [, b]) => a.name.localeCompare(b.name))
      .flatMap(([id, { name }]): Ranked[] => {
        const rank = rankOf(name, wanted);
        if (rank === null) return [];
        const run = () => {
          studio.scenes.select([{ collection, id }]);
          studio.desk.setState({ tool: 'pick' });
        };
        const item = { id: `${collection}/${id}`, words: `Pick “${name}”`, aside: word, whyNot: null, run };
        // After actions that begin alike, before those that have the words somewhere.
        return [{ item, rank: rank + 0.5 }];
      }),
  );
}

/** 0 where words begin with what is wanted, 1 where one of them does, 2 where it is somewhere in them; null where it is not. */
function rankOf(words: string, wanted: readonly string[]): number | null {
  const text = words.toLowerCase();
  if (!wanted.every((part) => text.includes(part))) return null;
  const [first = ''] = wanted;
  if (text.startsWith(first)) return 0;
  return text.split(/\s+/).some((word) => word.startsWith(first)) ? 1 : 2;
}
