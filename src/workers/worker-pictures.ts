/** Decoded pictures of a worker: fetched by hash when they are asked for, kept while there is room. */
import type { HeightPicture } from '@/core/raster/height-picture';
import type { Image } from '@/core/raster/image';
import { decodeGrey16, decodePng } from '@/core/raster/png';
import { picturesOf, sourceOf, type JobPictures, type ReliefJob } from '@/core/relief/job';
import type { ReliefSource } from '@/core/relief/source';

/** A 4096 x 4096 picture has 64 MB. */
const KEPT_BYTES = 384 * 1024 * 1024;

type Kept = { image: Image } | { heights: HeightPicture };

export class WorkerPictures {
  private readonly kept = new Map<string, Promise<Kept>>();
  private readonly sizes = new Map<string, number>();

  async image(sha256: string): Promise<Image> {
    const kept = await this.get(`image ${sha256}`, async () => ({
      image: decodePng(await fetchFile(sha256)).image,
    }));
    return (kept as { image: Image }).image;
  }

  async heights(sha256: string): Promise<HeightPicture> {
    const kept = await this.get(`heights ${sha256}`, async () => ({
      heights: decodeGrey16(await fetchFile(sha256)),
    }));
    return (kept as { heights: HeightPicture }).heights;
  }

  /** The source of a job with all its pictures. */
  async source(job: ReliefJob): Promise<ReliefSource> {
    const needed = picturesOf(job);
    const images = new Map<string, Image>();
    const heights = new Map<string, HeightPicture>();
    for (const sha of needed.images) images.set(sha, await this.image(sha));
    for (const sha of needed.heights) heights.set(sha, await this.heights(sha));
    const pictures: JobPictures = { image: (sha) => images.get(sha)!, heights: (sha) => heights.get(sha)! };
    return sourceOf(job, pictures);
  }

  private get(key: string, load: () => Promise<Kept>): Promise<Kept> {
    const there = this.kept.get(key);
    if (there) {
      // What was used last goes last.
      this.kept.delete(key);
      this.kept.set(key, there);
      return there;
    }
    const loading = load();
    this.kept.set(key, loading);
    loading.then(
      (kept) => {
        this.sizes.set(key, 'image' in kept ? kept.image.data.length : kept.heights.values.byteLength);
        this.makeRoom(key);
      },
      // A failed fetch is tried again when it is asked for again.
      () => this.kept.delete(key),
    );
    return loading;
  }

  private makeRoom(newest: string): void {
    let bytes = [...this.kept.keys()].reduce((sum, key) => sum + (this.sizes.get(key) ?? 0), 0);
    for (const key of this.kept.keys()) {
      if (bytes <= KEPT_BYTES || key === newest) return;
      bytes -= this.sizes.get(key) ?? 0;
      this.kept.delete(key);
      this.sizes.delete(key);
    }
  }
}

/** @throws where the server does not have it, or is away */
export async function fetchFile(sha256: string): Promise<Uint8Array> {
  const response = await fetch(`/api/blobs/${sha256}`);
  if (!response.ok) throw new Error('A file could not be loaded from the server.');
  return new Uint8Array(await response.arrayBuffer());
}
