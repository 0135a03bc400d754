/** Puts the digests at hand of a test, in a page or in a worker. */
import type { SceneDocument } from '@/core/scene/document';
import { digestsOf } from './digests';

export interface DigestPage {
  digestsOf(scene: SceneDocument): string[];
}

Object.assign(globalThis, { digestsOf } satisfies DigestPage);
