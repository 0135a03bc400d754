'use client';
import { OWN_SHADES, type OwnShade, type Shade } from '@/core/scene/records/shade';
import { Choice, ColourField, Switch } from './small';
import { ValueField } from './ValueField';

const SHADE_WORDS: Record<OwnShade, string> = { lit: 'Lit', dark: 'Dark' };

/** How an occluder stops light: its own shade, what comes through, and its stature. */
export function ShadeFields({
  shade,
  closed,
  differs = () => false,
  onPreview,
  onCommit,
  onCancel,
}: {
  shade: Shade;
  /** Lines have no inside to lie in the shade. */
  closed: boolean;
  differs?(field: keyof Shade): boolean;
  onPreview(fields: Partial<Shade>): void;
  onCommit(fields: Partial<Shade>): void;
  onCancel(): void;
}) {
  const number = (
    field: 'soakPx' | 'transmitShare' | 'staturePx',
    label: string,
    high: number,
    unit?: string,
  ) => (
    <ValueField
      label={label}
      value={shade[field] ?? 0}
      low={0}
      high={high}
      step={unit ? 0.5 : 0.01}
      digits={unit ? 1 : 2}
      unit={unit}
      logarithmic={unit !== undefined}
      initial={0}
      differs={differs(field)}
      onPreview={(value) => onPreview({ [field]: value })}
      onCommit={(value) => onCommit({ [field]: value })}
      onCancel={onCancel}
    />
  );
  return (
    <>
      {closed && (
        <Choice<OwnShade>
          label="Own shade"
          value={shade.ownShade}
          differs={differs('ownShade')}
          options={OWN_SHADES.map((s) => [s, SHADE_WORDS[s]])}
          onChange={(ownShade) => onCommit({ ownShade })}
        />
      )}
      {closed && shade.ownShade === 'dark' && number('soakPx', 'Soak', 32, 'px')}
      {number('transmitShare', 'Transmittance', 1)}
      {shade.transmitShare > 0 && (
        <ColourField
          label="Tint"
          value={shade.transmitColour}
          onPreview={(transmitColour) => onPreview({ transmitColour })}
          onCommit={(transmitColour) => onCommit({ transmitColour })}
        />
      )}
      <Switch
        label="Shadow"
        on={shade.staturePx === null}
        words={['endless', 'ends']}
        differs={differs('staturePx')}
        onChange={(isEndless) => onCommit({ staturePx: isEndless ? null : 24 })}
      />
      {shade.staturePx !== null && number('staturePx', 'Stature', 400, 'px')}
    </>
  );
}
