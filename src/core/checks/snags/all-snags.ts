/** The snags that are looked for, and the one that finds them. */
import { InputFault } from '../../faults';
import type { SceneDocument } from '../../scene/document';
import type { FoundSnag, SnagKind } from './kind';
import { lostName } from './lost-name';
import { unreadableOutline } from './unreadable-outline';

const SNAGS = {
  'unreadable-outline': unreadableOutline,
  'lost-name': lostName,
} as const satisfies Record<string, SnagKind>;

export type SnagName = keyof typeof SNAGS;

export interface Snag extends FoundSnag {
  snag: SnagName;
  isFault: boolean;
}

/** Everything in a scene that is probably a mistake. One kind that fails to look does not hide the others. */
export function snagsIn(scene: SceneDocument): Snag[] {
  return Object.entries(SNAGS).flatMap(([name, { isFault, find }]) => {
    const snag = name as SnagName;
    try {
      return find(scene).map((found) => ({ snag, isFault, ...found }));
    } catch (thrown) {
      if (!(thrown instanceof InputFault)) throw thrown;
      return [{ snag, isFault, records: [], words: thrown.message, mends: [] }];
    }
  });
}
