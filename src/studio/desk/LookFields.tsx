'use client';
/** Single controls of a light's look. */
import type { LightLook } from '@/core/scene/records/light-look';
import { Choice, ColourField, Switch } from '../controls/small';
import { ValueField, type ValueFieldProps } from '../controls/ValueField';
import type { LookAdapter } from './look-adapter';

type FieldsOf<T> = { [K in keyof LightLook]: LightLook[K] extends T ? K : never }[keyof LightLook];

interface Field<F> {
  of: LookAdapter;
  field: F;
  label: string;
}

export function LookNumber({
  of,
  field,
  label,
  ...rest
}: Field<FieldsOf<number>> &
  Omit<ValueFieldProps, 'label' | 'value' | 'initial' | 'differs' | 'onPreview' | 'onCommit' | 'onCancel'>) {
  return (
    <ValueField
      {...rest}
      label={of.mark(field, label)}
      value={of.look[field]}
      initial={of.base[field]}
      differs={of.differs(field)}
      onPreview={(value) => of.preview({ [field]: value })}
      onCommit={(value) => of.commit({ [field]: value })}
      onCancel={of.cancel}
    />
  );
}

export function LookSwitch({
  of,
  field,
  label,
  words,
  warns,
}: Field<FieldsOf<boolean>> & { words?: [string, string]; warns?: boolean }) {
  return (
    <Switch
      label={of.mark(field, label)}
      on={of.look[field]}
      words={words}
      warns={warns}
      differs={of.differs(field)}
      onChange={(on) => of.commit({ [field]: on })}
    />
  );
}

export function LookColour({ of, field, label }: Field<'colour' | 'shadowColour'>) {
  return (
    <ColourField
      label={of.mark(field, label)}
      value={of.look[field]}
      differs={of.differs(field)}
      onPreview={(colour) => of.preview({ [field]: colour })}
      onCommit={(colour) => of.commit({ [field]: colour })}
    />
  );
}

export function LookChoice<F extends 'kind' | 'blend' | 'curve' | 'source' | 'follows'>({
  of,
  field,
  label,
  words,
}: Field<F> & { words: Record<LightLook[F], string> }) {
  return (
    <Choice<LightLook[F]>
      label={of.mark(field, label)}
      value={of.look[field]}
      differs={of.differs(field)}
      options={Object.entries(words) as [LightLook[F], string][]}
      onChange={(value) => of.commit({ [field]: value })}
    />
  );
}
