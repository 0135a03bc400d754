'use client';
import type { ISchema, SchemaDescription } from 'yup';
import type { Wick } from '@/core/scene/records/wick';
import { wickCurve } from '@/core/time/wick';
import { WICK_KINDS, wickKind, type WickKind } from '@/core/time/wicks/all-wicks';
import { CurveChart } from '../controls/CurveChart';
import { Choice, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { CycleColours } from './CycleColours';
import { RATE_FROM, WICK_NUMBERS, WICK_SCREENS } from './wick-screens';

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

type Gesture = Pick<WickFieldsProps, 'preview' | 'commit' | 'cancel'>;
type NumberName = 'rateHz' | 'seed' | 'loopSeconds' | keyof typeof WICK_NUMBERS;

/** How a wick goes: its kind, and the fields of that kind. */
export function WickKindFields({
  wick,
  mark = (label) => label,
  ...gesture
}: Omit<WickFieldsProps, 'level' | 'reachPx'>) {
  const { fields, begins } = wickKind(wick.kind);
  const rateFrom = RATE_FROM[wick.kind] ?? 0.02;
  const change = (kind: WickKind) => gesture.commit({ kind, ...(wickKind(kind).begins as Partial<Wick>) });
  return (
    <>
      <Choice<WickKind>
        label={mark('Wick kind')}
        value={wick.kind}
        options={WICK_KINDS.map((kind) => [kind, WICK_SCREENS[kind].word])}
        onChange={change}
      />
      <NumberField
        {...{ wick, gesture, name: 'rateHz', label: mark('Rate') }}
        {...{ low: rateFrom, high: 20, step: 0.05, unit: 'Hz', logarithmic: rateFrom > 0 }}
        initial={begins.rateHz}
      />
      {Object.entries(fields).map(([name, schema]) => (
        <KindField key={name} {...{ wick, name: name as keyof Wick, schema, gesture, mark }} />
      ))}
      <NumberField
        {...{ wick, gesture, name: 'loopSeconds', label: mark('Loop') }}
        {...{ low: 1, high: 120, step: 0.5, unit: 's', logarithmic: true, initial: 20 }}
      />
      <NumberField
        {...{ wick, gesture, name: 'seed', label: mark('Seed'), low: 0, high: 9999, whole: true }}
      />
      <Switch
        label={mark('Lights')}
        on={wick.inStep}
        words={['in step', 'each by itself']}
        onChange={(inStep) => gesture.commit({ inStep })}
      />
    </>
  );
}

/** One field of a kind, by what it holds. */
function KindField({
  wick,
  name,
  schema,
  gesture,
  mark,
}: {
  wick: Wick;
  name: keyof Wick;
  schema: ISchema<unknown>;
  gesture: Gesture;
  mark(label: string): string;
}) {
  const { meta, oneOf } = (schema as unknown as { describe(): SchemaDescription }).describe();
  const label = mark(meta?.word ?? name);
  const screen = WICK_NUMBERS[name as keyof typeof WICK_NUMBERS];
  if (screen) return <NumberField {...{ wick, gesture, name: name as NumberName, label, ...screen }} />;
  if (name === 'cycleColours')
    return (
      <CycleColours
        label={label}
        colours={wick.cycleColours}
        onPreview={(cycleColours) => gesture.preview({ cycleColours })}
        onCommit={(cycleColours) => gesture.commit({ cycleColours })}
      />
    );
  if (name === 'points') return <DrawnCurve {...{ wick, gesture }} />;
  return (
    <Choice
      label={label}
      value={String(wick[name])}
      options={oneOf.map((one) => [String(one), meta?.choices?.[String(one)] ?? String(one)] as const)}
      onChange={(value) => gesture.commit({ [name]: value })}
    />
  );
}

/** Samples of a drawn wick's curve across its chart. */
const CURVE_SAMPLES = 128;

function DrawnCurve({ wick, gesture }: { wick: Wick; gesture: Gesture }) {
  const once = { ...wick, rateHz: 1, loopSeconds: 1 };
  return (
    <CurveChart
      label="Drawn curve, from one repeat to the next"
      pointLabel="of the curve"
      points={wick.points}
      values={Array.from({ length: CURVE_SAMPLES + 1 }, (_, i) => wickCurve(once, i / CURVE_SAMPLES))}
      ends="free"
      onPreview={(points) => gesture.preview({ points })}
      onCommit={(points) => gesture.commit({ points })}
      onCancel={gesture.cancel}
    />
  );
}

function NumberField({
  wick,
  gesture,
  name,
  ...rest
}: {
  wick: Wick;
  gesture: Gesture;
  name: NumberName;
  label: string;
  low: number;
  high: number;
  step?: number;
  whole?: boolean;
  unit?: string;
  logarithmic?: boolean;
  initial?: number;
}) {
  return (
    <ValueField
      {...rest}
      value={wick[name]}
      onPreview={(value) => gesture.preview({ [name]: value })}
      onCommit={(value) => gesture.commit({ [name]: value })}
      onCancel={gesture.cancel}
    />
  );
}
