/** Which scenes a stream of changes is for, and up to where each is known: as `ID:17.4`, with commas between. */
import type { Known } from './changes';

export interface Followed {
  sceneId: string;
  known: Known;
}

const ONE = /^([\w-]{1,64}):(\d{1,15})\.(\d{1,16})$/;

export function followText(followed: readonly Followed[]): string {
  return followed.map(({ sceneId, known }) => `${sceneId}:${known.revision}.${known.changeNumber}`).join(',');
}

/** @returns null where a part of it is not written so */
export function readFollow(text: string): Followed[] | null {
  const all: Followed[] = [];
  for (const part of text === '' ? [] : text.split(',')) {
    const match = ONE.exec(part);
    if (!match) return null;
    const [, sceneId, revision, changeNumber] = match;
    all.push({ sceneId, known: { revision: Number(revision), changeNumber: Number(changeNumber) } });
  }
  return all;
}
