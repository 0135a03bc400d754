/** What a side of the wipe can show: a table of views, each with its words and what it changes of what is drawn. */
import { COLOUR_VISION_NAMES } from '@/core/checks/colour-vision';
import { LIT, type Wipe, type WipeView, type WipeViewName } from '../store/wipe';
import { settingsOf } from '@/core/scene/document';
import { clockText } from '@/core/time/cues';
import { looksToTake } from '../store/looks';
import type { Studio } from '../store/studio';

/** The views of one name. */
export type ViewOf<N extends WipeViewName> = Extract<WipeView, { view: N }>;

interface WipeKind<V> {
  /** In the list of views. */
  word: string;
  /** At the edge. */
  words(view: V, studio: Studio): string;
  /** What it begins with, or why it cannot be shown. */
  begin(studio: Studio): V | string;
}

const plain = <N extends 'lit' | 'unlit' | 'relief' | 'shadows' | 'reference' | 'unfinished'>(
  view: N,
  word: string,
) => ({ word, words: () => word, begin: () => ({ view }) }) as unknown as WipeKind<ViewOf<N>>;

export const WIPE_VIEWS: { [N in WipeViewName]: WipeKind<ViewOf<N>> } = {
  lit: plain('lit', 'Lit'),
  unlit: plain('unlit', 'Unlit'),
  relief: plain('relief', 'No relief'),
  shadows: plain('shadows', 'No shadows'),
  light: {
    word: 'One light',
    words: ({ id }, { scene }) => `Only ${(scene.lights[id] ?? scene.lamps[id])?.name ?? 'a light'}`,
    begin(studio) {
      const [id] = [
        ...studio.pickedOf('lights'),
        ...studio.pickedOf('lamps'),
        ...Object.keys(studio.scene.lights),
        ...Object.keys(studio.scene.lamps),
      ];
      return id ? { view: 'light', id } : 'There is no light yet.';
    },
  },
  hour: {
    word: 'Another hour',
    words: ({ clockHours }) => clockText(clockHours),
    begin: ({ live }) => ({ view: 'hour', clockHours: (live.getState().clockHours + 12) % 24 }),
  },
  revision: {
    word: 'A revision',
    words: ({ revision }, { revisions }) => revisions.wordsOf(revision),
    begin(studio) {
      const revision = studio.sync.knownUpTo.revision;
      return revision > 1
        ? { view: 'revision', revision: revision - 1 }
        : 'This scene has no earlier revision yet.';
    },
  },
  unfinished: plain('unfinished', 'No finish'),
  look: {
    word: 'Another look',
    words: ({ lookId }, studio) => looksToTake(studio).find(({ id }) => id === lookId)?.name ?? 'A look',
    begin(studio) {
      const { lookId } = settingsOf(studio.scene);
      const [first] = looksToTake(studio).filter(({ id }) => id !== lookId);
      return { view: 'look', lookId: first.id, fields: first.fields };
    },
  },
  reference: plain('reference', 'Reference'),
  eyes: {
    word: 'Colour vision',
    words: ({ eyes }) => `As a ${eyes} sees`,
    begin: () => ({ view: 'eyes', eyes: COLOUR_VISION_NAMES[0] }),
  },
};

export const WIPE_VIEW_NAMES = Object.keys(WIPE_VIEWS) as WipeViewName[];

export function wipeKind<N extends WipeViewName>(view: N): WipeKind<WipeView> {
  return WIPE_VIEWS[view] as unknown as WipeKind<WipeView>;
}

export function wipeWords(studio: Studio, view: WipeView): string {
  return wipeKind(view.view).words(view, studio);
}

/** Shows a view on one side of the wipe; a wipe that is out begins with the lit scene on the other. */
export function setWipeSide(studio: Studio, side: keyof Wipe, name: WipeViewName): void {
  const view = wipeKind(name).begin(studio);
  if (typeof view === 'string') return studio.say(view);
  setWipeView(studio, side, view);
}

export function setWipeView(studio: Studio, side: keyof Wipe, view: WipeView): void {
  const { wipe } = studio.desk.getState();
  showWipe(studio, { ...(wipe ?? { left: LIT, right: LIT }), [side]: view });
}

/** Shows two views, and brings what they need of revisions. */
export function showWipe(studio: Studio, wipe: Wipe): void {
  const { revisions } = studio;
  for (const view of [wipe.left, wipe.right]) {
    if (view.view !== 'revision') continue;
    void revisions.want(view.revision);
    if (revisions.api.getState().entries === null) void revisions.list();
  }
  studio.desk.setState({ wipe });
}

/** What X goes through on the left side; then the wipe is out. */
const ROUND: readonly WipeViewName[] = ['unlit', 'relief', 'shadows'];

export function nextWipe(studio: Studio): void {
  const { wipe } = studio.desk.getState();
  const at = wipe ? ROUND.indexOf(wipe.left.view) : -1;
  const next = wipe && at === -1 ? undefined : ROUND[at + 1];
  if (next) setWipeSide(studio, 'left', next);
  else studio.desk.setState({ wipe: null });
}
