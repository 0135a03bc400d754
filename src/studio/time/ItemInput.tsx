'use client';
import { isColourItem, itemRange, type CueItem, type ItemValue } from '@/core/time/cue-items';
import { ColourField } from '../controls/small';
import { ValueField } from '../controls/ValueField';

/** A value of the day to be set: a colour, or a number within the bounds that it is used in. */
export function ItemInput({
  item,
  label,
  value,
  onPreview,
  onCommit,
  onCancel,
}: {
  item: CueItem;
  label: string;
  value: ItemValue;
  onPreview(to: ItemValue): void;
  onCommit(to: ItemValue): void;
  onCancel(): void;
}) {
  const set = { label, onPreview, onCommit };
  if (isColourItem(item)) return <ColourField {...set} value={value as string} />;
  return <ValueField {...set} {...itemRange(item)} value={value as number} step={0.01} onCancel={onCancel} />;
}
