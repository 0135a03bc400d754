/** Who sits at this browser, for the others: an id that stays, and the name that was given. */
import type { Person } from '@/core/scene/changes';

const KEY = 'oilwick-person';

export function ownPerson(): Person {
  const kept = readPerson();
  if (kept) return kept;
  const person = { id: crypto.randomUUID(), name: '' };
  localStorage.setItem(KEY, JSON.stringify(person));
  return person;
}

export function nameOneself(name: string): Person {
  const person = { ...ownPerson(), name };
  localStorage.setItem(KEY, JSON.stringify(person));
  return person;
}

function readPerson(): Person | null {
  try {
    const { id, name } = JSON.parse(localStorage.getItem(KEY) ?? '') as Person;
    return typeof id === 'string' && typeof name === 'string' ? { id, name } : null;
  } catch {
    return null;
  }
}
