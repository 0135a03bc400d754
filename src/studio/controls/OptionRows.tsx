'use client';
import type {
  ObjectSchema,
  SchemaDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup';
import { Choice, Row } from './small';

export type OptionValues = Record<string, unknown>;

/** Options, each by its kind: one of some, several of some, yes or no, a text, or a group of such. */
export function OptionRows({
  options,
  values,
  onChange,
}: {
  options: ObjectSchema<object>;
  values: OptionValues;
  onChange(values: OptionValues): void;
}) {
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(136px,1fr))] gap-x-3">
      {Object.entries(options.describe().fields).map(([name, field]) => (
        <OptionRow
          key={name}
          name={name}
          field={field as SchemaDescription}
          value={values[name]}
          members={values[(field as SchemaDescription).meta?.membersOf ?? '']}
          onChange={(value) => onChange({ ...values, [name]: value })}
        />
      ))}
    </div>
  );
}

const YES_OR_NO: Readonly<Record<string, string>> = { true: 'yes', false: 'no' };

function OptionRow({
  name,
  field,
  value,
  onChange,
  within,
  members,
}: {
  name: string;
  field: SchemaDescription;
  value: unknown;
  /** The word of the group that it is in. */
  within?: string;
  /** Of a group: the names of its fields that matter, where not all do. */
  members?: unknown;
  onChange(value: unknown): void;
}) {
  const word = field.meta?.word ?? name;
  const words = field.meta?.choices ?? YES_OR_NO;
  const wordOf = (one: unknown) => words[String(one)] ?? String(one);
  if (field.type === 'object') {
    const group = value as OptionValues;
    return (
      <div role="group" aria-label={word} className="col-span-full" title={field.meta?.about}>
        <p className="text-ash">{word}</p>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(136px,1fr))] gap-x-3">
          {Object.entries((field as SchemaObjectDescription).fields)
            .filter(([inner]) => !Array.isArray(members) || members.includes(inner))
            .map(([inner, innerField]) => (
              <OptionRow
                key={inner}
                name={inner}
                field={innerField as SchemaDescription}
                value={group[inner]}
                onChange={(one) => onChange({ ...group, [inner]: one })}
                within={word}
              />
            ))}
        </div>
      </div>
    );
  }
  if (field.type === 'array') {
    const { oneOf } = (field as SchemaInnerTypeDescription).innerType as SchemaDescription;
    if (oneOf.length > 0)
      return (
        <Several label={word} all={oneOf} picked={value as unknown[]} wordOf={wordOf} onChange={onChange} />
      );
  }
  const all = field.type === 'boolean' ? [true, false] : field.oneOf;
  if (all.length > 0)
    return (
      <Choice
        label={word}
        value={String(value)}
        options={all.map((one) => [String(one), wordOf(one)] as const)}
        onChange={(text) => onChange(all.find((one) => String(one) === text))}
      />
    );
  return (
    <div className={within ? '' : 'col-span-full'}>
      <Row label={word}>
        <input
          aria-label={within ? `${word}, ${within}` : word}
          title={field.meta?.about}
          className="field figure min-w-0 flex-1 border-line px-1 text-right"
          value={String(value ?? '')}
          onChange={(event) => onChange(event.currentTarget.value)}
          onKeyDown={(event) => event.stopPropagation()}
        />
      </Row>
    </div>
  );
}

/** Several of some, of which at least one stays. */
function Several({
  label,
  all,
  picked,
  wordOf,
  onChange,
}: {
  label: string;
  all: readonly unknown[];
  picked: readonly unknown[];
  wordOf(one: unknown): string;
  onChange(picked: unknown[]): void;
}) {
  const toggle = (one: unknown) => {
    const next = all.filter((other) => (other === one) !== picked.includes(other));
    if (next.length > 0) onChange(next);
  };
  return (
    <div role="group" aria-label={label} className="col-span-full mb-1 flex flex-wrap gap-x-2">
      {all.map((one) => (
        <button
          key={String(one)}
          type="button"
          aria-pressed={picked.includes(one)}
          className={`cursor-pointer border-b ${picked.includes(one) ? 'border-verdigris text-chalk' : 'border-transparent text-ash'}`}
          onClick={() => toggle(one)}
        >
          {wordOf(one)}
        </button>
      ))}
    </div>
  );
}
