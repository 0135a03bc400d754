/** Packs a bundle on a thread of its own. */
import { expose, transfer } from 'comlink';
import { writeBundle } from '@/core/handoff/bundle';
import { deflate } from './deflate';
import type { SceneDocument } from '@/core/scene/document';

const work = {
  async pack(
    name: string,
    scene: SceneDocument,
    pictures: Map<string, Uint8Array>,
    progress: (done: number, all: number) => void,
  ): Promise<Uint8Array> {
    const bytes = await writeBundle(name, scene, pictures, deflate, progress);
    return transfer(bytes, [bytes.buffer]);
  },
};

export type BundleWorker = typeof work;
expose(work);
