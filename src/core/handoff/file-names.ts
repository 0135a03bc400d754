import type { SceneDocument } from '../scene/document';

/** A name as part of a path on any system. */
export function plainName(name: string, empty = 'scene'): string {
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || empty
  );
}

/** A file name for each artwork: its own name made plain; where two are the same, with a number. */
export function fileNames(scene: Pick<SceneDocument, 'artworks'>): Record<string, string> {
  const taken = new Set<string>();
  const names: Record<string, string> = {};
  for (const [id, { name }] of Object.entries(scene.artworks)) {
    const plain = plainName(name, 'art');
    let unique = plain;
    for (let n = 2; taken.has(unique); n++) unique = `${plain}-${n}`;
    taken.add(unique);
    names[id] = unique;
  }
  return names;
}
