/**
 * Work on items that is begun a few ahead of where its result is asked for.
 * @param width how many are under way at once
 * @returns gives the result for an item; items are asked for in their order
 */
export function ahead<T, R>(
  items: readonly T[],
  width: number,
  work: (item: T) => Promise<R>,
): (item: T) => Promise<R> {
  const begun = new Map<T, Promise<R>>();
  let next = 0;
  const begin = () => {
    const item = items[next++];
    const result = work(item);
    // Whoever asks for it hears of a failure; nobody may ask, where all is stopped.
    result.catch(() => undefined);
    begun.set(item, result);
  };
  return (item) => {
    while (next < items.length && begun.size < width) begin();
    const result = begun.get(item) ?? work(item);
    begun.delete(item);
    return result;
  };
}
