'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import { LIMITS } from '@/core/limits';
import { useElsewhere, useStudio } from '../context';
import { nameOneself, ownPerson } from '../store/person';

/** Of many the first are shown in the bar. */
const MOST_SHOWN = 3;

/** Who else has the scene open, by their first letters, and what they call oneself. There only while somebody is. */
export function People() {
  const people = useElsewhere((state) => state.people);
  if (people.length === 0) return null;
  const words =
    people.length === 1 ? `${people[0].name || 'Somebody'} is here` : `${people.length} others are here`;
  const shown = people.slice(0, MOST_SHOWN);
  return (
    <Popover className="relative">
      <PopoverButton aria-label={words} title={words} className="flex cursor-pointer gap-1">
        {shown.map(({ id, name }) => (
          <span
            key={id}
            className="h-6 w-6 border border-verdigris text-center leading-[22px] text-verdigris"
          >
            {(name || '?').slice(0, 1).toUpperCase()}
          </span>
        ))}
        {people.length > MOST_SHOWN && <span className="text-verdigris">+{people.length - MOST_SHOWN}</span>}
      </PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="floating z-30 mt-1 w-[240px] border border-rail bg-slate p-2"
      >
        <ul aria-label="Who else is here">
          {people.map(({ id, name }) => (
            <li key={id} className="truncate">
              {name || 'Somebody without a name'}
            </li>
          ))}
        </ul>
        <OwnName />
      </PopoverPanel>
    </Popover>
  );
}

function OwnName() {
  const studio = useStudio();
  const [name, setName] = useState(() => ownPerson().name);
  const keep = () => {
    nameOneself(name.trim());
    studio.nameChanged();
  };
  return (
    <label className="mt-2 flex items-center gap-2">
      <span className="text-ash">You are</span>
      <input
        className="field min-w-0 flex-1 border-line px-1"
        value={name}
        maxLength={LIMITS.authorLength}
        placeholder="Your name"
        onChange={(event) => setName(event.currentTarget.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') keep();
        }}
      />
    </label>
  );
}
