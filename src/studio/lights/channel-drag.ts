/** A drag across channels: what is done to the first is done to all that the pointer passes, as one undo step. */
import { squashed, type Edit } from '@/core/scene/edits';
import type { FixtureName } from '../store/fixtures';
import type { Gesture } from '../store/scene-store';
import type { Studio } from '../store/studio';
import { acrossKind, type Across, type AcrossKind } from './across';

export class ChannelDrag {
  private readonly kind: AcrossKind;
  private readonly gesture: Gesture | null;
  /** By the channels that were passed: a fader that is passed twice is where it was left. */
  private readonly edits = new Map<string, Edit[]>();
  private readonly isOn: boolean;

  /** @param first the members of the channel on which it begins */
  constructor(
    private readonly studio: Studio,
    what: Across,
    first: readonly FixtureName[],
  ) {
    this.kind = acrossKind(what);
    this.isOn = !first.every((member) => this.kind.isOn(studio, member));
    this.gesture = 'label' in this.kind ? studio.scenes.gesture(this.kind.label) : null;
  }

  /**
   * The pointer is on a channel.
   * @param level where it stands on the fader, where a fader is dragged
   */
  over(members: readonly FixtureName[], level: number): void {
    const { kind, studio } = this;
    const held = { members, level, isOn: this.isOn };
    if ('set' in kind) return kind.set(studio, held);
    this.edits.set(members.map(({ id }) => id).join(), kind.edits(studio.scenes.kept, held));
    this.gesture?.preview(squashed([...this.edits.values()].flat()));
  }

  end(): void {
    this.gesture?.commit();
  }

  cancel(): void {
    this.gesture?.cancel();
  }
}
