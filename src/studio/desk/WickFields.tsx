'use client';
import type { Wick } from '@/core/scene/records/wick';
import { RangeField } from '../controls/RangeField';
import { ValueField } from '../controls/ValueField';

export interface WickFieldsProps {
  wick: Wick;
  /** Of a light on this wick: ranges are shown in its units. */
  level: number;
  reachPx: number;
  /** A label, marked where it is an override. */
  mark?(label: string): string;
  preview(fields: Partial<Wick>): void;
  commit(fields: Partial<Wick>): void;
  cancel(): void;
}

/** The numbers of a wick. */
export function WickFields({ wick, level, reachPx, mark = (label) => label, ...gesture }: WickFieldsProps) {
  const number = (
    field: 'rateHz' | 'roughness' | 'seed',
    label: string,
    range: { low: number; high: number; step?: number; whole?: boolean; unit?: string; initial?: number },
  ) => (
    <ValueField
      {...range}
      label={mark(label)}
      value={wick[field]}
      logarithmic={field === 'rateHz'}
      onPreview={(value) => gesture.preview({ [field]: value })}
      onCommit={(value) => gesture.commit({ [field]: value })}
      onCancel={gesture.cancel}
    />
  );
  // A light of level 0 has no unit of its own.
  const unit = level || 1;
  return (
    <>
      {number('rateHz', 'Rate', { low: 0.05, high: 12, step: 0.05, unit: 'Hz', initial: 1.6 })}
      <RangeField
        label={mark('Level')}
        low={wick.levelLow * unit}
        high={wick.levelHigh * unit}
        least={0}
        most={8 * unit}
        digits={2}
        onChange={(low, high) => gesture.commit({ levelLow: low / unit, levelHigh: high / unit })}
      />
      <RangeField
        label={mark('Reach')}
        low={wick.reachLow * reachPx}
        high={wick.reachHigh * reachPx}
        least={0.01 * reachPx}
        most={8 * reachPx}
        digits={0}
        unit="px"
        onChange={(low, high) => gesture.commit({ reachLow: low / reachPx, reachHigh: high / reachPx })}
      />
      {number('roughness', 'Roughness', { low: 0, high: 1, step: 0.01, initial: 0.5 })}
      {number('seed', 'Seed', { low: 0, high: 9999, whole: true })}
    </>
  );
}
