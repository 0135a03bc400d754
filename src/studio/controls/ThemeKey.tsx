'use client';
/** Dark surfaces, or light ones for bright rooms: kept in this browser, for all of its pages. */
import { Moon, Sun } from 'lucide-react';
import { useEffect, useSyncExternalStore } from 'react';

const KEY = 'oilwick-theme';
type Theme = 'dark' | 'light';

function subscribe(notify: () => void): () => void {
  window.addEventListener('storage', notify);
  return () => window.removeEventListener('storage', notify);
}

function kept(): Theme {
  return localStorage.getItem(KEY) === 'light' ? 'light' : 'dark';
}

export function ThemeKey() {
  const theme = useSyncExternalStore(subscribe, kept, () => 'dark' as const);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const other = theme === 'dark' ? 'light' : 'dark';
  const Icon = theme === 'dark' ? Sun : Moon;
  const change = () => {
    localStorage.setItem(KEY, other);
    // Other pages hear of it by themselves, this one does not.
    window.dispatchEvent(new StorageEvent('storage', { key: KEY }));
  };
  return (
    <button
      type="button"
      aria-label={`Use the ${other} theme`}
      title={`Use the ${other} theme`}
      className="cursor-pointer p-1 text-ash hover:text-chalk"
      onClick={change}
    >
      <Icon size={15} aria-hidden />
    </button>
  );
}
