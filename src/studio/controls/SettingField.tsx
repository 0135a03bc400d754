'use client';
import { ValueField, type ValueFieldProps } from './ValueField';

/** A value of the session: what is shown while it moves is what holds, and there is nothing to undo. */
export function SettingField({
  onChange,
  ...rest
}: Omit<ValueFieldProps, 'onPreview' | 'onCommit' | 'onCancel'> & { onChange(value: number): void }) {
  return <ValueField {...rest} onPreview={onChange} onCommit={onChange} onCancel={() => undefined} />;
}
