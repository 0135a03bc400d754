/** What a drag across channels sets: a table of controls, each with whether it is on and what switches it. */
import type { SceneDocument } from '@/core/scene/document';
import { changes, type Edit } from '@/core/scene/edits';
import type { FixtureName } from '../store/fixtures';
import type { Studio } from '../store/studio';
import { circuitEdits, shadowEdits, shadowsOf } from './wiring-edits';

/** How a control is named on the page; a circuit adds its id. */
export type Across = 'level' | 'solo' | 'muted' | 'shadows' | `circuit ${string}`;

/** What the pointer does to a channel that it is on. */
export interface Held {
  members: readonly FixtureName[];
  /** Where it stands on the fader. */
  level: number;
  /** Whether what is switched comes on. */
  isOn: boolean;
}

export type AcrossKind =
  /** Of the scene: all that is passed is one step. */
  | {
      label: string;
      isOn(studio: Studio, member: FixtureName): boolean;
      edits(scene: SceneDocument, held: Held): Edit[];
    }
  /** Of what is looked at only: it makes no step. */
  | { isOn(studio: Studio, member: FixtureName): boolean; set(studio: Studio, held: Held): void };

const KINDS: Readonly<Record<string, (id: string) => AcrossKind>> = {
  level: () => ({
    label: 'Level',
    isOn: () => true,
    edits: (scene, { members, level }) => levelEdits(scene, members, level),
  }),
  solo: () => seen('solo'),
  muted: () => seen('muted'),
  shadows: () => ({
    label: 'Shadows',
    isOn: ({ scene }, member) => shadowsOf(scene, member) === 'all',
    edits: (scene, { members, isOn }) => members.flatMap((member) => shadowEdits(scene, member, isOn)),
  }),
  circuit: (id) => ({
    label: 'Wiring',
    isOn: ({ scene }, member) => scene[member.collection][member.id].circuitIds.includes(id),
    edits: (scene, { members, isOn }) => members.flatMap((member) => circuitEdits(scene, member, id, isOn)),
  }),
};

export function acrossKind(what: Across): AcrossKind {
  const [name, id = ''] = what.split(' ');
  return KINDS[name](id);
}

/** What a press on a control, or a value given to it, does to all that stands under it. */
export function setAcross(
  studio: Studio,
  what: Across,
  members: readonly FixtureName[],
  { isOn = true, level = 0 }: Partial<Omit<Held, 'members'>>,
): void {
  const kind = acrossKind(what);
  const held = { members, level, isOn };
  if ('set' in kind) kind.set(studio, held);
  else studio.scenes.transact({ label: kind.label, edits: kind.edits(studio.scene, held) });
}

function seen(set: 'solo' | 'muted'): AcrossKind {
  return {
    isOn: ({ desk }, { id }) => desk.getState()[set].has(id),
    set({ desk }, { members, isOn }) {
      const next = new Set(desk.getState()[set]);
      for (const { id } of members)
        if (isOn) next.add(id);
        else next.delete(id);
      desk.setState({ [set]: next });
    },
  };
}

/** Sets a single level, or all by the share by which their mean changes; dark ones are set. */
export function levelEdits(scene: SceneDocument, members: readonly FixtureName[], level: number): Edit[] {
  const mean = meanLevel(scene, members);
  return members.flatMap(({ collection, id }) => {
    const own = scene[collection][id]?.level;
    if (own === undefined) return [];
    const next = members.length === 1 || mean === 0 ? level : (own * level) / mean;
    return changes(scene, collection, id, { level: Math.round(Math.min(256, next) * 1000) / 1000 });
  });
}

export function meanLevel(scene: SceneDocument, members: readonly FixtureName[]): number {
  const levels = members.map(({ collection, id }) => scene[collection][id]?.level ?? 0);
  return levels.reduce((sum, level) => sum + level, 0) / Math.max(1, levels.length);
}
