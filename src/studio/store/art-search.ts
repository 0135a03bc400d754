/** Searching artworks by words. */
import type { Artwork } from '@/core/scene/records/artwork';

/** Whether the name or the tags of an artwork have all the words that are searched for. */
export function isFound({ name, tags }: Pick<Artwork, 'name' | 'tags'>, search: string): boolean {
  const text = [name, ...tags].join(' ').toLowerCase();
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return words.every((word) => text.includes(word));
}
