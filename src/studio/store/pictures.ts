/**
 * Pictures of artworks in the browser: files fetched by hash, decoded and given relief in the worker. What is asked
 * for and not there yet comes later; listeners hear of it. Reliefs follow their recipes by themselves.
 */
import type { Image } from '@/core/raster/image';
import type { PicturePixels } from '@/core/moment/moment';
import type { Recipe } from '@/core/relief/recipe';
import type { Artwork, Relief, SceneDocument } from '@/core/scene/document';
import type { ReliefAnswer } from '@/workers/art-worker';

/** The worker's work as the pictures need it. */
export interface ArtWork {
  decode(sha256: string, bytes: Uint8Array): Promise<Image>;
  /** The relief of a picture that was decoded; null where a newer request overtook it. */
  relief(sha256: string, recipe: Recipe, lane: string): Promise<ReliefAnswer | null>;
}

interface Entry {
  imageSha: string;
  glowSha: string | null;
  recipe: Recipe | null;
  pixels: PicturePixels | null;
  heights: Float32Array | null;
  fault: string | null;
  /** Everything that was asked for is there, or failed. */
  isDone: boolean;
}

/** Art of more pixels than this is shown before its relief is made, which takes its time. */
const SHOWN_BARE_PIXELS = 512 * 512;

export class PictureStore {
  private readonly entries = new Map<string, Entry>();
  private readonly images = new Map<string, Promise<Image>>();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly work: ArtWork,
    private readonly fetchPicture: (sha256: string) => Promise<Uint8Array>,
  ) {}

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Brings the pictures in line with a scene: new artworks are loaded, changed recipes made anew. */
  follow(scene: SceneDocument): void {
    for (const [id, artwork] of Object.entries(scene.artworks))
      this.followOne(id, artwork, scene.reliefs[id]);
    for (const id of [...this.entries.keys()]) if (!scene.artworks[id]) this.entries.delete(id);
  }

  /** Pixels of an artwork, or null while they are not there. */
  readonly source = (artworkId: string): PicturePixels | null => this.entries.get(artworkId)?.pixels ?? null;

  heightsOf(artworkId: string): Float32Array | null {
    return this.entries.get(artworkId)?.heights ?? null;
  }

  faultOf(artworkId: string): string | null {
    return this.entries.get(artworkId)?.fault ?? null;
  }

  /** Whether pixels and relief of every artwork that was asked for are there. */
  get isComplete(): boolean {
    return [...this.entries.values()].every((entry) => entry.isDone);
  }

  imageOf(sha256: string): Promise<Image> {
    let image = this.images.get(sha256);
    if (!image) {
      image = this.fetchPicture(sha256).then((bytes) => this.work.decode(sha256, bytes));
      // A failed fetch is tried again when it is asked for again.
      image.catch(() => this.images.delete(sha256));
      this.images.set(sha256, image);
    }
    return image;
  }

  private followOne(id: string, artwork: Artwork, relief: Relief | undefined): void {
    const last = this.entries.get(id);
    const recipe = relief?.recipe ?? null;
    if (
      last &&
      last.imageSha === artwork.imageSha &&
      last.glowSha === artwork.glowSha &&
      last.recipe === recipe
    )
      return;
    const sameArt = last && last.imageSha === artwork.imageSha && last.glowSha === artwork.glowSha;
    const entry: Entry = {
      imageSha: artwork.imageSha,
      glowSha: artwork.glowSha,
      recipe,
      pixels: sameArt ? last.pixels : null,
      heights: sameArt ? last.heights : null,
      fault: null,
      isDone: false,
    };
    this.entries.set(id, entry);
    void this.make(id, entry);
  }

  private async make(id: string, entry: Entry): Promise<void> {
    const isCurrent = () => this.entries.get(id) === entry;
    try {
      const image = await this.imageOf(entry.imageSha);
      const glow = entry.glowSha === null ? null : redOf(await this.imageOf(entry.glowSha));
      const bare: PicturePixels = {
        width: image.width,
        height: image.height,
        rgba: image.data,
        normal: null,
        glow,
      };
      if (!isCurrent()) return;
      if (entry.recipe === null) entry.pixels = bare;
      else {
        if (entry.pixels === null && image.width * image.height > SHOWN_BARE_PIXELS) {
          entry.pixels = bare;
          this.tell();
        }
        const relief = await this.work.relief(entry.imageSha, entry.recipe, id);
        if (!isCurrent() || !relief) return;
        entry.pixels = { ...bare, normal: relief.normals };
        entry.heights = relief.heights;
      }
    } catch (thrown) {
      entry.fault = thrown instanceof Error ? thrown.message : String(thrown);
    }
    entry.isDone = true;
    if (isCurrent()) this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

function redOf(image: Image): Uint8Array {
  return Uint8Array.from({ length: image.width * image.height }, (_, i) => image.data[4 * i]);
}
