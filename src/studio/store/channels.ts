/** The channels of the desk: which lights and lamps stand side by side, in which order, and which are folded into one. Suns come first. */
import { inOrder, type SceneDocument } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import { FIXTURES, type FixtureName } from './fixtures';

export const CHANNEL_ORDERS = ['desk', 'place', 'name', 'cost'] as const;
export type ChannelOrder = (typeof CHANNEL_ORDERS)[number];
export const CHANNEL_FOLDS = ['none', 'luminaire', 'set'] as const;
export type ChannelFold = (typeof CHANNEL_FOLDS)[number];

/** Several of them under one fader. */
export interface ChannelGroup {
  groupId: string;
  name: string;
  members: readonly FixtureName[];
  isOpen: boolean;
}

export type ChannelEntry = FixtureName | ChannelGroup;

export interface ChannelWishes {
  /** Words that the name, or the name of its luminaire or of one of its sets, has in it. */
  query: string;
  order: ChannelOrder;
  fold: ChannelFold;
  /** The groups whose members stand beside them. */
  openGroups: ReadonlySet<string>;
  /** What each costs, for their order. */
  costs: ReadonlyMap<string, number>;
}

interface Candidate extends FixtureName {
  fixture: Fixture;
  isSun: boolean;
  /** The set or the luminaire that it can be folded into. */
  group: { id: string; name: string } | null;
}

export function channelsOf(scene: SceneDocument, wishes: ChannelWishes): ChannelEntry[] {
  const found = FIXTURES.flatMap((collection) =>
    inOrder<Fixture>(scene[collection]).map(([id, fixture]) => ({
      ...{ collection, id, fixture },
      group: groupOf(scene, wishes.fold, fixture),
      isSun: collection === 'lights' && scene.lights[id].kind === 'sun',
    })),
  ).filter((one) => isWanted(scene, one, wishes.query));
  const order = ORDERS[wishes.order](wishes);
  const sorted = found.toSorted((a, b) => Number(b.isSun) - Number(a.isSun) || order(a, b));
  return folded(sorted, wishes.openGroups);
}

export function isGroup(entry: ChannelEntry): entry is ChannelGroup {
  return 'groupId' in entry;
}

/** What stands for all that an entry sets. */
export function membersOf(entry: ChannelEntry): readonly FixtureName[] {
  return isGroup(entry) ? entry.members : [entry];
}

const ORDERS: Record<ChannelOrder, (wishes: ChannelWishes) => (a: Candidate, b: Candidate) => number> = {
  desk: () => () => 0,
  place: () => (a, b) => a.fixture.x - b.fixture.x,
  name: () => (a, b) => a.fixture.name.localeCompare(b.fixture.name, 'en', { numeric: true }),
  cost:
    ({ costs }) =>
    (a, b) =>
      (costs.get(b.id) ?? 0) - (costs.get(a.id) ?? 0),
};

function groupOf(scene: SceneDocument, fold: ChannelFold, fixture: Fixture): Candidate['group'] {
  if (fold === 'luminaire' && 'luminaireId' in fixture) {
    const id = fixture.luminaireId as string;
    return { id, name: scene.luminaires[id]?.name ?? '' };
  }
  const [id] = fixture.setIds;
  return fold === 'set' && id ? { id, name: scene.sets[id]?.name ?? '' } : null;
}

function isWanted(scene: SceneDocument, { fixture }: Candidate, query: string): boolean {
  const wanted = query.trim().toLowerCase();
  if (wanted === '') return true;
  const luminaire = 'luminaireId' in fixture ? scene.luminaires[fixture.luminaireId as string]?.name : '';
  return [fixture.name, luminaire, ...fixture.setIds.map((id) => scene.sets[id]?.name)].some((name) =>
    name?.toLowerCase().includes(wanted),
  );
}

/** A group stands where its first member would. One of a single member is no group. */
function folded(found: readonly Candidate[], openGroups: ReadonlySet<string>): ChannelEntry[] {
  const groups = new Map<string, Candidate[]>();
  for (const one of found) {
    if (!one.group) continue;
    const own = groups.get(one.group.id);
    if (own) own.push(one);
    else groups.set(one.group.id, [one]);
  }
  return found.flatMap((one): ChannelEntry[] => {
    const name = ({ collection, id }: Candidate) => ({ collection, id });
    const members = one.group && groups.get(one.group.id)!;
    if (!members || members.length < 2) return [name(one)];
    if (members[0] !== one) return [];
    const { id: groupId, name: words } = one.group!;
    const isOpen = openGroups.has(groupId);
    const group = { groupId, name: words, members: members.map(name), isOpen };
    return isOpen ? [group, ...group.members] : [group];
  });
}
