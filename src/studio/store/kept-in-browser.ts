/** Stores whose state is kept in the browser, for the next time. */
import { createStore, type StoreApi } from 'zustand/vanilla';

/**
 * @param key where it is kept; null keeps it nowhere
 * @param sound what of a kept state still fits: anything may be kept there, by another version or by hand
 */
export function keptInBrowser<T>(
  key: string | null,
  sound: (kept: Record<string, unknown>) => T,
): StoreApi<T> {
  const store = createStore(() => sound(key === null ? {} : readKept(key)));
  if (key !== null)
    store.subscribe((state) => {
      try {
        localStorage.setItem(key, JSON.stringify(state));
      } catch {
        // A full or forbidden storage only costs the choice its memory.
      }
    });
  return store;
}

function readKept(key: string): Record<string, unknown> {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? '{}') ?? {}) as Record<string, unknown>;
  } catch {
    return {};
  }
}
