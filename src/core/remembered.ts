/**
 * What was made of something that is never changed: the same thing comes back while everything that it was made of is the
 * very same. Whoever makes one owns it, and what it holds goes with the things that it was made of.
 */
import { sameItems } from './same-items';

export class Remembered<K extends object, V> {
  private readonly kept = new WeakMap<K, { of: readonly unknown[]; made: V }>();

  /** @param of what it is made of, beside the key */
  recall(key: K, of: readonly unknown[], make: () => V): V {
    const known = this.kept.get(key);
    if (known && sameItems(known.of, of)) return known.made;
    const made = make();
    this.kept.set(key, { of, made });
    return made;
  }
}
