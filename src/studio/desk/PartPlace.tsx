'use client';
import type { FlamePart, LightPart } from '@/core/scene/records/luminaire';
import { ValueField } from '../controls/ValueField';
import { useOverride } from './look-adapter';

/** Where a part stands, counted from the lamp. */
export function PartPlace({ ids, part }: { ids: readonly string[]; part: LightPart | FlamePart }) {
  const override = useOverride<LightPart | FlamePart>(ids, part);
  return (['x', 'y'] as const).map((field) => (
    <ValueField
      key={field}
      label={override.mark(field, field === 'x' ? 'Offset X' : 'Offset Y')}
      value={part[field]}
      low={-200}
      high={200}
      digits={1}
      unit="px"
      initial={override.base?.[field]}
      differs={override.differs(field)}
      onPreview={(value) => override.preview({ [field]: value })}
      onCommit={(value) => override.commit({ [field]: value })}
      onCancel={override.cancel}
    />
  ));
}
