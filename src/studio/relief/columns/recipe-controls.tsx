'use client';
import type { ComponentProps } from 'react';
import type { Recipe } from '@/core/relief/recipe';
import { ValueField } from '../../controls/ValueField';

/** How the columns of the desk change the recipe of the artwork that is shown. */
export interface RecipeControls {
  recipe: Recipe;
  preview(recipe: Recipe): void;
  keep(recipe: Recipe, label: string): void;
  cancel(): void;
}

type Rest = Omit<
  ComponentProps<typeof ValueField>,
  'label' | 'value' | 'onPreview' | 'onCommit' | 'onCancel'
>;

/** A number of the recipe: shown while it moves, kept when it rests. */
export function RecipeValue({
  label,
  value,
  controls,
  set,
  ...rest
}: Rest & {
  label: string;
  value: number;
  controls: RecipeControls;
  set(recipe: Recipe, value: number): Recipe;
}) {
  const { recipe, preview, keep, cancel } = controls;
  return (
    <ValueField
      label={label}
      value={value}
      {...rest}
      onPreview={(v) => preview(set(recipe, v))}
      onCommit={(v) => keep(set(recipe, v), label)}
      onCancel={cancel}
    />
  );
}

/** Pairs of value and words for a choice, in the order of the values. */
export function worded<T extends string>(
  values: readonly T[],
  words: Record<T, string>,
): (readonly [T, string])[] {
  return values.map((value) => [value, words[value]] as const);
}
