'use client';
import type { ObjectSchema, SchemaDescription, SchemaInnerTypeDescription } from 'yup';
import { Choice, Row, Switch } from '../controls/small';
import type { ExportOptions } from './export-run';

/** The options of an export, each by its kind: one of some, several of some, yes or no, a text. */
export function OptionRows({
  options,
  values,
  onChange,
}: {
  options: ObjectSchema<object>;
  values: ExportOptions;
  onChange(values: ExportOptions): void;
}) {
  return Object.entries(options.describe().fields).map(([name, field]) => (
    <OptionRow
      key={name}
      name={name}
      field={field as SchemaDescription}
      value={values[name]}
      onChange={(value) => onChange({ ...values, [name]: value })}
    />
  ));
}

function OptionRow({
  name,
  field,
  value,
  onChange,
}: {
  name: string;
  field: SchemaDescription;
  value: unknown;
  onChange(value: unknown): void;
}) {
  const word = field.meta?.word ?? name;
  if (field.type === 'boolean')
    return <Switch label={word} on={value as boolean} words={['yes', 'no']} onChange={onChange} />;
  if (field.type === 'array') {
    const picked = value as unknown[];
    const { oneOf } = (field as SchemaInnerTypeDescription).innerType as SchemaDescription;
    const toggle = (one: unknown) =>
      oneOf.filter((other) => (other === one ? !picked.includes(one) : picked.includes(other)));
    return (
      <div role="group" aria-label={word} title={field.meta?.about} className="flex flex-wrap gap-x-2">
        {oneOf.map((one) => (
          <button
            key={String(one)}
            type="button"
            aria-pressed={picked.includes(one)}
            className={`cursor-pointer border-b ${picked.includes(one) ? 'border-verdigris text-chalk' : 'border-transparent text-ash'}`}
            onClick={() => onChange(toggle(one))}
          >
            {String(one)}
          </button>
        ))}
      </div>
    );
  }
  if (field.oneOf.length > 0)
    return (
      <Choice
        label={word}
        value={String(value)}
        options={field.oneOf.map((one) => [String(one), String(one)] as const)}
        onChange={(text) => onChange(field.oneOf.find((one) => String(one) === text))}
      />
    );
  return (
    <Row label={word}>
      <input
        aria-label={word}
        title={field.meta?.about}
        className="field figure min-w-0 flex-1 border-line px-1 text-right"
        value={String(value)}
        onChange={(event) => onChange(event.currentTarget.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
    </Row>
  );
}
