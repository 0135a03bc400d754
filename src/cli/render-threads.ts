/** Threads that draw the scene of a bundle. */
import type { Bundle } from '@/core/handoff/bundle';
import { bundlePictures } from '@/core/handoff/bundle';
import { RenderPool, type RenderDone, type RenderJob, type RenderThread } from '@/core/handoff/render-pool';
import type { PictureSource } from '@/core/moment/moment';
import type { Pictures } from './thread-work';
import { WorkThread } from './threads';

export interface RenderThreads {
  pool: RenderPool;
  source: PictureSource;
  close(): Promise<void>;
}

/**
 * Makes the pictures of a bundle and gives them to all threads.
 * @param count with one all is done here, and pictures are made when they are asked for
 */
export async function renderThreads(bundle: Bundle, count: number): Promise<RenderThreads> {
  if (count <= 1) {
    const source = bundlePictures(bundle);
    return { pool: new RenderPool(source, []), source, close: async () => {} };
  }
  const threads = Array.from({ length: count }, () => new WorkThread());
  const close = async () => {
    await Promise.all(threads.map((thread) => thread.close()));
  };
  try {
    const pictures = await madeOn(threads, bundle);
    await Promise.all(threads.map((thread) => thread.ask('keep', pictures)));
    const source: PictureSource = (key) => pictures[key] ?? null;
    return { pool: new RenderPool(source, threads.map(drawing)), source, close };
  } catch (thrown) {
    await close();
    throw thrown;
  }
}

/** The pictures of a bundle, those with most pixels first, each on the next thread that is free. */
async function madeOn(threads: readonly WorkThread[], { scene, files }: Bundle): Promise<Pictures> {
  const { artworks } = scene;
  const ids = Object.keys(artworks).sort((a, b) => pixelsOf(artworks[b]) - pixelsOf(artworks[a]));
  const pictures: Pictures = {};
  let next = 0;
  await Promise.all(
    threads.map(async (thread) => {
      await thread.ask('open', { scene, files });
      while (next < ids.length) {
        const id = ids[next++];
        pictures[id] = await thread.ask('picture', id);
      }
    }),
  );
  return pictures;
}

function pixelsOf({ widthPx, heightPx }: { widthPx: number; heightPx: number }): number {
  return widthPx * heightPx;
}

function drawing(thread: WorkThread): RenderThread {
  return {
    run: <J extends RenderJob>(job: J) => thread.ask('render', job) as Promise<RenderDone<J>>,
  };
}
