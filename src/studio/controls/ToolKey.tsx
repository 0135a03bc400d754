'use client';

/** A key of the desk's left end: a word, and the key of the keyboard that does the same. */
export function ToolKey({
  words,
  keyName,
  title,
  pressed,
  onClick,
}: {
  words: string;
  keyName?: string;
  title?: string;
  pressed: boolean;
  onClick(): void;
}) {
  return (
    <button
      type="button"
      className="key flex min-h-0 items-center justify-between py-0"
      aria-pressed={pressed}
      title={title}
      onClick={onClick}
    >
      {words}
      {keyName && <span className="figure text-dust uppercase">{keyName}</span>}
    </button>
  );
}
