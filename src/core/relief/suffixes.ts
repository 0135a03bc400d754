/** Maps that come beside their art, known by the suffix of their name. */

export const BROUGHT_KINDS = ['normals', 'height', 'rim', 'occlusion', 'glow'] as const;
export type BroughtKind = (typeof BROUGHT_KINDS)[number];

const SUFFIXES: Record<BroughtKind, readonly string[]> = {
  normals: ['n', 'nrm', 'norm', 'normal', 'normals', 'normalmap'],
  height: ['h', 'height', 'heights', 'heightmap'],
  rim: ['rim', 'rimmask'],
  occlusion: ['occlusion', 'ao'],
  glow: ['g', 'glow', 'glowmask', 'emission', 'emissive'],
};

export interface BroughtName {
  /** The art that it belongs to. */
  art: string;
  kind: BroughtKind;
}

/**
 * What a file's name says: `wagon_n` belongs to `wagon` as its normals, if there is such an art.
 * @param name without its ending
 * @param isArt whether there is an art of this name
 * @param own suffixes of a person's own, which count beside the usual ones
 */
export function broughtName(
  name: string,
  isArt: (art: string) => boolean,
  own: Partial<Record<BroughtKind, string>> = {},
): BroughtName | null {
  for (const kind of BROUGHT_KINDS) {
    const suffix = (own[kind] ?? '').replace(/^[_\-. ]+/, '').toLowerCase();
    if (suffix === '' || !name.toLowerCase().endsWith(suffix)) continue;
    const art = /^(.+)[_\-. ]$/.exec(name.slice(0, -suffix.length))?.[1];
    if (art !== undefined && isArt(art)) return { art, kind };
  }
  const match = /^(.+)[_\-. ]([a-z]+)$/i.exec(name);
  if (!match || !isArt(match[1])) return null;
  const word = match[2].toLowerCase();
  const kind = BROUGHT_KINDS.find((known) => SUFFIXES[known].includes(word));
  return kind ? { art: match[1], kind } : null;
}
