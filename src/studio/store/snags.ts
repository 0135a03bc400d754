/** The snags of the scene as it is kept: looked for on a thread of their own when the hand rests. */
import { wrap, type Remote } from 'comlink';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { asideKey, withAsideOf, type Snag } from '@/core/checks/snags/all-snags';
import { exposureSnags, type ExposureShares } from '@/core/checks/snags/exposure';
import type { PicturePixels, PictureSource } from '@/core/moment/moment';
import type { SceneDocument } from '@/core/scene/document';
import { recordChanges } from '@/core/scene/record-changes';
import type { SnagWatch } from '@/workers/snag-watch';

export interface SnagState {
  snags: readonly Snag[];
  /** How long the thread took the last time, ms. */
  ms: number;
  /** What the finished picture is like, and at which hour that was. */
  picture: { shares: ExposureShares; clockHours: number } | null;
}

/** Looked for when nothing has changed for so long. */
const CALM_MS = 300;

interface Thread {
  worker: Worker;
  watch: Remote<SnagWatch>;
  /** The scene that it was told last. */
  told: SceneDocument;
  pictures: Map<string, PicturePixels>;
}

export class Snags {
  readonly api: StoreApi<SnagState> = createStore<SnagState>(() => ({ snags: [], ms: 0, picture: null }));
  private thread: Thread | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private isLooking = false;
  private isChanged = false;

  /** @param kept the scene without what is only tried */
  constructor(
    private readonly kept: () => SceneDocument,
    private readonly source: PictureSource,
  ) {}

  /** Something of the scene or its pictures may be another. */
  changed(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = null;
      if (this.isLooking) this.isChanged = true;
      else void this.look();
    }, CALM_MS);
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.end();
  }

  private async look(): Promise<void> {
    this.isLooking = true;
    const scene = this.kept();
    try {
      const thread = (this.thread ??= await begun(scene));
      const changes = recordChanges(thread.told, scene);
      const pictures = newPictures(scene, this.source, thread.pictures);
      thread.told = scene;
      const { snags, ms } = await thread.watch.find(changes, pictures);
      if (this.thread === thread) this.api.setState({ snags, ms });
    } catch {
      // The thread is gone or cannot go on: the next change begins another one with all of the scene.
      this.end();
    } finally {
      this.isLooking = false;
      if (this.isChanged) {
        this.isChanged = false;
        this.changed();
      }
    }
  }

  private end(): void {
    this.thread?.worker.terminate();
    this.thread = null;
  }
}

async function begun(scene: SceneDocument): Promise<Thread> {
  const worker = new Worker(new URL('../../workers/snag-worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = ({ message }) => reject(new Error(message || 'The worker cannot be started.'));
  });
  const Watch = wrap<typeof SnagWatch>(worker);
  const watch = (await Promise.race([new Watch(scene), failed])) as Remote<SnagWatch>;
  return { worker, watch, told: scene, pictures: new Map() };
}

/** The pictures of gobos that the thread does not have yet, or has as they were. */
function newPictures(
  { lights, luminaires }: SceneDocument,
  source: PictureSource,
  known: Map<string, PicturePixels>,
): Record<string, PicturePixels> {
  const looks = [...Object.values(lights), ...Object.values(luminaires).flatMap((one) => one.lights)];
  const fresh: Record<string, PicturePixels> = {};
  for (const { gobo } of looks) {
    const pixels = gobo && source(gobo.artworkId);
    if (!pixels || known.get(gobo.artworkId) === pixels) continue;
    known.set(gobo.artworkId, pixels);
    // The normals of a gobo are not looked at.
    fresh[gobo.artworkId] = { ...pixels, normal: null, glow: null, rim: null };
  }
  return fresh;
}

/** The scene's list of what is set aside, with one more. */
export function withAside<T extends { about: string; note: string }>(
  asides: readonly T[],
  snag: Snag,
  note: string,
): { about: string; note: string }[] {
  return [...withoutAside(asides, snag), { about: asideKey(snag), note }];
}

export function withoutAside<T extends { about: string }>(asides: readonly T[], snag: Snag): T[] {
  return asides.filter(({ about }) => about !== asideKey(snag));
}

/** All that is probably a mistake: in the scene, and in its picture. */
export function allSnags(scene: SceneDocument, { snags, picture }: SnagState): Snag[] {
  const ofPicture = picture ? exposureSnags(scene, picture.shares, picture.clockHours) : [];
  return [...snags, ...ofPicture.map((snag) => withAsideOf(scene, snag))];
}
