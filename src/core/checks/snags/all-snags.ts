/** The snags that are looked for, and the one that finds them. */
import { InputFault } from '../../faults';
import type { PictureSource } from '../../moment/moment';
import { settingsOf, type SceneDocument } from '../../scene/document';
import { ReferenceMemory, type RecordName } from '../../scene/references';
import { blurredPixels } from './blurred-pixels';
import { brightGobo } from './bright-gobo';
import { doubtfulOrientation } from './doubtful-orientation';
import { emptyOccluder } from './empty-occluder';
import type { ExposureSnag } from './exposure';
import { faintLight } from './faint-light';
import { SnagGround, type AtRest } from './ground';
import { idleLight } from './idle-light';
import { idleOccluder } from './idle-occluder';
import type { FoundSnag, SnagKind, SnagSubject } from './kind';
import { lightInOccluder } from './light-in-occluder';
import { lostName } from './lost-name';
import { lowLight } from './low-light';
import { missingRelief } from './missing-relief';
import { neverMeets } from './never-meets';
import { otherArt } from './other-art';
import { shadowBudget } from './shadow-budget';
import { shadowsOff } from './shadows-off';
import { unlitSprite } from './unlit-sprite';
import { unreadableOutline } from './unreadable-outline';

const SNAGS = {
  'unreadable-outline': unreadableOutline,
  'lost-name': lostName,
  'shadows-off': shadowsOff,
  'shadow-budget': shadowBudget,
  'never-meets': neverMeets,
  'light-in-occluder': lightInOccluder,
  'idle-light': idleLight,
  'faint-light': faintLight,
  'low-light': lowLight,
  'bright-gobo': brightGobo,
  'unlit-sprite': unlitSprite,
  'missing-relief': missingRelief,
  'doubtful-orientation': doubtfulOrientation,
  'other-art': otherArt,
  'blurred-pixels': blurredPixels,
  'empty-occluder': emptyOccluder,
  'idle-occluder': idleOccluder,
} as const satisfies Record<string, SnagKind>;

/** Those of a finished picture are found by whoever has one: see exposure.ts. */
export type SnagName = keyof typeof SNAGS | ExposureSnag['snag'];

export interface Snag extends FoundSnag {
  snag: SnagName;
  isFault: boolean;
  /** Whether it was set aside, and what was noted; null where it was not. */
  aside: string | null;
}

/** What a snag is set aside by: its kind, and the first thing that it is about. What it names beside that may change. */
export function asideKey({ snag, records }: { snag: string; records: readonly RecordName[] }): string {
  const [about] = records;
  return about ? `${snag} ${about.collection}/${about.id}` : snag;
}

/** A snag with what was noted where it was set aside. */
export function withAsideOf(scene: SceneDocument, snag: Omit<Snag, 'aside'>): Snag {
  const about = asideKey(snag);
  return { ...snag, aside: settingsOf(scene).asides.find((one) => one.about === about)?.note ?? null };
}

/** Looks for snags in one scene after the other; what did not change is not looked at anew. */
export class SnagFinder {
  private readonly ground = new SnagGround();
  private readonly references = new ReferenceMemory();

  /** Everything in a scene that is probably a mistake. One kind that fails to look does not hide the others. */
  find(scene: SceneDocument, source: PictureSource = () => null): Snag[] {
    const { ground, references } = this;
    const subject: SnagSubject = {
      scene,
      source,
      references,
      get rest(): AtRest {
        return ground.of(scene);
      },
    };
    return Object.entries(SNAGS).flatMap(([name, { isFault, find }]) => {
      const snag = name as SnagName;
      const of = (found: FoundSnag): Snag => withAsideOf(scene, { snag, isFault, ...found });
      try {
        return find(subject).map(of);
      } catch (thrown) {
        if (!(thrown instanceof InputFault)) throw thrown;
        return [of({ records: [], words: thrown.message, mends: [] })];
      }
    });
  }
}

export function snagsIn(scene: SceneDocument, source?: PictureSource): Snag[] {
  return new SnagFinder().find(scene, source);
}
