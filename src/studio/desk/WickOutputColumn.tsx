'use client';
import type { Wick } from '@/core/scene/records/wick';
import { Column } from '../controls/Column';
import { RangeField } from '../controls/RangeField';
import { ValueField } from '../controls/ValueField';
import type { WickFieldsProps } from './WickFields';

type NumberField = { [F in keyof Wick]: Wick[F] extends number ? F : never }[keyof Wick];

interface Output {
  word: string;
  low: NumberField;
  high: NumberField;
  lag: NumberField;
  /** How far it goes, in the wick's own numbers. */
  least: number;
  most: number;
  digits: number;
  unit?: string;
  /** What one is on a light of this level and this reach. */
  of?(level: number, reachPx: number): number;
  isOrdered?: boolean;
}

const SWAY = { least: -256, most: 256, digits: 1, unit: 'px' } as const;

/** What a wick moves, in the order in which it is shown. */
const OUTPUTS: readonly Output[] = [
  {
    ...{ word: 'Level', low: 'levelLow', high: 'levelHigh', lag: 'levelLagSeconds' },
    ...{ least: 0, most: 8, digits: 2 },
    // A light of level 0 has no unit of its own.
    of: (level) => level || 1,
  },
  {
    ...{ word: 'Reach', low: 'reachLow', high: 'reachHigh', lag: 'reachLagSeconds' },
    ...{ least: 0.01, most: 8, digits: 0, unit: 'px' },
    of: (_, reachPx) => reachPx,
  },
  { word: 'Sway X', low: 'swayXLowPx', high: 'swayXHighPx', lag: 'swayXLagSeconds', ...SWAY },
  { word: 'Sway Y', low: 'swayYLowPx', high: 'swayYHighPx', lag: 'swayYLagSeconds', ...SWAY },
  {
    ...{ word: 'Warmth', low: 'warmthLow', high: 'warmthHigh', lag: 'warmthLagSeconds' },
    ...{ least: -4, most: 4, digits: 2, isOrdered: false },
  },
];

/** What the lights of a wick get of it: each output from its lowest to its highest, and how far it lags behind. */
export function WickOutputColumn({
  wick,
  level,
  reachPx,
  mark = (label) => label,
  ...gesture
}: WickFieldsProps) {
  return (
    <Column title="Outputs" wide>
      {OUTPUTS.map(({ word, low, high, lag: _, of, least, most, ...rest }) => {
        const unit = of?.(level, reachPx) ?? 1;
        return (
          <RangeField
            key={word}
            {...rest}
            label={mark(word)}
            low={wick[low] * unit}
            high={wick[high] * unit}
            least={least * unit}
            most={most * unit}
            onChange={(from, to) => gesture.commit({ [low]: from / unit, [high]: to / unit })}
          />
        );
      })}
      {OUTPUTS.map(({ word, lag }) => (
        <ValueField
          key={lag}
          label={mark(`${word} lag`)}
          value={wick[lag]}
          low={0}
          high={2}
          step={0.01}
          unit="s"
          onPreview={(value) => gesture.preview({ [lag]: value })}
          onCommit={(value) => gesture.commit({ [lag]: value })}
          onCancel={gesture.cancel}
        />
      ))}
    </Column>
  );
}
