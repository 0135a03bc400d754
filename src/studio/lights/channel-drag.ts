/** A drag across channels: what is done to the first is done to all that the pointer passes, as one undo step. */
import type { SceneDocument } from '@/core/scene/document';
import { squashed, type Edit } from '@/core/scene/edits';
import type { FixtureName } from '../store/fixtures';
import type { Gesture } from '../store/scene-store';
import type { Studio } from '../store/studio';
import { circuitEdits, levelEdits, shadowEdits, shadowsOf } from './wiring-edits';

/** What of a channel is dragged: one press-and-hold sets one of these. */
export type Across = 'level' | 'solo' | 'muted' | 'shadows' | `circuit ${string}`;

/** What a gesture on the scene makes of one member. */
type MakeEdits = (scene: SceneDocument, member: FixtureName) => Edit[];

export class ChannelDrag {
  private readonly gesture: Gesture | null;
  private readonly edits = new Map<string, Edit[]>();
  /** Whether what is switched comes on. */
  private readonly isOn: boolean;

  /** @param first the members of the channel on which it begins */
  constructor(
    private readonly studio: Studio,
    private readonly what: Across,
    first: readonly FixtureName[],
  ) {
    this.isOn = !first.every((member) => isOn(studio, what, member));
    this.gesture =
      what === 'solo' || what === 'muted'
        ? null
        : studio.scenes.gesture(what === 'level' ? 'Level' : 'Wiring');
  }

  /**
   * The pointer is on a channel.
   * @param level where it stands on the fader, where a fader is dragged; several members keep their proportions
   */
  over(members: readonly FixtureName[], level: number): void {
    const { what, isOn: on } = this;
    if (what === 'solo' || what === 'muted') return this.switchSeen(what, members);
    const { kept } = this.studio.scenes;
    const make: MakeEdits =
      what === 'level'
        ? leveller(kept, members, level)
        : what === 'shadows'
          ? (scene, member) => shadowEdits(scene, member, on)
          : (scene, member) => circuitEdits(scene, member, circuitOf(what), on);
    for (const member of members) this.edits.set(member.id, make(kept, member));
    this.gesture?.preview(squashed([...this.edits.values()].flat()));
  }

  end(): void {
    this.gesture?.commit();
  }

  cancel(): void {
    this.gesture?.cancel();
  }

  /** Solo and mute last only while looking: they make no undo step. */
  private switchSeen(what: 'solo' | 'muted', members: readonly FixtureName[]): void {
    const next = new Set(this.studio.desk.getState()[what]);
    for (const { id } of members)
      if (this.isOn) next.add(id);
      else next.delete(id);
    this.studio.desk.setState({ [what]: next });
  }
}

/** Sets a single level, or all by the share by which their mean changes. */
function leveller(scene: SceneDocument, members: readonly FixtureName[], level: number): MakeEdits {
  const mean = meanLevel(scene, members);
  return (_, member) => {
    const own = scene[member.collection][member.id]?.level ?? 0;
    const next = members.length === 1 || mean === 0 ? level : (own * level) / mean;
    return levelEdits(scene, member, Math.round(Math.min(256, next) * 1000) / 1000);
  };
}

/** Sets the levels of a channel's members, as its fader does, as one step. */
export function setLevels(studio: Studio, members: readonly FixtureName[], level: number): void {
  const { scene } = studio;
  const make = leveller(scene, members, Math.max(0, level));
  studio.scenes.transact({ label: 'Level', edits: members.flatMap((member) => make(scene, member)) });
}

export function meanLevel(scene: SceneDocument, members: readonly FixtureName[]): number {
  const levels = members.map(({ collection, id }) => scene[collection][id]?.level ?? 0);
  return levels.reduce((sum, level) => sum + level, 0) / Math.max(1, levels.length);
}

function circuitOf(what: `circuit ${string}`): string {
  return what.slice('circuit '.length);
}

function isOn({ desk, scene }: Studio, what: Across, { collection, id }: FixtureName): boolean {
  if (what === 'level') return true;
  if (what === 'solo' || what === 'muted') return desk.getState()[what].has(id);
  if (what === 'shadows') return shadowsOf(scene, { collection, id }) === 'all';
  return scene[collection][id].circuitIds.includes(circuitOf(what));
}
