/** Packs a bundle on a thread of its own. */
import { expose, transfer } from 'comlink';
import { writeBundle } from '@/core/handoff/bundle';
import type { SceneDocument } from '@/core/scene/document';

const work = {
  pack(
    name: string,
    scene: SceneDocument,
    pictures: Map<string, Uint8Array>,
    progress: (done: number, all: number) => void,
  ): Uint8Array {
    const bytes = writeBundle(name, scene, pictures, progress);
    return transfer(bytes, [bytes.buffer]);
  },
};

export type BundleWorker = typeof work;
expose(work);
