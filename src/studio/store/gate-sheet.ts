/** Which small pictures of the gate are wanted, and those that are there. The stage draws them one by one. */
import { createStore } from 'zustand/vanilla';
import type { Passing } from '@/core/moment/passing';
import type { Image } from '@/core/raster/image';
import type { SceneDocument } from '@/core/scene/document';

export interface WantedPicture {
  /** By what it is asked for. */
  key: string;
  passing: Partial<Passing>;
  /** Another hour than that of the playhead. */
  clockHours?: number;
  /** Its longer side, at most. */
  sidePx: number;
}

interface Kept {
  image: Image;
  /** What it was drawn of; of another it is drawn again, and shown meanwhile. */
  of: readonly unknown[];
}

export interface GateSheetState {
  images: ReadonlyMap<string, Image>;
}

export class GateSheet {
  readonly api = createStore<GateSheetState>(() => ({ images: new Map() }));
  private readonly wanted = new Map<object, readonly WantedPicture[]>();
  private readonly kept = new Map<string, Kept>();

  /** @param owner who wants them, until the returned function is called */
  want(owner: object, pictures: readonly WantedPicture[]): () => void {
    this.wanted.set(owner, pictures);
    return () => {
      this.wanted.delete(owner);
    };
  }

  /** The next one to be drawn, if any. */
  next(scene: SceneDocument, clockHours: number): { wanted: WantedPicture; done(image: Image): void } | null {
    for (const list of this.wanted.values())
      for (const wanted of list) {
        const of = [scene, wanted.clockHours ?? clockHours, wanted.passing.finish, wanted.sidePx];
        const kept = this.kept.get(wanted.key);
        if (kept?.of.every((v, i) => v === of[i])) continue;
        return { wanted, done: (image) => this.keep(wanted.key, { image, of }) };
      }
    return null;
  }

  /** @returns bytes that are kept */
  get bytes(): number {
    return [...this.kept.values()].reduce((sum, { image }) => sum + image.data.length, 0);
  }

  private keep(key: string, kept: Kept): void {
    this.kept.set(key, kept);
    const keys = new Set([...this.wanted.values()].flatMap((list) => list.map((one) => one.key)));
    // What nobody wants any more goes when something comes.
    for (const old of [...this.kept.keys()]) if (!keys.has(old) && old !== key) this.kept.delete(old);
    this.api.setState({ images: new Map([...this.kept].map(([id, { image }]) => [id, image])) });
  }
}
