'use client';
import type { ReactNode } from 'react';
import { commandOf, titleOf, whyNot } from '../commands/all-commands';
import { useScene, useStudio } from '../context';
import { Key } from './small';

/** A button of a command: its words and its key on hover, or why it can do nothing just now. */
export function CommandKey({
  id,
  about,
  children,
}: {
  id: string;
  /** What there is to know of it here. */
  about?: string;
  /** What stands on it, where that is shorter than its words. */
  children?: ReactNode;
}) {
  const studio = useStudio();
  const why = useScene(() => whyNot(studio, id));
  const { words } = commandOf(id);
  return (
    <Key
      name={isWord(children) ? undefined : words}
      title={why ?? [titleOf(studio, id), about].filter(Boolean).join('. ')}
      disabled={why !== null}
      onClick={() => commandOf(id).run(studio)}
    >
      {children ?? words}
    </Key>
  );
}

/** Whether it can be read out; a sign cannot. */
function isWord(children: ReactNode): boolean {
  return typeof children !== 'string' || /[a-z]{2}/i.test(children);
}
