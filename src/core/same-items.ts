/** Whether two lists have the same things in the same places: the same numbers and texts, the very same objects. */
export function sameItems(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((item, i) => Object.is(item, b[i]));
}
