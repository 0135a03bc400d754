/** What a thread of the command line can do, and what it keeps between two jobs. */
import { bundlePictures, type Bundle } from '@/core/handoff/bundle';
import { runRenderJob, type RenderJob } from '@/core/handoff/render-pool';
import type { PicturePixels, PictureSource } from '@/core/moment/moment';
import { runMapsJob, type MapsJob } from './maps-job';

export type Pictures = Record<string, PicturePixels | null>;

export class ThreadWork {
  /** Makes the pictures of the bundle that is open. */
  private maker: PictureSource | null = null;
  private pictures: Pictures = {};

  readonly works = {
    maps: (job: MapsJob) => runMapsJob(job),
    open: (bundle: Bundle) => void (this.maker = bundlePictures(bundle)),
    /** Makes the pixels and the relief of an artwork of the bundle. */
    picture: (artworkId: string) => this.maker!(artworkId),
    /** Takes pictures that were made, on whatever thread. */
    keep: (pictures: Pictures) => void (this.pictures = pictures),
    render: (job: RenderJob) => runRenderJob(job, (key) => this.pictures[key] ?? null),
  };
}

export type Works = ThreadWork['works'];
export type WorkName = keyof Works;
export type WorkJob<N extends WorkName> = Parameters<Works[N]>[0];
export type WorkDone<N extends WorkName> = Awaited<ReturnType<Works[N]>>;
