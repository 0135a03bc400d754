/** Which revisions are shown, and in what words. */
import type { RevisionEntry } from '@/core/scene/changes';

/** Saves of one person within so long of each other are one entry, unless one of them has a name or a picture. */
const TOGETHER_MS = 60_000;

export interface Listed {
  entry: RevisionEntry;
  /** How many earlier ones stand behind it. */
  folded: number;
}

/** @param entries newest first */
export function listedRevisions(entries: readonly RevisionEntry[]): Listed[] {
  const listed: Listed[] = [];
  for (const entry of entries) {
    const last = listed.at(-1);
    const isPlain = entry.name === null && !entry.hasPicture && entry.revision > 1;
    const isNear =
      last !== undefined &&
      last.entry.author?.id === entry.author?.id &&
      Date.parse(last.entry.madeAt) - Date.parse(entry.madeAt) < TOGETHER_MS;
    if (last && isPlain && isNear) last.folded++;
    else listed.push({ entry, folded: 0 });
  }
  return listed;
}

const WORDS: Readonly<Record<string, readonly [one: string, many: string]>> = {
  settings: ['the scene', 'the scene'],
  planes: ['plane', 'planes'],
  sprites: ['sprite', 'sprites'],
  lights: ['light', 'lights'],
  lamps: ['lamp', 'lamps'],
  occluders: ['occluder', 'occluders'],
  wicks: ['wick', 'wicks'],
  washes: ['wash', 'washes'],
  cues: ['cue', 'cues'],
  circuits: ['circuit', 'circuits'],
  luminaires: ['luminaire', 'luminaires'],
  artworks: ['artwork', 'artworks'],
};

export function changedWords({ revision, changed }: RevisionEntry, folded: number): string {
  const parts = Object.entries(changed).map(([collection, count]) => {
    if (collection === 'settings') return WORDS.settings[0];
    const words = WORDS[collection];
    return words ? `${count} ${words[count === 1 ? 0 : 1]}` : `${count} of ${collection}`;
  });
  const more = folded > 0 ? `, and ${folded} saves before it` : '';
  if (parts.length === 0) return revision === 1 ? 'how it began' : `nothing${more}`;
  return `${parts.slice(0, 3).join(', ')}${more}`;
}
