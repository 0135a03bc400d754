'use client';
import { LIMITS } from '@/core/limits';
import { Row } from '../controls/small';

/** Colours that follow one another, each a swatch; the last is taken away by its key. */
export function CycleColours({
  label,
  colours,
  onPreview,
  onCommit,
}: {
  label: string;
  colours: readonly string[];
  onPreview(colours: string[]): void;
  onCommit(colours: string[]): void;
}) {
  return (
    <Row label={label}>
      <span className="flex flex-1 items-center justify-end gap-1">
        {colours.map((colour, i) => (
          <input
            key={i}
            type="color"
            aria-label={`Colour ${i + 1} of the cycle`}
            className="h-[14px] w-[18px] cursor-pointer appearance-none border-none bg-transparent p-0 [&::-webkit-color-swatch]:rounded-none [&::-webkit-color-swatch]:border-none [&::-webkit-color-swatch-wrapper]:p-0"
            value={colour}
            onChange={(event) => onPreview(colours.with(i, event.currentTarget.value))}
            onBlur={(event) => onCommit(colours.with(i, event.currentTarget.value))}
          />
        ))}
        {colours.length > 0 && (
          <button
            type="button"
            aria-label="Take the last colour away"
            className="cursor-pointer px-1 text-ash"
            onClick={() => onCommit(colours.slice(0, -1))}
          >
            ×
          </button>
        )}
        {colours.length < LIMITS.cycleColours && (
          <button
            type="button"
            aria-label="Add a colour"
            className="cursor-pointer px-1 text-brass"
            onClick={() => onCommit([...colours, colours.at(-1) ?? '#ffb347'])}
          >
            +
          </button>
        )}
      </span>
    </Row>
  );
}
