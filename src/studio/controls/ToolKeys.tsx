'use client';
import { useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { ToolKey } from './ToolKey';

/** The tools of a bench, each a word and a key; its command is named after the bench and the tool. */
export function ToolKeys<T extends string>({
  bench,
  tools,
  words,
  tool,
  className,
}: {
  bench: string;
  tools: readonly T[];
  words: Record<T, { words: string; key: string; hint: string }>;
  tool: T;
  className: string;
}) {
  const studio = useStudio();
  return (
    <div
      role="toolbar"
      aria-label="Tools"
      className={`grid shrink-0 auto-rows-[24px] gap-[3px] border-r border-line bg-soot p-2 ${className}`}
    >
      {tools.map((name) => (
        <ToolKey
          key={name}
          words={words[name].words}
          command={`${bench}-${name}`}
          title={words[name].hint}
          pressed={tool === name}
          onClick={() => commandOf(`${bench}-${name}`).run(studio)}
        />
      ))}
    </div>
  );
}
